"use client";

import { Plus, X } from "lucide-react";
import { addProbe, removeProbe } from "@/core/chamber";
import { probePlaces } from "@/core/model";
import { offsetFor, placeLabel, placements, probeMove } from "@/core/probe";
import { printDifference } from "@/core/quantity";
import { cautionsAt } from "@/core/safety";
import { CabinetDrawing } from "@/parts/cabinet";
import { Cautions } from "@/parts/common";
import { Choice, differenceKind, percentKind, plainKind, Select } from "@/parts/fields";
import { useBench } from "../context";
import { Fields } from "../Fields";
import { ValueField } from "../ValueField";

export function ProbeStation() {
  const { chamber, plan, preferences, apply } = useBench();
  const { scale, system } = preferences;
  const probe = chamber.probes[0]!;
  const options = probePlaces.map((place) => ({
    value: place,
    label: placeLabel(place, chamber.cabinet),
    note: placements[place].trade,
  }));
  return (
    <>
      <div className="flex flex-wrap gap-6">
        <div className="grow basis-96">
          <Choice
            label="Where it sits"
            tall
            value={probe.place}
            options={options}
            onChoose={(place) => apply(probeMove(place), "probe place")}
          />
        </div>
        <CabinetDrawing chamber={chamber} metre={190} system={system} />
      </div>
      <Fields
        title="How true it is"
        note={`Ice water is 0 °C (32 °F): what the display shows there above it is the error. The offset to key in is true minus shown: ${printDifference(offsetFor(probe), scale, 0.1, true)}. A difference between top and bottom of the box is no error of the probe: leave it out of the offset.`}
      >
        <ValueField
          at={{ section: "probe", field: "error" }}
          label="Shows too high by"
          kind={differenceKind(scale, 0.1, true)}
          value={probe.error}
          hint="Negative where it shows too low."
        />
        <ValueField
          at={{ section: "settings", field: "offset" }}
          label="Probe offset, keyed in"
          kind={differenceKind(scale, chamber.unit.resolution, true)}
          value={plan.settings.offset}
        />
      </Fields>
      <details className="rule-line border-t pt-2">
        <summary className="min-h-11 content-center font-semibold">How quick, how quiet, how fine it is</summary>
        <Fields
          title="The sensor in its place"
          note="Estimates for the place; a step into ice water and back shows your own."
        >
          <ValueField
            at={{ section: "probe", field: "lag" }}
            label="Time constant"
            kind={plainKind("s", 5)}
            value={probe.lag}
            hint="After this long it has followed 63 % of a change."
          />
          <ValueField
            at={{ section: "probe", field: "share" }}
            label="Share of the product"
            kind={percentKind}
            value={probe.share}
            hint="The rest of what it feels is the air around it."
          />
          <ValueField
            at={{ section: "probe", field: "noise" }}
            label="Noise"
            kind={differenceKind(scale, 0.01)}
            value={probe.noise}
            hint="Standard deviation of one reading."
          />
          <ValueField
            at={{ section: "probe", field: "step" }}
            label="Step of the sensor"
            kind={differenceKind(scale, 0.01)}
            value={probe.step}
            hint="0.06 °C for a 12-bit digital one; 0: none."
          />
        </Fields>
      </details>
      <Watchers />
      <Cautions cautions={cautionsAt("probe")} />
    </>
  );
}

/** Probes that only watch. */
function Watchers() {
  const { chamber, apply, change } = useBench();
  return (
    <section className="grid gap-2">
      <h3 className="text-lg">Probes that only watch</h3>
      {chamber.probes.length === 1 && (
        <p className="quiet">None. A second one shows in the trial what the first does not feel.</p>
      )}
      {chamber.probes.slice(1).map((probe, i) => (
        <div key={i} className="flex flex-wrap items-end gap-3">
          <div className="w-80">
            <Select
              label={`Probe ${i + 2}`}
              value={probe.place}
              options={probePlaces.map((place) => ({ value: place, label: placeLabel(place, chamber.cabinet) }))}
              onChoose={(place) => apply(probeMove(place, i + 1), `probe ${i + 2}`)}
            />
          </div>
          <button
            type="button"
            className="key px-2"
            onClick={() => change(removeProbe(i + 1), `probe ${i + 2} removed`)}
          >
            <X size={16} aria-hidden /> Take it out<span className="sr-only">: probe {i + 2}</span>
          </button>
        </div>
      ))}
      {chamber.probes.length < 6 && (
        <button type="button" className="key justify-self-start" onClick={() => change(addProbe, "another probe")}>
          <Plus size={18} aria-hidden /> Another probe, to watch
        </button>
      )}
    </section>
  );
}
