import { FAN_FILM, insideOf, reckonsMoisture, vesselSurface, type Network } from "../chamber";
import type { Chamber } from "../model";
import {
  copyAir,
  drain,
  freeze,
  relativeHumidity,
  saturated,
  stepAir,
  stillAir,
  vapourIn,
  type AirWater,
  type Around,
} from "../moisture";
import { modelOf } from "../product";
import { filmOn } from "./ownHeat";
import type { Run } from "./run";

/** Heat of evaporation, J/kg, and of what a product gives off by its own law. */
const EVAPORATION = 2.5e6;
const PRODUCT_EVAPORATION = 2.47e6;
/** ρ·cp·Le^⅔, J/(m³K): vapour's conductance from that of heat (Chilton and Colburn). */
const MASS_FROM_HEAT = 1100;
/** What hangs on a square metre before it runs, kg (estimate), and the film that a plate's area is reckoned by, W/m²K. */
const HANGS = 0.05;
const PLATE_FILM = 8;
/** Electricity of a humidifier and a dehumidifier, J for a kg (estimates); it warms the air. */
const HUMIDIFIER_WORK = 0.9e6;
const DEHUMIDIFIER_WORK = 4e6;
/** The cold face of a dehumidifier, °C; what it is rated at. */
const COIL = 5;
const RATED = { t: 20, humidity: 0.8 };
/** Silica gel takes some 0.3 of its mass, the air over it as dry as 10 %; a kg of it in a tray takes 0.2 L/s (estimates). */
const GEL = { takes: 0.3, humidity: 0.1, conductance: 2e-4 };
/** Where mould grows on a wall: above so much at its face for days (EN ISO 13788). */
export const MOULD = 0.8;
/** What can be seen as wet, kg/m². */
const WET = 0.01;

/**
 * How often the water is moved on, s: a compressor's plate turns cold and warm within minutes, and the products move at
 * every so many of its steps or it at theirs.
 */
export function moistHold({ network }: Run, products: number): number {
  const cold = network.coolers.some((c) => c.law.power > 0);
  if (!cold) return Math.max(products, 300);
  return products < 120 ? 2 * products : products / 3;
}

/** Breathing, and what gives off water, are known to a third or three times (estimates): dry and moist ends of it. */
const ENDS = [
  { breathes: 1, wet: 1 },
  { breathes: 3, wet: 1 / 3 },
  { breathes: 1 / 3, wet: 3 },
] as const;

/** The water of a trial as it stands: as is usual, and at the dry and the moist end of what is estimated. */
export interface MoistState {
  air: AirWater[];
  /** Relative humidity of each, 0..1. */
  humidity: Float64Array;
  /** Heat that water gives by condensing, and takes in evaporating, W: the air, then each surface; as it is in force. */
  latent: Float64Array;
  /** What products give off now, kg/s, and the vapour in the air that they felt. */
  given: number;
  felt: number;
  /** Steps so far. */
  moves: number;
  /** The last opening, s, and how far it is in the books. */
  openFrom: number;
  openTo: number;
  openDone: number;
  /** Most water and ice on each surface, kg; s that each was wet, and that the lining was so moist that mould grows. */
  most: Float64Array;
  mostIce: Float64Array;
  wetFor: Float64Array;
  mouldFor: number;
  /** J of humidifier and dehumidifier. */
  electric: number;
}

/** What of a box's water does not change in a trial. Surfaces: the lining, each cooler, each vessel. */
export interface Moist {
  volume: number;
  surfaces: number;
  /** m² of each surface, and whether what drips from it runs out. */
  areas: Float64Array;
  drains: boolean[];
  /** The node of each surface; −1: it has none. */
  nodes: number[];
  /**
   * Which of the inputs the heat of what condenses on each goes to. Ice that melts keeps its temperature in the equations:
   * what condenses on its bottles warms the air.
   */
  heats: number[];
  around: Around[];
  /** Conductances of each surface by the network that is in force. */
  known: WeakMap<Network, Float64Array>;
  /** The network whose conductances are filled in. */
  placed: Network | null;
  /** m³/s: the air's change with the room, a tray, a dehumidifier, all that dries by its own law. */
  leaks: number;
  tray: number;
  dryer: number;
  drying: number;
  /** Whether anything dries by its own law. */
  dries: boolean;
  /** Of each vessel: what is wet of it, and all of its surface, m³/s. */
  wetBy: Float64Array;
  open: Float64Array;
  scratch: Float64Array;
}

