import { saturation } from "../evaporation";

/** kg of salt (NaCl) in a mole. */
const SALT_MOLE = 0.05844;
const WATER_GAS = 461.5;
const KELVIN = 273.15;
/** ρ·cp·Le^⅔ of cellar air, J/(m³K): Chilton and Colburn, mass from heat (docs/sources.md). */
const MASS_FROM_HEAT = 1.23 * 1006 * 0.91;
/** kg/m³ of what dries. */
const DENSITY = 1050;

/**
 * Water activity of a brine of so many mol of salt a kg of water: 1 − 0.03135m − 0.00145m². Fitted to Robinson and Stokes
 * (0.967, 0.893, 0.760 at 1, 3, 6 molal; values from memory). What protein binds is left out.
 */
export const brineActivity = (molal: number): number => Math.max(0, 1 - 0.03135 * molal - 0.00145 * molal ** 2);

/** The brine that air of a relative humidity dries to, mol/kg: the same solved. */
export const molalAt = (activity: number): number =>
  (-0.03135 + Math.sqrt(0.03135 ** 2 + 4 * 0.00145 * Math.max(0, 1 - activity))) / (2 * 0.00145);

/** Water activity of a sausage by salt and water, both kg a kg of what went in. */
export const sausageActivity = (salt: number, water: number): number =>
  water > 0 ? brineActivity(salt / SALT_MOLE / water) : 0;

/** Water at which a sausage is in balance with air of a humidity, kg a kg of what went in. */
export const balancedWater = (salt: number, humidity: number): number => {
  const molal = molalAt(humidity);
  return molal > 0 ? salt / SALT_MOLE / molal : Infinity;
};

/** How well water moves in drying meat, m²/s (2e-11 to 2e-10: an estimate). */
export const DIFFUSIVITY = 6e-11;
/** First root of the long cylinder, squared: its slowest way of drying. */
const FIRST_ROOT = 5.78;

/** Rate at which a long sausage comes nearer to its balance, 1/s, by its radius in m. */
export const dryingRate = (radius: number, pace = 1): number => (FIRST_ROOT * DIFFUSIVITY * pace) / radius ** 2;

/** The air around what dries: its temperature, °C, relative humidity, and film, W/m²K. */
export interface DryingAir {
  t: number;
  humidity: number;
  film: number;
}

/**
 * Water that the surface of a long piece gives to the air, 1/s of what went in, where the surface has a water activity:
 * hm·(aw − RH)·ps/(R_v·T) on 2/(ρ·r) square metres a kilogram.
 */
export const surfaceGives = (radius: number, activity: number, { t, humidity, film }: DryingAir): number =>
  ((2 / (DENSITY * radius)) * film * (activity - humidity) * saturation(t)) /
  (MASS_FROM_HEAT * WATER_GAS * (t + KELVIN));

/** A piece that dries: the water it has, its salt, both kg a kg of what went in, and how quickly water moves in it. */
export interface DryingPiece {
  water: number;
  salt: number;
  radius: number;
  pace: number;
}

/**
 * The water at the surface, kg a kg of what went in: there as much comes from within as the air takes. In still, moist
 * air it stays near that of the middle, in dry or moving air it is nearly in balance with the air. Sought by halving.
 */
export function rimWater({ water, salt, radius, pace }: DryingPiece, air: DryingAir): number {
  const rate = dryingRate(radius, pace);
  let low = Math.min(water, balancedWater(salt, air.humidity));
  let high = water;
  for (let i = 0; i < 30 && high - low > 1e-6; i++) {
    const middle = (low + high) / 2;
    if (rate * (water - middle) > surfaceGives(radius, sausageActivity(salt, middle), air)) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/**
 * Where three equally spaced weights lead, by the exponential through them; null where they do not slow down. Days are
 * in steps between the weights.
 */
export function projected(w1: number, w2: number, w3: number): { final: number; rate: number } | null {
  const bend = w1 + w3 - 2 * w2;
  if (bend <= 0 || w1 <= w2 || w2 <= w3) return null;
  return { final: (w1 * w3 - w2 * w2) / bend, rate: Math.log((w1 - w2) / (w2 - w3)) };
}
