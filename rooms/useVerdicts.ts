"use client";

import { useEffect, useState } from "react";
import type { ChamberRecord } from "@/core/model";
import type { Scale } from "@/core/quantity";
import { trialBench, type TrialAnswer } from "@/workers";

/** Trials of several chambers, one after the other in the worker. */
export function useVerdicts(
  records: readonly ChamberRecord[],
  days: number,
  scale: Scale,
): Record<string, TrialAnswer | undefined> {
  const [answers, setAnswers] = useState<Record<string, TrialAnswer>>({});
  useEffect(() => {
    let gone = false;
    void (async () => {
      for (const record of records) {
        if (gone) return;
        const answer = await trialBench().trial(record, days, scale);
        if (!gone) setAnswers((a) => ({ ...a, [record.id]: answer }));
      }
    })();
    return () => {
      gone = true;
    };
  }, [records, days, scale]);
  return answers;
}
