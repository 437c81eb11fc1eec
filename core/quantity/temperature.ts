import type { $brand } from "zod/mini";

/** A point on the temperature scale, in °C. */
export type Temperature = number & $brand<"Temperature">;
/** A difference of two temperatures, in K. Never mixed up with a point: 2 K of difference is 3.6 °F, not 35.6. */
export type TemperatureDifference = number & $brand<"TemperatureDifference">;
/** The scale a person or a controller uses. */
export type Scale = "C" | "F";

/** Marks a number in °C as a temperature. */
export const celsius = (degrees: number): Temperature => degrees as Temperature;
/** Marks a number in K as a temperature difference. */
export const kelvins = (degrees: number): TemperatureDifference => degrees as TemperatureDifference;

/** A temperature moved by a difference. */
export const warmer = (t: Temperature, by: TemperatureDifference): Temperature => celsius(t + by);
/** Halfway between two temperatures. */
export const middle = (a: Temperature, b: Temperature): Temperature => celsius((a + b) / 2);

/** Temperature in °C to degrees of a scale. The Fahrenheit scale is exact by definition: 0 °C is 32 °F, 100 °C is 212 °F. */
export const inScale = (t: Temperature, scale: Scale): number => (scale === "C" ? t : t * 1.8 + 32);
/** Degrees of a scale to a temperature. */
export const fromScale = (degrees: number, scale: Scale): Temperature =>
  celsius(scale === "C" ? degrees : (degrees - 32) / 1.8);
/** Difference in K to degrees of a scale, without the 32. */
export const differenceInScale = (d: TemperatureDifference, scale: Scale): number => (scale === "C" ? d : d * 1.8);
/** Degrees of difference on a scale to K, without the 32. */
export const differenceFromScale = (degrees: number, scale: Scale): TemperatureDifference =>
  kelvins(scale === "C" ? degrees : degrees / 1.8);
