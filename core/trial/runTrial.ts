import type { TrialInput } from "./input";
import { insetAround, worstMoment, type Inset } from "./inset";
import { metricsOf, type Metrics } from "./metrics";
import { Observer } from "./observer";
import { advance, copyState, startRun, type RunState } from "./stepper";
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

/** Distance of the saved moments from which a stretch can be run again, s. */
const CHECKPOINT = 3 * 3600;

/** Runs a trial to its end. Deterministic: the same input gives the same trial to the last bit. */
export function runTrial(input: TrialInput, bins = DEFAULT_BINS): Trial {
  const run = startRun(input);
  const band = input.chamber.stages[0]!;
  const seen = new Observer(run, Math.min(bins, run.steps), band);
  const checkpoints: RunState[] = [];
  const stretch = Math.max(1, Math.round(CHECKPOINT / input.dt));
  while (run.state.step < run.steps) {
    checkpoints.push(copyState(run.state));
    advance(run, Math.min(run.steps, run.state.step + stretch), seen);
  }
  seen.finish(run.state.step);
  const metrics = metricsOf(run, seen);
  return {
    days: input.days,
    startHour: input.startHour,
    trace: seen.trace,
    inset: insetAround(run, checkpoints, worstMoment(metrics, band)),
    metrics,
    heat: seen.heat.times,
    cold: seen.cold.times,
  };
}