const emptyAround = (volume: number, surfaces: number, wet: number): Around => ({
  span: 0,
  volume,
  breathing: 0,
  room: 0,
  given: 0,
  wet: { conductance: new Float64Array(wet), vapour: new Float64Array(wet) },
  surfaces: { conductance: new Float64Array(surfaces), vapour: new Float64Array(surfaces) },
  humidifier: { most: 0, at: 0 },
  dehumidifier: { conductance: 0, vapour: saturated(COIL), at: 0 },
  absorber: { conductance: 0, vapour: 0, holds: 0 },
});

/** On open water in a tray, W/m²K; heat of a cubic metre of air, J/(m³K). */
const STILL = 2.25;
const AIR_HEAT = 1207;

/** A tray, then each vessel's own wet share, then what dries. */
const wetOf = (vessels: number) => vessels + 2;

/** Draws up the water of a chamber; null where its humidity is as somebody typed it. */
export function moistOf(chamber: Chamber, network: Network): Moist | null {
  if (!reckonsMoisture(chamber)) return null;
  const { cabinet, moisture, vessels, coolers } = chamber;
  const inside = insideOf(cabinet);
  const filled = vessels.reduce((sum, v) => sum + v.volume * v.count, 0);
  const surfaces = 1 + coolers.length + vessels.length;
  const vesselAreas = vessels.map((v) => vesselSurface(v) * v.count);
  const volume = Math.max(0.1 * inside.volume, inside.volume - 1.1 * filled);
  const open = vesselAreas.map((area) => (area * chamber.thermal.filmToAir) / MASS_FROM_HEAT);
  const around = ENDS.map(() => emptyAround(volume, surfaces, wetOf(vessels.length)));
  for (const { absorber } of around) {
    absorber.conductance = GEL.conductance * moisture.absorber;
    absorber.holds = GEL.takes * moisture.absorber;
  }
  return {
    volume,
    surfaces,
    areas: Float64Array.from([
      Math.max(0.01, inside.area),
      ...coolers.map((c) => c.toAir / PLATE_FILM),
      ...vesselAreas,
    ]),
    drains: [moisture.drains, ...coolers.map((c) => moisture.drains && c.kind !== "ice"), ...vessels.map(() => false)],
    nodes: [network.lining, ...network.coolers.map((c) => c.node), ...network.shells.map((s) => s.at(-1)!.node)],
    heats: Array.from({ length: surfaces }, (_, j) => (network.coolers[j - 1]?.iceMass ? 0 : 1 + j)),
    around,
    known: new WeakMap(),
    placed: null,
    leaks: (moisture.airChanges * volume) / 3600,
    tray: (moisture.tray * STILL) / MASS_FROM_HEAT,
    dryer: moisture.dehumidifier / (vapourIn(RATED.humidity, RATED.t) - saturated(COIL)),
    drying: (1.5 * vesselAreas.reduce((a, b) => a + b, 0) * filmOn(cabinet)) / MASS_FROM_HEAT,
    dries: vessels.some((v) => v.evaporation > 0 || modelOf(v.product).dries === true),
    wetBy: Float64Array.from(vessels, (v, i) => v.wetShare * open[i]!),
    open: Float64Array.from(open),
    scratch: new Float64Array(1 + surfaces),
  };
}

/** As a trial begins: the air of the room is in the box. */
export function startMoist(chamber: Chamber, moist: Moist, room: number): MoistState {
  const vapour = vapourIn(chamber.moisture.room, room);
  const { surfaces } = moist;
  return {
    air: ENDS.map(() => stillAir(vapour, surfaces, wetOf(chamber.vessels.length))),
    humidity: new Float64Array(ENDS.length).fill(chamber.moisture.room),
    latent: new Float64Array(1 + surfaces),
    given: 0,
    felt: vapour,
    moves: 0,
    openFrom: -1,
    openTo: -1,
    openDone: -1,
    most: new Float64Array(surfaces),
    mostIce: new Float64Array(surfaces),
    wetFor: new Float64Array(surfaces),
    mouldFor: 0,
    electric: 0,
  };
}

export const copyMoist = (m: MoistState): MoistState => ({
  ...m,
  air: m.air.map(copyAir),
  humidity: m.humidity.slice(),
  latent: m.latent.slice(),
  most: m.most.slice(),
  mostIce: m.mostIce.slice(),
  wetFor: m.wetFor.slice(),
});

