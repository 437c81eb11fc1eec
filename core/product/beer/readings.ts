import { platoOf } from "./gravity";

/**
 * Density of water, kg/m³, 0 to 40 °C. Source: Tanaka and others 2001, Metrologia 38, 301 (recommended table of the CIPM).
 */
export function waterDensity(t: number): number {
  return 999.97495 * (1 - ((t - 3.983035) ** 2 * (t + 301.797)) / (522528.9 * (t + 69.34881)));
}

/**
 * What a hydrometer would show in the same wort at the temperature that it is made for: the wort is taken to expand as
 * water does.
 * @param shown specific gravity read, at `at` °C
 * @param madeFor temperature of its scale, °C: 20, or 15.6 on older ones
 */
export const hydrometerAt = (shown: number, at: number, madeFor: number): number =>
  shown * (waterDensity(madeFor) / waterDensity(at));

/**
 * Gravity of a beer from what a refractometer showed before and after, by Novotný's cubic (value from memory): alcohol
 * bends the light too. Good to about 0.0025.
 * @param before and `after` the readings, % Brix
 * @param wort how the instrument reads wort against sugar: 1.04 usual
 */
export function refractometerGravity(before: number, after: number, wort = 1.04): number {
  const [i, f] = [before / wort, after / wort];
  return 1 + (1.335e-5 * i - 3.239e-5 * f) * i + 2.916e-5 * f * f - 2.421e-3 * i + 6.219e-3 * f;
}

/** Extract in a volume of wort, kg. @param litres of wort */
export const extractIn = (gravity: number, litres: number): number => (litres * gravity * platoOf(gravity)) / 100;

/** CO2 from fermented extract, kg a kg (Balling: 0.9565 beside each 2.0665). */
const CO2_OF_EXTRACT = 0.9565 / 2.0665;
/** CO2 at 20 °C and one atmosphere, kg/m³. */
const CO2_DENSITY = 1.842;

/** Gas that a fermentation gives off, m³ at room temperature. @param fermented kg of extract */
export const gasGivenOff = (fermented: number): number => (fermented * CO2_OF_EXTRACT) / CO2_DENSITY;
