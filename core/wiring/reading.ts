import type { Interval } from "./ohms";

/** Below it a meter has to beep, above it has not to; between it may, Ω. */
export const BEEP = { must: 10, mayNot: 100 } as const;
/** From so many Ω on a meter may show nothing; beyond it it has to. */
const SHOWS = 1e6;
const SHOWS_NOT = 4e7;
/** Earth has to read this or less, the leads taken off, Ω. */
export const EARTH_OHMS = 0.5;
/** What may lie there so that a meter of its class shows no more, Ω. */
export const EARTH_WAY: Interval = { low: 0, high: 0.1981 };

/** How readings are kept where a meter gives no number. */
export const BEEPS = 0.5;
export const SILENT = 9_999_998;
export const OPEN = 9_999_999;

/** What a test is read by: a beep; a number of ohms or none; a few tenths of an ohm; volts. */
export type Asks = "joined" | "apart" | "ohms" | "volts";

/** A plain meter errs by a hundredth of what it reads and three of its last digits (design’s reference). */
const CLASS = 0.01;
const DIGITS_OHM = 0.3;
const DIGITS_VOLT = 2;

/** What a meter of its class may show where something lies in an interval. */
export const shownOf = ({ low, high }: Interval, asks: Asks): Interval => {
  const digits = asks === "volts" ? DIGITS_VOLT : DIGITS_OHM;
  return { low: Math.max(0, low * (1 - CLASS) - digits), high: high * (1 + CLASS) + digits };
};

/** The ohms that a kept reading stands for. */
function readAs(read: number): Interval {
  if (read === BEEPS) return { low: 0, high: BEEP.mayNot };
  if (read === SILENT) return { low: BEEP.must, high: Infinity };
  if (read === OPEN) return { low: SHOWS, high: Infinity };
  return { low: read, high: read };
}

/**
 * Whether what lies in an interval can be read so. A meter's error is in the interval where a number is read (`shownOf`).
 */
export function explains({ low, high }: Interval, read: number, asks: Asks): boolean {
  const shown = shownOf({ low, high: high >= SHOWS_NOT ? Infinity : high }, asks);
  const number = asks === "volts" || (asks === "ohms" && read < SILENT);
  const as = number ? { low: read, high: read } : readAs(read);
  return as.low <= shown.high && as.high >= shown.low;
}

/** Whether two things can never be read the same. */
export function toldApart(a: Interval, b: Interval, asks: Asks): boolean {
  const [x, y] = [shownOf(a, asks), shownOf(b, asks)];
  if (asks === "joined") return (sure(a, "beeps") && sure(b, "silent")) || (sure(a, "silent") && sure(b, "beeps"));
  if (asks === "apart") {
    // Where the one may show nothing, the other has to show something.
    const mayOpen = (i: Interval) => i.high >= SHOWS;
    if (mayOpen(a) && mayOpen(b)) return false;
  }
  return x.high < y.low || y.high < x.low;
}

const sure = ({ low, high }: Interval, what: "beeps" | "silent"): boolean =>
  what === "beeps" ? high < BEEP.must : low > BEEP.mayNot;
