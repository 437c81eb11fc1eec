import type { Chamber, Stage, Vessel } from "../model";
import { placementOf } from "../probe";
import { contentsCapacity, fillingTable } from "./fillings";
import { isVesselItself, vesselSize, vesselSurface } from "./geometry";
import { lawOf, type CoolerLaw } from "./coolerLaw";

export type NodeKind = "air" | "lining" | "wall" | "heater" | "cold" | "vessel" | "probe" | "load";

export interface NetworkNode {
  kind: NodeKind;
  /** Which of the chamber's vessels, probes or loads it is. */
  index: number;
  /** J/K */
  capacity: number;
  /** Conductance to the room, W/K. */
  toRoom: number;
}

export interface Link {
  a: number;
  b: number;
  /** W/K */
  conductance: number;
}

/** The chamber as heat capacities joined by conductances. Absent devices have the node −1. */
export interface Network {
  nodes: NetworkNode[];
  links: Link[];
  /** The medium that the product stands in: air, or the water of a bath. */
  air: number;
  lining: number;
  heater: number;
  /** The cold body: evaporator, plate or ice. */
  cold: number;
  /** The node of each vessel that is judged: its contents, or their core. */
  vessels: number[];
  /** All shells of each vessel from the core outwards, with their share of the contents. */
  shells: { node: number; share: number }[][];
  probes: number[];
  /** Loads that are put in later, in the order of the happenings. */
  loads: number[];
  heaterPower: number;
  law: CoolerLaw;
  /** kg; 0: the cold body is no ice. */
  iceMass: number;
  fanHeat: number;
}

export const hasHeater = ({ heater }: Pick<Chamber, "heater">): boolean => heater.kind !== "none" && heater.power > 0;
/** Whether there is cold that a controller can switch. */
export const hasCooler = ({ cooler }: Pick<Chamber, "cooler">): boolean =>
  (cooler.kind === "compressor" || cooler.kind === "peltier") && cooler.power > 0;
const hasIce = ({ cooler }: Pick<Chamber, "cooler">): boolean => cooler.kind === "ice" && cooler.iceMass > 0;
/** Heater and cooler are one plate. */
export const isOnePlate = (chamber: Pick<Chamber, "heater" | "cooler">): boolean =>
  chamber.heater.kind === "plate" && chamber.cooler.kind === "peltier" && hasHeater(chamber) && hasCooler(chamber);

/** Conductivity of a jacket of felt or foam, W/mK (estimate). */
const JACKET = 0.035;
const jacketed = (film: number, thickness: number): number => (film <= 0 ? 0 : 1 / (1 / film + thickness / JACKET));

/** Nested shells of equal shape conduct about 16 % too fast. */
const SHELL_FACTOR = 0.84;

/**
 * Conductances from the core outwards between shells of equal thickness of one vessel, and last from the outermost
 * shell's middle to the surface, W/K: similar surfaces at the relative size s conduct k·S·s²/(R·Δs).
 */
function shellConductances(vessel: Vessel, count: number): number[] {
  const { diameter, height } = vesselSize(vessel);
  const radius = Math.min(diameter, height) / 2;
  const k = fillingTable[vessel.filling].conductivity * SHELL_FACTOR * vesselSurface(vessel);
  const thick = 1 / count;
  return Array.from({ length: count }, (_, i) => {
    const s = (i + 1) * thick;
    return i + 1 < count ? (k * s * s) / (radius * thick) : k / ((radius * thick) / 2);
  });
}

/**
 * Builds the network of a chamber from its thermal parameters (thermal.ts):
 * C_i dT_i/dt = Σ G_ij (T_j − T_i) + G_i,∞ (T_∞ − T_i) + q_i.
 */
