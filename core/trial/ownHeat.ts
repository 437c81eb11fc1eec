import type { Chamber } from "../model";
import { curveHeat, stepFerment, type FermentState } from "../product";

/** Saturation pressure of water vapour over a surface, relative: Magnus, 17.62·T/(243.12 + T) (WMO, value from memory). */
const vapour = (t: number): number => Math.exp((17.62 * t) / (243.12 + t));

/**
 * Own heat of a vessel over a span, W, for all that are alike: the ferment's, or the typed curve's. Moves the ferment.
 */
export function ownHeat(
  vessel: Chamber["vessels"][number],
  ferment: FermentState,
  totalHeat: number,
  temperature: number,
  seconds: number,
  span: number,
): number {
  const { product, count } = vessel;
  if (product.kind === "hold")
    return product.heatCurve.length ? count * curveHeat(product.heatCurve, seconds / 3600) : 0;
  return (count * stepFerment(ferment, product.kind, temperature, span) * totalHeat) / span;
}

/**
 * Heat that evaporation takes from all vessels of an entry, W: in proportion to the vapour pressure at the surface,
 * never more than the rated heat, since a drying surface gives no more.
 */
export function evaporation(
  { evaporation: rated, evaporationAt, count }: Chamber["vessels"][number],
  skin: number,
): number {
  return rated === 0 ? 0 : count * rated * Math.min(1, vapour(skin) / vapour(evaporationAt));
}
