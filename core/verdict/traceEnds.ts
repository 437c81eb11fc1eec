import type { Case } from "./types";

/** Highest temperature of a device's body, °C; −∞ where its line is not there. */
export const highest = ({ trial, chamber }: Case, kind: "heater" | "cold", id: string): number => {
  const index = (kind === "heater" ? chamber.heaters : chamber.coolers).findIndex((d) => d.id === id);
  const layer = trial.trace.layers.find((l) => l.kind === kind && l.index === index);
  return layer ? Math.max(...layer.high) : -Infinity;
};
