"use client";

import { useState } from "react";
import { removeStage } from "@/core/chamber";
import { endsAt, localMoment, localSeconds, stageName } from "@/core/program";
import { stageSpans } from "@/core/trial";
import { Fold } from "@/parts/common";
import { DateField, NumberField, plainKind, Select } from "@/parts/fields";
import { useActions, useChamber, useShownTrial } from "../context";

const DAY = 86_400;
const days = plainKind("days", 0.5, DAY);

/** A stage that ended early, late or not at all: the rest of the program is planned anew from there. */
export function Otherwise({ onPlanned }: { onPlanned: () => void }) {
  const { chamber } = useChamber();
  const { live } = useShownTrial();
  const { apply, change } = useActions();
  const [id, setId] = useState(chamber.stages[0]!.id);
  const [at, setAt] = useState<number | null>(null);
  const trial = live.answer?.trial;
  if (!trial || chamber.stages.length < 2) return null;
  const spans = stageSpans(trial);
  const span = spans.find((s) => s.id === id);
  const stage = chamber.stages.find((s) => s.id === id) ?? chamber.stages[0]!;
  const { startsAt } = chamber.program;
  const begins = startsAt ? localSeconds(startsAt) : null;
  const ended = at ?? span?.to ?? 0;
  return (
    <Fold summary="It went otherwise: a stage ended early, late, or is left out">
      <div className="grid grid-cols-[repeat(auto-fill,minmax(min(13.5rem,100%),1fr))] gap-x-6 gap-y-2">
        <Select
          label="Which stage"
          value={stage.id}
          options={chamber.stages.map((s) => ({ value: s.id, label: stageName(chamber.stages, s.id) }))}
          onChoose={(next) => {
            setId(next);
            setAt(null);
          }}
        />
        {span &&
          (begins === null ? (
            <NumberField
              label="It ended after"
              kind={days}
              value={ended}
              onCommit={(value) => {
                setAt(value);
                return null;
              }}
              hint="Since the beginning."
            />
          ) : (
            <DateField
              label="It ended on"
              value={localMoment(begins + ended)}
              onCommit={(value) => {
                if (!value) return "Say a date and its hour.";
                setAt(localSeconds(value) - begins);
                return null;
              }}
            />
          ))}
      </div>
      {!span && <p className="quiet">The trial does not come to this stage: make it longer first.</p>}
      <p className="mt-2 flex flex-wrap gap-3">
        <button
          type="button"
          className="key"
          disabled={!span || ended <= span.from}
          onClick={() => {
            onPlanned();
            // It ended there, whatever it would have waited for.
            const edits = endsAt({ ...stage, ends: [] }, span!.from, ended, chamber.program);
            apply([...edits, { section: "stage", field: "latest", id: stage.id, value: 0 }], "how it went");
            setAt(null);
          }}
        >
          Plan the rest anew
        </button>
        <button
          type="button"
          className="key"
          onClick={() => {
            onPlanned();
            change(removeStage(stage.id), `${stageName(chamber.stages, stage.id)} left out`);
            setId(chamber.stages.find((s) => s.id !== stage.id)!.id);
          }}
        >
          Leave this stage out
        </button>
      </p>
      {span && ended <= span.from && (
        <p className="text-error font-semibold" role="alert">
          It cannot have ended before it began. Choose a later moment.
        </p>
      )}
    </Fold>
  );
}
