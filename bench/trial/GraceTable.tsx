"use client";

import { useEffect, useState } from "react";
import type { HappeningKind } from "@/core/model";
import { printDuration } from "@/core/quantity";
import type { FailureGrace } from "@/core/trial";
import { weighBench, type TrialAnswer } from "@/workers";
import { useBench } from "../context";

const names: Partial<Record<HappeningKind, string>> = {
  powerCut: "The power fails",
  heaterCutOut: "The heater fails",
  coldFails: "The cooling fails",
};

/** Hours of grace that the usual failures leave, worked out on demand: each is a trial of its own. */
export function GraceTable() {
  const { record, live } = useBench();
  const { answer } = live;
  const [found, setFound] = useState<{ of: TrialAnswer; graces: FailureGrace[] } | null>(null);
  useEffect(() => {
    if (!answer || live.busy) return;
    let gone = false;
    void weighBench()
      .grace(record, answer.trial.metrics)
      .then((graces) => !gone && setFound({ of: answer, graces }));
    return () => {
      gone = true;
    };
  }, [answer, live.busy, record]);
  const graces = found && found.of === answer ? found.graces : null;
  return (
    <section className="grid gap-1" aria-label="Hours of grace">
      <h3 className="text-lg">How long a failure leaves you</h3>
      {!graces && <p className="quiet">Running each failure …</p>}
      <dl className="grid grid-cols-[1fr_auto] gap-x-4">
        {graces?.map((g) => (
          <div key={g.kind} className="rule-line col-span-2 grid grid-cols-subgrid border-b py-1">
            <dt>{names[g.kind]}</dt>
            <dd className="text-right font-semibold">
              {g.seconds === null
                ? "it is not in its band"
                : Number.isFinite(g.seconds)
                  ? `${printDuration(g.seconds)}, then too ${g.cold ? "cold" : "warm"}`
                  : "more than four days"}
            </dd>
          </div>
        ))}
      </dl>
      <p className="quiet text-sm">The worse of a day and a night, from the settled state.</p>
    </section>
  );
}