/** Conductance for vapour between the air and each surface: from the film that heat has there. */
function conductancesOf(moist: Moist, network: Network, chamber: Chamber): Float64Array {
  const known = moist.known.get(network);
  if (known) return known;
  const { air } = network;
  const linked = (node: number) =>
    network.links.reduce(
      (sum, l) => sum + (l.a + l.b === air + node && (l.a === air || l.b === air) ? l.conductance : 0),
      0,
    );
  const made = new Float64Array(moist.surfaces);
  moist.nodes.forEach((node, j) => {
    if (node < 0) return;
    const vessel = chamber.vessels[j - 1 - chamber.coolers.length];
    // What gives off water by its own law has no film of water on it; a shut vessel has.
    if (vessel && (vessel.wetShare > 0 || vessel.wall === "none")) return;
    made[j] = Math.min(linked(node), FAN_FILM * moist.areas[j]!) / MASS_FROM_HEAT;
  });
  moist.known.set(network, made);
  return made;
}

/** Opens the box to the room's air for a while, s from the start of the trial. */
export function openMoist(state: MoistState | null, from: number, to: number): void {
  if (!state) return;
  if (from > state.openTo) state.openFrom = from;
  state.openTo = Math.max(state.openTo, to);
}

/** Conductances for vapour with the network that is in force: looked up when it changes. */
function place(moist: Moist, network: Network, chamber: Chamber): void {
  if (moist.placed === network) return;
  moist.placed = network;
  const conductance = conductancesOf(moist, network, chamber);
  for (const { surfaces } of moist.around) surfaces.conductance.set(conductance);
}

/** Fills in what the air meets over the coming span, for each end of the estimates. */
function meet({ state, network, input, rooms }: Run, moist: Moist, span: number, power: boolean): void {
  const { chamber } = input;
  const { moisture, vessels } = chamber;
  const m = state.moisture!;
  const { x } = state;
  const now = state.step * input.dt;
  const air = x[network.air]!;
  const first = 1 + chamber.coolers.length;
  const { around: ends, nodes } = moist;
  place(moist, state.mode.network, chamber);
  const outside = vapourIn(moisture.room, rooms[state.step % rooms.length]!);
  const from = Math.max(m.openFrom, m.openDone);
  const to = Math.min(m.openTo, now + span);
  if (to > from) m.openDone = to;
  const door = to > from ? (((to - from) / span) * chamber.thermal.openToRoom) / AIR_HEAT : 0;
  const asked = chamber.stages[state.program.stage]!.humidity;
  const holds = power && asked > 0;
  const half = moisture.between / 2;
  const low = holds && moisture.humidifier > 0 ? vapourIn(asked - half, air) : 0;
  const high = holds && moisture.dehumidifier > 0 ? vapourIn(asked + half, air) : 0;
  const gel = moisture.absorber > 0 ? vapourIn(GEL.humidity, air) : 0;
  const tray = moisture.tray > 0 ? moisture.trayActivity * saturated(x[network.lining]!) : 0;
  const dries = 1 + vessels.length;
  const dryingAt = m.felt + (moist.drying > 0 ? m.given / moist.drying : 0);
  const usual = ends[0]!;
  const balanced = usual.surfaces.vapour;
  const { conductance } = usual.surfaces;
  for (let j = 0; j < nodes.length; j++) if (conductance[j]! > 0) balanced[j] = saturated(x[nodes[j]!]!);
  const wetAt = usual.wet.vapour;
  wetAt[0] = tray;
  for (let v = 0; v < vessels.length; v++) if (moist.wetBy[v]! > 0) wetAt[1 + v] = saturated(x[nodes[first + v]!]!);
  wetAt[dries] = dryingAt;
  for (let k = 0; k < ends.length; k++) {
    const around = ends[k]!;
    const { breathes, wet } = ENDS[k]!;
    around.span = span;
    around.breathing = moist.leaks * breathes + door;
    around.room = outside;
    around.given = k === 0 ? m.given : 0;
    const by = around.wet.conductance;
    by[0] = moist.tray * wet;
    for (let v = 0; v < vessels.length; v++) {
      const there = vessels[v]!.putIn <= now;
      by[1 + v] = there ? Math.min(wet * moist.wetBy[v]!, moist.open[v]!) : 0;
      if (!there) around.surfaces.conductance[first + v] = 0;
    }
    by[dries] = k === 0 || !moist.dries ? 0 : moist.drying;
    around.humidifier.most = holds ? moisture.humidifier : 0;
    around.humidifier.at = low;
    around.dehumidifier.conductance = holds ? moist.dryer : 0;
    around.dehumidifier.at = high;
    around.absorber.vapour = gel;
    if (k > 0) {
      for (let j = 0; j < balanced.length; j++) around.surfaces.vapour[j] = balanced[j]!;
      for (let i = 0; i < wetAt.length; i++) around.wet.vapour[i] = wetAt[i]!;
    }
  }
}

