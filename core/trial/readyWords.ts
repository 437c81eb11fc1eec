import { printDuration } from "../quantity";
import type { Ensemble, ReadyRange } from "./ensemble";

/** The last of several moments; null where one of them never comes. */
const last = (times: readonly (number | null)[]): number | null =>
  times.includes(null) ? null : Math.max(...(times as number[]));

/** When all of it is ready: a program says so itself, of several vessels the slowest does; null where nothing is waited for. */
export function allReady({ ready }: Pick<Ensemble, "ready">): Omit<ReadyRange, "index"> | null {
  if (ready.length === 0) return null;
  return {
    soon: last(ready.map((r) => r.soon)),
    usual: last(ready.map((r) => r.usual)),
    late: last(ready.map((r) => r.late)),
  };
}

const HOUR = 3600;
const DAY = 24 * HOUR;

/** An estimate to no more than it is known: to a day, to six hours, to half an hour, to five minutes; s. */
const graspOf = (seconds: number): number =>
  seconds >= 10 * DAY ? DAY : seconds >= 2 * DAY ? 6 * HOUR : seconds >= 6 * HOUR ? HOUR / 2 : HOUR / 12;
const roughly = (seconds: number, round: (x: number) => number): string =>
  printDuration(round(seconds / graspOf(seconds)) * graspOf(seconds));

/** When it is ready, as it stands on strip, shelf and calendar alike; null where nothing is waited for, or never comes. */
export function readyWords(range: Pick<Ensemble, "ready">): string | null {
  const all = allReady(range);
  if (!all || all.soon === null) return null;
  const usual = all.usual === null ? "" : `ready after ${roughly(all.usual, Math.round)}`;
  const late = all.late === null ? "later than was looked at" : roughly(all.late, Math.ceil);
  return `${usual}${usual ? ", " : "ready "}between ${roughly(all.soon, Math.floor)} and ${late}`;
}
