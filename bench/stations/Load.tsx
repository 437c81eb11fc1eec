"use client";

import { Plus, X } from "lucide-react";
import { addVessel, formLabels, fillingTable, massOf, removeVessel, wallLabels } from "@/core/chamber";
import { fillings, vesselForms, vesselWalls, type Edit, type Vessel } from "@/core/model";
import { measures, printMeasure } from "@/core/quantity";
import { measureKind, NumberField, plainKind, Select, temperatureKind } from "@/parts/fields";
import { useBench } from "../context";
import { Fields } from "../Fields";
import { ValueField } from "../ValueField";

const options = <T extends string>(values: readonly T[], label: (value: T) => string) =>
  values.map((value) => ({ value, label: label(value) }));

/** All vessels and trays: one entry for those that are alike, with their count. */
export function Load() {
  const { chamber, change } = useBench();
  return (
    <>
      {chamber.vessels.map((vessel, index) => (
        <OneLoad key={index} vessel={vessel} index={index} />
      ))}
      {chamber.vessels.length < 8 && (
        <button type="button" className="key justify-self-start" onClick={() => change(addVessel, "another vessel")}>
          <Plus size={18} aria-hidden /> Something else stands in it too
        </button>
      )}
    </>
  );
}

function OneLoad({ vessel, index }: { vessel: Vessel; index: number }) {
  const { chamber, preferences, apply, change } = useBench();
  const { scale, system } = preferences;
  const temperature = temperatureKind(scale);
  const several = chamber.vessels.length > 1;
  const choose = (field: "form" | "filling" | "wall", label: string) => (value: string) => {
    apply([{ section: "vessel", field, index, value } as Edit], label);
  };
  const kilograms = massOf(vessel) * vessel.count;
  return (
    <>
      <Fields
        title={several ? `Vessel ${index + 1}${index === 0 ? ", which the band is for" : ""}` : "The vessel"}
        note={`${vessel.count > 1 ? `${vessel.count} of them, ` : ""}about ${printMeasure(Math.round(kilograms * 10) / 10, measures.mass, system)} of contents${vessel.count > 1 ? " in all" : ""}.`}
        action={
          several && (
            <button type="button" className="key px-2" onClick={() => change(removeVessel(index), "vessel removed")}>
              <X size={16} aria-hidden /> Take it out
            </button>
          )
        }
      >
        <Select
          label="Shape"
          value={vessel.form}
          options={options(vesselForms, (f) => formLabels[f])}
          onChoose={choose("form", "shape")}
        />
        <Select
          label="Filled with"
          value={vessel.filling}
          options={options(fillings, (f) => fillingTable[f].label)}
          onChoose={choose("filling", "filling")}
        />
        <ValueField
          at={{ section: "vessel", field: "volume", index }}
          label="Volume"
          kind={measureKind(measures.volume, system)}
          value={vessel.volume}
          hint={vessel.count > 1 ? "Of one." : undefined}
        />
        <ValueField
          at={{ section: "vessel", field: "count", index }}
          label="How many alike"
          kind={plainKind("", 1)}
          value={vessel.count}
        />
        <ValueField
          at={{ section: "vessel", field: "startTemperature", index }}
          label="Start temperature"
          kind={temperature}
          value={vessel.startTemperature}
          hint="What it has when it goes in."
        />
        <Select
          label="Wall"
          value={vessel.wall}
          options={options(vesselWalls, (w) => wallLabels[w])}
          onChoose={choose("wall", "wall")}
        />
        <ValueField
          at={{ section: "vessel", field: "jacket", index }}
          label="Jacket or blanket"
          kind={measureKind(measures.thickness, system)}
          value={vessel.jacket}
          hint="0: none. It slows everything."
        />
        <ValueField
          at={{ section: "vessel", field: "evaporation", index }}
          label="Heat taken by drying"
          kind={plainKind("W", 1)}
          value={vessel.evaporation}
          hint="Of one, at the temperature beside it."
        />
        {vessel.evaporation > 0 && (
          <ValueField
            at={{ section: "vessel", field: "evaporationAt", index }}
            label="… with its surface at"
            kind={temperature}
            value={vessel.evaporationAt}
          />
        )}
      </Fields>
      {chamber.vessels[index]!.product.kind === "hold" && <HeatCurve index={index} />}
    </>
  );
}

/** Own heat over time, typed in point by point. */
function HeatCurve({ index }: { index: number }) {
  const { chamber, apply } = useBench();
  const curve = chamber.vessels[index]!.product.heatCurve;
  const put = (next: typeof curve, label: string) =>
    apply([{ section: "product", field: "heatCurve", index, value: next }], label);
  const last = curve.at(-1);
  return (
    <details className="rule-line border-t pt-2" open={curve.length > 0}>
      <summary className="min-h-11 content-center font-semibold">
        Heat of its own{curve.length > 0 ? `: up to ${Math.max(...curve.map((p) => p.watts))} W` : ": none"}
      </summary>
      <p className="quiet max-w-prose">
        What a culture gives off over time, W of one vessel. Straight lines between the points; nothing before the first
        and after the last.
      </p>
      <ul className="mt-2 grid gap-2">
        {curve.map((point, i) => (
          <li key={i} className="flex flex-wrap items-end gap-3">
            <CurveNumber
              label={`Point ${i + 1}: after`}
              unit="h"
              value={point.hours}
              onCommit={(hours) =>
                put(
                  curve.map((p, k) => (k === i ? { ...p, hours } : p)),
                  "heat curve",
                )
              }
            />
            <CurveNumber
              label={`Point ${i + 1}: heat`}
              unit="W"
              value={point.watts}
              onCommit={(watts) =>
                put(
                  curve.map((p, k) => (k === i ? { ...p, watts } : p)),
                  "heat curve",
                )
              }
            />
            <button
              type="button"
              className="key mb-6 px-2"
              onClick={() =>
                put(
                  curve.filter((_, k) => k !== i),
                  "heat curve",
                )
              }
            >
              <X size={16} aria-hidden /> Remove<span className="sr-only"> point {i + 1}</span>
            </button>
          </li>
        ))}
      </ul>
      <button
        type="button"
        className="key mt-1"
        onClick={() => put([...curve, { hours: (last?.hours ?? -8) + 8, watts: last ? last.watts : 5 }], "heat curve")}
      >
        <Plus size={18} aria-hidden /> Add a point
      </button>
    </details>
  );
}

function CurveNumber({
  label,
  unit,
  value,
  onCommit,
}: {
  label: string;
  unit: string;
  value: number;
  onCommit: (value: number) => string | null;
}) {
  return (
    <div className="w-52">
      <NumberField label={label} kind={plainKind(unit, 1)} value={value} onCommit={onCommit} />
    </div>
  );
}
