"use client";

import { useEffect, useState } from "react";
import type { ChamberRecord, PreferencesRecord } from "@/core/model";
import type { Scale } from "@/core/quantity";
import { trialDaysOf } from "@/workshop";
import { trialBench, whyLost, type TrialAnswer } from "@/workers";

/** Trials of several chambers, one after the other in the worker; in the place of one that failed, why it did. */
export function useVerdicts(
  records: readonly ChamberRecord[],
  lengths: Pick<PreferencesRecord, "trialDays" | "quickTrialDays">,
  scale: Scale,
): Record<string, TrialAnswer | string | undefined> {
  const { trialDays, quickTrialDays } = lengths;
  const [answers, setAnswers] = useState<Record<string, TrialAnswer | string>>({});
  useEffect(() => {
    let gone = false;
    void (async () => {
      for (const record of records) {
        if (gone) return;
        const days = trialDaysOf({ trialDays, quickTrialDays }, record);
        // One that cannot be run must not keep the others waiting.
        const answer = await trialBench
          .ask((b) => b.trial(record, days, scale))
          .catch((error: unknown) => whyLost(error));
        if (!gone) setAnswers((a) => ({ ...a, [record.id]: answer }));
      }
    })();
    return () => {
      gone = true;
    };
  }, [records, trialDays, quickTrialDays, scale]);
  return answers;
}
