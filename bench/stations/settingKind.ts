import { labelOf, parameterType } from "@/core/controller";
import { sayProblem, settingNames, type Problem, type SettingName, type Unit } from "@/core/model";
import { differenceKind, minutesKind, temperatureKind, type FieldKind } from "@/parts/fields";

/** The number field of a parameter at the unit's own resolution, or in tenths in the other scale. */
export function settingKind(name: SettingName, unit: Unit, scale: Unit["scale"]): FieldKind {
  const resolution = scale === unit.scale ? unit.resolution : 0.1;
  const type = parameterType(name);
  if (type === "time") return minutesKind;
  return type === "difference"
    ? differenceKind(scale, resolution, name === "offset")
    : temperatureKind(scale, resolution);
}

/** Why settings were not taken over: of one of them with its label, in its own unit. */
export function settingProblem(problem: Problem, unit: Unit, scale: Unit["scale"]): string {
  const name = settingNames.find((n) => problem.at.includes(n));
  return name
    ? `${labelOf(name, unit)}: ${sayProblem(problem, settingKind(name, unit, scale).say)}`
    : sayProblem(problem);
}
