import type { Vessel } from "../model";

/** Saturation pressure of water vapour over a surface, relative: Magnus, 17.62·T/(243.12 + T) (WMO, value from memory). */
const vapour = (t: number): number => Math.exp((17.62 * t) / (243.12 + t));

/** Saturation pressure of water, Pa: the same, good to two per cent up to 100 °C. */
export const saturation = (t: number): number => 611.2 * vapour(t);

/** The air that takes the vapour: its temperature, °C, and its relative humidity. */
export interface Around {
  air: number;
  humidity: number;
}

/** How far air is from taking none: 1 in dry air, 0 where it holds as much as the surface gives. */
const dryness = (surface: number, { air, humidity }: Around): number =>
  Math.max(0, 1 - (humidity * vapour(air)) / vapour(surface));

/**
 * Heat that evaporation takes from all vessels of an entry, W. Dalton: in proportion to the vapour pressure at the
 * surface less that of the air around; the rated heat is meant in the air that it is rated for. The surface itself gives
 * no more than at the rated temperature, since it dries.
 * @param skin temperature of the surface, °C
 * @param around the air as it is
 * @param rated the air that the rated heat is meant for
 */
export function evaporationHeat(
  { evaporation, evaporationAt, count }: Pick<Vessel, "evaporation" | "evaporationAt" | "count">,
  skin: number,
  around: Around,
  rated: Around,
): number {
  if (evaporation === 0) return 0;
  const surface = Math.min(1, vapour(skin) / vapour(evaporationAt));
  return (count * evaporation * surface * dryness(skin, around)) / dryness(evaporationAt, rated);
}
