"use client";

import { useEffect, useState } from "react";
import type { HappeningKind } from "@/core/model";
import { printDuration } from "@/core/quantity";
import { stageName } from "@/core/program";
import type { FailureGrace, Metrics } from "@/core/trial";
import { pool, whyLost } from "@/workers";
import { useChamber, useShownTrial } from "../context";

const names: Partial<Record<HappeningKind, string>> = {
  powerCut: "The power fails",
  heaterCutOut: "The heater fails",
  coldFails: "The cooling fails",
};

/** Hours of grace that the usual failures leave, worked out on demand: each is a trial of its own. */
export function GraceTable() {
  const { chamber, stage } = useChamber();
  const { live, metrics } = useShownTrial();
  const { answer } = live;
  const [found, setFound] = useState<{ of: Metrics; graces: FailureGrace[] | string } | null>(null);
  useEffect(() => {
    if (!answer || live.busy || !metrics) return;
    const left = new AbortController();
    void pool
      .run("grace", { plan: answer.plan, metrics }, { signal: left.signal })
      .catch((error: unknown) => whyLost(error))
      .then((graces) => !left.signal.aborted && setFound({ of: metrics, graces }));
    return () => left.abort();
  }, [answer, live.busy, metrics]);
  const nameOf = ({ kind, which }: FailureGrace) => {
    const list = kind === "coldFails" ? chamber.coolers : chamber.heaters;
    const at = list.findIndex((d) => d.id === which);
    return `${names[kind]}${which && list.length > 1 ? `: ${kind === "coldFails" ? "cooler" : "heater"} ${at + 1}` : ""}`;
  };
  const own = found && found.of === metrics ? found.graces : null;
  const graces = typeof own === "string" ? null : own;
  return (
    <section className="grid gap-1" aria-label="Hours of grace">
      <h3 className="text-lg">How long a failure leaves you</h3>
      {!metrics && <p className="quiet">The trial does not come to this stage.</p>}
      {metrics && own === null && <p className="quiet">Running each failure …</p>}
      {typeof own === "string" && <p role="alert">The failures could not be run: {own}.</p>}
      <dl className="grid grid-cols-[1fr_auto] gap-x-4">
        {graces?.map((g) => (
          <div key={`${g.kind} ${g.which}`} className="rule-line col-span-2 grid grid-cols-subgrid border-b py-1">
            <dt>{nameOf(g)}</dt>
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
      <p className="quiet text-sm">
        The worse of a day and a night, from the settled state
        {chamber.stages.length > 1 ? ` of ${stageName(chamber.stages, stage.id)}` : ""}.
      </p>
    </section>
  );
}
