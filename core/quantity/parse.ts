import { clockText } from "./clock";
import { read, refuse, type Read } from "./result";
import {
  celsius,
  differenceFromScale,
  fromScale,
  kelvins,
  type Scale,
  type Temperature,
  type TemperatureDifference,
} from "./temperature";
import { readNumber } from "./units";

const SCALE_WORD = /^(?:°|º|deg(?:rees)?)?\s*(c|f|celsius|fahrenheit)?\.?$/i;

function scaleFrom(rest: string, assumed: Scale): Scale | null {
  const match = SCALE_WORD.exec(rest);
  if (!match) return null;
  const letter = match[1]?.[0]?.toUpperCase();
  return letter === "F" ? "F" : letter === "C" ? "C" : assumed;
}

const ABSOLUTE_ZERO = -273.15;

/**
 * Reads a temperature a person typed ("68F", "20 °C", "20,5"); without a scale the assumed one is meant.
 * Refuses what is not a temperature and what lies below absolute zero, saying how to mend it.
 */
export function readTemperature(text: string, assumed: Scale): Read<Temperature> {
  const number = readNumber(text);
  if (!number.ok) return number;
  const { value, rest } = number.value;
  if (/^k(elvin)?$/i.test(rest)) {
    const fromKelvin = value + ABSOLUTE_ZERO;
    return fromKelvin < ABSOLUTE_ZERO ? refuse("No temperature is below 0 K.") : read(celsius(fromKelvin));
  }
  const scale = scaleFrom(rest, assumed);
  if (!scale) return refuse(`\u201c${rest}\u201d is not a temperature scale. Use °C or °F, or the number alone.`);
  const t = fromScale(value, scale);
  if (t < ABSOLUTE_ZERO)
    return refuse(`Nothing is colder than ${scale === "C" ? "\u2212273.15 °C" : "\u2212459.67 °F"}.`);
  return read(t);
}

/** Reads a temperature difference ("0.5", "1 K", "2F"): never shifted by 32. */
export function readDifference(text: string, assumed: Scale): Read<TemperatureDifference> {
  const number = readNumber(text);
  if (!number.ok) return number;
  const { value, rest } = number.value;
  if (/^k(elvin)?$/i.test(rest)) return read(kelvins(value));
  const scale = scaleFrom(rest, assumed);
  if (!scale) return refuse(`\u201c${rest}\u201d is not a size of degree. Use °C or °F, or the number alone.`);
  return read(differenceFromScale(value, scale));
}

const CLOCK_SPAN = /^\s*(\d+)\s*h\s*(\d{1,2})\s*(?:m|min)?\s*$/i;

/** Reads a span of time into seconds ("1h15", "90 min", "45 s"); a bare number means minutes. */
export function readDuration(text: string): Read<number> {
  const span = CLOCK_SPAN.exec(text);
  if (span) {
    const minutes = Number(span[2]);
    if (minutes > 59) return refuse(`${minutes} minutes after the hour are too many. Use 0 to 59, like 1h15.`);
    return read(Number(span[1]) * 3600 + minutes * 60);
  }
  const number = readNumber(text);
  if (!number.ok) return number;
  const { value, rest } = number.value;
  if (value < 0) return refuse("A span of time cannot be negative.");
  const factor = [
    [/^(min|m|minutes?)?$/i, 60],
    [/^(h|hours?)$/i, 3600],
    [/^(s|sec|seconds?)$/i, 1],
    [/^(d|days?)$/i, 86400],
  ].find(([pattern]) => (pattern as RegExp).test(rest))?.[1] as number | undefined;
  return factor
    ? read(value * factor)
    : refuse(`\u201c${rest}\u201d is not a unit of time. Use s, min, h or d, like 90 min.`);
}

const HOUR = /^\s*(\d{1,2})(?:[:.h](\d{2}))?\s*(am|pm)?\s*$/i;

/** Reads an hour of the day ("15", "15:30", "3 pm") into hours from midnight, 0 ≤ h < 24. */
export function readClock(text: string): Read<number> {
  const match = HOUR.exec(text);
  const problem = `\u201c${text.trim()}\u201d is not a time of day. Type it like 15:00 or 3 pm.`;
  if (!match) return refuse(problem);
  let hour = Number(match[1]);
  const minute = Number(match[2] ?? 0);
  const half = match[3]?.toLowerCase();
  if (minute > 59 || hour > 24 || (half && (hour < 1 || hour > 12))) return refuse(problem);
  if (half === "pm" && hour < 12) hour += 12;
  if (half === "am" && hour === 12) hour = 0;
  const value = hour + minute / 60;
  return value > 24 ? refuse(problem) : read(value === 24 ? 0 : value);
}

/** Hours from midnight as "15:00", or as people write them here. */
export const printClock = (hours: number): string => clockText(hours * 60);
