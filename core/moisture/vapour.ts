import { saturation } from "../product";

/** Gas constant of water vapour, J/(kg·K), and how much lighter its molecule is than air's (ISO 13788). */
const GAS = 461.5;
const LIGHTER = 0.622;
const KELVIN = 273.15;
/** Air pressure at sea level, Pa. */
const PRESSURE = 101_325;

/** Magnus over water and over ice, Pa and °C (WMO, CIMO guide, annex 4.B; values from memory): to 0.1 % of the tables. */
const WATER = [611.2, 17.62, 243.12] as const;
const ICE = [611.2, 22.46, 272.62] as const;

/** Pressure of vapour in balance with water, below 0 °C with ice, Pa. */
const balanced = (t: number): number => (t < 0 ? ICE[0] * Math.exp((ICE[1] * t) / (ICE[2] + t)) : saturation(t));

/** Density of that vapour, kg/m³ of air. */
export const saturated = (t: number): number => balanced(t) / (GAS * (t + KELVIN));

/** Relative humidity over water of air that has so much vapour in it, 0..1; above 1 it is fog. */
export const relativeHumidity = (vapour: number, t: number): number => (vapour * GAS * (t + KELVIN)) / saturation(t);

/** Vapour in air of a relative humidity, kg/m³. */
export const vapourIn = (humidity: number, t: number): number => (humidity * saturation(t)) / (GAS * (t + KELVIN));

/** kg of water a kg of dry air at sea level. */
export function humidityRatio(humidity: number, t: number): number {
  const vapour = humidity * saturation(t);
  return (LIGHTER * vapour) / (PRESSURE - vapour);
}

/** Where air of a humidity begins to give off water; below 0 °C frost. @returns °C; −∞ of air without any */
export function dewPoint(humidity: number, t: number): number {
  if (humidity <= 0) return -Infinity;
  const vapour = humidity * saturation(t);
  const [p, a, b] = vapour < WATER[0] ? ICE : WATER;
  const x = Math.log(vapour / p);
  return (b * x) / (a - x);
}
