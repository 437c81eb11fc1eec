"use client";

import { useEffect, useState } from "react";
import type { ChamberRecord, PreferencesRecord } from "@/core/model";
import type { Scale } from "@/core/quantity";
import { trialDaysOf } from "@/workshop";
import { pool, whyLost, type TrialAnswer } from "@/workers";

/** Trials of several chambers, one after the other in the worker; in the place of one that failed, why it did. */
export function useVerdicts(
  records: readonly ChamberRecord[],
  lengths: Pick<PreferencesRecord, "trialDays" | "quickTrialDays">,
  scale: Scale,
): Record<string, TrialAnswer | string | undefined> {
  const { trialDays, quickTrialDays } = lengths;
  const [answers, setAnswers] = useState<Record<string, TrialAnswer | string>>({});
  useEffect(() => {
    const left = new AbortController();
    void (async () => {
      for (const record of records) {
        if (left.signal.aborted) return;
        const days = trialDaysOf({ trialDays, quickTrialDays }, record);
        // One that cannot be run must not keep the others waiting.
        const answer = await pool
          .run("trial", { record, days, scale }, { lane: "screen", signal: left.signal })
          .catch((error: unknown) => whyLost(error));
        if (!left.signal.aborted) setAnswers((a) => ({ ...a, [record.id]: answer }));
      }
    })();
    return () => left.abort();
  }, [records, trialDays, quickTrialDays, scale]);
  return answers;
}
