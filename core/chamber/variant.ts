import type { Chamber } from "../model";
import { ICE_HEAT, WATER_HEAT } from "./coolerLaw";
import type { Link, Network } from "./network";

/** What stands differently for a while: each combination is one set of matrices. */
export interface Conditions {
  /** Door open or lid off. */
  open: boolean;
  fanStopped: boolean;
  /** Where the first probe hangs. */
  probe: "place" | "air" | "room";
  /** How many of the loads are in. */
  loadsIn: number;
  /** The ice is still frozen, is melting (and keeps 0 °C), or has become water. */
  ice: "frozen" | "melting" | "water";
}

export const calm: Conditions = { open: false, fanStopped: false, probe: "place", loadsIn: 0, ice: "frozen" };

/** A probe that hangs in still air, s (docs/sources.md). */
const HANGING = 150;
/** Film on a load that was put in, W/K for each m³ to the ⅔: 8 W/m²K on a slab. */
const LOAD_FILM = 50;

/** The network as it is under other conditions. */
export function variant(network: Network, chamber: Chamber, conditions: Conditions): Network {
  const { thermal, cabinet } = chamber;
  const nodes = network.nodes.map((node) => ({ ...node }));
  let links: Link[] = network.links.map((link) => ({ ...link }));
  const { air } = network;
  if (conditions.open) nodes[air]!.toRoom += thermal.openToRoom;
  if (conditions.fanStopped && cabinet.fan) {
    const still = cabinet.kind === "kettle" ? 0.5 : 0.6;
    for (const link of links)
      if ((link.a === air || link.b === air) && !network.probes.includes(link.a)) link.conductance *= still;
  }
  const probe = network.probes[0]!;
  if (conditions.probe !== "place") {
    links = links.filter((link) => link.a !== probe && link.b !== probe);
    const { capacity } = nodes[probe]!;
    if (conditions.probe === "air") links.push({ a: probe, b: air, conductance: capacity / HANGING });
    else nodes[probe]!.toRoom = capacity / HANGING;
  }
  network.loads.slice(0, conditions.loadsIn).forEach((node) => {
    const volume = nodes[node]!.capacity / 4.18e6;
    const film = cabinet.bath > 0 ? LOAD_FILM * 9 : LOAD_FILM;
    links.push({ a: node, b: air, conductance: film * volume ** (2 / 3) });
  });
  if (network.iceMass > 0 && conditions.ice === "water") nodes[network.cold]!.capacity *= WATER_HEAT / ICE_HEAT;
  return { ...network, nodes, links, fanHeat: conditions.fanStopped ? 0 : network.fanHeat };
}
