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
export interface Counts {
  heats: boolean;
  cools: boolean;
  heatOn: number;
  heatOff: number;
  coolOn: number;
  coolOff: number;
  lowAlarm: number;
  highAlarm: number;
  hasAlarms: boolean;
  alarmHysteresis: number;
  alarmDelay: number;
  offset: number;
  delay: number;
  holdsAtFault: boolean;
}

/** Further than any reading: an alarm that never sounds. */
const NEVER = 1e12;

/** The numbers of a unit as it computes with them. */
export function countsOf(settings: Settings, unit: Unit): Counts {
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
    coolOn: point(points.coolOn),
    coolOff: point(points.coolOff),
    lowAlarm: alarms.low === null ? -NEVER : point(alarms.low),
    highAlarm: alarms.high === null ? NEVER : point(alarms.high),
    hasAlarms: unit.alarms !== "none",
    alarmHysteresis: difference(unit.alarmHysteresis),
    alarmDelay: unit.alarmDelay,
    offset: difference(settings.offset),
    delay: unit.delayHigh > 0 ? settings.compressorDelay : 0,
    holdsAtFault: unit.atFault === "hold",
  };
}

/** The machines that a unit consists of: two opposed units are two, each with one outlet. */
export function machinesOf(settings: Settings, unit: Unit): Counts[] {
  const counts = countsOf(settings, unit);
  if (unit.kind !== "pair") return [counts];
  return [
    { ...counts, cools: false },
    { ...counts, heats: false },
  ];
}

/** The temperatures at the probe's place at which a unit really switches; null for an outlet that it lacks. */
export interface Switching {
  heatOn: Temperature | null;
  heatOff: Temperature | null;
  coolOn: Temperature | null;
  coolOff: Temperature | null;
}

/**
 * True temperatures at which the unit switches: its display rounds, so a reading of n steps begins half a step
 * below n; offset and the probe's own error shift all of it.
 * @param error how much the probe shows above the truth, K
 */
export function switchingOf(settings: Settings, unit: Unit, error: TemperatureDifference): Switching {
  const counts = countsOf(settings, unit);
  const at = (steps: number): Temperature =>
    celsius(fromScale((steps - counts.offset) * unit.resolution, unit.scale) - error);
  return {
    heatOn: counts.heats ? at(counts.heatOn + 0.5) : null,
    heatOff: counts.heats ? at(counts.heatOff - 0.5) : null,
    coolOn: counts.cools ? at(counts.coolOn - 0.5) : null,
    coolOff: counts.cools ? at(counts.coolOff + 0.5) : null,
  };
}
