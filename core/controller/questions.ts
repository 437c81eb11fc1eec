import type { Chamber, SettingName, Settings, Unit } from "../model";
import {
  differenceInScale,
  kelvins,
  printDifference,
  printNumber,
  printTemperature,
  type Scale,
  type TemperatureDifference,
} from "../quantity";
import type { ControlRequest } from "./settings";
import { labelOf, outletsOf, parametersOf, type Plugged } from "./kinds";
import { alarmsOf, pointsOf, type Points } from "./points";
import { resolutionOf } from "./unit";

/** Something typed that looks wrong, with the reason: a question, never a refusal. */
export interface Question {
  id:
    | "converted"
    | "exchanged"
    | "alarm-late"
    | "no-delay"
    | "warmer-room"
    | "limits-reversed"
    | "alarm-inside"
    | "units-fight"
    | "no-outlet";
  field: SettingName;
  text: string;
}

/** A differential of these degrees Fahrenheit is what a few tenths to three degrees Celsius become as a temperature. */
const CONVERTED = { low: 32.4, high: 37.5 } as const;
/** Differentials in use end here, K (common practice: 0.3 to 2 °C; no source). */
const USUAL_MOST = 8;
/** An alarm this far past the band comes when the product is lost already, K. */
const LATE = 5;

export interface QuestionContext {
  request: ControlRequest;
  advised: Settings;
  room: Chamber["room"];
  plugged: Plugged;
  /** The product gives off heat of its own. */
  ownHeat: boolean;
  /** Where other controllers bring heat for the same product; null where none does. */
  heatOfAnother?: Pick<Points, "heatOn" | "heatOff"> | null;
}

