import type { Happening, HappeningKind } from "../model";
import type { EnergyAccount } from "./energy";
import { busiest, reversals, spansOf } from "./events";
import type { Observer, Range } from "./observer";
import { displayScale, type Run } from "./stepper";
import type { Trace } from "./trace";

export interface Span {
  low: number;
  high: number;
  lowAt: number;
  highAt: number;
}

/** What a trial amounts to. Temperatures in °C, times in s from the start; spans are null where nothing was seen. */
export interface Metrics {
  seconds: number;
  /** Seconds to the product's first moment in its band; null if it never gets there. */
  timeToBand: number | null;
  /** Share of the time since then that the product was in its band. */
  inBand: number;
  /** From arrival on, with what follows the arrival itself. */
  arrived: { product: Span; probe: Span; air: Span } | null;
  /** Of the first hours after arrival: the judged temperature alone. */
  arriving: Span | null;
  /** From twelve hours after arrival on: the steady swing. */
  settled: { product: Span; probe: Span; air: Span; reading: Span; productMean: number } | null;
  whole: { product: Span; air: Span; reading: Span };
  /** Share of the whole time on. */
  heatDuty: number;
  coldDuty: number;
  /** Share of the last day on: long after the arrival. */
  heatDutyLastDay: number;
  coldDutyLastDay: number;
  heatStarts: number;
  compressorStarts: number;
  compressorStartsPerDay: number;
  /** Most compressor starts in any hour, and when. */
  busiestHour: { starts: number; from: number };
  shortestRest: number | null;
  longestRun: number | null;
  /** Longest and usual run of the compressor after arrival, and usual rest; null where it never ran. */
  usualCold: { run: number; rest: number | null } | null;
  usualHeat: { run: number; rest: number | null } | null;
  /** Moments at which heat and cold answered each other within 90 minutes, and how many a day. */
  reversals: { count: number; perDay: number; worstFrom: number | null };
  /** How far the probe ran on after each device had stopped, K. */
  runOn: { heat: number; cold: number };
  alarm: { low: number; high: number; lowSettled: number; highSettled: number };
  energy: EnergyAccount;
  /** When the fuel was used up, and the first ice, s; null where that does not happen. */
  fuelOutAt: number | null;
  iceGoneAt: number | null;
  /** kg burned. */
  fuelBurned: number;
  /** Each happening that can take the product out of its band, with the hours that it leaves one. */
  grace: Grace[];
}

/** Hours of grace after a happening, s: until the product leaves its band. */
export interface Grace {
  id: string;
  kind: HappeningKind;
  at: number;
  /** Null: the product was outside already. Infinity: it holds to the end of the trial. */
  seconds: number | null;
  /** The product left by the cold end of its band. */
  cold: boolean;
}

/** Happenings that are no failures: nobody asks how long they leave. */
const harmless: readonly HappeningKind[] = ["setpoint"];

/** How long after each happening the product stays in its band. */
export function gracesOf(
  happenings: readonly Happening[],
  crossings: readonly number[],
  trace: Trace,
  band: { low: number; high: number },
): Grace[] {
  return happenings
    .filter((h) => !harmless.includes(h.kind))
    .map(({ id, kind, at }) => {
      const crossed = crossings.filter((t) => t <= at).length;
      const inside = crossed % 2 === 1;
      const leaves = crossings[crossed];
      if (!inside) return { id, kind, at, seconds: null, cold: false };
      if (leaves === undefined) return { id, kind, at, seconds: Infinity, cold: false };
      const bin = Math.min(trace.bins - 1, Math.floor(leaves / trace.width));
      return { id, kind, at, seconds: leaves - at, cold: trace.low.product[bin]! < (band.low + band.high) / 2 };
    });
}

const span = (r: Range): Span => ({ low: r.low, high: r.high, lowAt: r.lowAt, highAt: r.highAt });

function median(values: number[]): number | null {
  if (values.length === 0) return null;
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)]!;
}

