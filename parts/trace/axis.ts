import { celsius, clockText, inScale, type Scale } from "@/core/quantity";

type Pair = [number, number];

/** No axis of a chamber reaches further, °C: what is beyond, or no number at all, is not drawn. */
const COLDEST = -273.15;
const HOTTEST = 3000;

/** Ends of a temperature axis that takes in all values (°C), padded and rounded to whole degrees of the scale. */
export function axisOf(values: Iterable<number>, scale: Scale): Pair {
  let low = Infinity;
  let high = -Infinity;
  for (const t of values) {
    if (!(t >= COLDEST && t <= HOTTEST)) continue;
    if (t < low) low = t;
    if (t > high) high = t;
  }
  if (low > high) [low, high] = [0, 1];
  const [from, to] = [inScale(celsius(low), scale), inScale(celsius(high), scale)];
  const pad = Math.max(0.3, (to - from) * 0.06);
  return [Math.floor(from - pad), Math.ceil(to + pad)];
}

/** Even ticks of an axis, at most about `count`. */
export function axisTicks([low, high]: Pair, count: number): number[] {
  const step = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000].find((s) => (high - low) / s <= count);
  if (step === undefined) return [];
  const ticks: number[] = [];
  for (let t = Math.ceil(low / step) * step; t <= high; t += step) ticks.push(t + 0);
  return ticks;
}

/** Distances of ticks in time, h: whole days, and parts of a day that people read off a clock. */
const timeSteps = [1 / 12, 1 / 6, 0.25, 0.5, 1, 2, 3, 6, 12, 24, 48, 72, 96, 120, 240, 480, 960, 2400] as const;
/** Least distance of two ticks, px. */
const APART = 56;

/** Even clock times within a stretch, thinned so that their labels have room, in hours from the start. */
export function timeTicks(from: number, to: number, startHour: number, width: number): number[] {
  if (!Number.isFinite(to - from)) return [];
  const step = timeSteps.find((s) => (width * s) / (to - from) >= APART) ?? 12_000;
  const ticks: number[] = [];
  for (let k = Math.ceil((from + startHour) / step - 1e-9); k * step - startHour <= to + 1e-9; k++)
    ticks.push(k * step - startHour);
  return ticks;
}

const dates = new Intl.DateTimeFormat("en-GB", { weekday: "short", day: "numeric", timeZone: "UTC" });

/**
 * At midnights and over long stretches the day, the clock time between. The day is "day 2", or "Sun 1" once it is known
 * when it begins.
 * @param startsAt local date and time without a zone, or empty
 */
export function timeTick(hour: number, startHour: number, span: number, startsAt = ""): string {
  const clock = hour + startHour;
  const minutes = Math.round((clock % 24) * 60) % 1440;
  const day = Math.floor(clock / 24 + 1e-6);
  if (minutes === 0 || span > 30 * 24)
    return startsAt ? dates.format(Date.parse(`${startsAt.slice(0, 10)}T00:00Z`) + day * 86_400_000) : `day ${day + 1}`;
  return clockText(minutes).replace(":00\u00a0", "\u00a0");
}

export const degrees = (t: number): string => `${t}°`.replace("-", "\u2212");
