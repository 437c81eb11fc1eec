import type { Happening } from "../model";
import { energyBetween, type EnergyAccount } from "./energy";
import {
  deviceMetrics,
  dutySince,
  startsWithin,
  timesWithin,
  usual,
  type Cycle,
  type DeviceMetrics,
} from "./deviceMetrics";
import { busiest, reversals } from "./events";
import { gracesOf, type Grace } from "./gracesOf";
import { displayOf } from "./reader";
import type { Run } from "./run";
import type { Range } from "./range";
import type { Flows, JudgedTally, StageTally } from "./stageTally";
import type { TrialTally } from "./tally";

/** Lowest and highest, °C, and when, s. */
export interface Extremes {
  low: number;
  high: number;
  lowAt: number;
  highAt: number;
}

/** What one controller's alarms and probe did: s that they sounded, and K that it ran on after each device. */
export interface ControlMetrics {
  id: string;
  lowAlarm: number;
  highAlarm: number;
  lowSettled: number;
  highSettled: number;
  runOn: { heat: number; cold: number };
}

/**
 * What a stage, or the whole program, amounts to for one thing that a band is for. Temperatures in °C, times in s from
 * the start of the trial, spans of time in s; ranges are null where nothing was seen.
 */
export interface Metrics {
  /** The stage; null for the whole program. */
  stage: string | null;
  /** What is judged: a vessel, or "air". */
  judged: string;
  from: number;
  seconds: number;
  /** Seconds from the beginning to its first moment in its band; null if it never gets there. */
  timeToBand: number | null;
  /** Seconds from the beginning until it was put in; 0: it was there. */
  putIn: number;
  /** Share of the time since then that it was in its band. */
  inBand: number;
  /** From arrival on, with what follows the arrival itself. */
  arrived: { product: Extremes; probe: Extremes; air: Extremes } | null;
  /** Of the first hours after arrival: the judged temperature alone. */
  arriving: Extremes | null;
  /** From twelve hours after arrival on: the steady swing. Of a program of several stages there is none. */
  settled: {
    product: Extremes;
    probe: Extremes;
    air: Extremes;
    reading: Extremes;
    productMean: number;
  } | null;
  whole: { product: Extremes; air: Extremes; reading: Extremes };
  /** Share of the whole time that any heater, any cooler was on. */
  heatDuty: number;
  coldDuty: number;
  /** Share of the last day on: long after the arrival. */
  heatDutyLastDay: number;
  coldDutyLastDay: number;
  heatStarts: number;
  coldStarts: number;
  coldStartsPerDay: number;
  /** Of the cooler that starts most often, rests shortest, runs longest. */
  busiestHour: { starts: number; from: number };
  shortestRest: number | null;
  longestRun: number | null;
  /** Usual run and rest after arrival; null where it never ran. */
  usualCold: Cycle | null;
  usualHeat: Cycle | null;
  /** Moments at which heat and cold answered each other within 90 minutes, and how many a day. */
  reversals: { count: number; perDay: number; worstFrom: number | null };
  /** How far the probe of what holds it ran on after each device had stopped, K. */
  runOn: { heat: number; cold: number };
  /** s that any alarm sounded. */
  alarm: { low: number; high: number; lowSettled: number; highSettled: number };
  controls: ControlMetrics[];
  devices: DeviceMetrics[];
  energy: EnergyAccount;
  /** When a fire's fuel was used up, and the first ice, s; null where that does not happen. */
  fuelOutAt: number | null;
  iceGoneAt: number | null;
  /** kg burned. */
  fuelBurned: number;
  /** Each happening that can take the product out of its band, with the hours that it leaves one. */
  grace: Grace[];
}

const DAY = 86_400;

const extremes = (r: Range): Extremes => ({ low: r.low, high: r.high, lowAt: r.lowAt, highAt: r.highAt });

/**
 * Works out the metrics of a finished trial for one thing that a band is for, over the stages in which it is.
 * @param after what has flowed by the end of the last of the stages
 */
