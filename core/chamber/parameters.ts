import type { Address, CabinetKind, Chamber, Thermal } from "../model";
import { cools, heats, isIce, isOnePlate } from "./devices";
import { coolerDefaults } from "./deviceDefaults";
import { isVesselItself } from "./geometry";
import { spanOf } from "./spans";
import { coolerBody, heaterBody, thermalDefaults, type DeviceBody } from "./thermal";

export interface ParameterInfo {
  /** Where it stands: with the box, or with one of its devices. */
  at: Address;
  label: string;
  unit: "J/K" | "W/K" | "W/m²K" | "W" | "layers" | "";
  /** What it is and what a larger one does. */
  meaning: string;
  /** Step of the field, in its unit. */
  step: number;
  value: number;
  /** What it would be if nobody had said anything. */
  estimate: number;
  /** From how small to how large a share of the estimate it may really be. */
  span: readonly [number, number];
}

type Words = [label: string, unit: ParameterInfo["unit"], meaning: string, step: number];

/** Words for the medium and the lining of a kind of box. */
function partsOf(kind: CabinetKind): { medium: string; lining: string } {
  if (kind === "crock") return { medium: "water bath", lining: "crock" };
  if (kind === "kettle") return { medium: "liquid around the element", lining: "steel" };
  if (kind === "jacketed") return { medium: "headspace", lining: "jacket" };
  return { medium: "air", lining: kind === "brick" || kind === "drum" ? "wall" : "inner lining" };
}

/** The body of a heater or a cooler, parameter by parameter. */
function bodyWords(name: string, medium: string, lining: string, hot: boolean): Record<keyof DeviceBody, Words> {
  return {
    bodyCapacity: [
      `${hot ? "Heat" : "Cold"} stored in the ${name}`,
      "J/K",
      hot ? "What it still gives off after it is cut." : "What it still takes after it stops.",
      hot ? 10 : 50,
    ],
    toAir: [
      `From ${name} to ${medium}`,
      "W/K",
      hot ? "A small value lets it get hot and run on." : "A small value makes it colder and weaker.",
      0.1,
    ],
    toLining: [
      `From ${name} to ${lining}`,
      "W/K",
      hot ? "Heat that goes straight into the wall." : "Cold walls, as in a chest.",
      0.1,
    ],
    toVessel: [`From ${name} to the product`, "W/K", "Belt, mat or plate touching the vessel.", 0.1],
    toRoom: [
      `From ${name} to the room`,
      "W/K",
      hot ? "Heat that never gets in." : "Heat that leaks back through a plate that is off.",
      0.05,
    ],
  };
}

/** The network's parameters that a chamber has, each with its meaning, for people. */
export function parametersInfo(chamber: Chamber): ParameterInfo[] {
  const { cabinet, thermal } = chamber;
  const { medium, lining } = partsOf(cabinet.kind);
  const estimates = thermalDefaults(cabinet, chamber.vessels[0]!);
  const ofBox: [keyof Thermal, ...Words][] = [
    ["airCapacity", `Heat stored in the ${medium}`, "J/K", "More of it swings less and answers later.", 10],
    ["liningCapacity", `Heat stored in the ${lining}`, "J/K", "It evens out the night, and keeps heat and cold.", 500],
    ["wallLayers", "Layers of the wall", "layers", "A thick, heavy wall needs three: it delays the day.", 1],
    ["airToLining", `Between ${medium} and ${lining}`, "W/K", "How well they exchange heat; a fan raises it.", 0.5],
    ["liningToRoom", `Between ${lining} and room`, "W/K", "The loss through the wall.", 0.05],
    ["airToRoom", `Between ${medium} and room`, "W/K", "Leaks at seal, lid and cable holes.", 0.05],
    [
      "filmGrows",
      "Films of still air grow with the difference to the power of",
      "",
      "0.25 by natural convection; 0: not at all. A fan ends it.",
      0.05,
    ],
    ["openToRoom", "Added while it is open", "W/K", "How fast an open door or lid lets the room in.", 1],
    [
      "filmToAir",
      `From ${medium} to the product`,
      "W/m²K",
      "The film on the vessel\u2019s surface: still air takes little; a fan raises it.",
      0.5,
    ],
    [
      "filmToLining",
      `From ${lining} to the product`,
      "W/m²K",
      "What they radiate to each other past the air, and contact. Bare steel takes a quarter of it.",
      0.5,
    ],
  ];
  const box = ([field, label, unit, meaning, step]: [keyof Thermal, ...Words]): ParameterInfo => ({
    at: { section: "thermal", field },
    label,
    unit,
    meaning,
    step,
    value: thermal[field],
    estimate: estimates[field],
    span: spanOf(field, cabinet.kind),
  });
  const body = (
    section: "heater" | "cooler",
    id: string,
    words: Record<keyof DeviceBody, Words>,
    own: DeviceBody,
    estimate: DeviceBody,
  ) =>
    (Object.keys(words) as (keyof DeviceBody)[]).map((field): ParameterInfo => {
      const [label, unit, meaning, step] = words[field];
      const span = spanOf(field, cabinet.kind);
      return {
        at: { section, field, id },
        label,
        unit,
        meaning,
        step,
        value: own[field],
        estimate: estimate[field],
        span,
      };
    });
  const numbered = (name: string, of: readonly unknown[], i: number) => (of.length > 1 ? `${name} ${i + 1}` : name);
  return [
    ...ofBox.map(box),
    ...chamber.heaters.flatMap((h, i) => {
      if (!heats(h)) return [];
      const plate = chamber.coolers.some((c) => isOnePlate(h, c));
      const words = bodyWords(numbered("heater", chamber.heaters, i), medium, lining, true);
      return body("heater", h.id, words, h, heaterBody(cabinet, h.kind, plate));
    }),
    ...chamber.coolers.flatMap((c, i) => {
      if (!cools(c) && !isIce(c)) return [];
      const words = bodyWords(numbered("cold body", chamber.coolers, i), medium, lining, false);
      const own = body("cooler", c.id, words, c, coolerBody(cabinet, c));
      if (c.kind !== "compressor") return own;
      const skin: ParameterInfo = {
        at: { section: "cooler", field: "skin", id: c.id },
        label: `Share of the cold that ${numbered("the condenser", chamber.coolers, i)} gives back to the wall`,
        unit: "",
        meaning: "A condenser in the skin warms the wall while it runs; one at the back gives nothing.",
        step: 0.05,
        value: c.skin,
        estimate: coolerDefaults(c.kind, cabinet).skin,
        span: spanOf("skin", cabinet.kind),
      };
      return [...own, skin];
    }),
    box([
      "fanHeat",
      isVesselItself(cabinet.kind) ? "Heat of the pump" : "Heat of the fan",
      "W",
      "It warms the inside all the time it runs.",
      1,
    ]),
  ];
}
