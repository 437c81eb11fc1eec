import { probePlaces, type Cabinet, type Edit, type Probe, type ProbePlace, type Vessel } from "../model";

/** How a probe hangs between vessel and air. */
export interface Placement {
  /** Heat capacity, J/K. */
  capacity: number;
  /** Conductance to the vessel's contents and to the air, W/K. */
  toProduct: number;
  toAir: number;
  /** Of a probe that hangs in the room. */
  toRoom: number;
  /** It touches the vessel's skin, not its core. */
  skin: boolean;
}

const PROBE_CAPACITY = 4;
const BOTTLE_CAPACITY = 2200;

interface Place {
  label: string;
  /** What this place gives and what it costs, for people. */
  trade: string;
  /** Time constant, s, and share of the product: engineering estimates (docs/sources.md). */
  lag: number;
  share: number;
  skin: boolean;
}

const place = (lag: number, share: number, skin: boolean, label: string, trade: string): Place => ({
  label,
  trade,
  lag,
  share,
  skin,
});

export const placements: Record<ProbePlace, Place> = {
  strapped: place(
    180,
    0.85,
    true,
    "Strapped to the vessel, under insulation",
    "Steady and simple. It reads the skin, mostly the product.",
  ),
  bare: place(
    120,
    0.55,
    true,
    "Taped to the vessel, bare",
    "Reads half product, half air: it switches sooner and drifts more.",
  ),
  dryWell: place(
    300,
    0.97,
    false,
    "In a dry thermowell",
    "Reads the true middle, but late: the air swings further before it knows.",
  ),
  filledWell: place(
    80,
    0.99,
    false,
    "In a thermowell filled with water or oil",
    "Reads the middle with less lag. The filling has to be topped up.",
  ),
  core: place(
    60,
    1,
    false,
    "Pushed into the product itself",
    "For cakes, meat and mash: it knows the product\u2019s own heat. Clean it as you would a knife.",
  ),
  air: place(150, 0, false, "Hanging in the air", "The air swings little, the product drifts with its own heat."),
  room: place(150, 0, false, "Outside, in the room", "It only watches the room: nothing in the box moves it."),
  waterBottle: place(
    4900,
    0,
    false,
    "In a bottle of water",
    "Very calm readings for a serving cabinet; it knows nothing of the product\u2019s own heat.",
  ),
};

/** Where the medium moves or is water, a probe in it answers sooner, s. */
function lagInMedium({ kind, fan }: Cabinet): number {
  if (kind === "crock") return 40;
  if (kind === "kettle") return 45;
  if (kind === "drum" || kind === "brick") return 25;
  return fan ? 60 : placements.air.lag;
}

/** Time constant and share of the product that a place has in a box. In a kettle the liquid is the product. */
export const placementDefaults = (where: ProbePlace, cabinet: Cabinet): Pick<Probe, "lag" | "share"> => ({
  lag: where === "air" ? lagInMedium(cabinet) : placements[where].lag,
  share: where === "air" && cabinet.kind === "kettle" ? 1 : placements[where].share,
});

/** What a place is called in a box: what a probe hangs in is not air everywhere. */
export function placeLabel(where: ProbePlace, { kind }: Pick<Cabinet, "kind">): string {
  if (where !== "air") return placements[where].label;
  if (kind === "crock") return "In the water of the bath";
  if (kind === "kettle") return "In the liquid, near the outlet";
  if (kind === "jacketed") return "In the headspace, above the liquid";
  return kind === "drum" || kind === "brick" ? "In the air, at the height of the grate" : placements.air.label;
}

/** C = 4 J/K (a bottle of water 2200); G_product = w·C/τ, G_air = (1 − w)·C/τ. */
export function placementOf(probe: Pick<Probe, "place" | "lag" | "share">): Placement {
  const capacity = probe.place === "waterBottle" ? BOTTLE_CAPACITY : PROBE_CAPACITY;
  const all = capacity / probe.lag;
  const outside = probe.place === "room";
  return {
    capacity,
    toProduct: outside ? 0 : probe.share * all,
    toAir: outside ? 0 : (1 - probe.share) * all,
    toRoom: outside ? all : 0,
    skin: placements[probe.place].skin,
  };
}

/** Moves a probe; typed lag and share of its old place go back. Without an id the first one. */
export const probeMove = (place: ProbePlace, id?: string): Edit[] => [
  { section: "probe", field: "place", id, value: place },
  { section: "probe", field: "lag", id, value: undefined },
  { section: "probe", field: "share", id, value: undefined },
];

/** What stands or lies without a vessel has a core to be pushed into, and no wall to be strapped to. */
const isSolid = ({ form }: Pick<Vessel, "form">) => form === "tray" || form === "piece";

/** Where a probe feels the product itself best. */
export const placeAtProduct = (vessel: Pick<Vessel, "form">): ProbePlace => (isSolid(vessel) ? "core" : "strapped");

/** Places that make sense to look at for what is in the box. */
export const placesFor = (vessel: Pick<Vessel, "form">): ProbePlace[] =>
  probePlaces.filter((p) =>
    isSolid(vessel) ? p === "core" || p === "air" : p !== "core" && p !== "waterBottle" && p !== "room",
  );
