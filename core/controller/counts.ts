import type { Settings, Unit } from "../model";
import {
  celsius,
  differenceInScale,
  fromScale,
  inScale,
  stepsOf,
  type Temperature,
  type TemperatureDifference,
} from "../quantity";
import { outletsOf } from "./kinds";
import { alarmsOf, pointsOf } from "./points";

/** One unit's settings as whole steps of its resolution, as its own arithmetic sees them; times in s. */
export interface OnOffNumbers {
  heats: boolean;
  cools: boolean;
  heatOn: number;
  heatOff: number;
  coldOn: number;
  coldOff: number;
  lowAlarm: number;
  highAlarm: number;
  hasAlarms: boolean;
  alarmHysteresis: number;
  alarmDelay: number;
  offset: number;
  delay: number;
  holdsAtFault: boolean;
  /** The delay also runs from power-up. */
  restAtStart: boolean;
}

/** Further than any reading, and a small whole number to the engine as all the others are: an alarm that never sounds. */
const NEVER = 1e9;

/** The numbers of a unit as it computes with them. */
export function onOffNumbers(settings: Settings, unit: Unit): OnOffNumbers {
  const point = (t: Temperature) => stepsOf(inScale(t, unit.scale), unit.resolution);
  const difference = (d: TemperatureDifference) => stepsOf(differenceInScale(d, unit.scale), unit.resolution);
  const points = pointsOf(settings, unit);
  const alarms = alarmsOf(settings, unit);
  const { heat, cold } = outletsOf(unit);
  return {
    heats: heat,
    cools: cold,
    heatOn: point(points.heatOn),
    heatOff: point(points.heatOff),
    coldOn: point(points.coldOn),
    coldOff: point(points.coldOff),
    lowAlarm: alarms.low === null ? -NEVER : point(alarms.low),
    highAlarm: alarms.high === null ? NEVER : point(alarms.high),
    hasAlarms: unit.alarms !== "none",
    alarmHysteresis: difference(unit.alarmHysteresis),
    alarmDelay: unit.alarmDelay,
    offset: difference(settings.offset),
    delay: unit.delayHigh > 0 ? settings.compressorDelay : 0,
    holdsAtFault: unit.atFault === "hold",
    restAtStart: unit.restAtStart,
  };
}

/** The temperatures at the probe's place at which a unit really switches; null for an outlet that it lacks. */
export interface Switching {
  heatOn: Temperature | null;
  heatOff: Temperature | null;
  coldOn: Temperature | null;
  coldOff: Temperature | null;
}

/**
 * True temperatures at which the unit switches: its display rounds, so a reading of n steps begins half a step
 * below n; offset and the probe's own error shift all of it.
 * @param error how much the probe shows above the truth, K
 */
export function switchingOf(settings: Settings, unit: Unit, error: TemperatureDifference): Switching {
  const counts = onOffNumbers(settings, unit);
  const at = (steps: number): Temperature =>
    celsius(fromScale((steps - counts.offset) * unit.resolution, unit.scale) - error);
  return {
    heatOn: counts.heats ? at(counts.heatOn + 0.5) : null,
    heatOff: counts.heats ? at(counts.heatOff - 0.5) : null,
    coldOn: counts.cools ? at(counts.coldOn - 0.5) : null,
    coldOff: counts.cools ? at(counts.coldOff + 0.5) : null,
  };
}
