import type { IcePhase } from "../device";
import type { Chamber } from "../model";
import { ICE_HEAT, WATER_HEAT } from "./coolerLaw";
import { FILM_LEVELS, isStillAir, stirring } from "./films";
import { buildNetwork, type Built, type Link, type Network } from "./network";

/** What stands differently for a while: each combination is one set of matrices. */
export interface Conditions {
  /** Door open or lid off. */
  open: boolean;
  fanStopped: boolean;
  /** Fans beside the box's own are running. */
  stirred: boolean;
  /** How strongly still air moves by itself: a level of films.ts. */
  film: number;
  /** Where each probe hangs, in the chamber's order; those that are not named hang in their place. */
  probes: ("place" | "air" | "room")[];
  /** How many of the loads are in. */
  loadsIn: number;
  /** Which vessels are not in yet, in the chamber's order; those that are not named are. */
  out: boolean[];
  /** Of each cooler that is ice: still frozen, melting (and keeping 0 °C), or become water. */
  ice: IcePhase[];
}

export const calm = (): Conditions => ({
  open: false,
  fanStopped: false,
  stirred: false,
  film: 0,
  probes: [],
  loadsIn: 0,
  out: [],
  ice: [],
});

/** A probe that hangs in still air, s (docs/sources.md). */
const HANGING = 150;
/** Film on a load that was put in, W/K for each m³ to the ⅔: 8 W/m²K on a slab. */
const LOAD_FILM = 50;

/** The chamber with all that the air touches as a running fan leaves it, or one that has stopped. */
function stirred(chamber: Built, runs: boolean): Built {
  const { thermal, cabinet } = chamber;
  const full = stirring(cabinet.kind);
  const [surfaces, bodies] = runs ? [full.surfaces, full.bodies] : [1 / full.surfaces, 1 / full.bodies];
  const device = <T extends { toAir: number }>(d: T): T => ({ ...d, toAir: d.toAir * bodies });
  return {
    ...chamber,
    thermal: { ...thermal, airToLining: thermal.airToLining * surfaces, filmToAir: thermal.filmToAir * surfaces },
    heaters: chamber.heaters.map(device),
    coolers: chamber.coolers.map(device),
  };
}

/** Whether the air of a box moves by differences of temperature alone, as no fan runs in it. */
export const movesByItself = ({ cabinet, thermal }: Pick<Chamber, "cabinet" | "thermal">, c: Conditions): boolean =>
  thermal.filmGrows > 0 && isStillAir(cabinet.kind) && !c.stirred && (!cabinet.fan || c.fanStopped);

/** The exponent that the levels are drawn up for. */
const QUARTER = 0.25;

/** The chamber with the films of still air as a larger difference leaves them. */
function lively(chamber: Built, level: number): Built {
  const { thermal } = chamber;
  const times = FILM_LEVELS[level]!.times ** (thermal.filmGrows / QUARTER);
  return {
    ...chamber,
    thermal: { ...thermal, airToLining: thermal.airToLining * times, filmToAir: thermal.filmToAir * times },
  };
}

/** The network as it is under other conditions. */
export function variant(network: Network, chamber: Built, conditions: Conditions): Network {
  const { thermal, cabinet } = chamber;
  // A fan on an outlet gives a still box what its own fan would; where one runs already it adds nothing.
  const slowed = conditions.fanStopped && cabinet.fan && !conditions.stirred;
  const stirs = conditions.stirred && !cabinet.fan;
  const level = movesByItself(chamber, conditions) ? conditions.film : 0;
  const blown = slowed || stirs ? stirred(chamber, stirs) : chamber;
  const { links: joined } = blown !== chamber || level > 0 ? buildNetwork(lively(blown, level)) : network;
  const nodes = network.nodes.map((node) => ({ ...node }));
  let links: Link[] = joined.map((link) => ({ ...link }));
  const { air } = network;
  if (conditions.open) nodes[air]!.toRoom += thermal.openToRoom;
  network.shells.forEach((parts, v) => {
    if (!conditions.out[v]) return;
    const inside = new Set(parts.map(({ node }) => node));
    // Wherever it is, it is there as it was filled; a probe that belongs into it hangs in the air until then.
    const alone = links.filter((link) => inside.has(link.a) !== inside.has(link.b));
    links = links.filter((link) => !alone.includes(link));
    for (const { a, b } of alone) {
      const probe = [a, b].find((node) => network.probes.includes(node));
      if (probe === undefined || links.some((link) => link.a === probe || link.b === probe)) continue;
      links.push({ a: probe, b: air, conductance: nodes[probe]!.capacity / HANGING });
    }
  });
  network.probes.forEach((probe, index) => {
    const hangs = conditions.probes[index] ?? "place";
    if (hangs === "place") return;
    links = links.filter((link) => link.a !== probe && link.b !== probe);
    const { capacity } = nodes[probe]!;
    nodes[probe]!.toRoom = 0;
    if (hangs === "air") links.push({ a: probe, b: air, conductance: capacity / HANGING });
    else nodes[probe]!.toRoom = capacity / HANGING;
  });
  network.loads.slice(0, conditions.loadsIn).forEach((node) => {
    const volume = nodes[node]!.capacity / 4.18e6;
    const film = cabinet.bath > 0 ? LOAD_FILM * 9 : LOAD_FILM;
    links.push({ a: node, b: air, conductance: film * volume ** (2 / 3) });
  });
  network.coolers.forEach(({ node, iceMass }, i) => {
    if (iceMass > 0 && conditions.ice[i] === "water") nodes[node]!.capacity *= WATER_HEAT / ICE_HEAT;
  });
  return { ...network, nodes, links, fanHeat: conditions.fanStopped ? 0 : network.fanHeat };
}
