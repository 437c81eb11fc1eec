import { transfer } from "comlink";
import * as z from "zod";
import type { ChamberRecord } from "@/core/model";
import type { Scale } from "@/core/quantity";
import {
  plainTrial,
  planOf,
  runKept,
  stretchOf,
  usualGrace,
  type FailureGrace,
  type KeptTrial,
  type Metrics,
  type Trace,
  type Trial,
} from "@/core/trial";
import { recommend, type Progress, type Recommendation, type RecommendOptions } from "@/core/recommend";
import { judge, weigh, type Effect, type Verdict } from "@/core/verdict";

// The policy forbids eval; without this the schema library probes for it.
z.config({ jitless: true });

export interface TrialAnswer {
  trial: Trial;
  verdicts: Verdict[];
  /** Milliseconds spent computing. */
  took: number;
}

type Kept = Pick<KeptTrial, "run" | "checkpoints">;
/** The last trials, so that any stretch of them can be looked at closely without running all of it again. */
const kept = new Map<string, Kept>();
const MOST_KEPT = 3;
const keyOf = (record: ChamberRecord, days: number) => `${days}|${JSON.stringify(record)}`;

function run(record: ChamberRecord, days: number): KeptTrial & { plan: ReturnType<typeof planOf> } {
  const plan = planOf(record);
  const done = runKept(plainTrial(plan.chamber, plan.settings, days));
  if (kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value!);
  kept.set(keyOf(record, days), { run: done.run, checkpoints: done.checkpoints });
  return { ...done, plan };
}

const buffersOf = ({ low, high, layers, heat, cold, alarm }: Trace): ArrayBuffer[] =>
  [...Object.values(low), ...Object.values(high), ...layers.flatMap((l) => [l.low, l.high]), heat, cold, alarm].map(
    (a) => a.buffer as ArrayBuffer,
  );

/** Number of the search that is running; a new one, or a cancel, ends the one before. */
let search = 0;
/** Steps of a search between two looks at what else is asked. */
const BREATH = 2;

/** What the bench asks of its worker. */
export const bench = {
  trial(record: ChamberRecord, days: number, scale: Scale): TrialAnswer {
    const started = performance.now();
    const { trial, plan } = run(record, days);
    const verdicts = judge(plan, trial, scale);
    const answer = { trial, verdicts, took: performance.now() - started };
    return transfer(answer, buffersOf(trial.trace));
  },

  /** A stretch of a chamber's trial in bins of its own. */
  stretch(record: ChamberRecord, days: number, from: number, to: number, bins: number): Trace {
    const trace = stretchOf(kept.get(keyOf(record, days)) ?? run(record, days), from, to, bins);
    return transfer(trace, buffersOf(trace));
  },

  weigh(record: ChamberRecord, verdict: Verdict, all: Verdict[], days: number, scale: Scale): Effect[] {
    return weigh(record, verdict, all, days, scale);
  },

  /** Hours of grace of the usual failures. */
  grace(record: ChamberRecord, metrics: Metrics): FailureGrace[] {
    const { chamber, settings } = planOf(record);
    return usualGrace(chamber, settings, metrics);
  },

  /** Searches for the best settings; null where it was cancelled or overtaken. */
  async recommend(
    record: ChamberRecord,
    options: RecommendOptions,
    onProgress: (progress: Progress) => void,
  ): Promise<Recommendation | null> {
    const mine = ++search;
    const steps = recommend(record, options);
    for (let k = 0; ; k++) {
      const { value, done } = steps.next();
      if (done) return value;
      if (k % BREATH !== 0) continue;
      onProgress(value);
      await new Promise((resolve) => setTimeout(resolve));
      if (mine !== search) return null;
    }
  },

  cancelRecommend(): void {
    search++;
  },
};

export type Bench = typeof bench;
