import type { Chamber } from "../model";
import type { Trial } from "../trial";
import type { Case } from "./types";

interface Line {
  low: Float32Array;
  high: Float32Array;
}

/** Lowest and highest of one thing that is judged, bin by bin, wherever it stands in a trial's trace. */
export function lineOf({ trace }: Trial, { vessels }: Chamber, judged: string): Line {
  const index = vessels.findIndex((v) => v.id === judged);
  const layer = trace.layers.find((l) => l.kind === "vessel" && l.index === index);
  return layer ?? { low: trace.low.product, high: trace.high.product };
}

/** The same of what a case is about. */
export const judgedLine = ({ trial, chamber, metrics }: Case): Line => lineOf(trial, chamber, metrics.judged);

/** The bins that lie within the stage. */
export function binsOf({ trial: { trace }, result }: Case): number[] {
  const first = Math.ceil((result.from - trace.from) / trace.width - 1e-9);
  const last = Math.floor((result.to - trace.from) / trace.width + 1e-9);
  return Array.from({ length: Math.max(0, Math.min(trace.bins, last) - first) }, (_, i) => first + i);
}

/** Share of a bin that any of some devices was on. */
export function shareOn({ trial: { devices, trace } }: Case, ids: readonly string[], bin: number): number {
  const from = trace.from + bin * trace.width;
  const to = from + trace.width;
  let most = 0;
  for (const { id, times } of devices) {
    if (!ids.includes(id)) continue;
    let on = 0;
    for (let i = 0; i < times.length; i += 2)
      on += Math.max(0, Math.min(times[i + 1] ?? to, to) - Math.max(times[i]!, from));
    most = Math.max(most, on / trace.width);
  }
  return most;
}
