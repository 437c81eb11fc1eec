import type { OnOffNumbers } from "./counts";
import { NO_READING, type ControlFamily, type ControlOutput } from "./control";

/** All that an on/off unit remembers between two readings; plain data. */
export interface OnOffState {
  /** It calls for heat; the heat outlet follows at once. */
  callForHeat: boolean;
  /** It calls for cold; the cold outlet follows once it has rested for the compressor delay. */
  callForCold: boolean;
  /** The cold outlet is live. */
  coldOutlet: boolean;
  /** Seconds since the cold outlet went dead, or since power-up. */
  rested: number;
  /** Seconds that the reading has been past each alarm. */
  lowFor: number;
  highFor: number;
  lowAlarm: boolean;
  highAlarm: boolean;
}

/** State at power-up: all off; the compressor's rest begins where the unit counts it from power-up. */
export const powerUp = (restAtStart = true): OnOffState => ({
  callForHeat: false,
  callForCold: false,
  coldOutlet: false,
  rested: restAtStart ? 0 : 1e9,
  lowFor: 0,
  highFor: 0,
  lowAlarm: false,
  highAlarm: false,
});

/** A copy of a state, of the same shape to the engine as a fresh one: the inner loop is compiled for one shape. */
const copyState = (s: OnOffState): OnOffState => ({
  callForHeat: s.callForHeat,
  callForCold: s.callForCold,
  coldOutlet: s.coldOutlet,
  rested: s.rested,
  lowFor: s.lowFor,
  highFor: s.highFor,
  lowAlarm: s.lowAlarm,
  highAlarm: s.highAlarm,
});

/**
 * One reading of an on/off unit of any kind. Heat latches on at heatOn and off at heatOff; cold is called at coldOn,
 * cleared at coldOff, and its outlet closes once it has rested for the delay, which runs from the last stop and, where
 * the unit does so, from power-up. One unit never has heat and cold on together. Alarms wait for their delay and stop
 * once the reading has come back by their hysteresis. Mutates `state` and `out` (the trial's inner loop allocates
 * nothing).
 * @param reading the displayed value, in steps of the unit's resolution, or NO_READING
 * @param dt seconds since the last reading
 */
export function stepOnOff(
  state: OnOffState,
  numbers: OnOffNumbers,
  reading: number,
  dt: number,
  out: ControlOutput,
): void {
  if (!state.coldOutlet) state.rested += dt;
  if (reading === NO_READING) {
    state.lowAlarm = state.highAlarm = numbers.hasAlarms;
    if (!numbers.holdsAtFault) {
      state.callForHeat = false;
      state.callForCold = false;
      if (state.coldOutlet) state.rested = 0;
      state.coldOutlet = false;
    }
  } else {
    if (reading >= numbers.heatOff) state.callForHeat = false;
    if (reading <= numbers.coldOff) state.callForCold = false;
    if (numbers.heats && reading <= numbers.heatOn && reading < numbers.heatOff) {
      state.callForHeat = true;
      state.callForCold = false;
    } else if (numbers.cools && reading >= numbers.coldOn && reading > numbers.coldOff) {
      state.callForCold = true;
      state.callForHeat = false;
    }
    if (reading <= numbers.lowAlarm) state.lowFor += dt;
    else if (reading > numbers.lowAlarm + numbers.alarmHysteresis) state.lowFor = 0;
    if (reading >= numbers.highAlarm) state.highFor += dt;
    else if (reading < numbers.highAlarm - numbers.alarmHysteresis) state.highFor = 0;
    state.lowAlarm =
      reading <= numbers.lowAlarm ? state.lowFor >= numbers.alarmDelay : state.lowAlarm && state.lowFor > 0;
    state.highAlarm =
      reading >= numbers.highAlarm ? state.highFor >= numbers.alarmDelay : state.highAlarm && state.highFor > 0;
    if (!state.callForCold) {
      if (state.coldOutlet) state.rested = 0;
      state.coldOutlet = false;
    } else if (!state.coldOutlet && state.rested >= numbers.delay) {
      state.coldOutlet = true;
    }
  }
  out.heat = state.callForHeat ? 1 : 0;
  out.cold = state.coldOutlet ? 1 : 0;
  out.lowAlarm = state.lowAlarm;
  out.highAlarm = state.highAlarm;
  out.display = reading;
}

/** On/off units of every kind: the first probe decides, both outlets are switched whole. */
export const onOffFamily: ControlFamily<OnOffState, OnOffNumbers> = {
  shares: false,
  powerUp: (numbers) => powerUp(numbers.restAtStart),
  copy: copyState,
  step: stepOnOff,
};
