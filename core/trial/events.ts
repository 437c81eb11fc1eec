/** On/off history of one device: start and stop times in s, in turn; an odd count means that it still runs. */
export class SwitchLog {
  readonly times: number[] = [];
  private on = false;

  set(on: boolean, time: number): boolean {
    if (on === this.on) return false;
    this.on = on;
    this.times.push(time);
    return true;
  }

  get starts(): number {
    return Math.ceil(this.times.length / 2);
  }
}

/** Runs and rests of a device, s. Rests count from a stop to the next start. */
export function spansOf(times: readonly number[], end: number): { runs: number[]; rests: number[] } {
  const runs: number[] = [];
  const rests: number[] = [];
  for (let i = 0; i < times.length; i++) {
    const span = (times[i + 1] ?? end) - times[i]!;
    if (i % 2 === 0) runs.push(span);
    else if (i + 1 < times.length) rests.push(span);
  }
  return { runs, rests };
}

/** Most starts within any window of `width` seconds, and when that window begins. */
export function busiest(times: readonly number[], width: number): { starts: number; from: number } {
  const starts = times.filter((_, i) => i % 2 === 0);
  let best = { starts: 0, from: 0 };
  for (let first = 0, last = 0; last < starts.length; last++) {
    while (starts[last]! - starts[first]! >= width) first++;
    if (last - first + 1 > best.starts) best = { starts: last - first + 1, from: starts[first]! };
  }
  return best;
}

/** Longest gap for a start to count as an answer to the other device, s. */
export const REVERSAL_WITHIN = 90 * 60;

/** Moments at which one device starts within 90 minutes of the other's stop: heat and cold at odds. */
export function reversals(heat: readonly number[], cold: readonly number[]): number[] {
  const all = [
    ...heat.map((time, i) => ({ time, kind: "heat", start: i % 2 === 0 })),
    ...cold.map((time, i) => ({ time, kind: "cold", start: i % 2 === 0 })),
  ].sort((a, b) => a.time - b.time || Number(a.start) - Number(b.start));
  const lastStop: Record<string, number> = { heat: -Infinity, cold: -Infinity };
  let lastKind = "";
  const found: number[] = [];
  for (const { time, kind, start } of all) {
    if (!start) {
      lastStop[kind] = time;
      lastKind = kind;
    } else if (lastKind && lastKind !== kind && time - lastStop[lastKind]! <= REVERSAL_WITHIN) found.push(time);
  }
  return found;
}