function usual(times: number[], from: number, end: number): { run: number; rest: number | null } | null {
  const first = times.findIndex((t, i) => i % 2 === 0 && t >= from);
  if (first < 0) return null;
  const { runs, rests } = spansOf(times.slice(first), end);
  const whole = runs.length > 1 ? runs.slice(0, -1) : runs;
  const run = median(whole);
  return run === null ? null : { run, rest: median(rests) };
}

const DAY = 86_400;

function dutySince(times: number[], from: number, end: number): number {
  let on = 0;
  for (let i = 0; i < times.length; i += 2) on += Math.max(0, (times[i + 1] ?? end) - Math.max(times[i]!, from));
  return on / Math.max(1, end - from);
}

/** Works out the metrics of a finished trial. */
export function metricsOf(run: Run, seen: Observer): Metrics {
  const { dt } = run.input;
  const seconds = run.steps * dt;
  const days = seconds / DAY;
  const heat = seen.heat.times;
  const cold = seen.cold.times;
  const turns = reversals(heat, cold);
  const chase = busiest(
    turns.flatMap((t) => [t, t]),
    3 * 3600,
  );
  const { onTheWay, arriving, settled } = seen;
  const arrived = seen.arrivedAt < Infinity;
  const stepsArrived = arriving.steps + settled.steps;
  const coldSpans = spansOf(cold, seconds);
  const lastDay = Math.max(0, seconds - DAY);
  const { slope, zero } = displayScale(run);
  const display = (r: Range): Span => ({ ...span(r), low: r.low * slope + zero, high: r.high * slope + zero });
  const together = (of: "product" | "probe" | "air" | "shown") => arriving[of].with(settled[of]);
  return {
    seconds,
    timeToBand: arrived ? seen.arrivedAt : null,
    inBand: stepsArrived > 0 ? (arriving.inBand + settled.inBand) / stepsArrived : 0,
    arrived: arrived
      ? { product: span(together("product")), probe: span(together("probe")), air: span(together("air")) }
      : null,
    arriving: arriving.steps > 0 ? span(arriving.product) : null,
    settled:
      settled.steps > 0
        ? {
            product: span(settled.product),
            probe: span(settled.probe),
            air: span(settled.air),
            reading: display(settled.shown),
            productMean: settled.productSum / settled.steps,
          }
        : null,
    whole: {
      product: span(onTheWay.product.with(together("product"))),
      air: span(onTheWay.air.with(together("air"))),
      reading: display(onTheWay.shown.with(together("shown"))),
    },
    heatDuty: dutySince(heat, 0, seconds),
    coldDuty: dutySince(cold, 0, seconds),
    heatDutyLastDay: dutySince(heat, lastDay, seconds),
    coldDutyLastDay: dutySince(cold, lastDay, seconds),
    heatStarts: seen.heat.starts,
    compressorStarts: seen.cold.starts,
    compressorStartsPerDay: seen.cold.starts / days,
    busiestHour: busiest(cold, 3600),
    shortestRest: coldSpans.rests.length ? Math.min(...coldSpans.rests) : null,
    longestRun: coldSpans.runs.length ? Math.max(...coldSpans.runs) : null,
    usualCold: arrived ? usual(cold, seen.arrivedAt, seconds) : null,
    usualHeat: arrived ? usual(heat, seen.arrivedAt, seconds) : null,
    reversals: { count: turns.length, perDay: turns.length / days, worstFrom: turns.length ? chase.from : null },
    runOn: { ...seen.runOn },
    alarm: {
      low: (onTheWay.lowAlarm + arriving.lowAlarm + settled.lowAlarm) * dt,
      high: (onTheWay.highAlarm + arriving.highAlarm + settled.highAlarm) * dt,
      lowSettled: settled.lowAlarm * dt,
      highSettled: settled.highAlarm * dt,
    },
    energy: seen.energy.total(),
    fuelOutAt: seen.fuelOutAt,
    iceGoneAt: seen.iceGoneAt,
    fuelBurned: run.input.chamber.heater.fuel - run.state.devices.fuel,
    grace: gracesOf(run.input.chamber.happenings, seen.crossings, seen.trace, run.input.chamber.stages[0]!),
  };
}
