"use client";

import { Feather } from "lucide-react";
import { useEffect, useState } from "react";
import type { ChamberRecord } from "@/core/model";
import { localSeconds } from "@/core/program";
import { celsius, printNumber, printTemperature } from "@/core/quantity";
import type { Gentlest } from "@/core/recommend";
import { pool, whyLost } from "@/workers";
import { useActions, useChamber, usePreferences } from "../context";
import { sayDate } from "../useMoments";

const names: Record<string, string> = { hmf: "HMF", diastase: "diastase number", invertase: "invertase left" };

/** For what heat costs something: the coolest band in which it is still ready by the wanted day. */
export function GentlestKey() {
  const { record, chamber } = useChamber();
  const { apply } = useActions();
  const { scale } = usePreferences();
  const { startsAt, finishBy } = chamber.program;
  const [left, setLeft] = useState<AbortController | null>(null);
  const [answer, setAnswer] = useState<{ of: ChamberRecord; found: Gentlest } | null>(null);
  useEffect(() => () => left?.abort(), [left]);
  if (chamber.vessels.some((v) => v.product.kind !== "honey")) return null;
  const within = startsAt && finishBy ? localSeconds(finishBy) - localSeconds(startsAt) : 0;
  const find = () => {
    const control = new AbortController();
    setLeft(control);
    setAnswer(null);
    void pool
      .run("gentlest", { record, within }, { signal: control.signal })
      .catch((error: unknown): Gentlest => ({ ok: false, problem: `It could not be worked out: ${whyLost(error)}.` }))
      .then((found) => {
        if (control.signal.aborted) return;
        setAnswer({ of: record, found });
        setLeft(null);
      });
  };
  const found = answer?.of === record ? answer.found : null;
  const at = (t: number) => printTemperature(celsius(t), scale);
  return (
    <div className="grid gap-2">
      <p className="flex flex-wrap items-center gap-3">
        <button type="button" className="key" disabled={within <= 0 || left !== null} onClick={find}>
          <Feather size={18} aria-hidden /> The gentlest way that is ready by then
        </button>
        {left && (
          <button
            type="button"
            className="key"
            onClick={() => {
              left.abort();
              setLeft(null);
            }}
          >
            Stop
          </button>
        )}
        {within <= 0 && (
          <span className="quiet">
            {startsAt && finishBy
              ? "It is to be ready before it begins."
              : "Say when it begins and by when it is to be ready."}
          </span>
        )}
      </p>
      {found && !found.ok && (
        <p role="alert" className="text-error font-semibold">
          {found.problem}
        </p>
      )}
      {found?.ok && (
        <div className="border-base-content grid gap-2 border-l-4 pl-4" role="region" aria-label="The gentlest way">
          <p>
            Hold it at{" "}
            <strong>
              {at(found.low)} to {at(found.high)}
            </strong>
            : ready by {sayDate(localSeconds(startsAt) + found.lateDone)} in nine of ten cases. It costs:{" "}
            {found.costs
              .map(
                ({ label, start, end, unit }) =>
                  `${names[label]} ${printNumber(start, label === "invertase" ? 0.01 : 0.1)} to ${printNumber(end, label === "invertase" ? 0.01 : 0.1)}${unit ? ` ${unit}` : ""}`,
              )
              .join("; ")}
            . An estimate.
          </p>
          <button
            type="button"
            className="key key-strong justify-self-start"
            onClick={() => apply(found.edits, "the gentlest band")}
          >
            Take it
          </button>
        </div>
      )}
    </div>
  );
}
