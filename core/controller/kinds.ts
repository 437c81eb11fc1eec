import type { Edit, SettingName, Settings, Unit, UnitKind } from "../model";
import { settingTable } from "./settingTable";

/** What is plugged into a controller's outlets: the sentence leaves out what is not there. */
export interface Plugged {
  heater: boolean;
  cooler: boolean;
  /** The cooler is a compressor, which needs its rest. */
  compressor?: boolean;
  /** Another controller switches a heater, or a cooler. */
  heaterElsewhere?: boolean;
  coolerElsewhere?: boolean;
}

interface Kind {
  label: string;
  rule: string;
}

/** The on/off kinds, each with its switching rule in words. */
export const unitKindTable: Record<UnitKind, Kind> = {
  twoDifferentials: {
    label: "Two outlets, two differentials",
    rule: "Heat comes on one heating differential below the setpoint, cold one cooling differential above; both go off at the setpoint.",
  },
  oneDifferential: {
    label: "Two outlets, one differential",
    rule: "The same number on both sides of the setpoint; both go off at the setpoint.",
  },
  cutIn: {
    label: "One outlet, comes on at the setpoint",
    rule: "It switches on at the setpoint and off one differential beyond it.",
  },
  cutOut: {
    label: "One outlet, goes off at the setpoint",
    rule: "It switches off at the setpoint and on one differential away from it.",
  },
  twoLimits: {
    label: "One outlet, two limits",
    rule: "On at one number, off at the other.",
  },
  heatOnly: {
    label: "Heat only, alarms as distances",
    rule: "On below the setpoint, off at it. Alarm numbers are degrees away from the setpoint; 0 is off.",
  },
  watch: {
    label: "Watches only, with alarms",
    rule: "It switches nothing: it shows its probe and sounds its alarms.",
  },
};

/** Whether a unit can switch heat, and cold. */
export const outletsOf = ({ kind, outlet }: Pick<Unit, "kind" | "outlet">): { heat: boolean; cold: boolean } => {
  if (kind === "watch") return { heat: false, cold: false };
  if (kind === "heatOnly") return { heat: true, cold: false };
  if (kind === "cutIn" || kind === "cutOut" || kind === "twoLimits")
    return { heat: outlet === "heat", cold: outlet === "cool" };
  return { heat: true, cold: true };
};

/** The parameters that are keyed into a unit, in the plain order. */
function plainOrder(unit: Unit): SettingName[] {
  const { heat } = outletsOf(unit);
  const switching: Record<UnitKind, SettingName[]> = {
    twoDifferentials: ["setpoint", "heatingDifferential", "coolingDifferential"],
    oneDifferential: ["setpoint", "heatingDifferential"],
    cutIn: ["setpoint", heat ? "heatingDifferential" : "coolingDifferential"],
    cutOut: ["setpoint", heat ? "heatingDifferential" : "coolingDifferential"],
    twoLimits: ["lowLimit", "highLimit"],
    heatOnly: ["setpoint", "heatingDifferential"],
    watch: unit.alarms === "deviation" ? ["setpoint"] : [],
  };
  const alarms: Record<Unit["alarms"], SettingName[]> = {
    none: [],
    absolute: ["lowAlarm", "highAlarm"],
    deviation: ["lowDeviation", "highDeviation"],
  };
  const delay: SettingName[] = outletsOf(unit).cold && unit.delayHigh > 0 ? ["compressorDelay"] : [];
  return [
    ...switching[unit.kind],
    ...delay,
    ...alarms[unit.alarms],
    ...(unit.offsetLimit > 0 ? ["offset" as const] : []),
  ];
}

/** The parameters that are keyed into a unit, in the order of its own menu where its sheet says one. */
export function parametersOf(unit: Unit): SettingName[] {
  const order = plainOrder(unit);
  const position = (name: SettingName) => unit.labels[name]?.position || Infinity;
  return order
    .map((name, i) => ({ name, i, at: position(name) }))
    .sort((a, b) => (a.at === b.at ? a.i - b.i : a.at - b.at))
    .map(({ name }) => name);
}

/** Those of them that decide where it switches. */
export const switchingParametersOf = (unit: Unit): SettingName[] =>
  outletsOf(unit).heat || outletsOf(unit).cold
    ? parametersOf(unit).filter((name) => settingTable[name].decides === "switching")
    : [];

/** Edits that key settings into a unit: all of its parameters, or only those that decide where it switches. */
export const settingEdits = (
  settings: Settings,
  unit: Unit,
  at: { id?: string; stage?: string },
  onlySwitching = false,
): Edit[] =>
  (onlySwitching ? switchingParametersOf(unit) : parametersOf(unit)).map(
    (field) => ({ section: "settings", field, ...at, value: settings[field] }) as Edit,
  );

/** Plain words for a parameter on a kind of unit. */
export const plainLabel = (name: SettingName, unit: Pick<Unit, "kind" | "outlet">): string =>
  settingTable[name].label({ kind: unit.kind, ...outletsOf(unit) });

/** A parameter as its owner's unit calls it; plain words where the sheet says nothing. */
export const labelOf = (name: SettingName, unit: Unit): string => unit.labels[name]?.label || plainLabel(name, unit);
