import { celsius, inScale, type Scale } from "@/core/quantity";

type Pair = [number, number];

/** Ends of a temperature axis that takes in all values (°C), padded and rounded to whole degrees of the scale. */
export function axisOf(values: Iterable<number>, scale: Scale): Pair {
  let low = Infinity;
  let high = -Infinity;
  for (const t of values) {
    if (t < low) low = t;
    if (t > high) high = t;
  }
  const [from, to] = [inScale(celsius(low), scale), inScale(celsius(high), scale)];
  const pad = Math.max(0.3, (to - from) * 0.06);
  return [Math.floor(from - pad), Math.ceil(to + pad)];
}

/** Even ticks of an axis, at most about `count`. */
export function axisTicks([low, high]: Pair, count: number): number[] {
  const step = [1, 2, 5, 10, 20, 50].find((s) => (high - low) / s <= count) ?? 100;
  const ticks: number[] = [];
  for (let t = Math.ceil(low / step) * step; t <= high; t += step) ticks.push(t + 0);
  return ticks;
}

/** Midnights within a trial, thinned so that their labels have room, in hours from the start. */
export function dayTicks(days: number, startHour: number): number[] {
  const every = days > 14 ? 5 : days > 7 ? 2 : 1;
  const ticks: number[] = [];
  for (let hour = 24 - startHour; hour <= days * 24; hour += 24 * every) ticks.push(hour);
  return ticks;
}

export const degrees = (t: number): string => `${t}°`.replace("-", "\u2212");
