import type { Counts } from "./counts";

/** All that an on/off unit remembers between two readings; plain data. */
export interface UnitState {
  heating: boolean;
  /** The unit calls for cold; the outlet follows once the compressor has rested. */
  callsForCold: boolean;
  compressor: boolean;
  /** Seconds since the compressor stopped, or since power-up. */
  rested: number;
  /** Seconds that the reading has been past each alarm. */
  lowFor: number;
  highFor: number;
  lowAlarm: boolean;
  highAlarm: boolean;
  /** The probe gives no reading. */
  fault: boolean;
}

/** A reading that is none: the probe is unplugged or shorted. */
export const NO_READING = Number.MAX_SAFE_INTEGER;

/** State at power-up: all off; the compressor's rest begins where the unit counts it from power-up. */
export const powerUp = (restAtStart = true): UnitState => ({
  heating: false,
  callsForCold: false,
  compressor: false,
  rested: restAtStart ? 0 : 1e9,
  lowFor: 0,
  highFor: 0,
  lowAlarm: false,
  highAlarm: false,
  fault: false,
});

/** A copy of a state, of the same shape to the engine as a fresh one: the inner loop is compiled for one shape. */
export const copyUnit = (s: UnitState): UnitState => ({
  heating: s.heating,
  callsForCold: s.callsForCold,
  compressor: s.compressor,
  rested: s.rested,
  lowFor: s.lowFor,
  highFor: s.highFor,
  lowAlarm: s.lowAlarm,
  highAlarm: s.highAlarm,
  fault: s.fault,
});

/**
 * One reading of an on/off unit of any kind. Heat latches on at heatOn and off at heatOff; cold is called at coolOn,
 * cleared at coolOff, and its outlet closes once it has rested for the delay, which runs from the last stop and, where
 * the unit does so, from power-up. One unit never has heat and cold on together. Alarms wait for their delay and stop
 * once the reading has come back by their hysteresis. Mutates `state` (the trial's inner loop allocates nothing).
 * @param reading the displayed value, in steps of the unit's resolution, or NO_READING
 * @param dt seconds since the last reading
 */
export function stepUnit(state: UnitState, counts: Counts, reading: number, dt: number): void {
  if (!state.compressor) state.rested += dt;
  state.fault = reading === NO_READING;
  if (state.fault) {
    state.lowAlarm = state.highAlarm = counts.hasAlarms;
    if (counts.holdsAtFault) return;
    state.heating = false;
    state.callsForCold = false;
  } else {
    if (reading >= counts.heatOff) state.heating = false;
    if (reading <= counts.coolOff) state.callsForCold = false;
    if (counts.heats && reading <= counts.heatOn && reading < counts.heatOff) {
      state.heating = true;
      state.callsForCold = false;
    } else if (counts.cools && reading >= counts.coolOn && reading > counts.coolOff) {
      state.callsForCold = true;
      state.heating = false;
    }
    if (reading <= counts.lowAlarm) state.lowFor += dt;
    else if (reading > counts.lowAlarm + counts.alarmHysteresis) state.lowFor = 0;
    if (reading >= counts.highAlarm) state.highFor += dt;
    else if (reading < counts.highAlarm - counts.alarmHysteresis) state.highFor = 0;
    state.lowAlarm =
      reading <= counts.lowAlarm ? state.lowFor >= counts.alarmDelay : state.lowAlarm && state.lowFor > 0;
    state.highAlarm =
      reading >= counts.highAlarm ? state.highFor >= counts.alarmDelay : state.highAlarm && state.highFor > 0;
  }
  if (!state.callsForCold) {
    if (state.compressor) state.rested = 0;
    state.compressor = false;
  } else if (!state.compressor && state.rested >= counts.delay) {
    state.compressor = true;
  }
}
