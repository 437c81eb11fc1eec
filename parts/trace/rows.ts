import { celsius, inScale, type Scale } from "@/core/quantity";
import type { Inset, Trace } from "@/core/trial";

type Pair = [number, number];

/** One bin of a trace as the chart reads it: hours from the start, temperatures in the scale on show. */
export interface TraceRow {
  hour: number;
  product: Pair;
  probe: Pair;
  air: Pair;
  room: number;
  ghostLow?: number;
  ghostHigh?: number;
}

export function traceRows(trace: Trace, ghost: Trace | null, scale: Scale): TraceRow[] {
  const show = (t: number) => inScale(celsius(t), scale);
  const ghostAt = (hour: number) => (ghost ? Math.min(ghost.bins - 1, Math.floor((hour * 3600) / ghost.width)) : -1);
  return Array.from({ length: trace.bins }, (_, i) => {
    const pair = (channel: "product" | "probe" | "air"): Pair => [
      show(trace.low[channel][i]!),
      show(trace.high[channel][i]!),
    ];
    const hour = ((i + 0.5) * trace.width) / 3600;
    const g = ghostAt(hour);
    return {
      hour,
      product: pair("product"),
      probe: pair("probe"),
      air: pair("air"),
      room: show((trace.low.room[i]! + trace.high.room[i]!) / 2),
      ...(ghost && g >= 0 && { ghostLow: show(ghost.low.product[g]!), ghostHigh: show(ghost.high.product[g]!) }),
    };
  });
}

export interface InsetRow {
  hour: number;
  product: number;
  probe: number;
  air: number;
}

export function insetRows(inset: Inset, scale: Scale): InsetRow[] {
  const show = (t: number) => inScale(celsius(t), scale);
  // Every second sample: a minute apart, on a line that moves over minutes.
  return Array.from({ length: Math.ceil(inset.time.length / 2) }, (_, half) => {
    const i = half * 2;
    return {
      hour: inset.time[i]! / 3600,
      product: show(inset.product[i]!),
      probe: show(inset.probe[i]!),
      air: show(inset.air[i]!),
    };
  });
}

/** Ends of the temperature axis around values, padded and rounded to whole degrees. */
export function axisOf(values: readonly number[]): Pair {
  const low = Math.min(...values);
  const high = Math.max(...values);
  const pad = Math.max(0.3, (high - low) * 0.06);
  return [Math.floor(low - pad), Math.ceil(high + pad)];
}

/** Even ticks of an axis, at most about `count`. */
export function axisTicks([low, high]: Pair, count: number): number[] {
  const step = [1, 2, 5, 10, 20, 50].find((s) => (high - low) / s <= count) ?? 100;
  const ticks: number[] = [];
  for (let t = Math.ceil(low / step) * step; t <= high; t += step) ticks.push(t);
  return ticks;
}
