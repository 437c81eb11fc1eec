import { saturation } from "../evaporation";
import type { SurfaceHeat } from "../piece";

const STEFAN = 5.67e-8;
const KELVIN = 273.15;
/** Heat of evaporation, J/kg, falling with the temperature (steam tables, values from memory). */
export const evaporationAt = (surface: number): number => 2.501e6 - 2361 * surface;
/** Molar mass of water over that of air; pressure of the air, Pa; its heat, J/(kg·K); Lewis number 0.84 to the power of ⅔. */
const LIGHTER = 0.622;
const PRESSURE = 101_325;
const AIR_HEAT = 1009;
const LEWIS = 0.89;
const EMISSIVITY = 0.9;

/** The air and walls around food that smokes. */
export interface Pit {
  /** Air and walls, °C. */
  air: number;
  /** Vapour pressure of the air, Pa. */
  vapour: number;
  /** W/m²K of convection. */
  film: number;
  /** Share of the surface that is wet. */
  wet: number;
}

/** kg/(m²s) of water a pascal and a W/m²K: hm = h/(ρ·cp·Le^⅔), air and vapour both at the temperature of the film. */
const MASS_FROM_HEAT = LIGHTER / (PRESSURE * AIR_HEAT * LEWIS);

/** Water that leaves the surface, kg/(m²s): f·hm·(ps − p∞)/(Rv·T), by Chilton and Colburn. */
export const leaves = (surface: number, { vapour, film, wet }: Pit): number =>
  Math.max(0, wet * film * MASS_FROM_HEAT * (saturation(surface) - vapour));

/** How much more it is with each kelvin. */
const leavesSlope = (surface: number, { film, wet }: Pit): number =>
  (wet * film * MASS_FROM_HEAT * saturation(surface) * (17.62 * 243.12)) / (243.12 + surface) ** 2;

/**
 * Where a surface comes to rest that passes `behind` W/m²K on to what lies behind it at `inner`, °C: Newton's way from
 * there, on the balance of convection, radiation, drying and conduction.
 */
export function surfaceOf(pit: Pit, behind: number, inner: number): { surface: number; stiffness: number } {
  const walls = (pit.air + KELVIN) ** 4;
  let surface = inner;
  let stiffness = 1;
  for (let i = 0; i < 30; i++) {
    const dries = leaves(surface, pit);
    const heat =
      pit.film * (pit.air - surface) +
      EMISSIVITY * STEFAN * (walls - (surface + KELVIN) ** 4) -
      evaporationAt(surface) * dries -
      behind * (surface - inner);
    stiffness =
      pit.film +
      4 * EMISSIVITY * STEFAN * (surface + KELVIN) ** 3 +
      (dries > 0 ? evaporationAt(surface) * leavesSlope(surface, pit) : 0) +
      behind;
    // All of it falls as the surface warms, so that a step is always towards the answer; a long one is held back.
    const step = Math.max(-40, Math.min(40, heat / stiffness));
    surface += step;
    if (Math.abs(step) < 1e-6) break;
  }
  return { surface, stiffness };
}

/** A surface that is warmed by a pit and cooled by its own water, for a piece. */
export const pitSurface =
  (pit: Pit, seen: { surface: number }): SurfaceHeat =>
  (outermost, toSurface) => {
    const { surface, stiffness } = surfaceOf(pit, toSurface, outermost);
    seen.surface = surface;
    return { flux: toSurface * (surface - outermost), slope: toSurface * (1 - toSurface / stiffness) };
  };
