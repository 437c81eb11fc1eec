"use client";

import { reckonsMoisture } from "@/core/chamber";
import type { Named, Stage } from "@/core/model";
import { fewestSteps } from "@/core/program";
import { differenceKind, hoursKind, percentKind } from "@/parts/fields";
import { kelvins, printDifference } from "@/core/quantity";
import { useActions, useChamber, usePreferences } from "../context";
import { ValueField } from "../ValueField";

/** The way from the stage before, in steps or all at once; and the air's humidity where something dries. */
export function WayFields({ stage }: { stage: Named<Stage> }) {
  const { chamber } = useChamber();
  const { apply } = useActions();
  const { scale } = usePreferences();
  const first = chamber.stages[0]!.id === stage.id;
  const dries = chamber.vessels.some(
    ({ product: { kind }, evaporation }) =>
      evaporation > 0 || ["sausage", "wholeMuscle", "tempeh", "smoke"].includes(kind),
  );
  const fewer = fewestSteps(stage);
  return (
    <>
      {!first && (
        <ValueField
          at={{ section: "stage", field: "rampBy", id: stage.id }}
          label="It gets there in steps of"
          kind={differenceKind(scale)}
          value={stage.rampBy}
          hint="0: all at once. A crash by a degree a day is 1."
        />
      )}
      {!first && stage.rampBy > 0 && (
        <div className="grid content-start gap-1">
          <ValueField
            at={{ section: "stage", field: "rampEvery", id: stage.id }}
            label="A step every"
            kind={hoursKind}
            value={stage.rampEvery}
          />
          {fewer.length > 0 && (
            <button type="button" className="key px-2" onClick={() => apply(fewer, "fewest steps")}>
              Fewest steps that the band allows: {printDifference(kelvins(stage.high - stage.low), scale)} each
            </button>
          )}
        </div>
      )}
      {dries && (
        <ValueField
          at={{ section: "stage", field: "humidity", id: stage.id }}
          label="Humidity of the air"
          kind={percentKind}
          value={stage.humidity}
          hint={
            stage.humidity === 0
              ? "0: nothing is asked for."
              : reckonsMoisture(chamber)
                ? "Held by humidifier and dehumidifier, as far as they can: see Water in the air, in Box."
                : "Taken as it stands: nothing here works out whether it is held."
          }
        />
      )}
    </>
  );
}
