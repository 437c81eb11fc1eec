import type { Vessel } from "../model";
import type { Lot } from "./shape";

/** kg/m³ of what a vessel is filled with; wort as water (engineering values, docs/sources.md). */
export const densities: Record<Vessel["filling"], number> = {
  water: 1000,
  honey: 1420,
  setHoney: 1420,
  beans: 1000,
  meat: 1050,
  fish: 1050,
};

/** The contents of one vessel of an entry. */
export const lotOf = ({ volume, filling = "water" }: { volume: number; filling?: Vessel["filling"] }): Lot => ({
  volume,
  mass: volume * densities[filling],
});
