import type { Chamber } from "../model";
import { placements } from "../probe";
import { insideOf } from "./geometry";
import { sealLength, wallConductance } from "./heatLoss";
import { referenceCabinet } from "./reference";

export type NodeKind = "air" | "lining" | "heater" | "evaporator" | "vessel" | "probe";

export interface NetworkNode {
  kind: NodeKind;
  /** Which of the chamber's vessels or probes it is. */
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

/**
 * Compressor law: Q = power·[1 + 0.04·(T_evap + 23.3) − 0.01·(T_room − 25)], W taken from the evaporator.
 * Linear in the state, so that each mode stays one matrix. Coefficients: engineering estimates.
 */
export const COMPRESSOR = { perEvaporator: 0.04, evaporatorAt: -23.3, perRoom: -0.01, roomAt: 25 } as const;

/** The chamber as heat capacities joined by conductances. */
export interface Network {
  nodes: NetworkNode[];
  links: Link[];
  air: number;
  lining: number;
  heater: number;
  evaporator: number;
  vessels: number[];
  probes: number[];
  heaterPower: number;
  coolerPower: number;
}

/** Heat capacity per volume of wort with its share of the vessel, J/(m³K): 98 000 J/K for 23 L. */
const CONTENTS_CAPACITY = 98_000 / 0.023;

/**
 * Builds the network of an upright cabinet, scaled from the reference cabinet (reference.ts) by its geometry:
 * wall loss by transmittance × area, leak by the length of the seal, air by volume, lining by inner area,
 * vessel films by surface (volume to ⅔), evaporator by cooling power.
 */
export function buildNetwork(chamber: Chamber): Network {
  const { cabinet, heater, cooler } = chamber;
  const ref = referenceCabinet;
  const inside = insideOf(cabinet);
  const refInside = insideOf(ref.cabinet);
  const area = inside.area / refInside.area;
  const cold = Math.max(0.2, cooler.power / ref.coolerPower);
  const body = heater.power >= ref.largeHeaterFrom ? ref.largeHeater : ref.smallHeater;

  const nodes: NetworkNode[] = [
    {
      kind: "air",
      index: 0,
      capacity: ref.air * (inside.volume / refInside.volume),
      toRoom: ref.airToRoom * (sealLength(cabinet) / sealLength(ref.cabinet)),
    },
    {
      kind: "lining",
      index: 0,
      capacity: ref.lining * area,
      toRoom: ref.liningToRoom * (wallConductance(cabinet) / wallConductance(ref.cabinet)),
    },
    { kind: "heater", index: 0, capacity: body.capacity, toRoom: 0 },
    { kind: "evaporator", index: 0, capacity: ref.evaporator * cold, toRoom: 0 },
  ];
  const [air, lining, heaterNode, evaporator] = [0, 1, 2, 3];
  const links: Link[] = [
    { a: air, b: lining, conductance: ref.airToLining * area },
    { a: heaterNode, b: air, conductance: body.toAir },
    { a: heaterNode, b: lining, conductance: body.toLining },
    { a: evaporator, b: air, conductance: ref.evaporatorToAir * cold },
    { a: evaporator, b: lining, conductance: ref.evaporatorToLining * cold },
  ];
  const vessels = chamber.vessels.map((vessel, index) => {
    const surface = (vessel.volume / ref.vesselVolume) ** (2 / 3);
    const node = nodes.push({ kind: "vessel", index, capacity: vessel.volume * CONTENTS_CAPACITY, toRoom: 0 }) - 1;
    links.push({ a: node, b: air, conductance: ref.vesselToAir * surface });
    links.push({ a: node, b: lining, conductance: ref.vesselToLining * surface });
    return node;
  });
  const probes = chamber.probes.map((probe, index) => {
    const place = placements[probe.place];
    const node = nodes.push({ kind: "probe", index, capacity: place.capacity, toRoom: 0 }) - 1;
    const vessel = vessels[0];
    if (place.toProduct > 0 && vessel !== undefined) links.push({ a: node, b: vessel, conductance: place.toProduct });
    if (place.toAir > 0) links.push({ a: node, b: air, conductance: place.toAir });
    return node;
  });
  return {
    nodes,
    links,
    air,
    lining,
    heater: heaterNode,
    evaporator,
    vessels,
    probes,
    heaterPower: heater.power,
    coolerPower: cooler.power,
  };
}

/** Heat-loss coefficient of the closed cabinet in steady state, W per K between inside and room. */
export function lossCoefficient(network: Network): number {
  // With the air at 1 K and the room at 0, the lining settles between its two conductances in series.
  const film = network.links
    .filter((l) => (l.a === network.air && l.b === network.lining) || (l.b === network.air && l.a === network.lining))
    .reduce((sum, l) => sum + l.conductance, 0);
  const wall = network.nodes[network.lining]?.toRoom ?? 0;
  const leak = network.nodes[network.air]?.toRoom ?? 0;
  return (film * wall) / (film + wall) + leak;
}
