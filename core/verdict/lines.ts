import type { Case } from "./types";

/** Lowest and highest of what is judged, bin by bin, wherever it stands in the trace. */
export function judgedLine({ trial: { trace }, chamber, metrics }: Case): { low: Float32Array; high: Float32Array } {
  const index = chamber.vessels.findIndex((v) => v.id === metrics.judged);
  const layer = trace.layers.find((l) => l.kind === "vessel" && l.index === index);
  return layer ?? { low: trace.low.product, high: trace.high.product };
}

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
