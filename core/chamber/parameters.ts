import type { CabinetKind, Chamber, Thermal } from "../model";
import { isVesselItself } from "./geometry";
import { hasCooler, hasHeater } from "./network";

export interface ParameterInfo {
  field: keyof Thermal;
  label: string;
  unit: "J/K" | "W/K" | "W/m²K" | "W" | "layers";
  /** What it is and what a larger one does. */
  meaning: string;
  /** Step of the field, in its unit. */
  step: number;
}

const info = (
  field: keyof Thermal,
  label: string,
  unit: ParameterInfo["unit"],
  meaning: string,
  step: number,
): ParameterInfo => ({ field, label, unit, meaning, step });

/** Words for the medium and the lining of a kind of box. */
function partsOf(kind: CabinetKind): { medium: string; lining: string } {
  if (kind === "crock") return { medium: "water bath", lining: "crock" };
  if (kind === "kettle") return { medium: "liquid around the element", lining: "steel" };
  if (kind === "jacketed") return { medium: "headspace", lining: "jacket" };
  return { medium: "air", lining: kind === "brick" || kind === "drum" ? "wall" : "inner lining" };
}

/** The network's parameters that a chamber has, each with its meaning, for people. */
export function parametersInfo(chamber: Chamber): ParameterInfo[] {
  const { medium, lining } = partsOf(chamber.cabinet.kind);
  const heats = hasHeater(chamber);
  const cold = hasCooler(chamber) || chamber.cooler.kind === "ice";
  return [
    info("airCapacity", `Heat stored in the ${medium}`, "J/K", "More of it swings less and answers later.", 10),
    info(
      "liningCapacity",
      `Heat stored in the ${lining}`,
      "J/K",
      "It evens out the night, and keeps heat and cold.",
      500,
    ),
    info("wallLayers", "Layers of the wall", "layers", "A thick, heavy wall needs three: it delays the day.", 1),
    info("airToLining", `Between ${medium} and ${lining}`, "W/K", "How well they exchange heat; a fan raises it.", 0.5),
    info("liningToRoom", `Between ${lining} and room`, "W/K", "The loss through the wall.", 0.05),
    info("airToRoom", `Between ${medium} and room`, "W/K", "Leaks at seal, lid and cable holes.", 0.05),
    info("openToRoom", "Added while it is open", "W/K", "How fast an open door or lid lets the room in.", 1),
    info(
      "filmToAir",
      `From ${medium} to the product`,
      "W/m²K",
      "The film on the vessel\u2019s surface; a fan raises it.",
      0.5,
    ),
    info("filmToLining", `From ${lining} to the product`, "W/m²K", "Radiation and contact.", 0.5),
    ...(heats
      ? [
          info("heaterCapacity", "Heat stored in the heater", "J/K", "What it still gives off after it is cut.", 10),
          info("heaterToAir", `Heater to ${medium}`, "W/K", "A small value lets it get hot and run on.", 0.1),
          info("heaterToLining", `Heater to ${lining}`, "W/K", "Heat that goes straight into the wall.", 0.1),
          info("heaterToVessel", "Heater to the product", "W/K", "Belt, mat or plate touching the vessel.", 0.1),
          info("heaterToRoom", "Heater to room", "W/K", "Heat that never gets in.", 0.05),
        ]
      : []),
    ...(cold
      ? [
          info("coldCapacity", "Cold stored in the cold body", "J/K", "What it still takes after it stops.", 50),
          info("coldToAir", `Cold body to ${medium}`, "W/K", "A small value makes it colder and weaker.", 0.1),
          info("coldToLining", `Cold body to ${lining}`, "W/K", "Cold walls, as in a chest.", 0.1),
          info("coldToVessel", "Cold body to the product", "W/K", "A plate touching the vessel.", 0.1),
          info("coldToRoom", "Cold body to room", "W/K", "Heat that leaks back through a plate that is off.", 0.05),
        ]
      : []),
    info(
      "fanHeat",
      isVesselItself(chamber.cabinet.kind) ? "Heat of the pump" : "Heat of the fan",
      "W",
      "It warms the inside all the time it runs.",
      1,
    ),
  ];
}
