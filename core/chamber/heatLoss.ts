import type { Cabinet } from "../model";
import { insideOf, outsideArea } from "./geometry";

/** Surface resistances of ISO 6946, m²K/W: horizontal heat flow. A cabinet stands indoors: both faces are inner faces. */
const SURFACE_RESISTANCE = 0.13;

/**
 * Thermal transmittance of a wall of one insulating layer between two indoor faces, W/m²K.
 * U = 1/(Rsi + d/λ + Rsi), the method of ISO 6946; thin sheet linings are left out.
 */
export const transmittance = (thickness: number, conductivity: number): number =>
  1 / (2 * SURFACE_RESISTANCE + thickness / conductivity);

/** Transmittance × area at mid-wall: the geometric mean of the inner and the outer area of a thick-walled box, W/K. */
export const wallConductance = (cabinet: Cabinet): number =>
  transmittance(cabinet.insulation, cabinet.conductivity) * Math.sqrt(insideOf(cabinet).area * outsideArea(cabinet));

/** Length of the door seal, m. */
export const sealLength = (cabinet: Cabinet): number => 2 * (cabinet.height + cabinet.width);
