import type { Edit, SettingName, Settings, Unit, UnitKind } from "../model";

/** What is plugged in: the sentence leaves out what is not there. */
export interface Plugged {
  heater: boolean;
  cooler: boolean;
  /** The cooler is a compressor, which needs its rest. */
  compressor?: boolean;
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
  pair: {
    label: "Two opposed units, one for heat, one for cold",
    rule: "Each goes off at its own setpoint. Nothing but their numbers keeps them from working against each other.",
  },
};

/** Whether a unit can switch heat, and cold. */
export const outletsOf = ({ kind, outlet }: Pick<Unit, "kind" | "outlet">): { heat: boolean; cold: boolean } => {
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
    pair: ["setpoint", "heatingDifferential", "coldSetpoint", "coolingDifferential"],
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

const switchingNames: readonly SettingName[] = [
  "setpoint",
  "heatingDifferential",
  "coolingDifferential",
  "coldSetpoint",
  "lowLimit",
  "highLimit",
];

/** Those of them that decide where it switches. */
export const switchingParametersOf = (unit: Unit): SettingName[] =>
  parametersOf(unit).filter((name) => switchingNames.includes(name));

/** Edits that key settings into a unit: all of its parameters, or only those that decide where it switches. */
export const settingEdits = (settings: Settings, unit: Unit, onlySwitching = false): Edit[] =>
  (onlySwitching ? switchingParametersOf(unit) : parametersOf(unit)).map(
    (field) => ({ section: "settings", field, value: settings[field] }) as Edit,
  );

/** Plain words for a parameter on a kind of unit. */
export function plainLabel(name: SettingName, unit: Pick<Unit, "kind" | "outlet">): string {
  const { kind } = unit;
  const { heat, cold } = outletsOf(unit);
  switch (name) {
    case "setpoint":
      return kind === "pair" ? "Heat unit: setpoint" : "Setpoint";
    case "coldSetpoint":
      return "Cold unit: setpoint";
    case "heatingDifferential":
      if (kind === "pair") return "Heat unit: differential";
      return kind === "oneDifferential" || !cold ? "Differential" : "Heating differential";
    case "coolingDifferential":
      if (kind === "pair") return "Cold unit: differential";
      return heat ? "Cooling differential" : "Differential";
    case "lowLimit":
      return heat ? "On at (low limit)" : "Off at (low limit)";
    case "highLimit":
      return heat ? "Off at (high limit)" : "On at (high limit)";
    case "compressorDelay":
      return "Compressor delay";
    case "lowAlarm":
      return "Low alarm";
    case "highAlarm":
      return "High alarm";
    case "lowDeviation":
      return "Low alarm, distance";
    case "highDeviation":
      return "High alarm, distance";
    case "offset":
      return "Probe offset";
  }
}

/** A parameter as its owner's unit calls it; plain words where the sheet says nothing. */
export const labelOf = (name: SettingName, unit: Unit): string => unit.labels[name]?.label || plainLabel(name, unit);
