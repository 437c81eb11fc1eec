import { settingNames, type Settings, type Unit, type UnitKind } from "../model";
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
import { settingTable, TIME_STEP } from "./settingTable";

/** A plain unit of a kind, its limits as is common practice (no source); its sheet is empty until somebody fills it in. */
export const genericUnit = (scale: Scale, kind: UnitKind = "twoDifferentials"): Unit => ({
  kind,
  outlet: "heat",
  switchedBy: "relay",
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
  atFault: "off",
  name: "",
  enter: "",
  leave: "",
  pause: "unknown",
  pauseAfter: 10,
  labels: {},
  shows: {},
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
  const point = (t: Temperature, [low, high]: [number, number]) =>
    fromScale(
      within(inScale(t, scale), inScale(celsius(low), scale), inScale(celsius(high), scale), resolution),
      scale,
    );
  const difference = (d: TemperatureDifference, [low, high]: [number, number]) =>
    differenceFromScale(
      within(
        differenceInScale(d, scale),
        differenceInScale(kelvins(low), scale),
        differenceInScale(kelvins(high), scale),
        resolution,
      ),
      scale,
    );
  const fitted = Object.fromEntries(
    settingNames.map((name) => {
      const { type, limits } = settingTable[name];
      const range = limits(unit);
      const value = wished[name];
      if (type === "temperature") return [name, point(value as Temperature, range)];
      if (type === "difference") return [name, difference(value as TemperatureDifference, range)];
      return [name, within(value, range[0], range[1], TIME_STEP)];
    }),
  ) as unknown as Settings;
  return unit.kind === "oneDifferential" ? { ...fitted, coolingDifferential: fitted.heatingDifferential } : fitted;
}
