"use client";

import { probePlaces } from "@/core/model";
import { offsetFor, placements } from "@/core/probe";
import { printDifference } from "@/core/quantity";
import { cautionsAt } from "@/core/safety";
import { CabinetDrawing } from "@/parts/cabinet";
import { Cautions } from "@/parts/common";
import { Choice, differenceKind } from "@/parts/fields";
import { useBench } from "../context";
import { Fields } from "../Fields";
import { ValueField } from "../ValueField";

export function ProbeStation() {
  const { chamber, plan, preferences, apply } = useBench();
  const { scale, system } = preferences;
  const probe = chamber.probes[0]!;
  return (
    <>
      <div className="flex flex-wrap gap-6">
        <div className="grow basis-96">
          <Choice
            label="Where it sits"
            tall
            value={probe.place}
            options={probePlaces.map((place) => ({
              value: place,
              label: placements[place].label,
              note: placements[place].trade,
            }))}
            onChoose={(place) => apply([{ section: "probe", field: "place", value: place }], "probe place")}
          />
        </div>
        <CabinetDrawing chamber={chamber} metre={190} system={system} />
      </div>
      <Fields
        title="How true it is"
        note={`Ice water is 0 °C (32 °F): what the display shows there above it is the error. The offset to key in is true minus shown: ${printDifference(offsetFor(probe), scale, 0.1, true)}. A difference between top and bottom of the cabinet is no error of the probe: leave it out of the offset.`}
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
      <Cautions cautions={cautionsAt("probe")} />
    </>
  );
}
