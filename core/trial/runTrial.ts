import type { TrialInput } from "./input";
import { insetAround, worstMoment, type Inset } from "./inset";
import { metricsOf, type Metrics } from "./metrics";
import { Observer } from "./observer";
import { advance, startRun } from "./stepper";
import type { Trace } from "./trace";

/** A finished trial. */
export interface Trial {
  days: number;
  startHour: number;
  trace: Trace;
  inset: Inset;
  metrics: Metrics;
  /** Start and stop times of each device, in turn, s. */
  heat: number[];
  cold: number[];
}

/** Bins that seven days are drawn in. */
export const DEFAULT_BINS = 280;

/** Runs a trial to its end. Deterministic: the same input gives the same trial to the last bit. */
export function runTrial(input: TrialInput, bins = DEFAULT_BINS): Trial {
  const run = startRun(input);
  const band = input.chamber.stages[0]!;
  const seen = new Observer(run, Math.min(bins, run.steps), band);
  advance(run, run.steps, seen);
  seen.finish();
  const metrics = metricsOf(run, seen);
  return {
    days: input.days,
    startHour: input.startHour,
    trace: seen.trace,
    inset: insetAround(input, seen.checkpoints, worstMoment(metrics, band)),
    metrics,
    heat: seen.heat.times,
    cold: seen.cold.times,
  };
}
