import { clockText } from "./clock";
import { decimalsFor, decimalsOf, roundTo } from "./rounding";
import { differenceInScale, inScale, type Scale, type Temperature, type TemperatureDifference } from "./temperature";

const MINUS = "\u2212";
const SPACE = "\u00a0";

/** Stands in the place of what is no number: nothing that is not finite is ever told as one. */
export const NO_NUMBER = "?";

/** A number at a resolution, with a true minus sign; `signed` also writes the plus. What is not finite is `NO_NUMBER`. */
export function printNumber(value: number, resolution: number, signed = false): string {
  if (!Number.isFinite(value)) return NO_NUMBER;
  const rounded = roundTo(value, resolution);
  const digits = Math.abs(rounded).toFixed(decimalsOf(resolution));
  if (rounded < 0) return MINUS + digits;
  return signed && rounded > 0 ? "+" + digits : digits;
}

/** A number as it is: at a resolution, or with up to three decimals more where it lies between two of its steps. */
export const printAsIs = (value: number, resolution: number, signed = false): string =>
  Number.isFinite(value) ? printNumber(value, 10 ** -decimalsFor(value, resolution), signed) : NO_NUMBER;

export const scaleSign = (scale: Scale): string => (scale === "C" ? "°C" : "°F");

/** "20.0 °C": a temperature in a scale at a resolution in degrees of that scale. */
export const printTemperature = (t: Temperature, scale: Scale, resolution = 0.1): string =>
  printNumber(inScale(t, scale), resolution) + SPACE + scaleSign(scale);

/** "0.5 °C": a difference, in degrees of the scale (K has the size of °C; people read °C). */
export const printDifference = (d: TemperatureDifference, scale: Scale, resolution = 0.1, signed = false): string =>
  printNumber(differenceInScale(d, scale), resolution, signed) + SPACE + scaleSign(scale);

/** "68.0 °F (20.0 °C)": both scales, the first one leading. */
export function printBoth(t: Temperature, scale: Scale, resolution = 0.1): string {
  const other: Scale = scale === "C" ? "F" : "C";
  return `${printTemperature(t, scale, resolution)} (${printTemperature(t, other, 0.1)})`;
}

/** A span of time in seconds in words of the trade: "45 s", "7 min", "3 h 20 min", "2 d 5 h". */
export function printDuration(seconds: number): string {
  if (Number.isNaN(seconds)) return NO_NUMBER;
  if (!Number.isFinite(seconds)) return "never";
  if (seconds < 90) return `${Math.round(seconds)}${SPACE}s`;
  const minutes = Math.round(seconds / 60);
  if (minutes < 60) return `${minutes}${SPACE}min`;
  const hours = Math.floor(minutes / 60);
  const restMinutes = minutes % 60;
  if (hours < 48) return restMinutes ? `${hours}${SPACE}h${SPACE}${restMinutes}${SPACE}min` : `${hours}${SPACE}h`;
  const wholeHours = Math.round(minutes / 60);
  const days = Math.floor(wholeHours / 24);
  const restHours = wholeHours % 24;
  return restHours ? `${days}${SPACE}d${SPACE}${restHours}${SPACE}h` : `${days}${SPACE}d`;
}

/** Moment of a trial: "day 2, 03:10". `startHour` is the clock hour at which the trial began. */
export function printMoment(seconds: number, startHour: number): string {
  if (!Number.isFinite(seconds + startHour)) return NO_NUMBER;
  const minutes = Math.round(seconds / 60 + startHour * 60);
  const day = Math.floor(minutes / 1440) + 1;
  return `day ${day}, ${clockText(minutes)}`;
}

/** A text as it begins a sentence. */
export const atFirst = (text: string): string =>
  // A sign such as pH stays as it is written.
  /^\p{Ll}\p{Lu}/u.test(text) ? text : text.charAt(0).toUpperCase() + text.slice(1);

/** A label within a sentence: its first letter small, unless it is an abbreviation. */
export const midSentence = (label: string): string =>
  label.replace(/^\p{Lu}(?=\p{Ll}|\s)/u, (letter) => letter.toLowerCase());

/** An amount in the user's own money; without its sign where none is said. */
export const printMoney = (amount: number, currency: string): string =>
  `${printNumber(amount, 0.01)}${currency ? `\u00a0${currency}` : ""}`;
