"use client";

import { useEffect, useState } from "react";
import type { ChamberRecord } from "@/core/model";
import { shownOf, type Ensemble } from "@/core/trial";
import type { TrialAnswer } from "@/workers";
import { rangeFor } from "./useRange";

/** What was worked out once for a chamber as it stands: going to its bench and back asks for nothing again. */
const known = new WeakMap<ChamberRecord, { days: number; range: Ensemble }>();

const kept = (record: ChamberRecord, answer: TrialAnswer | string | undefined): Ensemble | undefined => {
  const held = known.get(record);
  return held && typeof answer === "object" && held.days === answer.trial.days ? held.range : undefined;
};

/** When each of several chambers is ready, one after the other once all their trials are there. */
export function useRanges(
  records: readonly ChamberRecord[],
  answers: Readonly<Record<string, TrialAnswer | string | undefined>>,
): Record<string, Ensemble | undefined> {
  const [, setCount] = useState(0);
  const all = records.every(({ id }) => answers[id] !== undefined);
  useEffect(() => {
    if (!all) return;
    const left = new AbortController();
    void (async () => {
      for (const record of records) {
        const answer = answers[record.id];
        if (typeof answer !== "object" || kept(record, answer)) continue;
        const { trial, plan } = answer;
        // Where it cannot be worked out, the usual course stands.
        const shown = shownOf(plan.chamber, trial);
        const range = await rangeFor(record, shown, { signal: left.signal }).catch(() => null);
        if (left.signal.aborted) return;
        if (!range) continue;
        known.set(record, { days: trial.days, range });
        setCount((n) => n + 1);
      }
    })();
    return () => left.abort();
  }, [records, answers, all]);
  return Object.fromEntries(records.map((r) => [r.id, kept(r, answers[r.id])]));
}
