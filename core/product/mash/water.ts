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

/** What a coil of cold water does to wort: its steady course, or why it never gets there. */
export interface WortChilled {
  /** s; null: the water is not cold enough. */
  seconds: number | null;
  /** Water that runs through it by then, m³. */
  water: number;
  /** Share of what the water could take that it takes: 1 − e^(−UA/ṁc). */
  share: number;
}

/**
 * Wort chilled by a coil that cold water runs through, stirred: M·c·dT/dt = −ṁ·c·(1 − e^(−UA/ṁc))·(T − Tw), whose
 * solution is an exponential (heat exchanger with one stirred side, Incropera chapter 11).
 * @param wort m³, from and to °C
 * @param water its temperature, °C, and flow, m³/s
 * @param conductance of the coil, W/K
 */
export function wortChilled(
  wort: { volume: number; from: number; to: number },
  water: { t: number; flow: number },
  conductance: number,
): WortChilled {
  const flowing = water.flow * 1000 * 4186;
  const share = flowing > 0 ? 1 - Math.exp(-conductance / flowing) : 0;
  if (wort.to <= water.t || share === 0) return { seconds: null, water: Infinity, share };
  if (wort.from <= wort.to) return { seconds: 0, water: 0, share };
  const rate = (flowing * share) / (wort.volume * 1000 * 4186);
  const seconds = Math.log((wort.from - water.t) / (wort.to - water.t)) / rate;
  return { seconds, water: seconds * water.flow, share };
}
