import type { Cooler } from "../model";

/** Heat taken from the cold body while it runs, W: power·[1 + perBody·(T_body − bodyAt) + perRoom·(T_room − roomAt)]. */
export interface CoolerLaw {
  power: number;
  perBody: number;
  bodyAt: number;
  perRoom: number;
  roomAt: number;
  /** Share of it that comes back into the lining: a condenser in the wall. */
  skin: number;
}

/** Compressor: Q = Q0·[1 + 0.04·(T_evap + 23.3) − 0.01·(T_room − 25)]. Coefficients: engineering estimates. */
const compressor = { perBody: 0.04, bodyAt: -23.3, perRoom: -0.01, roomAt: 25 } as const;

/**
 * The law of a cooler; linear in the state, so that each mode stays one matrix. A thermoelectric plate pumps
 * Q = Q_max·(1 − ΔT/ΔT_max) at a fixed current, with its hot face so many kelvins above the room.
 */
export function lawOf(cooler: Cooler): CoolerLaw {
  if (cooler.kind === "peltier") {
    const slope = 1 / cooler.largestLift;
    return { power: cooler.power, perBody: slope, bodyAt: 25 + cooler.hotRise, perRoom: -slope, roomAt: 25, skin: 0 };
  }
  const runs = cooler.kind === "compressor";
  return { power: runs ? cooler.power : 0, ...compressor, skin: runs ? cooler.skin : 0 };
}

/**
 * Electricity of a cooler over a stretch, J. Compressor: (Q0/1.15)·[1 + 0.012·(T_evap + 23.3)] W (estimate); a plate
 * takes the same power all the time.
 * @param seconds that it ran
 * @param bodyIntegral ∫T_body dt over that time, °C·s
 */
export const coolerElectricity = (cooler: Cooler, seconds: number, bodyIntegral: number): number =>
  cooler.kind === "peltier"
    ? cooler.electric * seconds
    : cooler.kind === "compressor"
      ? (cooler.power / 1.15) * (seconds + 0.012 * (bodyIntegral - compressor.bodyAt * seconds))
      : 0;

/** Latent heat of melting of ice, J/kg (CRC Handbook, 333.6 kJ/kg). */
export const MELTING_HEAT = 333_600;
/** Specific heat of ice and of water, J/kgK. */
export const ICE_HEAT = 2090;
export const WATER_HEAT = 4186;
