"use client";

import { useEffect, useState } from "react";
import type { ChamberRecord, PreferencesRecord } from "@/core/model";
import type { Scale } from "@/core/quantity";
import { trialDaysOf } from "@/workshop";
import { trialBench, type TrialAnswer } from "@/workers";

/** Trials of several chambers, one after the other in the worker. */
export function useVerdicts(
  records: readonly ChamberRecord[],
  lengths: Pick<PreferencesRecord, "trialDays" | "quickTrialDays">,
  scale: Scale,
): Record<string, TrialAnswer | undefined> {
  const { trialDays, quickTrialDays } = lengths;
  const [answers, setAnswers] = useState<Record<string, TrialAnswer>>({});
  useEffect(() => {
    let gone = false;
    void (async () => {
      for (const record of records) {
        if (gone) return;
        const answer = await trialBench().trial(record, trialDaysOf({ trialDays, quickTrialDays }, record), scale);
        if (!gone) setAnswers((a) => ({ ...a, [record.id]: answer }));
      }
    })();
    return () => {
      gone = true;
    };
  }, [records, trialDays, quickTrialDays, scale]);
  return answers;
}
