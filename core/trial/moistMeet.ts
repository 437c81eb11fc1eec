import { FAN_FILM, type Network } from "../chamber";
import type { Chamber } from "../model";
import { drain, freeze, saturated, stepAir, vapourIn, type AirWater, type Around } from "../moisture";
import { ENDS, GEL, MASS_FROM_HEAT, type Moist } from "./moistState";
import type { Run } from "./run";

/** What is known of the span over which the water moves: s, m³/s through a door, and how many ends of the estimates move. */
export interface Coming {
  span: number;
  power: boolean;
  door: number;
  upTo: number;
}

/** Heat of evaporation, J/kg. */
export const EVAPORATION = 2.5e6;
/** What hangs on a square metre before it runs, kg (estimate). */
const HANGS = 0.05;
/** Electricity of a humidifier and a dehumidifier, J for a kg (estimates); it warms the air. */
const HUMIDIFIER_WORK = 0.9e6;
const DEHUMIDIFIER_WORK = 4e6;
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

/** Conductances for vapour with the network that is in force: looked up when it changes. */
function place(moist: Moist, network: Network, chamber: Chamber): void {
  if (moist.placed === network) return;
  moist.placed = network;
  const conductance = conductancesOf(moist, network, chamber);
  for (const { surfaces } of moist.around) surfaces.conductance.set(conductance);
}

/**
 * Fills in what the air meets over the coming span at some temperatures of air and surfaces, as is usual, and for each
 * end of the estimates where they move too.
 */
export function meet(
  { state, input, rooms }: Run,
  moist: Moist,
  { span, power, door, upTo }: Coming,
  temperatures: Float64Array,
): void {
  const { chamber } = input;
  const { moisture, vessels } = chamber;
  const m = state.moisture!;
  const now = state.step * input.dt;
  const air = temperatures[0]!;
  const first = 1 + chamber.coolers.length;
  const { around: ends, nodes } = moist;
  place(moist, state.mode.network, chamber);
  const outside = vapourIn(moisture.room, rooms[state.step % rooms.length]!);
  const asked = chamber.stages[state.program.stage]!.humidity;
  const holds = power && asked > 0;
  const half = moisture.between / 2;
  const low = holds && moisture.humidifier > 0 ? vapourIn(asked - half, air) : 0;
  const high = holds && moisture.dehumidifier > 0 ? vapourIn(asked + half, air) : 0;
  const gel = moisture.absorber > 0 ? vapourIn(GEL.humidity, air) : 0;
  const tray = moisture.tray > 0 ? moisture.trayActivity * saturated(air) : 0;
  const dries = 1 + vessels.length;
  const dryingAt = m.felt + (moist.drying > 0 ? m.given / moist.drying : 0);
  const usual = ends[0]!;
  const balanced = usual.surfaces.vapour;
  const { conductance } = usual.surfaces;
  for (let j = 0; j < nodes.length; j++) if (conductance[j]! > 0) balanced[j] = saturated(temperatures[1 + j]!);
  const wetAt = usual.wet.vapour;
  wetAt[0] = tray;
  for (let v = 0; v < vessels.length; v++)
    if (moist.wetBy[v]! > 0) wetAt[1 + v] = saturated(temperatures[1 + first + v]!);
  wetAt[dries] = dryingAt;
  for (let k = 0; k < upTo; k++) {
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
 * Moves the water of one end of the estimates on over a span.
 * @param heat gets what that gives to air and surfaces, W; null where nobody asks
 * @returns work of humidifier and dehumidifier, W
 */
export function moveWater(
  moist: Moist,
  water: AirWater,
  around: Around,
  temperatures: Float64Array,
  heat: Float64Array | null,
): number {
  const { heats, surfaces, areas, drains } = moist;
  const { humidified, dehumidified } = water;
  const { span } = around;
  heat?.fill(0);
  stepAir(water, around);
  for (let j = 0; j < surfaces; j++) {
    if (water.film[j]! <= 0) continue;
    const froze = freeze(water, j, temperatures[1 + j]!, span);
    if (heat) heat[heats[j]!]! += froze;
    if (drains[j]) drain(water, j, HANGS * areas[j]!);
  }
  if (!heat) return 0;
  const misted = (water.humidified - humidified) / span;
  const dried = (water.dehumidified - dehumidified) / span;
  const work = misted * HUMIDIFIER_WORK + dried * DEHUMIDIFIER_WORK;
  heat[0]! += work + EVAPORATION * (dried - misted - water.off[0]!);
  for (let j = 0; j < surfaces; j++) heat[heats[j]!]! += EVAPORATION * water.onto[j]!;
  const vessels = water.off.length - 2;
  for (let v = 0; v < vessels; v++) heat[heat.length - vessels + v]! -= EVAPORATION * water.off[1 + v]!;
  return work;
}