function metricsFor(
  run: Run,
  seen: TrialTally,
  parts: readonly { stage: StageTally; judged: JudgedTally }[],
  after: Flows,
  whole: boolean,
): Metrics {
  const { input } = run;
  const { dt, chamber } = input;
  const first = parts[0]!;
  const from = first.stage.from * dt;
  const to = parts.at(-1)!.stage.to * dt;
  const seconds = to - from;
  const days = seconds / DAY;
  const heat = timesWithin(seen.heat.times, from, to);
  const cold = timesWithin(seen.cold.times, from, to);
  const turns = reversals(seen.heat.times, seen.cold.times).filter((t) => t >= from && t < to);
  const chase = busiest(
    turns.flatMap((t) => [t, t]),
    3 * 3600,
  );
  const tallies = parts.map((p) => p.judged);
  const join = (phases: ("onTheWay" | "arriving" | "settled")[], of: "product" | "probe" | "air" | "shown") =>
    tallies.flatMap((t) => phases.map((phase) => t[phase][of])).reduce((a, b) => a.with(b));
  const sum = (phases: ("onTheWay" | "arriving" | "settled")[], of: "steps" | "inBand" | "lowAlarm" | "highAlarm") =>
    tallies.reduce((all, t) => all + phases.reduce((part, phase) => part + t[phase][of], 0), 0);
  const { slope, zero } = displayOf(chamber.controllers[first.judged.controller]!.unit);
  const display = (r: Range): Extremes => ({ ...extremes(r), low: r.low * slope + zero, high: r.high * slope + zero });
  const arrival = tallies.find((t) => t.arrivedAt < Infinity);
  // Of a program the way to a later band is time outside of it; of a stage, the way to its own is not counted.
  const since = tallies.slice(arrival ? tallies.indexOf(arrival) : tallies.length);
  const ways = since.slice(1).reduce((all, t) => all + t.onTheWay.steps, 0);
  const stepsArrived = sum(["arriving", "settled"], "steps") + ways;
  const { settled } = first.judged;
  const lastDay = Math.max(from, to - DAY);
  const devices = [...chamber.heaters, ...chamber.coolers].map(({ id }, d) =>
    deviceMetrics(id, seen.devices[d]!.times, from, to),
  );
  const coolers = devices.slice(chamber.heaters.length);
  const most = (of: (d: DeviceMetrics) => number | null, better: (a: number, b: number) => number): number | null =>
    coolers.map(of).reduce((a, b) => (a === null ? b : b === null ? a : better(a, b)), null);
  const busiestHour = coolers
    .map((d) => d.busiestHour)
    .reduce((a, b) => (b.starts > a.starts ? b : a), { starts: 0, from: 0 });
  const controls = chamber.controllers.map(({ id }, c): ControlMetrics => {
    const own = parts.map((p) => p.stage.controls[c]!);
    const steps = (of: "low" | "high" | "lowSettled" | "highSettled") =>
      own.reduce((all, tally) => all + tally[of], 0) * dt;
    return {
      id,
      lowAlarm: steps("low"),
      highAlarm: steps("high"),
      lowSettled: steps("lowSettled"),
      highSettled: steps("highSettled"),
      runOn: {
        heat: Math.max(...own.map((tally) => tally.runOn.heat)),
        cold: Math.max(...own.map((tally) => tally.runOn.cold)),
      },
    };
  });
  const arrived = arrival !== undefined;
  // Each happening belongs to one stage: what comes after the end of the program to the last one.
  const within = ({ at }: Happening, stage: StageTally) =>
    (at >= stage.from * dt || stage === seen.stages[0]) && (at < stage.to * dt || stage === seen.stages.at(-1));
  return {
    stage: whole ? null : chamber.stages[first.stage.stage]!.id,
    judged: first.judged.judged.id,
    from,
    seconds,
    timeToBand: arrival ? arrival.arrivedAt - from : null,
    putIn: Math.max(0, first.judged.inStep * dt - from),
    inBand: stepsArrived > 0 ? sum(["arriving", "settled"], "inBand") / stepsArrived : 0,
    arrived: arrived
      ? {
          product: extremes(join(["arriving", "settled"], "product")),
          probe: extremes(join(["arriving", "settled"], "probe")),
          air: extremes(join(["arriving", "settled"], "air")),
        }
      : null,
    arriving: sum(["arriving"], "steps") > 0 ? extremes(join(["arriving"], "product")) : null,
    settled:
      parts.length === 1 && settled.steps > 0
        ? {
            product: extremes(settled.product),
            probe: extremes(settled.probe),
            air: extremes(settled.air),
            reading: display(settled.shown),
            productMean: settled.productSum / settled.steps,
          }
        : null,
    whole: {
      product: extremes(join(["onTheWay", "arriving", "settled"], "product")),
      air: extremes(join(["onTheWay", "arriving", "settled"], "air")),
      reading: display(join(["onTheWay", "arriving", "settled"], "shown")),
    },
    heatDuty: dutySince(heat, from, to),
    coldDuty: dutySince(cold, from, to),
    heatDutyLastDay: dutySince(heat, lastDay, to),
    coldDutyLastDay: dutySince(cold, lastDay, to),
    heatStarts: startsWithin(seen.heat.times, from, to),
    coldStarts: startsWithin(seen.cold.times, from, to),
    coldStartsPerDay: startsWithin(seen.cold.times, from, to) / Math.max(days, 1 / DAY),
    busiestHour,
    shortestRest: most((d) => d.shortestRest, Math.min),
    longestRun: most((d) => d.longestRun, Math.max),
    usualCold: arrived ? usual(cold, arrival.arrivedAt, to) : null,
    usualHeat: arrived ? usual(heat, arrival.arrivedAt, to) : null,
    reversals: {
      count: turns.length,
      perDay: turns.length / Math.max(days, 1 / DAY),
      worstFrom: turns.length ? chase.from : null,
    },
    runOn: controls[first.judged.controller]!.runOn,
    alarm: {
      low: sum(["onTheWay", "arriving", "settled"], "lowAlarm") * dt,
      high: sum(["onTheWay", "arriving", "settled"], "highAlarm") * dt,
      lowSettled: sum(["settled"], "lowAlarm") * dt,
      highSettled: sum(["settled"], "highAlarm") * dt,
    },
    controls,
    devices,
    energy: energyBetween(first.stage.before.energy, after.energy),
    fuelOutAt: seen.fuelOutAt,
    iceGoneAt: seen.iceGoneAt,
    fuelBurned: after.fuel - first.stage.before.fuel,
    grace: parts.flatMap(({ stage, judged }) =>
      gracesOf(
        chamber.happenings.filter((h) => within(h, stage)),
        judged,
        run.input.dt,
      ),
    ),
  };
}

