/** Specific heat of dry malt against water's, as brewers reckon it (0.41: common practice, no source). */
const MALT = 0.41;

/**
 * Temperature of the strike water, °C, by the balance of heat between water and malt.
 * @param ratio litres of water on a kilogram of malt
 */
export const strikeTemperature = (wanted: number, malt: number, ratio: number): number =>
  wanted + (MALT / ratio) * (wanted - malt);

/** Time to warm a mass of water, s: m·cp·ΔT/(P·η). */
export const heatingTime = (kilograms: number, kelvins: number, watts: number, efficiency: number): number =>
  (kilograms * 4186 * kelvins) / (watts * efficiency);

/** Water boiled off an hour, kg, by what is left of the power after its losses (heat of evaporation 2257 kJ/kg). */
export const boilOff = (watts: number, losses: number): number => (Math.max(0, watts - losses) * 3600) / 2_257_000;
