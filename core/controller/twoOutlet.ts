import type { Counts } from "./unit";

/** All that a two-outlet on/off unit remembers between two readings; plain data. */
export interface TwoOutletState {
  heating: boolean;
  /** The unit calls for cold; the compressor follows once it has rested. */
  callsForCold: boolean;
  compressor: boolean;
  /** Seconds since the compressor stopped, or since power-up. */
  rested: number;
  lowAlarm: boolean;
  highAlarm: boolean;
}

/** State at power-up: all off, and the compressor's rest begins. */
export const powerUp = (): TwoOutletState => ({
  heating: false,
  callsForCold: false,
  compressor: false,
  rested: 0,
  lowAlarm: false,
  highAlarm: false,
});

/** A copy of a state, of the same shape to the engine as a fresh one: the inner loop is compiled for one shape. */
export const copyTwoOutlet = (s: TwoOutletState): TwoOutletState => ({
  heating: s.heating,
  callsForCold: s.callsForCold,
  compressor: s.compressor,
  rested: s.rested,
  lowAlarm: s.lowAlarm,
  highAlarm: s.highAlarm,
});

/**
 * One reading of the two-outlet unit. Heat: on at setpoint − heating differential, off at the setpoint. Cold: called
 * at setpoint + cooling differential, cleared at the setpoint, started once the compressor has rested for its delay.
 * Heat and cold are never on together. Alarms are absolute and without delay.
 * Mutates `state` (the trial's inner loop allocates nothing).
 * @param reading the displayed value, in steps of the unit's resolution
 * @param dt seconds since the last reading
 */
export function stepTwoOutlet(state: TwoOutletState, counts: Counts, reading: number, dt: number): void {
  if (!state.compressor) state.rested += dt;

  if (reading >= counts.setpoint) state.heating = false;
  if (reading <= counts.setpoint) state.callsForCold = false;
  if (reading <= counts.heatOn && reading < counts.setpoint) state.heating = true;
  else if (reading >= counts.coolOn && reading > counts.setpoint) state.callsForCold = true;

  if (!state.callsForCold) {
    if (state.compressor) state.rested = 0;
    state.compressor = false;
  } else if (!state.compressor && state.rested >= counts.delay) {
    state.compressor = true;
  }
  state.lowAlarm = reading <= counts.lowAlarm;
  state.highAlarm = reading >= counts.highAlarm;
}
