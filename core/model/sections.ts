import type * as z from "zod";
import { cabinetShape, roomShape, thermalShape } from "./box";
import { coolerShape, heaterShape } from "./devices";
import type { Happening, RoomSeries } from "./happenings";
import { productShape, stageShape, vesselShape } from "./load";
import { probeShape, settingsShape, unitShape } from "./unit";

/**
 * The parts of a chamber as the core computes with them: every value present, SI units (°C, K, W, J, m, m³, s; hours
 * only for the clock). Single ones, and those that a chamber has a list of.
 */
export const sectionShapes = {
  room: roomShape,
  cabinet: cabinetShape,
  thermal: thermalShape,
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
export type CabinetKind = Cabinet["kind"];
export type Thermal = Full<typeof thermalShape>;
export type Heater = Full<typeof heaterShape>;
export type HeaterKind = Heater["kind"];
export type Cooler = Full<typeof coolerShape>;
export type CoolerKind = Cooler["kind"];
export type Vessel = Full<typeof vesselShape>;
export type Product = Full<typeof productShape>;
export type Stage = Full<typeof stageShape>;
export type Wish = Stage["wish"];
export type Probe = Full<typeof probeShape>;
export type Unit = Full<typeof unitShape>;
export type UnitKind = Unit["kind"];
export type Settings = Full<typeof settingsShape>;
export type SettingName = keyof Settings;
export type ProductKind = Product["kind"];
export type ProbePlace = Probe["place"];

/** A chamber with every value filled in, but for the settings: what the network is built from. */
export interface Chamber {
  room: Room;
  roomSeries: RoomSeries | null;
  cabinet: Cabinet;
  thermal: Thermal;
  heater: Heater;
  cooler: Cooler;
  unit: Unit;
  vessels: (Vessel & { product: Product })[];
  probes: Probe[];
  stages: Stage[];
  happenings: Happening[];
}
