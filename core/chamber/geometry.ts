import type { Cabinet, Vessel } from "../model";

/** Room that the compressor and the base take from the height of an upright cabinet, m (estimate). */
const BASE = 0.1;

export interface Inside {
  height: number;
  width: number;
  depth: number;
  /** m³ and m². */
  volume: number;
  area: number;
}

/** Inside measures of an upright cabinet, m; zero or less where the walls leave no room. */
export function insideOf(cabinet: Cabinet): Inside {
  const height = cabinet.height - 2 * cabinet.insulation - BASE;
  const width = cabinet.width - 2 * cabinet.insulation;
  const depth = cabinet.depth - 2 * cabinet.insulation;
  return {
    height,
    width,
    depth,
    volume: height * width * depth,
    area: 2 * (height * width + height * depth + width * depth),
  };
}

export const outsideArea = (cabinet: Cabinet): number =>
  2 * (cabinet.height * cabinet.width + cabinet.height * cabinet.depth + cabinet.width * cabinet.depth);

/** Share of a fermenting bucket that stays empty for foam, and its height over its width (estimates). */
const HEADSPACE = 0.15;
const SLENDERNESS = 1.2;

/** Outside measures of a bucket that holds the contents with headspace, m. */
export function vesselSize(vessel: Pick<Vessel, "volume">): { diameter: number; height: number } {
  const diameter = ((vessel.volume * (1 + HEADSPACE)) / ((Math.PI / 4) * SLENDERNESS)) ** (1 / 3);
  return { diameter, height: diameter * SLENDERNESS };
}

/** Airlock or blow-off above the lid, m (common practice, no source). */
export const AIRLOCK_HEIGHT = 0.14;
const CLEARANCE = 0.02;

export interface Fit {
  fits: boolean;
  /** What is left over, m; negative is missing. */
  spareHeight: number;
  spareWidth: number;
}

/** Whether a vessel with its airlock stands in the cabinet, with 2 cm of air around it. */
export function fitOf(cabinet: Cabinet, vessel: Pick<Vessel, "volume">): Fit {
  const inside = insideOf(cabinet);
  const size = vesselSize(vessel);
  const spareHeight = inside.height - size.height - AIRLOCK_HEIGHT;
  const spareWidth = Math.min(inside.width, inside.depth) - size.diameter - 2 * CLEARANCE;
  return { fits: spareHeight >= 0 && spareWidth >= 0, spareHeight, spareWidth };
}
