"use client";

import type { Edit, Wiring } from "@/core/model";
import { measures } from "@/core/quantity";
import { breaksBothLinks, oldColours, outletsIn, type WiringPlan } from "@/core/wiring";
import { measureKind, plainKind, Select } from "@/parts/fields";
import { useActions, usePreferences } from "../../context";
import { Fields } from "../../Fields";
import { ToggleField } from "../../ToggleField";
import { ValueField } from "../../ValueField";
import * as choices from "./choices";

const amps = plainKind("A", 1);

/** Everything that somebody decides who wires it: protection, switch, relays, cords, what is plugged in. */
export function HowWired({ plan }: { plan: WiringPlan }) {
  const { wiring } = plan;
  const { apply } = useActions();
  const { system } = usePreferences();
  const choice = <F extends keyof Wiring>(field: F, label: string, options: choices.Choices<F>, hint?: string) => (
    <Select
      label={label}
      value={wiring[field] as string}
      options={options as { value: string; label: string }[]}
      hint={hint}
      onChoose={(value) => apply([{ section: "wiring", field, value } as Edit], label.toLowerCase())}
    />
  );
  const toggle = (
    field:
      "plugTurns" | "metalBox" | "metalVessel" | "linkBroken" | "secondCord" | "pilots" | "heatDouble" | "coldDouble",
    label: string,
    hint?: string,
  ) => <ToggleField at={{ section: "wiring", field }} label={label} value={wiring[field]} hint={hint} />;
  const all = outletsIn(plan);
  const both = all.length === 2;
  return (
    <>
      <Fields
        title="How it is wired"
        note={
          oldColours(wiring)
            ? `Colours in the old cable, usually: ${oldColours(wiring)}. Prove each with the meter.`
            : undefined
        }
      >
        <ValueField
          at={{ section: "wiring", field: "fuse" }}
          label="A fuse of its own"
          kind={amps}
          value={wiring.fuse}
          hint="0: none."
        />
        {choice("mainSwitch", "Main switch", choices.switches)}
        {choice("outlets", "Outlets", choices.outletKinds)}
        {choice("relay", "Relays", choices.relays)}
        {wiring.relay === "mechanical" && choice("relaysIn", "Where the relays are", choices.relayPlaces)}
        {wiring.residual !== "unknown" &&
          wiring.residual !== "none" &&
          choice("residualAt", "Where RCD or GFCI stands", choices.residualPlaces)}
        {choice("laid", "How it is fed", choices.layings, "A fixed cable is work for somebody licensed.")}
        {wiring.laid === "cord" && wiring.plugFuse > 0 && (
          <ValueField
            at={{ section: "wiring", field: "plugFuse" }}
            label="Fuse inside the plug"
            kind={amps}
            value={wiring.plugFuse}
            hint="3, 5 or 13 A: the smallest that the load allows."
          />
        )}
        <ValueField
          at={{ section: "wiring", field: "cordLength" }}
          label={wiring.laid === "cord" ? "Length of the cord" : "Length of the cable"}
          kind={measureKind(measures.length, system)}
          value={wiring.cordLength}
        />
        {choice("colours", "Colours of the cable", choices.colourings)}
        {wiring.cutOut === "yes" && all.includes("heat") && (
          <ValueField
            at={{ section: "wiring", field: "cutOutAmps" }}
            label="Rating of the cut-out"
            kind={amps}
            value={wiring.cutOutAmps}
          />
        )}
        <ValueField
          at={{ section: "wiring", field: "supply" }}
          label="12 V supply, for a fan"
          kind={plainKind("W", 1)}
          value={wiring.supply}
          hint="0: none."
        />
        {choice("place", "The place where it hangs", choices.wetPlaces)}
        {choice("symbols", "Symbols of the drawing", choices.symbols)}
      </Fields>
      <div className="grid gap-1">
        {wiring.laid === "cord" && toggle("plugTurns", "The plug goes in both ways round")}
        {both &&
          toggle(
            "secondCord",
            "What cools has a cord of its own",
            "On a circuit of its own: then both have to be pulled before it is opened.",
          )}
        {toggle("metalBox", "The enclosure is of metal")}
        {all.includes("heat") && toggle("metalVessel", "The heater is inside of a metal kettle or pot")}
        {toggle("pilots", "A small lamp at each outlet shows when it is live")}
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
