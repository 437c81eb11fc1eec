import * as z from "zod/mini";
import { differenceField, quantityField, temperatureField } from "./fields";

/** The room around the box. */
export const roomShape = {
  /** Coldest and warmest air of a day, °C, and the hour at which it is warmest. */
  low: temperatureField(-40, 60),
  high: temperatureField(-40, 60),
  warmestHour: quantityField(0, 24),
  /** How the season moves the daily mean, K in 30 days. */
  monthly: differenceField(-25, 25),
  /** By how much its winter is colder and its summer warmer than that, K. */
  winter: differenceField(-40, 0),
  summer: differenceField(0, 40),
};

export const cabinetKinds = [
  "upright",
  "underCounter",
  "fridgeFreezer",
  "chest",
  "wine",
  "foam",
  "warmBox",
  "crock",
  "kettle",
  "drum",
  "brick",
  "jacketed",
] as const;

/** How worn a bought cabinet is. */
export const cabinetAges = ["new", "worn", "old"] as const;
export type CabinetAge = (typeof cabinetAges)[number];

export const cabinetShape = {
  kind: z.enum(cabinetKinds),
  /** Outside measures, m. */
  height: quantityField(0.1, 3),
  width: quantityField(0.1, 3),
  depth: quantityField(0.1, 3),
  /** Wall thickness, m, and conductivity of what it is made of, W/mK. */
  insulation: quantityField(0.0005, 0.5),
  conductivity: quantityField(0.015, 60),
  /** Insulation laid around the outside of it, m; 0 is none. */
  jacket: quantityField(0, 0.3),
  /** Of a bought cabinet: foam and seal lose with the years. */
  age: z.enum(cabinetAges),
  /** A collar that raises a chest's lid, m; 0 is none. */
  collar: quantityField(0, 1),
  /** A circulation fan, or a pump in a kettle. */
  fan: z.boolean(),
  /** Water around the food in a pot or slow cooker, m³. */
  bath: quantityField(0, 0.2),
  /** Relative humidity that evaporation meets: of the room's air where it is vented or open, of its own where it is shut. */
  humidity: quantityField(0, 0.99),
};

/** W/K and J/K. */
export const conductance = quantityField(0, 2000);
export const capacity = quantityField(1, 5_000_000);

/** The box's own parameters in the network: capacities in J/K, conductances in W/K, films in W/m²K. */
export const thermalShape = {
  airCapacity: capacity,
  liningCapacity: capacity,
  /** Layers that the wall is divided into between its inner face and the room. */
  wallLayers: z.int().check(z.minimum(1), z.maximum(4)),
  airToLining: conductance,
  liningToRoom: conductance,
  airToRoom: conductance,
  /** What an open door or a lid off adds between the air and the room. */
  openToRoom: conductance,
  filmToAir: quantityField(0, 2000),
  filmToLining: quantityField(0, 2000),
  fanHeat: quantityField(0, 500),
  /** Exponent by which films of still air grow with the difference: a quarter by natural convection; 0: not at all. */
  filmGrows: quantityField(0, 0.35),
};
