import { number } from "./cells";

/** What the numbers of a column of times count. */
export type TimeUnit = "day" | "h" | "min" | "s" | "ms";

/** s */
const LENGTH: Record<TimeUnit, number> = { day: 86_400, h: 3600, min: 60, s: 1, ms: 0.001 };

const words: [RegExp, TimeUnit][] = [
  [/\bms\b|milli|_ms$/i, "ms"],
  [/min|\(m\)/i, "min"],
  [/sec|sek|epoch|unix|\(s\)|_s$|^\s*s\s*$/i, "s"],
  [/hour|stunde|\bh\b|\(h\)|_h$/i, "h"],
  [/\bdays?\b|\btage?\b|\(d\)/i, "day"],
];

/** What a heading says that its numbers count; null where it says nothing of it. */
export const unitNamed = (heading: string): TimeUnit | null =>
  words.find(([named]) => named.test(heading))?.[1] ?? null;

/** Numbers of this size count from 1970: seconds since 1973, milliseconds likewise. */
const EPOCH_S = 1e8;
const EPOCH_MS = 1e11;

/** What the numbers of a column count, by their size alone; null: that does not tell. */
export function unitBySize(first: number): TimeUnit | null {
  if (first >= EPOCH_MS) return "ms";
  return first >= EPOCH_S ? "s" : null;
}

const DATE =
  /^\s*(\d{4})-(\d{1,2})-(\d{1,2})(?:(?:T|\s+)(\d{1,2}):(\d{2})(?::(\d{2})(?:[.,](\d+))?)?\s*(am|pm)?\s*(z|[+-]\d{2}:?\d{2})?)?\s*$/i;

/** A moment in a table: when, s, and whether it says its zone. */
export interface Moment {
  seconds: number;
  zoned: boolean;
}

/** A date that there is, with a clock time that there is, taken as local to the room or by the zone that it says; null: it is none. */
export function dated(text: string): Moment | null {
  const found = DATE.exec(text);
  if (!found) return null;
  const [, y, mo, d, h = "0", mi = "0", s = "0", part = "0", half, zone] = found;
  const [year, month, day, minute, second] = [y, mo, d, mi, s].map(Number) as [number, number, number, number, number];
  let hour = Number(h);
  if (half) {
    if (hour < 1 || hour > 12) return null;
    hour = (hour % 12) + (/p/i.test(half) ? 12 : 0);
  }
  const at = Date.UTC(year, month - 1, day, hour, minute, second);
  // 31 February would become 3 March; 24:00 and a leap second are the next minute.
  if (new Date(Date.UTC(year, month - 1, day)).getUTCDate() !== day || month < 1 || month > 12) return null;
  if (hour > 24 || (hour === 24 && minute + second > 0) || minute > 59 || second > 60) return null;
  const offset = zone && !/z/i.test(zone) ? offsetOf(zone) : 0;
  return { seconds: at / 1000 + Number(`0.${part}`) - offset, zoned: zone !== undefined };
}

/** "+01:00" in s. */
function offsetOf(zone: string): number {
  const [, sign, hours, minutes] = /^([+-])(\d{2}):?(\d{2})$/.exec(zone)!;
  return (sign === "-" ? -1 : 1) * (Number(hours) * 3600 + Number(minutes) * 60);
}

/** A moment of a table whose numbers count `unit`; null: it is no time. */
export function momentIn(text: string, unit: TimeUnit): Moment | null {
  const count = number(text);
  return Number.isFinite(count) ? { seconds: count * LENGTH[unit], zoned: false } : dated(text);
}
