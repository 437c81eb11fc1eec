import type { SettingName, Settings, Unit } from "../model";
import {
  kelvins,
  printDifference,
  printDuration,
  printTemperature,
  type Scale,
  type Temperature,
  type TemperatureDifference,
} from "../quantity";
import { switchingOf } from "./counts";
import { labelOf, parametersOf } from "./kinds";
import type { ControlRequest } from "./settings";
import { settingTable } from "./settingTable";
import { resolutionOf } from "./unit";

/** Something asked that the unit does not give, with the nearest that it can. */
export interface SettingsFinding {
  id: "heat-leaves-band" | "cold-leaves-band" | "cannot-set";
  field: keyof Settings;
  /** One sentence in the unit's own scale. */
  text: string;
}

const SLACK = 1e-6;

/** Whether a parameter is a difference, a temperature or a time: they print, convert and step differently. */
export const parameterType = (name: SettingName): "difference" | "temperature" | "time" => settingTable[name].type;

/** Prints one setting at the unit's resolution, or in the other scale in tenths. */
export function printSetting(settings: Settings, field: keyof Settings, unit: Unit, scale: Scale = unit.scale): string {
  const resolution = scale === unit.scale ? unit.resolution : 0.1;
  if (field === "compressorDelay") return settings[field] === 0 ? "0\u00a0min" : printDuration(settings[field]);
  if (field === "offset") return printDifference(settings[field], scale, resolution, true);
  return parameterType(field) === "difference"
    ? printDifference(settings[field] as TemperatureDifference, scale, resolution)
    : printTemperature(settings[field] as Temperature, scale, resolution);
}

/**
 * Findings on settings: one if and only if the temperatures at which the unit really switches leave the asked band by
 * more than its resolution, or a wished value lies beyond what can be set.
 * @param wished what was asked for, before it was fitted to the unit
 * @param settings what is keyed in
 */
export function findingsOf(
  request: ControlRequest,
  wished: Settings,
  settings: Settings,
  unit: Unit,
  scale: Scale = unit.scale,
): SettingsFinding[] {
  const found: SettingsFinding[] = [];
  const step = resolutionOf(unit);
  const show = (t: Temperature) => printTemperature(t, scale);
  const exactly = (t: Temperature) => printTemperature(t, scale, 0.01);
  const showBy = (d: number) => printDifference(kelvins(d), scale, 0.01);
  const say = (field: keyof Settings) => printSetting(settings, field, unit, scale);

  const cannot = (field: keyof Settings, asked: string) =>
    found.push({
      id: "cannot-set",
      field,
      text: `${labelOf(field, unit)}: ${asked} cannot be set on this unit. The nearest is ${say(field)}.`,
    });
  for (const field of parametersOf(unit)) {
    const asked = wished[field];
    const type = parameterType(field);
    if (Math.abs(asked - settings[field]) <= (type === "time" ? 30 : step / 2) + SLACK) continue;
    cannot(
      field,
      type === "time" ? printDuration(asked) : type === "difference" ? showBy(asked) : show(asked as Temperature),
    );
  }

  const at = switchingOf(settings, unit, request.error);
  if (at.heatOn !== null && at.heatOn < request.low - step - SLACK)
    found.push({
      id: "heat-leaves-band",
      field: "heatingDifferential",
      text: `Heat comes on at ${exactly(at.heatOn)} at the probe, ${showBy(request.low - at.heatOn)} below the coldest that you allow.${nearest(request, settings, unit, "heating", scale)}`,
    });
  if (at.coldOn !== null && at.coldOn > request.high + step + SLACK)
    found.push({
      id: "cold-leaves-band",
      field: "coolingDifferential",
      text: `Cold comes on at ${exactly(at.coldOn)} at the probe, ${showBy(at.coldOn - request.high)} above the warmest that you allow.${nearest(request, settings, unit, "cooling", scale)}`,
    });
  return found;
}

/** Why the differential is as wide as it is, and the nearest that can be had. */
function nearest(
  request: ControlRequest,
  settings: Settings,
  unit: Unit,
  side: "heating" | "cooling",
  scale: Scale,
): string {
  const field = side === "heating" ? "heatingDifferential" : "coolingDifferential";
  const step = resolutionOf(unit);
  const floor = request.margins?.[side] ?? 0;
  const say = printSetting(settings, field, unit, scale);
  const setpoint = settings.setpoint - settings.offset - request.error;
  if (setpoint < request.low || setpoint > request.high)
    return " The setpoint itself lies outside of the band: move it first.";
  if (settings[field] <= unit.differentialLow + step / 2)
    return ` ${say} is the smallest differential this unit takes.`;
  if (settings[field] <= floor + step)
    return ` A smaller differential than ${say} could let heat and cold chase each other; a probe nearer the product needs less.`;
  const room = side === "heating" ? settings.setpoint - request.low : request.high - settings.setpoint;
  const fits = kelvins(Math.max(floor, room, unit.differentialLow));
  return ` A ${side} differential of ${printDifference(fits, scale, unit.scale === scale ? unit.resolution : 0.1)} is the nearest that fits.`;
}
