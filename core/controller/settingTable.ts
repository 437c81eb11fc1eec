import type { SettingName, Unit } from "../model";
import { kelvins, type TemperatureDifference } from "../quantity";

interface Having {
  kind: Unit["kind"];
  heat: boolean;
  cold: boolean;
}

/** All that is to be known of one setting, in one place. */
interface Setting {
  /** They print, convert and step differently. */
  type: "temperature" | "difference" | "time";
  /** Plain words on a kind of unit. */
  label: (unit: Having) => string;
  /** What it decides: where outlets switch, when an alarm sounds, or how the unit reads and rests. */
  decides: "switching" | "alarm" | "unit";
  /** Lowest and highest that can be set; of a temperature °C, of a difference K, of a time s. */
  limits: (unit: Unit) => [low: number, high: number];
  /** It belongs to the unit and not to a stage: what is keyed in for one stage stands in the next. */
  stays?: true;
  /** It has a sign. */
  signed?: true;
  /** One sentence beside its field. */
  hint?: string;
}

const setpoints = (u: Unit): [number, number] => [u.setpointLow, u.setpointHigh];
const differentials = (u: Unit): [number, number] => [u.differentialLow, u.differentialHigh];
const deviations = (): [TemperatureDifference, TemperatureDifference] => [kelvins(0), kelvins(100)];

/** Step of a time that is keyed in, s. */
export const TIME_STEP = 60;

export const settingTable: Record<SettingName, Setting> = {
  setpoint: { type: "temperature", label: () => "Setpoint", decides: "switching", limits: setpoints },
  heatingDifferential: {
    type: "difference",
    label: ({ kind, cold }) => (kind === "oneDifferential" || !cold ? "Differential" : "Heating differential"),
    decides: "switching",
    limits: differentials,
  },
  coolingDifferential: {
    type: "difference",
    label: ({ heat }) => (heat ? "Cooling differential" : "Differential"),
    decides: "switching",
    limits: differentials,
  },
  lowLimit: {
    type: "temperature",
    label: ({ heat }) => (heat ? "On at (low limit)" : "Off at (low limit)"),
    decides: "switching",
    limits: setpoints,
  },
  highLimit: {
    type: "temperature",
    label: ({ heat }) => (heat ? "Off at (high limit)" : "On at (high limit)"),
    decides: "switching",
    limits: setpoints,
  },
  compressorDelay: {
    type: "time",
    label: () => "Compressor delay",
    decides: "unit",
    limits: (u) => [0, u.delayHigh],
    stays: true,
    hint: "Rest between two starts; it protects the compressor.",
  },
  lowAlarm: { type: "temperature", label: () => "Low alarm", decides: "alarm", limits: setpoints },
  highAlarm: { type: "temperature", label: () => "High alarm", decides: "alarm", limits: setpoints },
  lowDeviation: {
    type: "difference",
    label: () => "Low alarm, distance",
    decides: "alarm",
    limits: deviations,
    hint: "Below the setpoint; 0 is off.",
  },
  highDeviation: {
    type: "difference",
    label: () => "High alarm, distance",
    decides: "alarm",
    limits: deviations,
    hint: "Above the setpoint; 0 is off.",
  },
  offset: {
    type: "difference",
    label: () => "Probe offset",
    decides: "unit",
    limits: (u) => [-u.offsetLimit, u.offsetLimit],
    stays: true,
    signed: true,
    hint: "True minus shown.",
  },
};