/** Questions about settings that can be keyed in but look wrong. */
export function questionsOf(
  settings: Settings,
  unit: Unit,
  about: QuestionContext,
  scale: Scale = unit.scale,
): Question[] {
  const { request, advised, room, plugged } = about;
  const found: Question[] = [];
  const step = resolutionOf(unit);
  const parameters = parametersOf(unit);
  const at = (t: number) => printTemperature(t as never, scale);
  const by = (d: number) => printDifference(d as TemperatureDifference, scale);
  const push = (id: Question["id"], field: SettingName, text: string) => found.push({ id, field, text });
  const points = pointsOf(settings, unit);
  const { heat, cold } = outletsOf(unit);

  for (const field of ["heatingDifferential", "coolingDifferential"] as const) {
    if (!parameters.includes(field)) continue;
    const shown = differenceInScale(settings[field], unit.scale);
    const name = labelOf(field, unit);
    if (unit.scale === "F" && shown >= CONVERTED.low && shown <= CONVERTED.high)
      push(
        "converted",
        field,
        `${name}: ${printNumber(shown, 0.1)} °F looks like ${printNumber((shown - 32) / 1.8, 0.1)} °C turned into a temperature. As a difference that is ${printNumber(shown - 32, 0.1)} °F: no 32 is added.`,
      );
    else if (settings[field] > USUAL_MOST)
      push(
        "converted",
        field,
        `${name}: ${by(settings[field])} is far more than anybody uses. Is it the setpoint (${at(settings.setpoint)}) or a temperature in the other scale?`,
      );
  }
  if (
    unit.kind === "twoDifferentials" &&
    Math.abs(advised.heatingDifferential - advised.coolingDifferential) > 4 * step &&
    Math.abs(settings.heatingDifferential - advised.coolingDifferential) < 1.5 * step &&
    Math.abs(settings.coolingDifferential - advised.heatingDifferential) < 1.5 * step
  )
    push(
      "exchanged",
      "heatingDifferential",
      `Are the two differentials exchanged? Your band asks for ${by(advised.heatingDifferential)} on the side of the heat and ${by(advised.coolingDifferential)} on the side of the cold; it is the other way round here.`,
    );

  const alarms = alarmsOf(settings, unit);
  const lowField = unit.alarms === "deviation" ? "lowDeviation" : "lowAlarm";
  const highField = unit.alarms === "deviation" ? "highDeviation" : "highAlarm";
  if (alarms.low !== null && request.low - alarms.low > LATE)
    push(
      "alarm-late",
      lowField,
      `The low alarm waits for ${at(alarms.low)}, ${by(request.low - alarms.low)} below the coldest that you allow${alarms.low < room.low ? ", and colder than the room ever is" : ""}: it can never sound in time.`,
    );
  if (alarms.high !== null && alarms.high - request.high > LATE)
    push(
      "alarm-late",
      highField,
      `The high alarm waits for ${at(alarms.high)}, ${by(alarms.high - request.high)} above the warmest that you allow: it can never sound in time.`,
    );
  if (alarms.low !== null && heat && alarms.low >= points.heatOn)
    push("alarm-inside", lowField, `The low alarm at ${at(alarms.low)} sounds each time before the heat comes on.`);
  if (alarms.high !== null && cold && plugged.cooler && alarms.high <= points.coldOn)
    push("alarm-inside", highField, `The high alarm at ${at(alarms.high)} sounds each time before the cold comes on.`);

  if (plugged.compressor && cold && settings.compressorDelay === 0)
    push(
      "no-delay",
      "compressorDelay",
      unit.delayHigh > 0
        ? "A delay of zero on a compressor: it protects it from starting against pressure and is no matter of patience. 3 to 10 minutes are usual."
        : "This unit has no compressor delay. A compressor that is started against pressure draws many times its current: choose a wide differential, or a unit with a delay.",
    );
  const top = Math.max(points.heatOff, request.target);
  if (heat && !(cold && plugged.cooler) && !plugged.coolerElsewhere && room.high > top && !about.ownHeat)
    push(
      "warmer-room",
      parameters[0]!,
      `Heat is all that this unit can do here, and the room gets to ${at(room.high)}, warmer than ${at(top)}. For those hours nothing holds the product down.`,
    );
  if (unit.kind === "twoLimits" && settings.lowLimit >= settings.highLimit)
    push(
      "limits-reversed",
      "lowLimit",
      `The low limit (${at(settings.lowLimit)}) is not below the high one (${at(settings.highLimit)}). ${unit.outlet === "heat" ? "Heat comes on at the low one and goes off at the high one." : "Cold comes on at the high one and goes off at the low one."}`,
    );
  if (about.heatOfAnother && cold && plugged.cooler) {
    const other = about.heatOfAnother;
    const overlap = Math.max(other.heatOff - points.coldOn, other.heatOn - points.coldOff);
    const gap = points.coldOn - other.heatOff;
    if (overlap >= 0)
      push(
        "units-fight",
        "setpoint",
        `The two units work against each other: heat runs up to ${at(other.heatOff)} while cold runs down to ${at(points.coldOff)}, both at once for ${by(kelvins(overlap + step))}. Set the cold unit higher or the heat unit lower.`,
      );
    else if (other.heatOff > points.coldOff)
      push(
        "units-fight",
        "setpoint",
        `The heat goes off at ${at(other.heatOff)}, above where the cold goes off (${at(points.coldOff)}): each undoes the other\u2019s work. Let the cold unit\u2019s setpoint be at least the heat unit\u2019s.`,
      );
    else if (gap < 1)
      push(
        "units-fight",
        "setpoint",
        `Only ${by(gap)} lie between the end of heat and the start of cold. Two probes differ by as much as 1\u00a0K (1.8 °F): leave more.`,
      );
  }
  if (unit.kind === "watch") return found;
  if (plugged.heater && !heat && !plugged.cooler)
    push("no-outlet", parameters[0]!, "This unit switches cold, but only a heater is there. Set its outlet to heat.");
  if (plugged.cooler && !cold && !plugged.heater)
    push("no-outlet", parameters[0]!, "This unit switches heat, but only cooling is there. Set its outlet to cold.");
  return found;
}
