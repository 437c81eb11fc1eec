import type { SurfaceHeat } from "../piece";

const STEFAN = 5.67e-8;
const KELVIN = 273.15;
const WATER_GAS = 461.5;
/** Heat of evaporation near 65 °C, J/kg (steam tables, value from memory). */
export const EVAPORATION = 2.35e6;
const EMISSIVITY = 0.9;
/** ρ·cp·Le^⅔ of air at smoking temperatures, J/(m³K): Chilton and Colburn, mass from heat. */
const MASS_FROM_HEAT = 0.93 * 1009 * 0.91;

/** Saturation pressure of water, Pa: Magnus (WMO), good to a per cent up to 100 °C. */
export const saturation = (t: number): number => 611.2 * Math.exp((17.62 * t) / (243.12 + t));

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

/** Heat that reaches the surface from the pit less what its water takes, W/m². */
const balance = (surface: number, pit: Pit): number =>
  pit.film * (pit.air - surface) +
  EMISSIVITY * STEFAN * ((pit.air + KELVIN) ** 4 - (surface + KELVIN) ** 4) -
  EVAPORATION * leaves(surface, pit);

/** Where a surface comes to rest that passes so much heat on to what lies behind it, °C: by bisection. */
export function surfaceOf(pit: Pit, behind: (surface: number) => number): number {
  let low = -30;
  let high = Math.max(pit.air, 150);
  for (let i = 0; i < 50; i++) {
    const half = (low + high) / 2;
    if (balance(half, pit) - behind(half) > 0) low = half;
    else high = half;
  }
  return (low + high) / 2;
}

/** A surface that is warmed by a pit and cooled by its own water, for a piece. */
export const pitSurface =
  (pit: Pit, seen: { surface: number }): SurfaceHeat =>
  (outermost, toSurface) => {
    const at = (t: number) => {
      const surface = surfaceOf(pit, (s) => toSurface * (s - t));
      return { surface, flux: toSurface * (surface - t) };
    };
    const here = at(outermost);
    const warmer = at(outermost + 0.05);
    seen.surface = here.surface;
    return { flux: here.flux, slope: Math.max(0, (here.flux - warmer.flux) / 0.05) };
  };
