"use client";

import { Plus, X } from "lucide-react";
import { addVessel, formLabels, fillingTable, massOf, reckonsMoisture, removeVessel, wallLabels } from "@/core/chamber";
import {
  fillings,
  productKinds,
  vesselForms,
  vesselWalls,
  type Edit,
  type LoadedVessel,
  type Problem,
} from "@/core/model";
import { modelOf, productLabels } from "@/core/product";
import { measures, printMeasure, type Temperature } from "@/core/quantity";
import { isQuick } from "@/core/trial";
import { hoursKind, measureKind, NumberField, percentKind, plainKind, Select, temperatureKind } from "@/parts/fields";
import { Fold } from "@/parts/common";
import { useActions, useChamber, usePreferences } from "../context";
import { Fields } from "../Fields";
import { ValueField } from "../ValueField";
import { ProductFields } from "./ProductFields";

const options = <T extends string>(values: readonly T[], label: (value: T) => string) =>
  values.map((value) => ({ value, label: label(value) }));

/** All vessels and trays: one entry for those that are alike, with their count. */
export function Load() {
  const { chamber } = useChamber();
  const { change } = useActions();
  return (
    <>
      {chamber.vessels.map((vessel, index) => (
        <OneLoad key={vessel.id} vessel={vessel} index={index} />
      ))}
      {chamber.vessels.length < 8 && (
        <button type="button" className="key justify-self-start" onClick={() => change(addVessel, "another vessel")}>
          <Plus size={18} aria-hidden /> Something else stands in it too
        </button>
      )}
    </>
  );
}

function OneLoad({ vessel, index }: { vessel: LoadedVessel; index: number }) {
  const { id } = vessel;
  const { chamber } = useChamber();
  const { apply, change } = useActions();
  const preferences = usePreferences();
  const { scale, system } = preferences;
  const temperature = temperatureKind(scale);
  const several = chamber.vessels.length > 1;
  const choose = (field: "form" | "filling" | "wall", label: string) => (value: string) => {
    apply([{ section: "vessel", field, id, value } as Edit], label);
  };
  const kilograms = massOf(vessel) * vessel.count;
  return (
    <>
      <Fields
        title={several ? `Vessel ${index + 1}` : "The vessel"}
        note={`${vessel.count > 1 ? `${vessel.count} of them, ` : ""}about ${printMeasure(Math.round(kilograms * 10) / 10, measures.mass, system)} of contents${vessel.count > 1 ? " in all" : ""}.`}
        action={
          several && (
            <button type="button" className="key px-2" onClick={() => change(removeVessel(id), "vessel removed")}>
              <X size={16} aria-hidden /> Take it out
            </button>
          )
        }
      >
        {index > 0 && (
          <Select
            label="What is in it"
            value={vessel.product.kind}
            options={options(productKinds, (kind) => productLabels[kind])}
            onChoose={(kind) => apply([{ section: "product", field: "kind", id, value: kind }], "product")}
          />
        )}
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
          at={{ section: "vessel", field: "volume", id }}
          label="Volume"
          kind={measureKind(measures.volume, system)}
          value={vessel.volume}
          hint={vessel.count > 1 ? "Of one." : undefined}
        />
        <ValueField
          at={{ section: "vessel", field: "count", id }}
          label="How many alike"
          kind={plainKind("", 1)}
          value={vessel.count}
        />
        <ValueField
          at={{ section: "vessel", field: "startTemperature", id }}
          label="Start temperature"
          kind={temperature}
          value={vessel.startTemperature}
          hint="What it has when it goes in."
        />
        {index > 0 && (
          <ValueField
            at={{ section: "vessel", field: "putIn", id }}
            label="Put in after"
            kind={hoursKind}
            value={vessel.putIn}
            hint="From the beginning. 0: it is there from the beginning, as the first vessel always is."
          />
        )}
        <Select
          label="Wall"
          value={vessel.wall}
          options={options(vesselWalls, (w) => wallLabels[w])}
          onChoose={choose("wall", "wall")}
        />
        <ValueField
          at={{ section: "vessel", field: "jacket", id }}
          label="Jacket or blanket"
          kind={measureKind(measures.thickness, system)}
          value={vessel.jacket}
          hint="0: none. It slows everything."
        />
        <ValueField
          at={{ section: "vessel", field: "evaporation", id }}
          label="Heat taken by drying"
          kind={plainKind("W", 1)}
          value={vessel.evaporation}
          hint="Of one, at the temperature beside it."
        />
        {vessel.evaporation > 0 && (
          <ValueField
            at={{ section: "vessel", field: "evaporationAt", id }}
            label="… with its surface at"
            kind={temperature}
            value={vessel.evaporationAt}
          />
        )}
        {vessel.evaporation > 0 && !reckonsMoisture(chamber) && (
          <ValueField
            at={{ section: "cabinet", field: "humidity" }}
            label={isQuick(chamber.cabinet.kind) ? "Humidity of the room\u2019s air" : "Humidity of the air in the box"}
            kind={percentKind}
            value={chamber.cabinet.humidity}
            hint="Stated by you. Drying goes with it."
          />
        )}
      </Fields>
      {index > 0 && (
        <ProductFields
          vessel={vessel}
          title={`Vessel ${index + 1}: ${productLabels[vessel.product.kind].toLowerCase()}`}
        />
      )}
      {index > 0 && modelOf(vessel.product).range(vessel.product) && (
        <Fields title={`Vessel ${index + 1}: its culture\u2019s own range, from its packet`}>
          <ValueField
            at={{ section: "product", field: "packetLow", id }}
            label="Packet: coldest"
            kind={temperature}
            value={vessel.product.packetLow}
          />
          <ValueField
            at={{ section: "product", field: "packetHigh", id }}
            label="Packet: warmest"
            kind={temperature}
            value={vessel.product.packetHigh}
          />
        </Fields>
      )}
      {several && <OwnBand vessel={vessel} />}
      {vessel.product.kind === "hold" && <HeatCurve vessel={vessel} />}
    </>
  );
}

