import { parametersOf } from "@/core/controller";
import type { Edit, SettingName, Settings, Unit } from "@/core/model";

const switchingNames: readonly SettingName[] = [
  "setpoint",
  "heatingDifferential",
  "coolingDifferential",
  "coldSetpoint",
  "lowLimit",
  "highLimit",
];

/** Edits that key settings into a unit: all of its parameters, or only those that decide where it switches. */
export const settingEdits = (settings: Settings, unit: Unit, onlySwitching = false): Edit[] =>
  parametersOf(unit)
    .filter((name) => !onlySwitching || switchingNames.includes(name))
    .map((field) => ({ section: "settings", field, value: settings[field] }) as Edit);
