import { decimalsOf } from "./rounding";
import { printNumber } from "./print";
import { read, refuse, type Read } from "./result";

/** One way to write a quantity: its sign, the SI value of one, and a sensible step for typing and stepping. */
export interface UnitOfMeasure {
  sign: string;
  /** Other spellings people type, lower case. */
  spellings: readonly string[];
  /** SI value of one of this unit. */
  inSI: number;
  /** Resolution shown, in this unit. */
  resolution: number;
}

/** A kind of quantity that converts by a factor only (not temperature: see temperature.ts). */
export interface Measure {
  name: string;
  metric: UnitOfMeasure;
  customary: UnitOfMeasure;
  others?: readonly UnitOfMeasure[];
}

const unit = (sign: string, inSI: number, resolution: number, ...spellings: string[]): UnitOfMeasure => ({
  sign,
  inSI,
  resolution,
  spellings: [sign.toLowerCase(), ...spellings],
});

/** Factors are exact by definition (international inch, US liquid gallon, pound), except where marked. */
export const measures = {
  volume: {
    name: "volume",
    metric: unit("L", 1e-3, 0.5, "l", "litre", "litres", "liter", "liters"),
    customary: unit("gal", 3.785411784e-3, 0.25, "gallon", "gallons"),
    others: [unit("mL", 1e-6, 1, "ml")],
  },
  length: {
    name: "length",
    metric: unit("cm", 0.01, 1),
    customary: unit("in", 0.0254, 0.5, "inch", "inches", '"'),
    others: [unit("mm", 1e-3, 1), unit("m", 1, 0.01)],
  },
  thickness: {
    name: "thickness",
    metric: unit("mm", 1e-3, 1),
    customary: unit("in", 0.0254, 0.1, "inch", "inches", '"'),
    others: [unit("cm", 0.01, 0.1)],
  },
  power: {
    name: "power",
    metric: unit("W", 1, 1, "watt", "watts"),
    customary: unit("W", 1, 1, "watt", "watts"),
    others: [unit("kW", 1000, 0.01, "kw")],
  },
  mass: {
    name: "mass",
    metric: unit("kg", 1, 0.1, "kilogram", "kilograms"),
    customary: unit("lb", 0.45359237, 0.1, "lbs", "pound", "pounds"),
    others: [unit("g", 1e-3, 1)],
  },
  waterRate: {
    name: "water in a time",
    metric: unit("g/h", 1e-3 / 3600, 1),
    customary: unit("oz/h", 0.028349523125 / 3600, 0.1),
  },
  minutes: {
    name: "time",
    metric: unit("min", 60, 1, "m", "minute", "minutes"),
    customary: unit("min", 60, 1, "m", "minute", "minutes"),
    others: [unit("s", 1, 1, "sec", "seconds"), unit("h", 3600, 0.1, "hour", "hours")],
  },
} as const satisfies Record<string, Measure>;

export type UnitSystem = "metric" | "customary";

const NUMBER = /^\s*([+\-\u2212]?)\s*(\d+(?:[.,]\d+)?|[.,]\d+)\s*(.*?)\s*$/;

/** Splits "20,5 °C" into the number and what follows it. Comma and point both mark decimals. */
export function readNumber(text: string): Read<{ value: number; rest: string }> {
  if (text.trim() === "") return refuse("Type a number.");
  const match = NUMBER.exec(text);
  if (!match) return refuse(`\u201c${text.trim()}\u201d does not start with a number. Type digits first, like 20.5.`);
  const [, sign = "", digits = "", rest = ""] = match;
  if (/^[.,\d]/.test(rest))
    return refuse(
      `\u201c${text.trim()}\u201d has more than one decimal mark. Type thousands without a mark, like 1200.`,
    );
  const value = Number(digits.replace(",", ".")) * (sign && sign !== "+" ? -1 : 1);
  return read({ value: value === 0 ? 0 : value, rest });
}

/** Reads a typed quantity into SI; without a unit the one on show is meant. */
export function readMeasure(text: string, measure: Measure, system: UnitSystem): Read<number> {
  const number = readNumber(text);
  if (!number.ok) return number;
  const { value, rest } = number.value;
  const known = [measure[system], measure.metric, measure.customary, ...(measure.others ?? [])];
  const found = rest === "" ? known[0] : known.find((u) => u.spellings.includes(rest.toLowerCase()));
  if (!found) {
    const signs = [...new Set(known.map((u) => u.sign))].join(", ");
    return refuse(
      `\u201c${rest}\u201d is not a unit of ${measure.name} known here. Use ${signs}, or the number alone.`,
    );
  }
  return read(value * found.inSI);
}

/** Prints an SI value in the unit on show. */
export function printMeasure(si: number, measure: Measure, system: UnitSystem, withSign = true): string {
  const shown = measure[system];
  const value = si / shown.inSI;
  const isWhole = Math.abs(value - Math.round(value)) < 1e-9;
  const resolution = isWhole && decimalsOf(shown.resolution) > 0 ? 1 : shown.resolution;
  const text = printNumber(value, resolution >= 1 ? 1 : Math.min(resolution, 0.1));
  return withSign ? `${text}\u00a0${shown.sign}` : text;
}
