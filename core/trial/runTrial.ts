import { judgedNode } from "../chamber";
import type { TrialInput } from "./input";
import { insetAround, worstMoment, type Inset } from "./inset";
import { metricsOf, type Metrics } from "./metrics";
import { Observer } from "./observer";
import { advance, displayScale, startRun, type Run } from "./stepper";
import { copyState, type RunState } from "./state";
import { TraceBins, type Trace } from "./trace";

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

/** A finished trial with what is needed to look at any stretch of it again. */
export interface KeptTrial {
  trial: Trial;
  run: Run;
  checkpoints: RunState[];
}

/** Bins that seven days are drawn in. */
export const DEFAULT_BINS = 280;

/** Distance of the saved moments from which a stretch can be run again, s; longer in long trials. */
const CHECKPOINT = 3 * 3600;
const MOST_CHECKPOINTS = 120;

/** Runs a trial to its end and keeps its saved moments. */
export function runKept(input: TrialInput, bins = DEFAULT_BINS): KeptTrial {
  const run = startRun(input);
  const band = input.chamber.stages[0]!;
  const seen = new Observer(run, Math.min(bins, run.steps), band);
  const checkpoints: RunState[] = [];
  const stretch = Math.max(1, Math.round(CHECKPOINT / input.dt), Math.ceil(run.steps / MOST_CHECKPOINTS));
  while (run.state.step < run.steps) {
    checkpoints.push(copyState(run.state));
    advance(run, Math.min(run.steps, run.state.step + stretch), seen);
  }
  seen.finish();
  const metrics = metricsOf(run, seen);
  const trial = {
    days: input.days,
    startHour: input.startHour,
    trace: seen.trace,
    inset: insetAround(run, checkpoints, worstMoment(metrics, band)),
    metrics,
    heat: seen.heat.times,
    cold: seen.cold.times,
  };
  return { trial, run, checkpoints };
}

/** Runs a trial to its end. Deterministic: the same input gives the same trial to the last bit. */
export const runTrial = (input: TrialInput, bins = DEFAULT_BINS): Trial => runKept(input, bins).trial;

/**
 * The trace of a stretch of a finished trial in bins of its own: run again, exactly, from the nearest saved moment.
 * @param from and `to` in s from the start of the trial
 */
export function stretchOf(
  { run: finished, checkpoints }: Pick<KeptTrial, "run" | "checkpoints">,
  from: number,
  to: number,
  bins: number,
): Trace {
  const { input, network } = finished;
  const { dt } = input;
  const first = Math.max(0, Math.floor(from / dt));
  const last = Math.min(finished.steps, Math.max(first + 1, Math.ceil(to / dt)));
  const saved = checkpoints.filter((c) => c.step <= first).at(-1) ?? checkpoints[0]!;
  const run: Run = { ...finished, state: copyState(saved) };
  const { slope, zero } = displayScale(run);
  const probe = network.probes[input.controllers[0]!.probe]!;
  const nodes = [judgedNode(network, input.chamber.stages[0]!), probe, network.air] as const;
  const gathered = new TraceBins(
    input.chamber,
    network,
    nodes,
    Math.min(bins, last - first),
    first,
    last,
    dt,
    slope,
    zero,
  );
  advance(run, first, { sample: () => undefined });
  advance(run, last, {
    sample(state, shown, room, heating, cooling) {
      if (gathered.ends(state.step)) gathered.closeBin(state.step);
      const alarm = state.machines.some((m) => m.lowAlarm || m.highAlarm);
      gathered.add(state, shown, room, heating, cooling, alarm);
    },
  });
  gathered.finish(last);
  return gathered.trace;
}
