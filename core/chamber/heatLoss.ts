import type { Cabinet } from "../model";
import { insideOf, outsideArea } from "./geometry";

/** Surface resistances of ISO 6946, m²K/W, by the direction of the heat: an inner face, and an outer one in the open. */
export const surfaceResistance = { inside: 0.13, insideUp: 0.1, insideDown: 0.17, outside: 0.04 } as const;

/** One layer of a wall: m and W/mK. */
export interface WallLayer {
  thickness: number;
  conductivity: number;
}

/**
 * Thermal transmittance of a wall of plain layers, W/m²K: U = 1/(Rs1 + Σ d/λ + Rs2), the method of ISO 6946. A cabinet
 * stands indoors: unless said otherwise both faces are inner faces.
 */
export const transmittanceOf = (
  layers: readonly WallLayer[],
  faces: readonly [number, number] = [surfaceResistance.inside, surfaceResistance.inside],
): number => 1 / (faces[0] + layers.reduce((sum, l) => sum + l.thickness / l.conductivity, 0) + faces[1]);

/** Transmittance of a wall of one insulating layer between two indoor faces; thin sheet linings are left out. */
export const transmittance = (thickness: number, conductivity: number): number =>
  transmittanceOf([{ thickness, conductivity }]);

/** Area at mid-wall, m²: the geometric mean of the inner and the outer area of a thick-walled box. */
export const midWallArea = (cabinet: Cabinet): number =>
  Math.sqrt(Math.max(0, insideOf(cabinet).area) * outsideArea(cabinet));

/** Mineral wool or a foam mat laid around a box, W/mK (design value of both by ISO 10456, rounded; from memory). */
export const JACKET_CONDUCTIVITY = 0.04;

/** Resistance of a box's wall with its jacket, without its faces, m²K/W. */
export const wallResistance = ({ insulation, conductivity, jacket }: Cabinet): number =>
  insulation / conductivity + jacket / JACKET_CONDUCTIVITY;

const layersOf = ({ insulation, conductivity, jacket }: Cabinet): WallLayer[] => [
  { thickness: insulation, conductivity },
  { thickness: jacket, conductivity: JACKET_CONDUCTIVITY },
];

/** Transmittance × area at mid-wall, W/K. */
export const wallConductance = (cabinet: Cabinet): number => transmittanceOf(layersOf(cabinet)) * midWallArea(cabinet);

/** Length of the seal of door or lid, m. */
export const sealLength = (cabinet: Cabinet): number =>
  cabinet.kind === "chest" || cabinet.kind === "foam"
    ? 2 * (cabinet.width + cabinet.depth)
    : 2 * (cabinet.height + cabinet.width);
