import type * as z from "zod/mini";
import { buildShape } from "./build";
import { cabinetShape, roomShape, thermalShape } from "./box";
import { coolerShape, fanShape, heaterShape, lightShape } from "./devices";
import type { Happening, RoomReadings, RoomSeries } from "./happenings";
import { bandShape, productShape, vesselShape } from "./load";
import { moistureShape } from "./moisture";
import { programShape, stageShape } from "./program";
import { probeShape, settingsShape, unitShape } from "./unit";
import { wiringShape } from "./wiring";

/**
 * The parts of a chamber as the core computes with them: every value present, SI units (°C, K, W, J, m, m³, s; hours
 * only for the clock). Single ones, and those that a chamber has a list of.
 */
export const sectionShapes = {
  room: roomShape,
  cabinet: cabinetShape,
  thermal: thermalShape,
  build: buildShape,
  wiring: wiringShape,
  moisture: moistureShape,
  heater: heaterShape,
  cooler: coolerShape,
  fan: fanShape,
  light: lightShape,
  unit: unitShape,
  settings: settingsShape,
  vessel: vesselShape,
  product: productShape,
  band: bandShape,
  probe: probeShape,
  stage: stageShape,
  program: programShape,
} as const;
export type SectionName = keyof typeof sectionShapes;
type Full<S extends z.core.$ZodShape> = z.infer<z.ZodMiniObject<S, z.core.$strict>>;

export type Room = Full<typeof roomShape>;
export type Cabinet = Full<typeof cabinetShape>;
export type CabinetKind = Cabinet["kind"];
export type Thermal = Full<typeof thermalShape>;
export type Build = Full<typeof buildShape>;
export type Wiring = Full<typeof wiringShape>;
export type Moisture = Full<typeof moistureShape>;
export type Heater = Full<typeof heaterShape>;
export type HeaterKind = Heater["kind"];
export type Cooler = Full<typeof coolerShape>;
export type CoolerKind = Cooler["kind"];
export type Fan = Full<typeof fanShape>;
export type Light = Full<typeof lightShape>;
export type Vessel = Full<typeof vesselShape>;
export type Product = Full<typeof productShape>;
export type Band = Full<typeof bandShape>;
export type Stage = Full<typeof stageShape>;
export type Wish = Stage["wish"];
export type Program = Full<typeof programShape>;
export type Probe = Full<typeof probeShape>;
export type Unit = Full<typeof unitShape>;
export type UnitKind = Unit["kind"];
export type Settings = Full<typeof settingsShape>;
export type SettingName = keyof Settings;
export type ProductKind = Product["kind"];
export type ProbePlace = Probe["place"];

/** An entry of a list, with the name that edits and happenings call it by. */
export type Named<T> = T & { id: string };

/** What is filled into one vessel, or several that are alike, and how cold and warm it may be where that is its own. */
export type LoadedVessel = Named<Vessel> & { product: Product; band: Band | null };
/** A probe with the vessel in or on which it sits (its place says how; in the air or the room it is the nearest one). */
export type PlacedProbe = Named<Probe> & { in: string };
/** A heater or a cooler stands at a vessel: what touches a vessel touches that one. */
export type PlacedHeater = Named<Heater> & { at: string };
export type PlacedCooler = Named<Cooler> & { at: string };

/** A controller: its unit, the probes that it reads (the first decides), and the devices on each of its outlets. */
export interface Controller {
  id: string;
  unit: Unit;
  probes: string[];
  heat: string[];
  cold: string[];
}

/** A chamber with every value filled in, but for the settings: what the network is built from. */
export interface Chamber {
  room: Room;
  /** What is in the place of the daily swing. */
  recorded: RoomReadings | RoomSeries | null;
  cabinet: Cabinet;
  thermal: Thermal;
  build: Build;
  wiring: Wiring;
  moisture: Moisture;
  heaters: PlacedHeater[];
  coolers: PlacedCooler[];
  fans: Named<Fan>[];
  lights: Named<Light>[];
  controllers: Controller[];
  vessels: LoadedVessel[];
  probes: PlacedProbe[];
  stages: Named<Stage>[];
  program: Program;
  happenings: Happening[];
}
