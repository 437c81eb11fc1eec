import type { CabinetKind, CoolerKind, HeaterKind } from "../model";

const fridges = ["upright", "underCounter", "fridgeFreezer", "chest", "wine", "warmBox"] as const;

/** A caution as data, so that screen, card and test use the same one. Sources: docs/sources.md. */
export interface Caution {
  id: string;
  /** Where the decision is made that it speaks of. */
  at: readonly ("job" | "box" | "heat" | "probe" | "settings" | "card")[];
  /** Only with these boxes or devices; everywhere where it says nothing. */
  only?: readonly (CabinetKind | HeaterKind | CoolerKind)[];
  title: string;
  text: string;
}

export const cautions: readonly Caution[] = [
  {
    id: "carbon-dioxide",
    at: ["job"],
    title: "Carbon dioxide",
    text: "Twenty litres of beer give off about 0.4 m³ of it. It is heavier than air and gathers in a cabinet and in a cellar: air the room, open the door before you lean in, and never seal a fermenting vessel.",
  },
  {
    id: "drilling",
    at: ["box"],
    only: fridges,
    title: "Before you drill",
    text: "Cabinet walls hide refrigerant lines, and most cabinets hold isobutane, which burns. Bring cables in through the door seal or the drain. If a line is pierced, air the room and touch no switch.",
  },
  {
    id: "lifting",
    at: ["box"],
    title: "Weight",
    text: "Twenty litres weigh about 25 kg. Put a plank across the full width where the glass shelves were, and lift in twos.",
  },
  {
    id: "mains",
    at: ["heat"],
    title: "Mains voltage",
    text: "Unplug everything before you open it. Earth all metal, use residual-current protection where it is wet, keep mains and probe cables apart. Local rules and a licensed electrician decide.",
  },
  {
    id: "fire",
    at: ["heat"],
    title: "Heat and fire",
    text: "Keep the heater clear of plastic, cardboard and the vessel\u2019s wrapping, fixed so that it cannot fall. Controllers and relays can fail switched on: fit a thermal cut-out that does not depend on them.",
  },
  {
    id: "carbon-monoxide",
    at: ["box", "heat"],
    only: ["charcoal", "drum", "brick"],
    title: "Carbon monoxide",
    text: "A charcoal fire gives off a gas that kills without a smell. Never indoors, never in a garage, and not under an open window. Ash stays hot for a day.",
  },
  {
    id: "hot-surfaces",
    at: ["box", "heat"],
    only: ["crock", "kettle", "drum", "brick", "lamp", "immersion"],
    title: "Hot surfaces and hot liquid",
    text: "Gloves, a stable stand, nothing that burns within an arm\u2019s length. An element that falls dry burns out: fill first, then switch on.",
  },
  {
    id: "lamp",
    at: ["heat"],
    only: ["lamp", "bulb"],
    title: "Lamps as heaters",
    text: "Two fixings, a guard, and clear of anything that burns: a fallen lamp is a fire. Never the thermostat alone.",
  },
  {
    id: "ice-water",
    at: ["heat"],
    only: ["ice", "peltier"],
    title: "Water and mains",
    text: "Melted ice and condensed water find every socket. Keep all mains parts above it and use residual-current protection.",
  },
  {
    id: "heater-thermostat",
    at: ["heat"],
    title: "A heater with a thermostat of its own",
    text: "It cuts out early and your controller never knows. Use one without, or turn its dial fully up.",
  },
  {
    id: "heater-switch",
    at: ["heat"],
    title: "A heater with an electronic switch or timer",
    text: "It stays off after the controller has cut its power once, or stops after an hour or two. Test it: pull the plug, put it back, and see that it heats again by itself.",
  },
  {
    id: "fridge-thermostat",
    at: ["heat"],
    only: ["compressor"],
    title: "The fridge\u2019s own thermostat",
    text: "Turn its dial to the coldest, so that only your controller decides. A fridge with electronic controls may stay off after its power was cut: try that first.",
  },
  {
    id: "probe-out",
    at: ["probe", "card"],
    title: "A probe out of its place",
    text: "A probe that hangs out of the door keeps the heater on for ever. Fix it so that the door cannot pull it, and check it whenever you open.",
  },
  {
    id: "food",
    at: ["settings"],
    title: "A steady temperature is no proof of safety",
    text: "The record shows what the air and the vessel did, not whether the food is good. In doubt, throw it out.",
  },
];

/** The cautions of a place; with what is there, also those that only belong to it, and none that do not. */
export const cautionsAt = (place: Caution["at"][number], ...there: NonNullable<Caution["only"]>[number][]): Caution[] =>
  cautions.filter(
    (c) => c.at.includes(place) && (!c.only || there.length === 0 || c.only.some((o) => there.includes(o))),
  );
