import { judgedOf } from "../chamber";
import type { TrialInput } from "./input";
import { insetAround, worstMoment, type Inset } from "./inset";
import { bindingOf, metricsOf, pastBand, type Metrics, type StageResult } from "./metrics";
import { copyState, type RunState } from "./state";
import { displayOf } from "./reader";
import { moistResult, type MoistResult } from "./moistResult";
import { startRun, unwatched, type Run } from "./run";
import { advance } from "./stepper";
import { servingController } from "./serving";
import type { BandSpan } from "./stageTally";
import { TrialTally } from "./tally";
import { TraceBins, type Trace } from "./trace";

/** A finished trial. */
export interface Trial {
  days: number;
  startHour: number;
  trace: Trace;
  inset: Inset;
  /** The stages that it came to, in turn. */
  stages: StageResult[];
  /** Of the whole program, for each thing that is judged. */
  whole: Metrics[];
  /** Of the whole program, for what fares worst in it. */
  metrics: Metrics;
  /** The bands over time of what the trace shows as product. */
  bands: BandSpan[];
  /** When the last stage ended, s; null: it did not, or has no end. */
  finishedAt: number | null;
  /** Start and stop times of heat and of cold, whichever device, in turn, s. */
  heat: number[];
  cold: number[];
  /** The same of each heater and cooler. */
  devices: { id: string; times: number[] }[];
  /** What became of the water in its air; null where its humidity is as typed. */
  moisture: MoistResult | null;
}

/** How long of a trial is judged, days: its program may end before. */
export const judgedDays = ({ finishedAt, days }: Pick<Trial, "finishedAt" | "days">): number =>
  finishedAt === null ? days : finishedAt / 86_400;

/** Electricity that all of it drew from the mains up to the end of what is judged, J; fires draw none. */
export function mainsOf(trial: Trial): number {
  const { energy: e } = trial.metrics;
  const share = judgedDays(trial) / trial.days;
  return e.heater - e.fire + e.cooler + e.fan + e.defrost + (trial.moisture?.electric ?? 0) * share;
}

/** A finished trial with what is needed to look at any stretch of it again. */
export interface KeptRun {
  trial: Trial;
  run: Run;
  checkpoints: RunState[];
}

/** Bins that seven days are drawn in. */
export const DEFAULT_BINS = 280;

/** Distance of the saved moments from which a stretch can be run again, s; longer in long trials. */
const CHECKPOINT = 3 * 3600;
const MOST_CHECKPOINTS = 120;

/** The metrics of the stage, and of what is judged in it, that fare worst. */
function worstPart({ chamber }: TrialInput, stages: readonly StageResult[]): { metrics: Metrics; band: Band } {
  const parts = stages.flatMap(({ id, metrics }) =>
    metrics.map((m) => {
      const stage = chamber.stages.find((s) => s.id === id)!;
      return { metrics: m, band: chamber.vessels.find((v) => v.id === m.judged)?.band ?? stage };
    }),
  );
  return parts.reduce((worst, part) => {
    const [a, b] = [part, worst].map((p) => pastBand(p.metrics, p.band));
    return a! > b! && a! < Infinity ? part : worst;
  });
}
type Band = { low: number; high: number };

/**
 * Runs a trial to its end and keeps its saved moments; between two of them it can be left for something else, or for
 * good.
 */
export function* trialSteps(input: TrialInput, bins = DEFAULT_BINS): Generator<undefined, KeptRun> {
  const run = startRun(input);
  const { chamber } = input;
  const seen = new TrialTally(run, Math.min(bins, run.steps));
  const checkpoints: RunState[] = [];
  const stretch = Math.max(1, Math.round(CHECKPOINT / input.dt), Math.ceil(run.steps / MOST_CHECKPOINTS));
  while (run.state.step < run.steps) {
    checkpoints.push(copyState(run.state));
    advance(run, Math.min(run.steps, run.state.step + stretch), seen);
    yield;
  }
  seen.finish();
  const { stages, whole } = metricsOf(run, seen);
  const last = chamber.stages[seen.stages.at(-1)!.stage]!;
  const metrics = bindingOf(whole, (id) => chamber.vessels.find((v) => v.id === id)?.band ?? last);
  const worst = worstPart(input, stages);
  const { finishedAt } = run.state.program;
  const trial: Trial = {
    days: input.days,
    startHour: input.startHour,
    trace: seen.trace,
    inset: insetAround(run, checkpoints, worstMoment(worst.metrics, worst.band), worst.metrics.judged),
    stages,
    whole,
    metrics,
    bands: seen.bands,
    finishedAt: finishedAt >= 0 ? finishedAt : null,
    heat: seen.heat.times,
    cold: seen.cold.times,
    devices: [...chamber.heaters, ...chamber.coolers].map(({ id }, d) => ({ id, times: seen.devices[d]!.times })),
    moisture: moistResult(run),
  };
  return { trial, run, checkpoints };
}

/** Runs a trial to its end in one go. */
export function runKept(input: TrialInput, bins = DEFAULT_BINS): KeptRun {
  const steps = trialSteps(input, bins);
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
}

/** Runs a trial to its end. Deterministic: the same input gives the same trial to the last bit. */
export const runTrial = (input: TrialInput, bins = DEFAULT_BINS): Trial => runKept(input, bins).trial;

/**
 * The trace of a stretch of a finished trial in bins of its own: run again, exactly, from the nearest saved moment.
 * @param from and `to` in s from the start of the trial
 */
export function stretchOf(
  { run: finished, checkpoints }: Pick<KeptRun, "run" | "checkpoints">,
  from: number,
  to: number,
  bins: number,
): Trace {
  const { input, network } = finished;
  const { dt, chamber } = input;
  const first = Math.max(0, Math.floor(from / dt));
  const last = Math.min(finished.steps, Math.max(first + 1, Math.ceil(to / dt)));
  const saved = checkpoints.filter((c) => c.step <= first).at(-1) ?? checkpoints[0]!;
  const run: Run = { ...finished, state: copyState(saved) };
  const sources = sourcesOf(run, judgedOf(network, chamber, chamber.stages[0]!)[0]!);
  const gathered = new TraceBins(chamber, network, sources, Math.min(bins, last - first), first, last, dt);
  advance(run, first, unwatched);
  advance(run, last, {
    sample(state, room) {
      if (gathered.ends(state.step)) gathered.closeBin(state.step);
      gathered.add(
        state,
        room,
        state.controls.some((c) => c.lowAlarm || c.highAlarm),
      );
    },
  });
  gathered.finish(last);
  return gathered.trace;
}

/** Where the lines of a trace come from for one thing that is judged. */
export function sourcesOf({ network, input: { chamber } }: Run, judged: { id: string; node: number }) {
  const controller = servingController(chamber, judged);
  const { unit, probes } = chamber.controllers[controller]!;
  const probe = network.probes[chamber.probes.findIndex((p) => p.id === probes[0])]!;
  return { product: judged.node, probe, air: network.air, controller, ...displayOf(unit) };
}
