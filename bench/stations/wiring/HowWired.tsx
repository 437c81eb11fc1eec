"use client";

import type { Wiring } from "@/core/model";
import { measures } from "@/core/quantity";
import { breaksBothLinks, layingTable, outletsIn, type WiringPlan } from "@/core/wiring";
import { measureKind, plainKind, Select } from "@/parts/fields";
import { useActions, usePreferences } from "../../context";
import { Fields } from "../../Fields";
import { ToggleField } from "../../ToggleField";
import { ValueField } from "../../ValueField";

type Choices<F extends keyof Wiring> = { value: Wiring[F]; label: string }[];

const switches: Choices<"mainSwitch"> = [
  { value: "both", label: "Opens both conductors" },
  { value: "one", label: "Opens one" },
  { value: "none", label: "None: the plug is pulled" },
];
const outlets: Choices<"outlets"> = [
  { value: "two", label: "Single ones" },
  { value: "twin", label: "A twin socket, its link broken" },
];
const relays: Choices<"relay"> = [
  { value: "mechanical", label: "Mechanical" },
  { value: "solid", label: "Solid-state" },
  { value: "contactor", label: "Contactor, two poles" },
];
const places: Choices<"relaysIn"> = [
  { value: "unit", label: "In the unit" },
  { value: "outside", label: "Outside, driven by it" },
];
const layings: Choices<"laid"> = [
  { value: "cord", label: "By cord and plug" },
  ...(["A1", "B1", "C"] as const).map((value) => ({ value, label: `Fixed, ${layingTable[value]}` })),
];
const symbols: Choices<"symbols"> = [
  { value: "region", label: "As is usual where you are" },
  { value: "iec", label: "IEC 60617" },
  { value: "ansi", label: "ANSI Y32" },
];

/** Everything that somebody decides who wires it: protection, switch, relays, cords, what is plugged in. */
export function HowWired({ plan }: { plan: WiringPlan }) {
  const { wiring } = plan;
  const { apply } = useActions();
  const { system } = usePreferences();
  const choice = <F extends keyof Wiring>(field: F, label: string, options: Choices<F>, hint?: string) => (
    <Select
      label={label}
      value={wiring[field] as string}
      options={options as { value: string; label: string }[]}
      hint={hint}
      onChoose={(value) => apply([{ section: "wiring", field, value } as never], label.toLowerCase())}
    />
  );
  const toggle = (
    field: "plugTurns" | "metalBox" | "linkBroken" | "secondCord" | "cutOut" | "pilots" | "heatDouble" | "coldDouble",
    label: string,
    hint?: string,
  ) => <ToggleField at={{ section: "wiring", field }} label={label} value={wiring[field]} hint={hint} />;
  const all = outletsIn(plan);
  const both = all.length === 2;
  return (
    <>
      <Fields title="How it is wired">
        <ValueField
          at={{ section: "wiring", field: "fuse" }}
          label="A fuse of its own"
          kind={plainKind("A", 1)}
          value={wiring.fuse}
          hint="0: none."
        />
        {choice("mainSwitch", "Main switch", switches)}
        {choice("outlets", "Outlets", outlets)}
        {choice("relay", "Relays", relays)}
        {wiring.relay === "mechanical" && choice("relaysIn", "Where the relays are", places)}
        {choice("laid", "How it is fed", layings, "What is laid fixed is work for somebody licensed.")}
        <ValueField
          at={{ section: "wiring", field: "cordLength" }}
          label={wiring.laid === "cord" ? "Length of the cord" : "Length of the cable"}
          kind={measureKind(measures.length, system)}
          value={wiring.cordLength}
        />
        <ValueField
          at={{ section: "wiring", field: "supply" }}
          label="Supply of 12 V, for a fan"
          kind={plainKind("W", 1)}
          value={wiring.supply}
          hint="0: there is none."
        />
        {choice("symbols", "Symbols of the drawing", symbols)}
      </Fields>
      <div className="grid gap-1">
        {wiring.laid === "cord" && toggle("plugTurns", "The plug goes in both ways round")}
        {all.includes("heat") &&
          toggle("cutOut", "A one-shot thermal cut-out in series with the heater", "It asks no unit: relays fail on.")}
        {both &&
          toggle(
            "secondCord",
            "What cools has a cord of its own",
            "On a circuit of its own: then both have to be pulled before it is opened.",
          )}
        {toggle("metalBox", "The enclosure is of metal")}
        {toggle("pilots", "A small lamp at each outlet says when it is live")}
        {all.includes("heat") && toggle("heatDouble", "The heater is double insulated and needs no earth")}
        {all.includes("cold") && toggle("coldDouble", "What cools is double insulated and needs no earth")}
        {wiring.outlets === "twin" &&
          toggle(
            "linkBroken",
            breaksBothLinks(plan) ? "The links on both sides are broken" : "The link on the live side is broken",
            "Some twin sockets, and all with residual-current protection, cannot be split: take two single ones.",
          )}
      </div>
    </>
  );
}
