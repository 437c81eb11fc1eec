"use client";

import { ListChecks } from "lucide-react";
import dynamic from "next/dynamic";
import Link from "next/link";
import {
  boxes,
  hasOwnAir,
  insideOf,
  isBath,
  isBought,
  isRound,
  isSmoker,
  isVesselItself,
  lossCoefficient,
  ofTheKind,
} from "@/core/chamber";
import { cabinetAges, cabinetKinds, type CabinetAge, type CabinetKind } from "@/core/model";
import { inDegrees, measures, printMeasure, printNumber } from "@/core/quantity";
import { cautionsAt } from "@/core/safety";
import { CabinetDrawing } from "@/parts/cabinet";
import { Cautions, Fold } from "@/parts/common";
import { measureKind, plainKind, Select } from "@/parts/fields";
import { useActions, useChamber, usePreferences } from "../context";
import { Fields } from "../Fields";
import { ToggleField } from "../ToggleField";
import { ValueField } from "../ValueField";
import { Parameters } from "./Parameters";
import { RoomFields } from "./RoomFields";

// They come with their first opening.
const Fit = dynamic(() => import("./box/Fit").then((m) => m.Fit), { ssr: false });
const Carry = dynamic(() => import("./box/Carry").then((m) => m.Carry), { ssr: false });
const WallLayers = dynamic(() => import("./box/WallLayers").then((m) => m.WallLayers), { ssr: false });
const Moisture = dynamic(() => import("./box/Moisture").then((m) => m.Moisture), { ssr: false });
const FoamBox = dynamic(() => import("./box/FoamBox").then((m) => m.FoamBox), { ssr: false });

const ages: Record<CabinetAge, string> = {
  new: "Up to some ten years, seal good",
  worn: "Older, seal still soft",
  old: "Very old, wet foam or a hard seal",
};

export function BoxStation() {
  const { chamber, record } = useChamber();
  const { apply } = useActions();
  const preferences = usePreferences();
  const { system } = preferences;
  const { cabinet } = chamber;
  const length = measureKind(measures.length, system);
  const inside = insideOf(cabinet);
  const long = (m: number) => printMeasure(Math.round(m * 100) / 100, measures.length, system);
  const round = isRound(cabinet.kind);
  const measure = (field: "height" | "width" | "depth" | "collar", label: string, hint?: string) => (
    <ValueField at={{ section: "cabinet", field }} label={label} kind={length} value={cabinet[field]} hint={hint} />
  );
  return (
    <>
      <div className="flex flex-wrap gap-6">
        <div className="grid min-w-0 grow basis-[min(20rem,100%)] content-start gap-6">
          <Select
            label="Kind of box"
            value={cabinet.kind}
            options={cabinetKinds.map((kind) => ({ value: kind, label: boxes[kind].label }))}
            hint={inDegrees(boxes[cabinet.kind].trade, preferences.scale)}
            onChoose={(kind: CabinetKind) =>
              apply([...ofTheKind(chamber), { section: "cabinet", field: "kind", value: kind }], "kind of box")
            }
          />
          <Fields title="Measured outside">
            {measure("height", "Height")}
            {measure("width", round ? "Diameter" : "Width")}
            {!round && measure("depth", "Depth")}
            <ValueField
              at={{ section: "cabinet", field: "insulation" }}
              label="Thickness of the walls"
              kind={measureKind(measures.thickness, system)}
              value={cabinet.insulation}
              hint="Insulation and linings together."
            />
            <ValueField
              at={{ section: "cabinet", field: "conductivity" }}
              label="Conductivity of the wall"
              kind={plainKind("W/mK", cabinet.conductivity < 0.2 ? 0.002 : 0.1)}
              value={cabinet.conductivity}
              hint="Polyurethane 0.022–0.028, EPS 0.030–0.040, plywood 0.13, brick 0.77, steel 17–50."
            />
            {isBought(cabinet.kind) ? (
              <Select
                label="Age"
                value={cabinet.age}
                options={cabinetAges.map((age) => ({ value: age, label: ages[age] }))}
                hint="Foam takes up water and seals harden: 20 to 50 % more loss (estimate)."
                onChoose={(age: CabinetAge) => apply([{ section: "cabinet", field: "age", value: age }], "age")}
              />
            ) : (
              <ValueField
                at={{ section: "cabinet", field: "jacket" }}
                label="Insulation laid around it"
                kind={measureKind(measures.thickness, system)}
                value={cabinet.jacket}
                hint={
                  isSmoker(cabinet.kind)
                    ? "0: none. Mineral wool alone: foam and felt burn there."
                    : "0: none. Wool, felt or a foam mat (0.04 W/mK); of a pot or kettle around its side."
                }
              />
            )}
            {cabinet.kind === "chest" &&
              measure("collar", "Collar under the lid", "0: none. It makes height and leaks a little.")}
            {cabinet.kind === "crock" && (
              <ValueField
                at={{ section: "cabinet", field: "bath" }}
                label="Water in the bath"
                kind={measureKind(measures.volume, system)}
                value={cabinet.bath}
              />
            )}
          </Fields>
          {cabinet.kind !== "jacketed" && (
            <ToggleField
              at={{ section: "cabinet", field: "fan" }}
              label={
                cabinet.kind === "kettle" || cabinet.kind === "crock"
                  ? "A pump moves the liquid"
                  : "A fan moves the air"
              }
              value={cabinet.fan}
              hint="It evens out temperatures and quickens everything; its own heat counts too."
            />
          )}
          <p className="max-w-prose">
            It loses about <strong>{printNumber(lossCoefficient(chamber), 0.01)}&nbsp;W for every °C</strong> between
            inside and room (estimate from its measures).{" "}
            {!isVesselItself(cabinet.kind) && (
              <>
                Inside it is about {long(inside.height)} high and {long(inside.width)} wide.
              </>
            )}
          </p>
          <RoomFields />
        </div>
        <CabinetDrawing chamber={chamber} metre={170} system={system} measured />
      </div>
      {!isBought(cabinet.kind) && (
        <Fold summary="Wall by its layers" part="layers">
          <WallLayers />
        </Fold>
      )}
      {!isVesselItself(cabinet.kind) && (
        <Fold summary="Does it fit?" part="fit">
          <Fit />
        </Fold>
      )}
      {!isBath(cabinet.kind) && !isVesselItself(cabinet.kind) && (
        <Fold summary="What carries it" part="carry">
          <Carry />
        </Fold>
      )}
      {hasOwnAir(cabinet.kind) && (
        <Fold summary="Water in the air" part="moisture">
          <Moisture />
        </Fold>
      )}
      {cabinet.kind === "foam" && (
        <Fold summary="Make it of foam: panels, sheets, thickness" part="foam">
          <FoamBox />
        </Fold>
      )}
      <Link href={`/parts?c=${record.id}`} className="key justify-self-start">
        <ListChecks size={18} aria-hidden /> Parts and cost
      </Link>
      <Parameters />
      <Cautions cautions={cautionsAt("box", cabinet.kind)} />
    </>
  );
}
