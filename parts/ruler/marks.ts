import type { Problem } from "@/core/model";
import { inScale, printBoth, printTemperature, celsius, type Scale } from "@/core/quantity";

export type Glaze = "heat" | "cold" | "honey" | "slate" | "ink";

/** A temperature on the ruler. */
export interface RulerMark {
  id: string;
  label: string;
  /** °C */
  value: number;
  glaze: Glaze;
  /** How it is drawn: a limit has a bracket, a switch a bar, an alarm a double line, a point a dot. */
  shape: "limit" | "switch" | "alarm" | "point";
  /** Full meaning for a screen reader and for the selected mark, without the value. */
  meaning: string;
  /** Moves it; a sentence comes back where that is impossible. Absent on marks that only show. */
  onMove?: (value: number, merge: string) => string | Problem | null;
}

/** A stretch of temperatures drawn along the scale. */
export interface RulerZone {
  id: string;
  from: number;
  to: number;
  label: string;
  kind: "room" | "packet" | "band" | "heat" | "cold";
}

export interface RulerData {
  marks: RulerMark[];
  zones: RulerZone[];
  /** The scale's range in the overview, °C. */
  overview: [number, number];
  scale: Scale;
  /** Step of the controller, °C. */
  step: number;
  resolution: number;
}

/** The stretch that the lens shows: band and switching with room around them, alarms where they are near. */
export function lensOf(marks: readonly RulerMark[], scale: Scale): [number, number] {
  const near = marks.filter((m) => m.shape !== "alarm").map((m) => m.value);
  let low = Math.min(...near);
  let high = Math.max(...near);
  const room = Math.max(1, (high - low) * 0.35);
  for (const { shape, value } of marks) {
    if (shape !== "alarm") continue;
    if (value < low && low - value < 4) low = value;
    if (value > high && value - high < 4) high = value;
  }
  const grid = scale === "C" ? 0.5 : 1 / 1.8;
  const shift = scale === "C" ? 0 : 32 / 1.8;
  const snap = (t: number, round: (n: number) => number) => round((t + shift) / grid) * grid - shift;
  return [snap(low - room * 0.4, Math.floor), snap(high + room * 0.4, Math.ceil)];
}

/** Ticks of the lens: every half degree marked, every whole one labelled, fewer where it is wide. */
export function ticksOf([low, high]: [number, number], scale: Scale): { value: number; label: string | null }[] {
  const from = inScale(celsius(low), scale);
  const to = inScale(celsius(high), scale);
  const span = to - from;
  const [minor, major] = span > 40 ? [2, 10] : span > 16 ? [1, 5] : span > 7 ? [0.5, 1] : [0.1, 1];
  const ticks: { value: number; label: string | null }[] = [];
  for (let i = Math.ceil(from / minor - 1e-9); i * minor <= to + 1e-9; i++) {
    const degrees = i * minor;
    const isMajor = Math.abs(degrees / major - Math.round(degrees / major)) < 1e-6;
    const isHalf = Math.abs(degrees * 2 - Math.round(degrees * 2)) < 1e-6;
    if (minor === 0.1 && span > 4 && !isHalf) continue;
    ticks.push({
      value: scale === "C" ? degrees : (degrees - 32) / 1.8,
      label: isMajor ? String(Math.round(degrees)).replace("-", "\u2212") : null,
    });
  }
  return ticks;
}

export const sayMark = (mark: RulerMark, scale: Scale, resolution: number): string =>
  `${mark.meaning}: ${printBoth(celsius(mark.value), scale, resolution)}`;

export const showMark = (mark: RulerMark, scale: Scale, resolution: number): string =>
  printTemperature(celsius(mark.value), scale, resolution);

export const glazeColor: Record<Glaze, string> = {
  heat: "var(--heat)",
  cold: "var(--cold)",
  honey: "var(--honey)",
  slate: "var(--slate)",
  ink: "currentColor",
};

/** What a mark that can be moved says of itself as a slider. */
export const slides = (data: RulerData, mark: RulerMark) => ({
  "aria-valuemin": Number(data.overview[0].toFixed(2)),
  "aria-valuemax": Number(data.overview[1].toFixed(2)),
  "aria-valuenow": mark.value,
  "aria-valuetext": sayMark(mark, data.scale, data.resolution),
});