/**
 * The humidity that what dries will feel over the coming span: with what it gives to the air reckoned in, since in a shut
 * box it soon makes its own air. Null where humidity is as typed.
 */
export function humidityAhead(run: Run, span: number, power: boolean): number | null {
  const { moist, state, network } = run;
  const m = state.moisture;
  if (!moist || !m) return null;
  if (!moist.dries) return m.humidity[0]!;
  const air = state.x[network.air]!;
  meet(run, moist, span, power);
  const usual = moist.around[0]!;
  const ahead = copyAir(m.air[0]!);
  usual.given = 0;
  usual.wet.conductance[usual.wet.conductance.length - 1] = moist.drying;
  stepAir(ahead, usual);
  m.felt = ahead.vapour;
  return Math.min(1, relativeHumidity(ahead.vapour, air));
}

/** Moves the water on over the coming span and says whether the heat that goes with it has changed. */
export function moveMoisture(run: Run, span: number, power: boolean): boolean {
  const { moist, state, network, at } = run;
  const m = state.moisture;
  if (!moist || !m) return false;
  const { x, evaporated } = state;
  let given = 0;
  for (let v = 0; v < evaporated.length; v++) given += evaporated[v]!;
  m.given = given / PRODUCT_EVAPORATION;
  meet(run, moist, span, power);
  const air = x[network.air]!;
  const { scratch: heat, heats, nodes, surfaces, areas, drains, around: ends } = moist;
  heat.fill(0);
  const usual = m.air[0]!;
  const { humidified, dehumidified } = usual;
  // The ends of the estimates move on at every second step, by twice as much.
  const all = (m.moves++ & 1) === 1;
  for (let k = 0; k < (all ? ends.length : 1); k++) {
    const water = m.air[k]!;
    if (k > 0) ends[k]!.span = 2 * span;
    stepAir(water, ends[k]!);
    for (let j = 0; j < surfaces; j++) {
      if (water.film[j]! <= 0) continue;
      const froze = freeze(water, j, x[nodes[j]!]!, ends[k]!.span);
      if (k === 0) heat[heats[j]!]! += froze;
      if (drains[j]) drain(water, j, HANGS * areas[j]!);
    }
    m.humidity[k] = Math.min(1, relativeHumidity(water.vapour, air));
  }
  const misted = (usual.humidified - humidified) / span;
  const dried = (usual.dehumidified - dehumidified) / span;
  const work = misted * HUMIDIFIER_WORK + dried * DEHUMIDIFIER_WORK;
  m.electric += work * span;
  heat[0]! += work + EVAPORATION * (dried - misted - usual.off[0]!);
  const coolers = network.coolers.length;
  for (let j = 0; j < surfaces; j++) {
    heat[heats[j]!]! += EVAPORATION * usual.onto[j]!;
    const film = usual.film[j]!;
    if (film > m.most[j]!) m.most[j] = film;
    if (usual.ice[j]! > m.mostIce[j]!) m.mostIce[j] = usual.ice[j]!;
    if (film - usual.ice[j]! > WET * areas[j]!) m.wetFor[j]! += span;
  }
  for (let v = 0; v < evaporated.length; v++) heat[2 + coolers + v]! -= EVAPORATION * usual.off[1 + v]!;
  if (usual.vapour >= MOULD * ends[0]!.surfaces.vapour[0]!) m.mouldFor += span;
  let changed = false;
  for (let i = 0; i < heat.length; i++) if (Math.abs(heat[i]! - m.latent[i]!) > LEAST) changed = true;
  if (!changed) return false;
  for (let i = 0; i < heat.length; i++) state.u[at.wet + i] = m.latent[i] = heat[i]!;
  return true;
}
/** A change of heat that a step is worked out anew for, W. */
const LEAST = 0.02;
