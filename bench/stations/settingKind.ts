import { parameterType } from "@/core/controller";
import type { SettingName, Unit } from "@/core/model";
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