export function buildNetwork(chamber: Chamber): Network {
  const { thermal: t, cabinet } = chamber;
  const nodes: NetworkNode[] = [];
  const links: Link[] = [];
  const add = (kind: NodeKind, index: number, capacity: number, toRoom = 0) =>
    nodes.push({ kind, index, capacity, toRoom }) - 1;
  const join = (a: number, b: number, conductance: number) => {
    if (conductance > 0) links.push({ a, b, conductance });
  };

  const air = add("air", 0, t.airCapacity, t.airToRoom);
  // The wall is cut into layers of equal mass and resistance; its steady loss stays the same.
  const layers = t.wallLayers;
  const lining = add("lining", 0, t.liningCapacity / layers, layers === 1 ? t.liningToRoom : 0);
  let inner = lining;
  for (let layer = 1; layer < layers; layer++) {
    const last = layer === layers - 1;
    const node = add("wall", layer, t.liningCapacity / layers, last ? t.liningToRoom * layers : 0);
    join(inner, node, t.liningToRoom * layers);
    inner = node;
  }
  join(air, lining, t.airToLining);

  const onePlate = isOnePlate(chamber);
  const cold = hasCooler(chamber) || hasIce(chamber) ? add("cold", 0, t.coldCapacity, t.coldToRoom) : -1;
  const heater = onePlate ? cold : hasHeater(chamber) ? add("heater", 0, t.heaterCapacity, t.heaterToRoom) : -1;
  if (cold >= 0) {
    join(cold, air, t.coldToAir);
    join(cold, lining, t.coldToLining);
  }
  if (heater >= 0 && !onePlate) {
    join(heater, air, t.heaterToAir);
    join(heater, lining, t.heaterToLining);
  }

  const own = cabinet.kind === "kettle" ? 0.7 : 1;
  const shells = chamber.vessels.map((vessel, index) => {
    const count = fillingTable[vessel.filling].shells;
    const capacity = contentsCapacity(vessel) * (isVesselItself(cabinet.kind) ? own : 1);
    const inwards = count > 1 ? shellConductances(vessel, count) : [];
    const parts = Array.from({ length: count }, (_, i) => {
      const share = ((i + 1) / count) ** 3 - (i / count) ** 3;
      return { node: add("vessel", index, capacity * share), share };
    });
    for (let i = 0; i + 1 < count; i++) join(parts[i]!.node, parts[i + 1]!.node, inwards[i]! * vessel.count);
    const skin = parts[count - 1]!.node;
    const surface = vesselSurface(vessel);
    const outwards = (film: number) => {
      const bare = jacketed(film, vessel.jacket) * surface;
      const last = inwards[count - 1];
      return (last === undefined || bare === 0 ? bare : 1 / (1 / bare + 1 / last)) * vessel.count;
    };
    join(skin, air, outwards(t.filmToAir));
    join(skin, lining, outwards(t.filmToLining));
    if (index === 0 && heater >= 0) join(heater, skin, t.heaterToVessel);
    if (index === 0 && cold >= 0 && !onePlate) join(cold, skin, t.coldToVessel);
    return parts;
  });

  const probes = chamber.probes.map((probe, index) => {
    const place = placementOf(probe);
    const node = add("probe", index, place.capacity);
    const first = shells[0];
    if (first) join(node, place.skin ? first.at(-1)!.node : first[0]!.node, place.toProduct);
    join(node, air, place.toAir);
    return node;
  });
  // A load that is put in later is not joined to anything until then (variant.ts).
  const loads = chamber.happenings
    .filter((h) => h.kind === "loadIn")
    .sort((a, b) => a.at - b.at)
    .map((h, index) => add("load", index, h.volume * WATER));

  return {
    nodes,
    links,
    air,
    lining,
    heater,
    cold,
    vessels: shells.map((parts) => parts[0]!.node),
    shells,
    probes,
    loads,
    heaterPower: hasHeater(chamber) ? chamber.heater.power : 0,
    law: hasCooler(chamber) ? lawOf(chamber.cooler) : lawOf({ ...chamber.cooler, kind: "none" }),
    iceMass: hasIce(chamber) ? chamber.cooler.iceMass : 0,
    fanHeat: t.fanHeat,
  };
}

/** The node whose temperature the band is for. */
export const judgedNode = (network: Network, stage: Pick<Stage, "of">): number =>
  stage.of === "air" ? network.air : network.vessels[0]!;

/** J/(m³K) of water. */
const WATER = 4.18e6;

/** Heat-loss coefficient of the closed box in steady state, W per K between inside and room. */
export function lossCoefficient({ thermal: t, cabinet, vessels }: Chamber): number {
  // With the air at 1 K and the room at 0, the lining settles between its two conductances in series.
  const film = t.airToLining;
  const wall = (film * t.liningToRoom) / (film + t.liningToRoom);
  if (cabinet.kind !== "jacketed") return wall + t.airToRoom;
  // The jacket is met by the vessel itself.
  const surface = vesselSurface(vessels[0]!);
  const skin = t.filmToLining * surface;
  return (skin * t.liningToRoom) / (skin + t.liningToRoom) + t.airToRoom;
}
