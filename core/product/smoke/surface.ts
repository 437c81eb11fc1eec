import { saturation } from "../evaporation";
import type { SurfaceHeat } from "../piece";

const STEFAN = 5.67e-8;
const KELVIN = 273.15;
const WATER_GAS = 461.5;
/** Heat of evaporation near 65 °C, J/kg (steam tables, value from memory). */
export const EVAPORATION = 2.35e6;
const EMISSIVITY = 0.9;
/** ρ·cp·Le^⅔ of air at smoking temperatures, J/(m³K): Chilton and Colburn, mass from heat. */
const MASS_FROM_HEAT = 0.93 * 1009 * 0.91;

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

/** Water that leaves the surface, kg/(m²s): f·hm·(ρs − ρ∞). */
export const leaves = (surface: number, { air, vapour, film, wet }: Pit): number =>
  Math.max(
    0,
    ((wet * film) / MASS_FROM_HEAT) *
      (saturation(surface) / (WATER_GAS * (surface + KELVIN)) - vapour / (WATER_GAS * (air + KELVIN))),
  );

/** Vapour over a wet surface, kg/m³, and how much more of it with each kelvin. */
const vapourAt = (surface: number): number => saturation(surface) / (WATER_GAS * (surface + KELVIN));
const vapourSlope = (surface: number): number =>
  vapourAt(surface) * ((17.62 * 243.12) / (243.12 + surface) ** 2 - 1 / (surface + KELVIN));

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
      EVAPORATION * dries -
      behind * (surface - inner);
    stiffness =
      pit.film +
      4 * EMISSIVITY * STEFAN * (surface + KELVIN) ** 3 +
      (dries > 0 ? EVAPORATION * ((pit.wet * pit.film) / MASS_FROM_HEAT) * vapourSlope(surface) : 0) +
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
