import { printDuration, printNumber, printTemperature, type Scale, type Temperature } from "../quantity";
import type { ObservableUnit, ProductLimit } from "./shape";

/** Whether a figure is on the right side of its limit. */
export const meets = (value: number, limit: Pick<ProductLimit, "side" | "value">): boolean =>
  limit.side === "atLeast" ? value >= limit.value : value <= limit.value;

/** Steps in which a plain number is worth printing: a gravity to the thousandth, a pH to the tenth. */
const stepOf = (value: number): number => (Math.abs(value) < 2 ? 0.001 : Math.abs(value) < 20 ? 0.1 : 1);

/** A figure of a product for people. */
export function printFigure(value: number, unit: ObservableUnit, scale: Scale): string {
  switch (unit) {
    case "share":
      return `${printNumber(value * 100, 1)}\u00a0%`;
    // Weights are told to a tenth: of 620 g, 541 g are 12.7 % less.
    case "loss":
      return `${printNumber(value * 100, 0.1)}\u00a0%`;
    case "temperature":
      return printTemperature(value as Temperature, scale);
    case "log":
      return `${printNumber(value, 0.1)}\u00a0log`;
    case "mg/kg":
      return `${printNumber(value, 1)}\u00a0mg/kg`;
    case "hours":
      return printDuration(value * 3600);
    case "":
      return printNumber(value, stepOf(value));
  }
}
