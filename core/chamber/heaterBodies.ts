import type { HeaterKind } from "../model";
import { referenceCabinet } from "./reference";

interface Body {
  label: string;
  /** J/K and W/K: engineering estimates (docs/sources.md). */
  capacity: number;
  toAir: number;
  toLining: number;
  toVessel: number;
  toRoom: number;
  /** Light falls on what stands near. */
  light?: true;
  note: string;
}

const body = (
  label: string,
  capacity: number,
  toAir: number,
  toLining: number,
  toVessel: number,
  note: string,
  toRoom = 0,
): Body => ({ label, capacity, toAir, toLining, toVessel, toRoom, note });

const { smallHeater, largeHeater } = referenceCabinet;

/** Heaters by what they store and where their heat goes: residual heat is part of each. */
export const heaterBodies: Record<HeaterKind, Body> = {
  none: body("None", 1, 0, 0, 0, "Nothing lifts the temperature but the room and the product itself."),
  tube: body(
    "Tube heater",
    smallHeater.capacity,
    smallHeater.toAir,
    smallHeater.toLining,
    0,
    "Stays warm for some minutes after it is cut.",
  ),
  lamp: body("Ceramic lamp", 100, 1.2, 0.8, 0, "No light. Its face passes {200} {°}: two fixings, a guard."),
  bulb: {
    ...body("Light bulb", 40, 0.35, 0.25, 0, "Quick and cheap. Light spoils beer and dries a culture: shade it."),
    light: true,
  },
  belt: body("Heat belt", 150, 0.5, 0, 1.5, "Around the vessel; it heats the skin first."),
  mat: body("Heating mat", 400, 0.3, 1, 1.2, "Under the vessel; weak and gentle."),
  fanHeater: body(
    "Fan heater",
    largeHeater.capacity,
    largeHeater.toAir,
    largeHeater.toLining,
    0,
    "Far too strong for a small box unless cut down.",
  ),
  immersion: body("Immersion element", 400, 150, 0, 0, "In the liquid; it burns out when it falls dry."),
  element: body("Element of a slow cooker", 800, 0, 2.5, 0, "Heats the crock, the crock heats the water.", 0.25),
  plate: body("Plate, both ways", 900, 0, 0.2, 12, "The same plate heats and cools.", 0.3),
  charcoal: body("Charcoal with a blower", 3000, 7, 5, 0, "The blower is switched; the fire glows on when it rests."),
};
