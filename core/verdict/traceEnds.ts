import type { Case } from "./types";

/** Highest temperature of a further line of the trace, °C; −∞ where it is not there. */
export const highest = ({ trial }: Case, kind: "heater" | "cold"): number => {
  const layer = trial.trace.layers.find((l) => l.kind === kind);
  return layer ? Math.max(...layer.high) : -Infinity;
};
