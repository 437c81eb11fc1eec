import { transfer } from "comlink";
import * as z from "zod";
import type { ChamberRecord } from "@/core/model";
import type { Scale } from "@/core/quantity";
import { plainTrial, planOf, runTrial, type Trial } from "@/core/trial";
import { judge, weigh, type Effect, type Verdict } from "@/core/verdict";

// The policy forbids eval; without this the schema library probes for it.
z.config({ jitless: true });

export interface TrialAnswer {
  trial: Trial;
  verdicts: Verdict[];
  /** Milliseconds spent computing. */
  took: number;
}

/** What the bench asks of its worker. */
export const bench = {
  trial(record: ChamberRecord, days: number, scale: Scale): TrialAnswer {
    const started = performance.now();
    const plan = planOf(record);
    const trial = runTrial(plainTrial(plan.chamber, plan.settings, days));
    const verdicts = judge(plan, trial, scale);
    const answer = { trial, verdicts, took: performance.now() - started };
    const { low, high, heat, cold, alarm } = trial.trace;
    const buffers = [...Object.values(low), ...Object.values(high), heat, cold, alarm].map((a) => a.buffer);
    return transfer(answer, buffers as ArrayBuffer[]);
  },

  weigh(record: ChamberRecord, verdict: Verdict, all: Verdict[], days: number, scale: Scale): Effect[] {
    return weigh(record, verdict, all, days, scale);
  },
};

export type Bench = typeof bench;
