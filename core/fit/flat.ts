import { insideOf, vesselSize } from "../chamber";
import type { Cabinet, LoadedVessel } from "../model";

/** Air that flat things want on all sides of them, m (common practice: a hand's breadth over tempeh, no source). */
export const FLAT_AIR = { beside: 0.02, over: 0.05 } as const;

/** How flat things lie: so many side by side, behind one another, and over one another. */
export interface Layers {
  across: number;
  behind: number;
  over: number;
  all: number;
}

/** How many trays or pieces lie in a box with air on all sides of each, in layers on grids. */
export function layersIn(cabinet: Cabinet, vessel: LoadedVessel): Layers {
  const inside = insideOf(cabinet);
  const { diameter: side, height } = vesselSize(vessel);
  const fit = (room: number, each: number, air: number) => Math.max(0, Math.floor((room - air + 1e-9) / (each + air)));
  const across = fit(inside.width, side, FLAT_AIR.beside);
  const behind = fit(inside.depth, side, FLAT_AIR.beside);
  const over = fit(inside.height, height, FLAT_AIR.over);
  return { across, behind, over, all: across * behind * over };
}

/** The inside that flat things need in some arrangement, m. */
export const insideForLayers = (
  vessel: LoadedVessel,
  { across, behind, over }: Omit<Layers, "all">,
): { width: number; depth: number; height: number } => {
  const { diameter: side, height } = vesselSize(vessel);
  return {
    width: across * (side + FLAT_AIR.beside) + FLAT_AIR.beside,
    depth: behind * (side + FLAT_AIR.beside) + FLAT_AIR.beside,
    height: over * (height + FLAT_AIR.over) + FLAT_AIR.over,
  };
};
