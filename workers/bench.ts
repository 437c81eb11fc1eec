import { expose, transfer, wrap, type Remote } from "comlink";
import * as z from "zod";
import type { ChamberRecord } from "@/core/model";
import type { Scale } from "@/core/quantity";
import {
  planOf,
  runKept,
  stretchOf,
  trialOf,
  usualGrace,
  type FailureGrace,
  type KeptRun,
  type Plan,
  type Metrics,
  type Trace,
  type Trial,
} from "@/core/trial";
import {
  lastSetups,
  progressOf,
  searchOf,
  tryTask,
  type Recommendation,
  type RecommendOptions,
  type SearchProgress,
  type Task,
  type Tried,
} from "@/core/recommend";
import { judge, weigh, type Effect, type Verdict } from "@/core/verdict";
import { deal, type Hand } from "./deal";

// The policy forbids eval; without this the schema library probes for it.
z.config({ jitless: true });

export interface TrialAnswer {
  /** The plan that the trial ran on: worked out here, once. */
  plan: Plan;
  trial: Trial;
  verdicts: Verdict[];
  /** Milliseconds spent computing. */
  took: number;
}

type Kept = Pick<KeptRun, "run" | "checkpoints">;
/** The last trials, so that any stretch of them can be looked at closely without running all of it again. */
const kept = new Map<string, Kept>();
const MOST_KEPT = 3;
const keyOf = (record: ChamberRecord, days: number) => `${days}|${JSON.stringify(record)}`;

function run(record: ChamberRecord, days: number): KeptRun & { plan: ReturnType<typeof planOf> } {
  const plan = planOf(record);
  const done = runKept(trialOf(plan, days));
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
/** A worker beside the one that leads a search. */
let helper: Pick<Remote<Bench>, "attempt"> | null = null;

const setupsFor = lastSetups();

/** Lets messages in between two pieces of work: progress, a cancel, the helper's answers. */
const breath = () => new Promise((resolve) => setTimeout(resolve));

/** What the bench asks of its worker. */
export const bench = {
  trial(record: ChamberRecord, days: number, scale: Scale): TrialAnswer {
    const started = performance.now();
    const { trial, plan } = run(record, days);
    const verdicts = judge(plan, trial, scale);
    const answer = { plan, trial, verdicts, took: performance.now() - started };
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

  /** Hours of grace of the usual failures in a stage, for what its metrics are of. */
  grace(plan: Plan, metrics: Metrics): FailureGrace[] {
    return usualGrace(plan, metrics);
  },

  /** A piece of another worker's search. */
  attempt(record: ChamberRecord, options: RecommendOptions, task: Task): Tried {
    return tryTask(setupsFor(record, options), task);
  },

  /** A line on which another worker asks this one for help. */
  lend(): MessagePort {
    const { port1, port2 } = new MessageChannel();
    expose({ attempt: bench.attempt }, port1);
    return transfer(port2, [port2]);
  },

  /** Takes another worker's help in searches. */
  join(port: MessagePort): void {
    helper = wrap<Bench>(port);
  },

  /** Searches for the best settings; null where it was cancelled or overtaken. */
  async recommend(
    record: ChamberRecord,
    options: RecommendOptions,
    onProgress: (progress: SearchProgress) => void,
  ): Promise<Recommendation | null> {
    const mine = ++search;
    const steps = searchOf(record, options, setupsFor);
    let step = steps.next();
    while (!step.done) {
      const batch = step.value;
      const hands: Hand<Task, Tried>[] = [
        async (task) => {
          const tried = bench.attempt(batch.record, batch.options, task);
          await breath();
          return tried;
        },
      ];
      if (helper) hands.push((task) => helper!.attempt(batch.record, batch.options, task));
      const tried = await deal(
        batch.tasks,
        hands,
        () => mine !== search,
        (finished) => onProgress(progressOf(batch, finished)),
      );
      if (!tried) return null;
      step = steps.next(tried);
    }
    return step.value;
  },

  cancelRecommend(): void {
    search++;
  },
};

export type Bench = typeof bench;
