const fahrenheit = (t: number): number => t * 1.8 + 32;

/** CO2 that stays in beer under the air's pressure, volumes, by its warmest temperature after fermentation, °C. */
export function residualCarbonation(t: number): number {
  const f = fahrenheit(t);
  return 3.0378 - 0.050062 * f + 0.00026555 * f * f;
}

/** Mass of CO2 in a litre of beer at one volume, g (1 L at 0 °C and one atmosphere). */
const GRAMS_A_VOLUME = 1.96;
/** g of CO2 from a g of sugar: four moles of it from one of sucrose, two from one of dextrose with its water. */
const FROM_SUGAR = { sucrose: (4 * 44.01) / 342.3, dextrose: (2 * 44.01) / 198.17 } as const;
export type PrimingSugar = keyof typeof FROM_SUGAR;

/**
 * Sugar to prime with, g; 0 where the beer holds as much already.
 * @param wanted volumes of CO2
 * @param warmest temperature that the beer had after fermentation, °C
 */
export const primingSugar = (sugar: PrimingSugar, litres: number, wanted: number, warmest: number): number =>
  (Math.max(0, wanted - residualCarbonation(warmest)) * GRAMS_A_VOLUME * litres) / FROM_SUGAR[sugar];

const POUND = 6894.757;
/**
 * Pressure over a keg at which beer of a temperature comes to so many volumes, Pa above the air's; by the fit to the
 * brewers' table in pounds and °F, 30 to 80 °F, 1 to 4 volumes (value from memory). 0 where it holds more under the air alone.
 */
export function kegPressure(volumes: number, t: number): number {
  const f = fahrenheit(t);
  const pounds =
    -16.6999 -
    0.0101059 * f +
    0.00116512 * f * f +
    0.173354 * f * volumes +
    4.24267 * volumes -
    0.0684226 * volumes ** 2;
  return Math.max(0, pounds * POUND);
}

/** More than this in common bottles bursts some of them (common practice, no source), volumes. */
export const BOTTLES_TAKE = 3;

const KELVIN = 273.15;
/** Air that a vessel draws in as it is cooled, in the unit of its headspace: by the gas law alone; what dissolves comes on top. */
export const suckBack = (headspace: number, from: number, to: number): number =>
  headspace * Math.max(0, 1 - (to + KELVIN) / (from + KELVIN));

/** What the pressure over a closed vessel falls to as it is cooled, Pa above the air's (below 0: it is sucked in). */
export const pressureAfter = (gauge: number, from: number, to: number): number =>
  ((gauge + 101_325) * (to + KELVIN)) / (from + KELVIN) - 101_325;
