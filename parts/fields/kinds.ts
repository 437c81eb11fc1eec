import {
  differenceFromScale,
  differenceInScale,
  fromScale,
  inScale,
  kelvins,
  measures,
  printAsIs,
  printClock,
  printMeasure,
  printNumber,
  readClock,
  readDifference,
  readDuration,
  readMeasure,
  readNumber,
  readTemperature,
  refuse,
  roundTo,
  scaleSign,
  celsius,
  type Measure,
  type Read,
  type Scale,
  type UnitSystem,
} from "@/core/quantity";

/** How a number field reads, shows and steps one kind of quantity. Values are SI (°C, K, m³, m, W, s). */
export interface FieldKind {
  read(text: string): Read<number>;
  /** What stands in the field, without the unit. */
  print(value: number): string;
  /** The same of a value that somebody typed: not rounded. */
  exact(value: number): string;
  unit: string;
  /** The value one step up or down. */
  step(value: number, steps: number): number;
  /** Wording for a screen reader, with the unit. */
  say(value: number): string;
}

export const temperatureKind = (scale: Scale, resolution = 0.1, stride = resolution): FieldKind => ({
  read: (text) => readTemperature(text, scale),
  print: (t) => printNumber(inScale(celsius(t), scale), resolution),
  exact: (t) => printAsIs(inScale(celsius(t), scale), resolution),
  unit: scaleSign(scale),
  step: (t, steps) => fromScale(roundTo(inScale(celsius(t), scale) + steps * stride, resolution), scale),
  say: (t) => `${printNumber(inScale(celsius(t), scale), resolution)} ${scaleSign(scale)}`,
});

export const differenceKind = (scale: Scale, resolution = 0.1, signed = false): FieldKind => ({
  read: (text) => readDifference(text, scale),
  print: (d) => printNumber(differenceInScale(kelvins(d), scale), resolution, signed),
  exact: (d) => printAsIs(differenceInScale(kelvins(d), scale), resolution, signed),
  unit: scaleSign(scale),
  step: (d, steps) =>
    differenceFromScale(roundTo(differenceInScale(kelvins(d), scale) + steps * resolution, resolution), scale),
  say: (d) => `${printNumber(differenceInScale(kelvins(d), scale), resolution, signed)} ${scaleSign(scale)}`,
});

export const measureKind = (measure: Measure, system: UnitSystem): FieldKind => {
  const unit = measure[system];
  return {
    read: (text) => readMeasure(text, measure, system),
    print: (si) => printMeasure(si, measure, system, false),
    exact: (si) => printAsIs(si / unit.inSI, 1),
    unit: unit.sign,
    step: (si, steps) => roundTo(si / unit.inSI + steps * unit.resolution, unit.resolution) * unit.inSI,
    say: (si) => printMeasure(si, measure, system),
  };
};

/** The whole number that many steps on; from between two of them the nearer one that way is the first. */
const wholeStep = (value: number, steps: number): number =>
  (steps > 0 ? Math.floor(value + 1e-9) : Math.ceil(value - 1e-9)) + steps;

export const minutesKind: FieldKind = {
  read: readDuration,
  print: (s) => printNumber(s / 60, s % 60 === 0 ? 1 : 0.1),
  exact: (s) => printAsIs(s / 60, 1),
  unit: "min",
  step: (s, steps) => Math.max(0, wholeStep(s / 60, steps)) * 60,
  say: (s) => `${printAsIs(s / 60, 1)} minutes`,
};

/** Specific gravity, "1.048"; the usual short form "1048" is understood. */
export const gravityKind: FieldKind = {
  read: (text) => {
    const number = readNumber(text);
    if (!number.ok) return number;
    const { value, rest } = number.value;
    if (rest) return refuse(`Type the specific gravity alone, like 1.048, without \u201c${rest}\u201d.`);
    return { ok: true, value: value > 500 ? value / 1000 : value };
  },
  print: (g) => g.toFixed(3),
  exact: (g) => printAsIs(g, 0.001),
  unit: "SG",
  step: (g, steps) => roundTo(g + steps * 0.001, 0.001),
  say: (g) => `specific gravity ${g.toFixed(3)}`,
};

export const clockKind: FieldKind = {
  read: readClock,
  print: printClock,
  exact: printClock,
  unit: "h",
  step: (h, steps) => ((wholeStep(h, steps) % 24) + 24) % 24,
  say: printClock,
};

/** A plain number with a unit that nobody types otherwise. `inSI` is the SI value of one. */
export const plainKind = (unit: string, resolution: number, inSI = 1): FieldKind => ({
  read: (text) => {
    const number = readNumber(text);
    if (!number.ok) return number;
    const { value, rest } = number.value;
    if (rest && rest.toLowerCase() !== unit.toLowerCase())
      return refuse(`Type the number alone, or with ${unit}; \u201c${rest}\u201d is not known here.`);
    return { ok: true, value: value * inSI };
  },
  print: (si) =>
    printNumber(si / inSI, Math.min(resolution, 1))
      .replace(/(\.\d*?)0+$/, "$1")
      .replace(/\.$/, ""),
  exact: (si) => printAsIs(si / inSI, 1),
  unit,
  step: (si, steps) => roundTo(si / inSI + steps * resolution, resolution) * inSI,
  say: (si) => `${printNumber(si / inSI, Math.min(resolution, 1))} ${unit}`,
});

/** Hours, for spans that people think of in hours; "1h30" and "20 min" are understood. */
export const hoursKind: FieldKind = {
  read: (text) =>
    readNumber(text).ok && /^\s*[\d.,]+\s*$/.test(text)
      ? readMeasure(`${text} h`, measures.minutes, "metric")
      : readDuration(text),
  print: (s) =>
    printNumber(s / 3600, 0.01)
      .replace(/(\.\d*?)0+$/, "$1")
      .replace(/\.$/, ""),
  exact: (s) => printAsIs(s / 3600, 1),
  unit: "h",
  step: (s, steps) => Math.max(0, wholeStep(s / 3600, steps)) * 3600,
  say: (s) => `${printNumber(s / 3600, 0.1)} hours`,
};

export const percentKind: FieldKind = plainKind("%", 5, 0.01);
