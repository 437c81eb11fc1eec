import { reckonsMoisture } from "./moisture";
import type { Band, Chamber, Stage, Vessel } from "../model";
import { cools, heats, isIce, isOnePlate } from "./devices";
import { placementOf } from "../probe";
import { isStillAir, shineOf } from "./films";
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

/** A heater of the chamber in its network; one that is not there has the node −1 and no power. */
export interface HeaterNode {
  id: string;
  node: number;
  /** W */
  power: number;
}

/** A cooler of the chamber in its network: the cold body is an evaporator, a plate or ice. */
export interface CoolerNode {
  id: string;
  node: number;
  law: CoolerLaw;
  /** kg; 0: the cold body is no ice. */
  iceMass: number;
}

/** The chamber as heat capacities joined by conductances. */
export interface Network {
  nodes: NetworkNode[];
  links: Link[];
  /** The medium that the product stands in: air, or the water of a bath. */
  air: number;
  lining: number;
  /** In the order of the chamber's heaters, and of its coolers. */
  heaters: HeaterNode[];
  coolers: CoolerNode[];
  /** The node of each vessel that is judged: its contents, or their core. */
  vessels: number[];
  /** All shells of each vessel from the core outwards, with their share of the contents. */
  shells: { node: number; share: number }[][];
  probes: number[];
  /** Loads that are put in later, in the order of the happenings. */
  loads: number[];
  /** Heat of the box's own fan or pump, W. */
  fanHeat: number;
  /** The heat of water that condenses and evaporates is among its inputs. */
  moist: boolean;
}

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

/** What of a chamber its network hangs on. */
export type Built = Pick<
  Chamber,
  "thermal" | "cabinet" | "heaters" | "coolers" | "vessels" | "probes" | "moisture" | "happenings"
>;

/**
 * Builds the network of a chamber from its thermal parameters (thermal.ts):
 * C_i dT_i/dt = Σ G_ij (T_j − T_i) + G_i,∞ (T_∞ − T_i) + q_i.
 */
export function buildNetwork(chamber: Built): Network {
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

  const coolers = chamber.coolers.map((cooler, index): CoolerNode => {
    const there = cools(cooler) || isIce(cooler);
    return {
      id: cooler.id,
      node: there ? add("cold", index, cooler.bodyCapacity, cooler.toRoom) : -1,
      law: lawOf(cools(cooler) ? cooler : { ...cooler, kind: "none" }),
      iceMass: isIce(cooler) ? cooler.iceMass : 0,
    };
  });
  // A plate that heats and one that cools are one body; each is shared once.
  const plates = new Set<number>();
  const heaters = chamber.heaters.map((heater, index): HeaterNode => {
    const plate = chamber.coolers.findIndex((cooler, c) => isOnePlate(heater, cooler) && !plates.has(c));
    if (plate >= 0) plates.add(plate);
    const node =
      plate >= 0 ? coolers[plate]!.node : heats(heater) ? add("heater", index, heater.bodyCapacity, heater.toRoom) : -1;
    return { id: heater.id, node, power: heats(heater) ? heater.power : 0 };
  });
  const shares = (node: number) => coolers.some((c, i) => c.node === node && plates.has(i));
  chamber.coolers.forEach((cooler, i) => {
    const { node } = coolers[i]!;
    if (node < 0) return;
    join(node, air, cooler.toAir);
    join(node, lining, cooler.toLining);
  });
  chamber.heaters.forEach((heater, i) => {
    const { node } = heaters[i]!;
    if (node < 0 || shares(node)) return;
    join(node, air, heater.toAir);
    join(node, lining, heater.toLining);
  });
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
    join(skin, lining, outwards(t.filmToLining * (isStillAir(cabinet.kind) ? shineOf(vessel) : 1)));
    // What touches a vessel touches the one that it stands at; a shared plate touches it once.
    chamber.heaters.forEach((heater, i) => {
      if (heater.at === vessel.id && heaters[i]!.node >= 0) join(heaters[i]!.node, skin, heater.toVessel);
    });
    chamber.coolers.forEach((cooler, i) => {
      const { node } = coolers[i]!;
      if (cooler.at === vessel.id && node >= 0 && !plates.has(i)) join(node, skin, cooler.toVessel);
    });
    return parts;
  });

  const probes = chamber.probes.map((probe, index) => {
    const place = placementOf(probe);
    const node = add("probe", index, place.capacity, place.toRoom);
    const parts = shells[chamber.vessels.findIndex((v) => v.id === probe.in)] ?? shells[0];
    if (parts) join(node, place.skin ? parts.at(-1)!.node : parts[0]!.node, place.toProduct);
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
    heaters,
    coolers,
    vessels: shells.map((parts) => parts[0]!.node),
    shells,
    probes,
    loads,
    fanHeat: t.fanHeat,
    moist: reckonsMoisture(chamber),
  };
}

/** Something that a band holds for: the product of a vessel, or the air. */
export interface Judged {
  /** The vessel's id, or "air". */
  id: string;
  node: number;
  /** Its own band, or null where the stage's holds. */
  own: Band | null;
  /** Which of the chamber's vessels it is; −1: the air. */
  vessel: number;
}

/** All that a stage's band, or a band of its own, holds for: every vessel, or the air and the vessels that differ. */
export function judgedOf(
  network: Pick<Network, "air" | "vessels">,
  chamber: Chamber,
  stage: Pick<Stage, "of">,
): Judged[] {
  const vessels = chamber.vessels.map((v, i): Judged => ({
    id: v.id,
    node: network.vessels[i]!,
    own: v.band,
    vessel: i,
  }));
  return stage.of === "air"
    ? [{ id: AIR, node: network.air, own: null, vessel: -1 }, ...vessels.filter((v) => v.own !== null)]
    : vessels;
}
export const AIR = "air";

/** J/(m³K) of water. */
const WATER = 4.18e6;

/** Heat-loss coefficient of the closed box in steady state, W per K between inside and room. */
export function lossCoefficient({ thermal: t, cabinet, vessels }: Chamber): number {
  // With the air at 1 K and the room at 0, the lining settles between its two conductances in series.
  const film = t.airToLining;
  const wall = (film * t.liningToRoom) / (film + t.liningToRoom);
  if (cabinet.kind !== "jacketed") return wall + t.airToRoom;
  // The jacket is met by the vessel itself, of which there is one.
  const surface = vesselSurface(vessels[0]!);
  const skin = t.filmToLining * surface;
  return (skin * t.liningToRoom) / (skin + t.liningToRoom) + t.airToRoom;
}
