/** The lines of a trace. `reading` is what the display shows, `probe` the true temperature at the probe. */
export const channels = ["product", "probe", "air", "reading", "room"] as const;
export type Channel = (typeof channels)[number];

/** A trial drawn in bins: lowest and highest of each line and the share of time each device was on, bin by bin. */
export interface Trace {
  bins: number;
  /** Width of a bin, s. */
  width: number;
  low: Record<Channel, Float32Array>;
  high: Record<Channel, Float32Array>;
  /** Shares 0..1. */
  heat: Float32Array;
  cold: Float32Array;
  alarm: Float32Array;
}

export const emptyTrace = (bins: number, seconds: number): Trace => {
  const filled = (value: number) =>
    Object.fromEntries(channels.map((c) => [c, new Float32Array(bins).fill(value)])) as Record<Channel, Float32Array>;
  return {
    bins,
    width: seconds / bins,
    low: filled(Infinity),
    high: filled(-Infinity),
    heat: new Float32Array(bins),
    cold: new Float32Array(bins),
    alarm: new Float32Array(bins),
  };
};
