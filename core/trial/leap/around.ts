import { memo } from "../memo";

/** A stretch of the room that is a straight line beside its daily wave, step by step. */
export interface Line {
  /** First step of it. */
  from: number;
  /** At that step, °C, and K a step. */
  value: number;
  slope: number;
}

/** The room of a trial, sampled at the middle of each step, as straight lines and one wave a day. */
export interface Around {
  lines: Line[];
  /** Height of the wave, K; 0: none. */
  wave: number;
  /** Steps of a day, and the angle of one. */
  perDay: number;
  angle: number;
  /** Cosine and sine of the wave at each step of a day, and their sums over all steps before. */
  cos: Float64Array;
  sin: Float64Array;
  cosSum: Float64Array;
  sinSum: Float64Array;
}

/** A line is followed as long as every sample lies on it, K: a hundredth of what states are told apart by. */
const ON_THE_LINE = 1e-10;
const DAY = 86_400;

/** Straight lines through samples, each as long as they lie on it. */
function linesThrough(at: (step: number) => number, steps: number): Line[] {
  const lines: Line[] = [];
  for (let from = 0; from < steps;) {
    const value = at(from);
    let slope = from + 1 < steps ? at(from + 1) - value : 0;
    // What rounds to nothing is level: a long line would run away with it.
    if (Math.abs(slope) < 1e-13) slope = 0;
    let to = from + 1;
    while (to < steps && Math.abs(at(to) - (value + slope * (to - from))) < ON_THE_LINE) to++;
    lines.push({ from, value, slope });
    from = to;
  }
  return lines;
}

function sumsOf(values: Float64Array): Float64Array {
  const sums = new Float64Array(values.length + 1);
  for (let i = 0; i < values.length; i++) sums[i + 1] = sums[i]! + values[i]!;
  return sums;
}

const waveTables = memo(({ perDay, phase }: { perDay: number; phase: number }) => {
  const angle = (2 * Math.PI) / perDay;
  const cos = Float64Array.from({ length: perDay }, (_, i) => Math.cos(phase + (i + 0.5) * angle));
  const sin = Float64Array.from({ length: perDay }, (_, i) => Math.sin(phase + (i + 0.5) * angle));
  return { angle, cos, sin, cosSum: sumsOf(cos), sinSum: sumsOf(sin) };
}, 4);

/**
 * The room's samples as lines and a wave; null where a day is no whole number of steps.
 * @param rooms one for each step, or for each step of a day where all days are alike, °C
 * @param wave half of the daily swing, K; 0 in a recorded room
 * @param phase angle of the wave at the start of the trial
 */
export function aroundOf(rooms: Float64Array, steps: number, dt: number, wave: number, phase: number): Around | null {
  const perDay = Math.round(DAY / dt);
  if (Math.abs(perDay * dt - DAY) > 1e-9) return null;
  const tables = waveTables({ perDay, phase });
  const { cos } = tables;
  const alike = rooms.length < steps;
  const line = (step: number) => rooms[step]! - wave * cos[step % perDay]!;
  const lines = linesThrough(line, alike ? Math.min(rooms.length, steps) : steps);
  // A day that repeats is level beside its wave.
  if (alike && lines.length > 1) return null;
  return { lines, wave, perDay, ...tables };
}
