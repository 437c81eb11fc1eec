import type { Vessel } from "../model";

/** Saturation pressure of water vapour over a surface, relative: Magnus, 17.62·T/(243.12 + T) (WMO, value from memory). */
const vapour = (t: number): number => Math.exp((17.62 * t) / (243.12 + t));

/**
 * Heat that evaporation takes from all vessels of an entry, W: in proportion to the vapour pressure at the surface,
 * never more than the rated heat, since a drying surface gives no more.
 * @param skin temperature of the surface, °C
 */
export function evaporationHeat(
  { evaporation: rated, evaporationAt, count }: Pick<Vessel, "evaporation" | "evaporationAt" | "count">,
  skin: number,
): number {
  return rated === 0 ? 0 : count * rated * Math.min(1, vapour(skin) / vapour(evaporationAt));
}