/** How a stage went. */
export interface StageResult {
  id: string;
  /** s */
  from: number;
  to: number;
  /** When an end of it came; it then went on until somebody was there. Null: none came within the trial. */
  dueAt: number | null;
  endedBy: StageTally["endedBy"];
  /** How far each vessel's product had come as it began, 0..1; null where it has no progress. */
  progress: (number | null)[];
  /** One for each thing that its band is for. */
  metrics: Metrics[];
}

/** Whether it was in at any step of its stage. */
const wasSeen = ({ out }: JudgedTally): boolean => !out;

/** The metrics of each stage that the trial came to, and those of the whole program for each thing that is judged. */
export function metricsOf(run: Run, seen: TrialTally): { stages: StageResult[]; whole: Metrics[] } {
  const { dt, chamber } = run.input;
  const end = seen.judgedFlows;
  const after = (s: number) => seen.stages[s + 1]?.before ?? end;
  const stages = seen.stages.map((stage, s) => ({
    id: chamber.stages[stage.stage]!.id,
    from: stage.from * dt,
    to: stage.to * dt,
    dueAt: stage.dueAt,
    endedBy: stage.endedBy,
    progress: stage.progress,
    metrics: stage.judged.filter(wasSeen).map((judged) => metricsFor(run, seen, [{ stage, judged }], after(s), false)),
  }));
  const ids = [...new Set(seen.stages.flatMap((s) => s.judged.filter(wasSeen).map((j) => j.judged.id)))];
  const whole =
    seen.stages.length === 1
      ? stages[0]!.metrics.map((m) => ({ ...m, stage: null }))
      : ids.map((id) => {
          const parts = seen.stages.flatMap((stage) => {
            const judged = stage.judged.find((j) => j.judged.id === id && wasSeen(j));
            return judged ? [{ stage, judged }] : [];
          });
          return metricsFor(run, seen, parts, end, true);
        });
  return { stages, whole };
}

/** How far past its band a thing got after it had arrived, K; without end where it never did. */
export function pastBand(metrics: Metrics, band: { low: number; high: number }): number {
  const { arrived } = metrics;
  if (!arrived) return Infinity;
  return Math.max(0, band.low - arrived.product.low, arrived.product.high - band.high);
}

/** Of several judged things the one that fares worst: the one that binds. */
export function bindingOf(all: readonly Metrics[], bandOf: (judged: string) => { low: number; high: number }): Metrics {
  const past = (m: Metrics) => pastBand(m, bandOf(m.judged));
  return all.reduce((worst, m) => {
    const [a, b] = [past(m), past(worst)];
    return a > b || (a === b && m.inBand < worst.inBand) ? m : worst;
  });
}
