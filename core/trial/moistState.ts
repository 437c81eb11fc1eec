import { GEL_TAKES, insideOf, reckonsMoisture, vesselSurface, type Network } from "../chamber";
import type { Chamber } from "../model";
import { copyAir, saturated, stillAir, vapourIn, type AirWater, type Around } from "../moisture";
import { modelOf } from "../product";
import { filmOn } from "./filmOn";

/** ρ·cp·Le^⅔, J/(m³K): vapour's conductance from that of heat (Chilton and Colburn). */
export const MASS_FROM_HEAT = 1100;
/** The film that a plate's area is reckoned by, and that on open water in a tray, W/m²K. */
const PLATE_FILM = 8;
const STILL = 2.25;
/** The cold face of a dehumidifier, °C; what it is rated at. */
const COIL = 5;
const RATED = { t: 20, humidity: 0.8 };
/** In air that is warmer and moister than it is rated for it takes so many times as much at the most (estimate). */
const MOST_OF_RATED = 2;
/** Over dry silica gel the air is as dry as 10 %; a kg of it in a tray takes 0.2 L/s (estimates). */
export const GEL = { humidity: 0.1, conductance: 2e-4 };

/** Breathing, and what gives off water, are known to a third or three times (estimates): dry and moist ends of it. */
export const ENDS = [
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
  /** Steps so far, and how far the ends of the estimates are behind, s. */
  moves: number;
  behind: number;
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
  /** Nothing in it gives water off or takes any: no tray, no wet vessel, nothing that dries, no device for it. */
  bare: boolean;
  /** Of each vessel: what is wet of it, and all of its surface, m³/s. */
  wetBy: Float64Array;
  open: Float64Array;
  /** Heat to the air and to each surface, and their temperatures, while a step is worked out. */
  scratch: Float64Array;
  temperatures: Float64Array;
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
  dehumidifier: { conductance: 0, vapour: saturated(COIL), at: 0, most: 0 },
  absorber: { conductance: 0, vapour: 0, holds: 0 },
});

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
  for (const { absorber, dehumidifier } of around) {
    dehumidifier.most = MOST_OF_RATED * moisture.dehumidifier;
    absorber.conductance = GEL.conductance * moisture.absorber;
    absorber.holds = GEL_TAKES * moisture.absorber;
  }
  const dries = vessels.some((v) => v.evaporation > 0 || modelOf(v.product).dries === true);
  const { tray, absorber, humidifier, dehumidifier } = moisture;
  return {
    volume,
    surfaces,
    dries,
    bare: !dries && tray + absorber + humidifier + dehumidifier === 0 && vessels.every((v) => v.wetShare === 0),
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
    wetBy: Float64Array.from(vessels, (v, i) => v.wetShare * open[i]!),
    open: Float64Array.from(open),
    scratch: new Float64Array(1 + surfaces),
    temperatures: new Float64Array(1 + surfaces),
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
    behind: 0,
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

const copyAirInto = (from: AirWater, into: AirWater): void => {
  const { film, ice, fromWet, onto, off } = into;
  film.set(from.film);
  ice.set(from.ice);
  fromWet.set(from.fromWet);
  onto.set(from.onto);
  off.set(from.off);
  Object.assign(into, from, { film, ice, fromWet, onto, off });
};

/** Makes one state that is there already the same as another. */
export function copyMoistInto(from: MoistState, into: MoistState): void {
  const { air, humidity, latent, most, mostIce, wetFor } = into;
  from.air.forEach((water, k) => copyAirInto(water, air[k]!));
  humidity.set(from.humidity);
  latent.set(from.latent);
  most.set(from.most);
  mostIce.set(from.mostIce);
  wetFor.set(from.wetFor);
  Object.assign(into, from, { air, humidity, latent, most, mostIce, wetFor });
}
