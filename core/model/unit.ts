import * as z from "zod/mini";
import { differenceField, quantityField, temperatureField } from "./fields";

export const probePlaces = ["air", "bare", "strapped", "dryWell", "filledWell", "waterBottle", "core", "room"] as const;
export const probeShape = {
  place: z.enum(probePlaces),
  /** How much the probe shows above the truth, K. */
  error: differenceField(-20, 20),
  /** Time constant in its place, s, and its share of the product (the rest is air). */
  lag: quantityField(1, 20_000),
  share: quantityField(0, 1),
  /** Standard deviation of a reading, and the step of the sensor itself, K. */
  noise: quantityField(0, 5),
  step: quantityField(0, 2),
};

export const unitKinds = [
  "twoDifferentials",
  "oneDifferential",
  "cutIn",
  "cutOut",
  "twoLimits",
  "heatOnly",
  "watch",
] as const;

export const settingsShape = {
  setpoint: temperatureField(-60, 250),
  heatingDifferential: differenceField(0, 60),
  coolingDifferential: differenceField(0, 60),
  /** Of a unit with two limits. */
  lowLimit: temperatureField(-60, 250),
  highLimit: temperatureField(-60, 250),
  /** s */
  compressorDelay: quantityField(0, 3600),
  lowAlarm: temperatureField(-60, 250),
  highAlarm: temperatureField(-60, 250),
  /** Degrees away from the setpoint; 0 is off. */
  lowDeviation: differenceField(0, 100),
  highDeviation: differenceField(0, 100),
  offset: differenceField(-30, 30),
};
export const settingNames = Object.keys(settingsShape) as (keyof typeof settingsShape)[];

/** What a parameter is called on somebody's own unit, and the how manyth it is in its menu (0: not said). */
export const sheetLabel = z.strictObject({
  label: z.string().check(z.maxLength(24)),
  position: z.int().check(z.minimum(0), z.maximum(99)),
});

/** Moments at which a display shows something else than a temperature. */
export const displayMoments = ["probeOpen", "probeShorted", "alarm", "resting"] as const;
export type DisplayMoment = (typeof displayMoments)[number];

export const unitShape = {
  kind: z.enum(unitKinds),
  /** What a unit with one outlet switches. */
  outlet: z.enum(["heat", "cool"]),
  /** What switches its outlets: a mechanical relay wears with each start, an electronic one does not. */
  switchedBy: z.enum(["relay", "solidState"]),
  scale: z.enum(["C", "F"]),
  /** Step of the display, in degrees of the unit's scale. */
  resolution: quantityField(0.1, 1),
  setpointLow: temperatureField(-60, 250),
  setpointHigh: temperatureField(-60, 250),
  differentialLow: differenceField(0.05, 5),
  differentialHigh: differenceField(0.5, 60),
  /** Longest compressor delay that can be set, s; 0: it has none. */
  delayHigh: quantityField(0, 3600),
  offsetLimit: differenceField(0, 30),
  /** The delay also runs after power-up. */
  restAtStart: z.boolean(),
  alarms: z.enum(["absolute", "deviation", "none"]),
  /** s that an alarm waits, and K by which the reading has to come back before it stops. */
  alarmDelay: quantityField(0, 7200),
  alarmHysteresis: differenceField(0, 10),
  /** What it does when the probe is unplugged: both outlets off, left as they are, or it takes it for a temperature. */
  atFault: z.enum(["off", "hold", "blind"]),
  /** Its sheet: a name, how one enters and leaves the menu, what a pause does, and the labels on its display. */
  name: z.string().check(z.maxLength(40)),
  enter: z.string().check(z.maxLength(160)),
  leave: z.string().check(z.maxLength(160)),
  pause: z.enum(["unknown", "saves", "drops"]),
  pauseAfter: quantityField(0, 600),
  labels: z.partialRecord(z.enum(settingNames as [string, ...string[]]), sheetLabel),
  /** What its display shows then, as it stands there. */
  shows: z.partialRecord(z.enum(displayMoments), z.string().check(z.maxLength(12))),
};
