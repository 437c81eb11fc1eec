import * as z from "zod";
import { differenceField, quantityField, temperatureField } from "./fields";

/**
 * The parts of a chamber as the core computes with them: every value present, SI units
 * (°C, K, W, J, m, m³, s; hours only for the clock).
 */
export const roomShape = {
  /** Coldest and warmest air around the cabinet, °C, and the hour at which it is warmest. */
  low: temperatureField(-40, 60),
  high: temperatureField(-40, 60),
  warmestHour: quantityField(0, 24),
};

export const cabinetShape = {
  kind: z.enum(["upright"]),
  /** Outside measures, m. */
  height: quantityField(0.4, 2.4),
  width: quantityField(0.35, 1.6),
  depth: quantityField(0.35, 1.2),
  /** Wall thickness, m, and conductivity of the foam, W/mK. */
  insulation: quantityField(0.01, 0.2),
  conductivity: quantityField(0.015, 0.08),
};

export const heaterShape = {
  /** Electrical power, W; 0 means that there is none. */
  power: quantityField(0, 3000),
};

export const coolerShape = {
  /** Cooling power at an evaporator of −23.3 °C and 25 °C of room, W; 0 means that there is none. */
  power: quantityField(0, 1000),
};

export const vesselShape = {
  /** Contents, m³. */
  volume: quantityField(0.0005, 0.2),
  startTemperature: temperatureField(-2, 100),
};

export const productKinds = ["ale", "lager", "farmhouse", "hold"] as const;
export const productShape = {
  kind: z.enum(productKinds),
  /** Specific gravities. */
  originalGravity: quantityField(1, 1.2),
  finalGravity: quantityField(0.98, 1.15),
  /** The culture's own range from its packet, °C. */
  packetLow: temperatureField(-2, 60),
  packetHigh: temperatureField(-2, 60),
};

export const stageShape = {
  /** Coldest and warmest that the product may be, and the aim between them, °C. */
  low: temperatureField(-5, 90),
  high: temperatureField(-5, 90),
  target: temperatureField(-5, 90),
};

export const probePlaces = ["air", "bare", "strapped", "dryWell", "filledWell", "waterBottle"] as const;
export const probeShape = {
  place: z.enum(probePlaces),
  /** How much the probe shows above the truth, K. */
  error: differenceField(-20, 20),
};

export const unitShape = {
  scale: z.enum(["C", "F"]),
  /** Step of the display, in degrees of the unit's scale. */
  resolution: quantityField(0.1, 1),
  setpointLow: temperatureField(-60, 150),
  setpointHigh: temperatureField(-60, 150),
  differentialLow: differenceField(0.05, 5),
  differentialHigh: differenceField(0.5, 40),
  /** Longest compressor delay that can be set, s. */
  delayHigh: quantityField(0, 3600),
  offsetLimit: differenceField(0, 30),
};

export const settingsShape = {
  setpoint: temperatureField(-60, 150),
  heatingDifferential: differenceField(0, 40),
  coolingDifferential: differenceField(0, 40),
  /** s */
  compressorDelay: quantityField(0, 3600),
  lowAlarm: temperatureField(-60, 150),
  highAlarm: temperatureField(-60, 150),
  offset: differenceField(-30, 30),
};

/** Every section by name: single ones, and those that a chamber has a list of. */
export const sectionShapes = {
  room: roomShape,
  cabinet: cabinetShape,
  heater: heaterShape,
  cooler: coolerShape,
  unit: unitShape,
  settings: settingsShape,
  vessel: vesselShape,
  product: productShape,
  probe: probeShape,
  stage: stageShape,
} as const;

export type SectionName = keyof typeof sectionShapes;
type Full<S extends z.ZodRawShape> = z.infer<z.ZodObject<S>>;

export type Room = Full<typeof roomShape>;
export type Cabinet = Full<typeof cabinetShape>;
export type Heater = Full<typeof heaterShape>;
export type Cooler = Full<typeof coolerShape>;
export type Vessel = Full<typeof vesselShape>;
export type Product = Full<typeof productShape>;
export type Stage = Full<typeof stageShape>;
export type Probe = Full<typeof probeShape>;
export type Unit = Full<typeof unitShape>;
export type Settings = Full<typeof settingsShape>;
export type ProductKind = Product["kind"];
export type ProbePlace = Probe["place"];

/** A chamber with every value filled in, but for the settings: what the network is built from. */
export interface Chamber {
  room: Room;
  cabinet: Cabinet;
  heater: Heater;
  cooler: Cooler;
  unit: Unit;
  vessels: (Vessel & { product: Product })[];
  probes: Probe[];
  stages: Stage[];
}
