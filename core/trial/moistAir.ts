import { FAN_FILM, type Network } from "../chamber";
import type { Chamber } from "../model";
import { drain, freeze, relativeHumidity, saturated, stepAir, vapourAfter, vapourIn } from "../moisture";
import { ENDS, GEL, MASS_FROM_HEAT, type Moist, type MoistState } from "./moistState";
import type { Run } from "./run";

/** Heat of evaporation, J/kg, and of what a product gives off by its own law. */
const EVAPORATION = 2.5e6;
const PRODUCT_EVAPORATION = 2.47e6;
/** Heat of a cubic metre of air, J/(m³K). */
const AIR_HEAT = 1207;
/** What hangs on a square metre before it runs, kg (estimate). */
const HANGS = 0.05;
/** Electricity of a humidifier and a dehumidifier, J for a kg (estimates); it warms the air. */
const HUMIDIFIER_WORK = 0.9e6;
const DEHUMIDIFIER_WORK = 4e6;
/** Where mould grows on a wall: above so much at its face for days (EN ISO 13788). */
const MOULD = 0.8;
/** What can be seen as wet, kg/m². */
const WET = 0.01;
/** A change of heat that a step is worked out anew for, W. */
const LEAST = 0.02;

/**
 * How often the water is moved on, s: a compressor's plate turns cold and warm within minutes, and the products move at
 * every so many of its steps or it at theirs. Twice a products' step comes to what thrice comes to, within 1 % of what
 * dries; fifteen times as often, sausage between a humidifier and a dehumidifier gives off 7 % more.
 */
export function moistHold({ network }: Run, products: number): number {
  const cold = network.coolers.some((c) => c.law.power > 0);
  if (!cold) return Math.max(products, 300);
  return products < 120 ? 2 * products : products / 2;
}

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

/** Fills in what the air meets over the coming span, as is usual, and for each end of the estimates where they move too. */
function meet({ state, network, input, rooms }: Run, moist: Moist, span: number, power: boolean, upTo: number): void {
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
  const tray = moisture.tray > 0 ? moisture.trayActivity * saturated(air) : 0;
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
 * The humidity that what dries will feel over the coming span: with what it gives to the air reckoned in, since in a shut
 * box it soon makes its own air. Null where humidity is as typed.
 */
export function humidityAhead(run: Run, span: number, power: boolean): number | null {
  const { moist, state, network } = run;
  const m = state.moisture;
  if (!moist || !m) return null;
  if (!moist.dries) return m.humidity[0]!;
  const air = state.x[network.air]!;
  meet(run, moist, span, power, 1);
  const usual = moist.around[0]!;
  usual.given = 0;
  usual.wet.conductance[usual.wet.conductance.length - 1] = moist.drying;
  m.felt = vapourAfter(m.air[0]!, usual);
  return Math.min(1, relativeHumidity(m.felt, air));
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
  // The ends of the estimates move on at every second step, by twice as much.
  const upTo = (m.moves++ & 1) === 1 ? moist.around.length : 1;
  meet(run, moist, span, power, upTo);
  const air = x[network.air]!;
  const { scratch: heat, heats, nodes, surfaces, areas, drains, around: ends } = moist;
  heat.fill(0);
  const usual = m.air[0]!;
  const { humidified, dehumidified } = usual;
  for (let k = 0; k < upTo; k++) {
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
