import type { Vessel } from "../model";
import { lotOf } from "../product";

interface Filling {
  label: string;
  /** J/(m³K), contents with the usual share of a plastic vessel. */
  capacity: number;
  /** Stiff contents conduct instead of mixing: they are divided into shells. */
  shells: number;
  /** W/mK, of stiff contents. */
  conductivity: number;
}

/**
 * Contents by heat capacity and the way heat gets through them. Wort as in the reference cabinet (98 kJ/K for 23 L);
 * the others from density × specific heat, engineering estimates (docs/sources.md).
 */
export const fillingTable: Record<Vessel["filling"], Filling> = {
  water: { label: "Wort, beer or water", capacity: 98_000 / 0.023, shells: 1, conductivity: 0.6 },
  honey: { label: "Honey, liquid", capacity: 1420 * 2400, shells: 5, conductivity: 0.5 },
  setHoney: { label: "Honey, set", capacity: 1420 * 2400 * 1.3, shells: 5, conductivity: 0.5 },
  beans: { label: "Cooked beans or grain", capacity: 1000 * 3300, shells: 1, conductivity: 0.5 },
  meat: { label: "Meat", capacity: 1050 * 3500, shells: 1, conductivity: 0.48 },
  fish: { label: "Fish", capacity: 1050 * 3600, shells: 1, conductivity: 0.5 },
};

/** What the wall adds beside the plastic one that the contents' figure holds already, J/(m³K) of contents (estimate). */
const wallCapacity: Record<Vessel["wall"], number> = { plastic: 0, glass: 120_000, steel: 90_000, none: 0 };

export const wallLabels: Record<Vessel["wall"], string> = {
  plastic: "Plastic",
  glass: "Glass",
  steel: "Steel",
  none: "None",
};

/** Heat capacity of all vessels of one entry, J/K. */
export const contentsCapacity = (vessel: Vessel): number =>
  vessel.count * vessel.volume * (fillingTable[vessel.filling].capacity + wallCapacity[vessel.wall]);

/** Mass of the contents of one vessel, kg. */
export const massOf = (vessel: Vessel): number => lotOf(vessel).mass;
