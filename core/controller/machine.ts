import type { OnOffNumbers } from "./counts";
import { NO_READING, type ControlFamily, type ControlOutput, type Quiet } from "./control";

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

/** More steps than any trial has. */
const ENDLESS = 1e9;

/** Steps until a clock that stands at `now` has come to `end`, less the one in which it comes. */
const stepsUntil = (now: number, end: number, dt: number): number => Math.max(0, Math.floor((end - now) / dt - 1e-9));

/**
 * Readings that leave all that a unit gives out as it is: between the points that matter to what it calls for now, on the
 * same side of every mark of its alarms, and before a delay is over.
 */
function quietOnOff(state: OnOffState, numbers: OnOffNumbers, reading: number, dt: number, quiet: Quiet): void {
  let low = -ENDLESS;
  let high = ENDLESS;
  let steps = ENDLESS;
  // What is on ends at its off point; what is off begins where it is called for and not ended at once.
  if (state.callForHeat) high = numbers.heatOff - 1;
  else if (numbers.heats) low = Math.min(numbers.heatOn, numbers.heatOff - 1) + 1;
  if (state.callForCold) low = Math.max(low, numbers.coldOff + 1);
  else if (numbers.cools) high = Math.min(high, Math.max(numbers.coldOn, numbers.coldOff + 1) - 1);
  const { lowAlarm, highAlarm, alarmHysteresis, alarmDelay } = numbers;
  if (reading <= lowAlarm) {
    high = Math.min(high, lowAlarm);
    if (!state.lowAlarm) steps = Math.min(steps, stepsUntil(state.lowFor, alarmDelay, dt));
  } else if (reading <= lowAlarm + alarmHysteresis) {
    low = Math.max(low, lowAlarm + 1);
    high = Math.min(high, lowAlarm + alarmHysteresis);
  } else low = Math.max(low, lowAlarm + alarmHysteresis + 1);
  if (reading >= highAlarm) {
    low = Math.max(low, highAlarm);
    if (!state.highAlarm) steps = Math.min(steps, stepsUntil(state.highFor, alarmDelay, dt));
  } else if (reading >= highAlarm - alarmHysteresis) {
    high = Math.min(high, highAlarm - 1);
    low = Math.max(low, highAlarm - alarmHysteresis);
  } else high = Math.min(high, highAlarm - alarmHysteresis - 1);
  if (state.callForCold && !state.coldOutlet) steps = Math.min(steps, stepsUntil(state.rested, numbers.delay, dt));
  quiet.low = low;
  quiet.high = high;
  // Settings that contradict each other may leave no room at all: then each reading is taken.
  quiet.steps = reading >= low && reading <= high ? steps : 0;
}

/** Readings that changed nothing only move the clocks. */
function skipOnOff(state: OnOffState, numbers: OnOffNumbers, reading: number, seconds: number): void {
  if (!state.coldOutlet) state.rested += seconds;
  if (reading <= numbers.lowAlarm) state.lowFor += seconds;
  if (reading >= numbers.highAlarm) state.highFor += seconds;
}

/** On/off units of every kind: the first probe decides, both outlets are switched whole. */
export const onOffFamily: ControlFamily<OnOffState, OnOffNumbers> = {
  shares: false,
  powerUp: (numbers) => powerUp(numbers.restAtStart),
  copy: copyState,
  step: stepOnOff,
  quiet: quietOnOff,
  skip: skipOnOff,
};
