import { busiest, spansOf } from "./events";

/** Usual run and rest of a device, s. */
export interface Cycle {
  run: number;
  rest: number | null;
}

/** What one device did. */
export interface DeviceMetrics {
  id: string;
  starts: number;
  /** Share of the time on. */
  duty: number;
  /** Most starts in any hour, and when. */
  busiestHour: { starts: number; from: number };
  shortestRest: number | null;
  longestRun: number | null;
}

function median(values: number[]): number | null {
  if (values.length === 0) return null;
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)]!;
}

/** Start and stop times within a stretch; a run that goes on into it counts from its beginning. */
export function timesWithin(times: readonly number[], from: number, to: number): number[] {
  const found: number[] = [];
  for (let i = 0; i < times.length; i += 2) {
    const start = times[i]!;
    const stop = times[i + 1] ?? Infinity;
    if (stop <= from || start >= to) continue;
    found.push(Math.max(start, from));
    if (stop < to) found.push(stop);
  }
  return found;
}

export const startsWithin = (times: readonly number[], from: number, to: number): number =>
  times.filter((t, i) => i % 2 === 0 && t >= from && t < to).length;

export function usual(times: readonly number[], from: number, end: number): Cycle | null {
  const first = times.findIndex((t, i) => i % 2 === 0 && t >= from);
  if (first < 0) return null;
  const { runs, rests } = spansOf(times.slice(first), end);
  const whole = runs.length > 1 ? runs.slice(0, -1) : runs;
  const run = median(whole);
  return run === null ? null : { run, rest: median(rests) };
}

export function dutySince(times: readonly number[], from: number, end: number): number {
  let on = 0;
  for (let i = 0; i < times.length; i += 2)
    on += Math.max(0, Math.min(times[i + 1] ?? end, end) - Math.max(times[i]!, from));
  return on / Math.max(1, end - from);
}

export function deviceMetrics(id: string, times: readonly number[], from: number, to: number): DeviceMetrics {
  const own = timesWithin(times, from, to);
  const { runs, rests } = spansOf(own, to);
  return {
    id,
    starts: startsWithin(times, from, to),
    duty: dutySince(own, from, to),
    busiestHour: busiest(own, 3600),
    shortestRest: rests.length ? Math.min(...rests) : null,
    longestRun: runs.length ? Math.max(...runs) : null,
  };
}
