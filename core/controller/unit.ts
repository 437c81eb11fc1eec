import type { Settings, Unit } from "../model";
import {
  celsius,
  differenceFromScale,
  differenceInScale,
  fromScale,
  inScale,
  kelvins,
  roundTo,
  stepsOf,
  type Scale,
  type Temperature,
  type TemperatureDifference,
} from "../quantity";

/** A plug-in unit with two outlets and two differentials, limits as is common practice (no source). */
export const genericUnit = (scale: Scale): Unit => ({
  scale,
  resolution: 0.1,
  setpointLow: fromScale(scale === "C" ? -40 : -40, scale),
  setpointHigh: fromScale(scale === "C" ? 110 : 230, scale),
  differentialLow: differenceFromScale(scale === "C" ? 0.3 : 0.5, scale),
  differentialHigh: differenceFromScale(scale === "C" ? 15 : 27, scale),
  delayHigh: 600,
  offsetLimit: differenceFromScale(scale === "C" ? 8 : 14, scale),
});

/** Nearest temperature that the unit can be set to: a multiple of its resolution in its own scale. */
export const onUnit = (t: Temperature, unit: Unit): Temperature =>
  fromScale(roundTo(inScale(t, unit.scale), unit.resolution), unit.scale);

/** Nearest difference that the unit can be set to. */
export const differenceOnUnit = (d: TemperatureDifference, unit: Unit): TemperatureDifference =>
  differenceFromScale(roundTo(differenceInScale(d, unit.scale), unit.resolution), unit.scale);

/** The unit's resolution as a difference, K. */
export const resolutionOf = (unit: Unit): TemperatureDifference => differenceFromScale(unit.resolution, unit.scale);

const clamp = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value));

/** Limits rounded inwards, so that a limit which is no multiple of the resolution is never passed. */
function within(value: number, low: number, high: number, resolution: number): number {
  const least = Math.ceil(low / resolution - 1e-6);
  const most = Math.floor(high / resolution + 1e-6);
  return roundTo(clamp(stepsOf(value, resolution), least, Math.max(least, most)) * resolution, resolution);
}

/** The settings nearest to the wished ones that can be keyed into the unit. */
export function fitToUnit(wished: Settings, unit: Unit): Settings {
  const { scale, resolution } = unit;
  const point = (t: Temperature) =>
    fromScale(
      within(inScale(t, scale), inScale(unit.setpointLow, scale), inScale(unit.setpointHigh, scale), resolution),
      scale,
    );
  const difference = (d: TemperatureDifference, low: TemperatureDifference, high: TemperatureDifference) =>
    differenceFromScale(
      within(differenceInScale(d, scale), differenceInScale(low, scale), differenceInScale(high, scale), resolution),
      scale,
    );
  const { differentialLow, differentialHigh, offsetLimit } = unit;
  return {
    setpoint: point(wished.setpoint),
    heatingDifferential: difference(wished.heatingDifferential, differentialLow, differentialHigh),
    coolingDifferential: difference(wished.coolingDifferential, differentialLow, differentialHigh),
    compressorDelay: within(wished.compressorDelay, 0, unit.delayHigh, 60),
    lowAlarm: point(wished.lowAlarm),
    highAlarm: point(wished.highAlarm),
    offset: difference(wished.offset, kelvins(-offsetLimit), offsetLimit),
  };
}

/** Settings as whole steps of the unit's resolution, as its own arithmetic sees them; delay in s. */
export interface Counts {
  setpoint: number;
  heatOn: number;
  coolOn: number;
  lowAlarm: number;
  highAlarm: number;
  offset: number;
  delay: number;
}

export function countsOf(settings: Settings, unit: Unit): Counts {
  const point = (t: Temperature) => stepsOf(inScale(t, unit.scale), unit.resolution);
  const difference = (d: TemperatureDifference) => stepsOf(differenceInScale(d, unit.scale), unit.resolution);
  const setpoint = point(settings.setpoint);
  return {
    setpoint,
    heatOn: setpoint - difference(settings.heatingDifferential),
    coolOn: setpoint + difference(settings.coolingDifferential),
    lowAlarm: point(settings.lowAlarm),
    highAlarm: point(settings.highAlarm),
    offset: difference(settings.offset),
    delay: settings.compressorDelay,
  };
}

/** The temperatures at the probe's place at which a unit really switches. */
export interface Switching {
  heatOn: Temperature;
  heatOff: Temperature;
  coolOn: Temperature;
  coolOff: Temperature;
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
    heatOn: at(counts.heatOn + 0.5),
    heatOff: at(counts.setpoint - 0.5),
    coolOn: at(counts.coolOn - 0.5),
    coolOff: at(counts.setpoint + 0.5),
  };
}
