import {
  celsius,
  kelvins,
  measures,
  printDifference,
  printDuration,
  printMeasure,
  printNumber,
  printTemperature,
  type Scale,
} from "@/core/quantity";
import type { Metrics, Trial } from "@/core/trial";

const NONE = "\u2013";

/** One figure of a trial: its name, its number, and how numbers of its kind are written, differences with their sign. */
export interface Figure {
  name: string;
  value: number | null;
  print: (value: number, signed?: boolean) => string;
}

const sign = (value: number, text: string, signed?: boolean) => (signed && value > 0 ? `+${text}` : text);
const duration = (s: number, signed?: boolean) =>
  !Number.isFinite(s) ? "never" : `${s < 0 ? "\u2212" : signed && s > 0 ? "+" : ""}${printDuration(Math.abs(s))}`;
const percent = (share: number, signed?: boolean) => `${printNumber(share * 100, 0.1, signed)}\u00a0%`;
const count = (n: number, signed?: boolean) => printNumber(n, 0.1, signed);
const energy = (j: number, signed?: boolean) => `${printNumber(j / 3.6e6, 0.01, signed)}\u00a0kWh`;

/** A trial, or one stage of it, for one thing that is judged. */
export interface FiguresOf {
  metrics: Metrics;
  seconds: number;
}

/** The whole of a trial, for what fares worst in it. */
export const wholeOf = ({ metrics }: Trial): FiguresOf => ({ metrics, seconds: metrics.seconds });

/** What a trial or a stage amounts to, in figures. */
export function figuresOf({ metrics: m, seconds }: FiguresOf, scale: Scale, judged: string): Figure[] {
  const days = seconds / 86_400;
  const at = (t: number, signed?: boolean) =>
    signed ? printDifference(kelvins(t), scale, 0.01, true) : printTemperature(celsius(t), scale, 0.01);
  const by = (d: number, signed?: boolean) => printDifference(kelvins(d), scale, 0.01, signed);
  const watts = (w: number, signed?: boolean) =>
    sign(w, printMeasure(Math.round(w * 10) / 10, measures.power, "metric"), signed);
  const arrived = m.timeToBand !== null;
  const rows: (Figure | null)[] = [
    { name: "From start to the band", value: arrived ? m.timeToBand! - m.putIn : Infinity, print: duration },
    { name: "In the band since then", value: arrived ? m.inBand : null, print: percent },
    { name: `${judged} at its coldest`, value: m.whole.product.low, print: at },
    { name: `${judged} at its warmest`, value: m.whole.product.high, print: at },
    {
      name: `${judged}: swing once settled`,
      value: m.settled ? m.settled.product.high - m.settled.product.low : null,
      print: by,
    },
    { name: "Heat on", value: m.heatDuty, print: percent },
    { name: "Cold on", value: m.coldDuty, print: percent },
    { name: "Starts of the cooling a day", value: m.coldStartsPerDay, print: count },
    { name: "Starts of the heat a day", value: m.heatStarts / days, print: count },
    { name: "Shortest rest of the cooling", value: m.shortestRest, print: duration },
    { name: "Longest run of the cooling", value: m.longestRun, print: duration },
    { name: "Heat and cold answering each other, a day", value: m.reversals.perDay, print: count },
    { name: "Alarm sounding, in all", value: m.alarm.low + m.alarm.high, print: duration },
    { name: "Probe runs on after the heater", value: m.runOn.heat, print: by },
    { name: "Probe runs on after the cooling", value: m.runOn.cold, print: by },
    m.fuelBurned > 0
      ? { name: "Fuel burned", value: m.fuelBurned, print: (kg, s) => `${printNumber(kg, 0.01, s)}\u00a0kg` }
      : { name: "Electricity of the heater a day", value: m.energy.heater / days, print: energy },
    m.fuelOutAt !== null ? { name: "Fuel used up after", value: m.fuelOutAt, print: duration } : null,
    m.iceGoneAt !== null ? { name: "First ice melted after", value: m.iceGoneAt, print: duration } : null,
    { name: "Electricity of the cooling a day (estimate)", value: m.energy.cooler / days, print: energy },
    { name: "Own heat of the product on average", value: m.energy.product / (days * 86_400), print: watts },
  ];
  return rows.filter((r) => r !== null);
}

export const printFigure = ({ value, print }: Figure): string => (value === null ? NONE : print(value));

/** The difference of a figure between two trials; a dash where there is none to speak of. */
export function printChange(before: Figure | undefined, now: Figure): string {
  if (!before || before.value === null || now.value === null) return NONE;
  const change = now.value - before.value;
  if (!Number.isFinite(change)) return before.value === now.value ? "same" : NONE;
  const text = now.print(change, true);
  return now.print(0, true) === text || Math.abs(change) < 1e-9 ? "same" : text;
}