/** A band of its own for what is in one of several vessels. */
function OwnBand({ vessel }: { vessel: LoadedVessel }) {
  const { chamber, stage } = useChamber();
  const { apply } = useActions();
  const preferences = usePreferences();
  const { id, band } = vessel;
  const at = chamber.vessels.indexOf(vessel) + 1;
  const kind = temperatureKind(preferences.scale);
  const put = (low: Temperature | undefined, high: Temperature | undefined) =>
    apply(
      [
        { section: "band", field: "low", id, value: low },
        { section: "band", field: "high", id, value: high },
        { section: "band", field: "target", id, value: undefined },
      ],
      `band of vessel ${at}`,
    );
  if (!band)
    return (
      <p className="flex flex-wrap items-center gap-3">
        <span>
          Vessel {at} is held to the band of the {chamber.stages.length > 1 ? "stages" : "job"}.
        </span>
        <button type="button" className="key" onClick={() => put(stage.low, stage.high)}>
          Give it a band of its own
        </button>
      </p>
    );
  return (
    <Fields
      title={`The band of vessel ${at} alone`}
      note="It holds in every stage. Two vessels in one air are hardly ever at two temperatures unless something touches one of them."
      action={
        <button type="button" className="key" onClick={() => put(undefined, undefined)}>
          No band of its own
        </button>
      }
    >
      <ValueField
        at={{ section: "band", field: "low", id }}
        label={`Vessel ${at}: coldest`}
        kind={kind}
        value={band.low}
      />
      <ValueField
        at={{ section: "band", field: "target", id }}
        label={`Vessel ${at}: target`}
        kind={kind}
        value={band.target}
      />
      <ValueField
        at={{ section: "band", field: "high", id }}
        label={`Vessel ${at}: warmest`}
        kind={kind}
        value={band.high}
      />
    </Fields>
  );
}

/** Own heat over time, typed in point by point. */
function HeatCurve({ vessel }: { vessel: LoadedVessel }) {
  const { apply } = useActions();
  const curve = vessel.product.heatCurve;
  const put = (next: typeof curve, label: string) =>
    apply([{ section: "product", field: "heatCurve", id: vessel.id, value: next }], label);
  const last = curve.at(-1);
  return (
    <Fold
      summary={
        <>Heat of its own{curve.length > 0 ? `: up to ${Math.max(...curve.map((p) => p.watts))} W` : ": none"}</>
      }
      open={curve.length > 0}
    >
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
    </Fold>
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
  onCommit: (value: number) => Problem | null;
}) {
  return (
    <div className="w-52">
      <NumberField label={label} kind={plainKind(unit, 1)} value={value} onCommit={onCommit} />
    </div>
  );
}
