import type { Settings, Unit, UnitKind } from "../model";
import {
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

/** A plain unit of a kind, its limits as is common practice (no source); its sheet is empty until somebody fills it in. */
export const genericUnit = (scale: Scale, kind: UnitKind = "twoDifferentials"): Unit => ({
  kind,
  outlet: "heat",
  scale,
  resolution: 0.1,
  setpointLow: fromScale(scale === "C" ? -40 : -40, scale),
  setpointHigh: fromScale(scale === "C" ? 150 : 300, scale),
  differentialLow: differenceFromScale(scale === "C" ? 0.3 : 0.5, scale),
  differentialHigh: differenceFromScale(scale === "C" ? 15 : 27, scale),
  delayHigh: 600,
  offsetLimit: differenceFromScale(scale === "C" ? 8 : 14, scale),
  restAtStart: true,
  alarms: kind === "heatOnly" ? "deviation" : kind === "oneDifferential" || kind === "twoLimits" ? "none" : "absolute",
  alarmDelay: 0,
  alarmHysteresis: kelvins(0),
  ownProbe: false,
  atFault: "off",
  name: "",
  enter: "",
  leave: "",
  pause: "unknown",
  pauseAfter: 10,
  labels: {},
});

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
  const heating = difference(wished.heatingDifferential, differentialLow, differentialHigh);
  const shared = unit.kind === "oneDifferential";
  return {
    setpoint: point(wished.setpoint),
    heatingDifferential: heating,
    coolingDifferential: shared ? heating : difference(wished.coolingDifferential, differentialLow, differentialHigh),
    coldSetpoint: point(wished.coldSetpoint),
    lowLimit: point(wished.lowLimit),
    highLimit: point(wished.highLimit),
    compressorDelay: within(wished.compressorDelay, 0, unit.delayHigh, 60),
    lowAlarm: point(wished.lowAlarm),
    highAlarm: point(wished.highAlarm),
    lowDeviation: difference(wished.lowDeviation, kelvins(0), kelvins(100)),
    highDeviation: difference(wished.highDeviation, kelvins(0), kelvins(100)),
    offset: difference(wished.offset, kelvins(-offsetLimit), offsetLimit),
  };
}
