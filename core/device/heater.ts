import type { Heater } from "../model";
import type { HeaterState } from "./state";

/** A bimetal closes again this much below where it opened, K (common practice, no source). */
const BIMETAL = 5;

/**
 * Whether a heater that its outlet feeds or not really heats: its own thermostat, its timer and its electronic switch
 * have their say. Mutates `state`.
 * @param fed the outlet is live
 * @param body temperature of the heater's body, °C
 * @param staysOff it has an electronic switch, or has just shown that it has
 */
export function stepHeater(
  state: HeaterState,
  heater: Heater,
  fed: boolean,
  body: number,
  staysOff: boolean,
  dt: number,
): boolean {
  if (!fed) {
    if (state.fed && staysOff) state.locked = true;
    state.fed = false;
    state.ran = 0;
    return false;
  }
  state.fed = true;
  if (heater.ownThermostat) {
    if (body >= heater.ownThermostatAt) state.open = true;
    else if (body <= heater.ownThermostatAt - BIMETAL) state.open = false;
  }
  state.ran += dt;
  const timedOut = heater.timer > 0 && state.ran > heater.timer;
  return !state.locked && !state.open && !timedOut;
}

/** What is left of the usable part of a charge, kg. */
export const usableFuel = (state: HeaterState, heater: Heater): number =>
  state.fuel - heater.fuel * (1 - heater.usableShare);

/**
 * Power of a fire, W, and the fuel that it burns over a step: its full power while the blower runs, its glow while it
 * rests, nothing once the usable part of the charge is gone. Mutates `state.fuel`. P = ṁ·H·η.
 */
export function stepFire(state: HeaterState, heater: Heater, blown: boolean, dt: number): number {
  if (usableFuel(state, heater) <= 0) return 0;
  const power = blown ? heater.power : Math.min(heater.idlePower, heater.power);
  state.fuel -= (power * dt) / (heater.fuelHeat * heater.burnShare);
  return power;
}

/** Fuel that a steady heat takes, kg/h. */
export const fuelPerHour = (heater: Heater, watts: number): number =>
  (watts * 3600) / (heater.fuelHeat * heater.burnShare);

/** Hours that a full charge lasts at a steady heat, W. */
export const fuelHours = (heater: Heater, watts: number): number =>
  (heater.fuel * heater.usableShare) / fuelPerHour(heater, watts);
