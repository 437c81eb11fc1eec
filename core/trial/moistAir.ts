import { relativeHumidity, vapourAfter } from "../moisture";
import { meet, moveWater, type Coming } from "./moistMeet";
import { isStiff, solveTogether } from "./moistTogether";
import { type Moist, type MoistState } from "./moistState";
import type { Run } from "./run";

/** Heat of evaporation of what a product gives off by its own law, J/kg. */
const PRODUCT_EVAPORATION = 2.47e6;
/** Heat of a cubic metre of air, J/(m³K). */
const AIR_HEAT = 1207;
/** Where mould grows on a wall: above so much at its face for days (EN ISO 13788). */
const MOULD = 0.8;
/** What can be seen as wet, kg/m². */
const WET = 0.01;
/** A change of heat that a step is worked out anew for, W. */
const LEAST = 0.02;

/** Where nothing turns cold and warm within minutes, and where only the course of products is asked, s. */
const LONGEST_HOLD = 300;

/**
 * How often the water is moved on, s: a compressor's plate turns cold and warm within minutes, and the products move at
 * every so many of its steps or it at theirs. Twice a products' step comes to what thrice comes to, within 1 % of what
 * dries; fifteen times as often, sausage between a humidifier and a dehumidifier gives off 7 % more.
 */
export function moistHold({ network, input }: Run, products: number): number {
  if (input.lean) return LONGEST_HOLD;
  const cold = network.coolers.some((c) => c.law.power > 0);
  if (!cold) return LONGEST_HOLD;
  return products < 120 ? 2 * products : Math.min(products, LONGEST_HOLD) / 2;
}

/** Opens the box to the room's air for a while, s from the start of the trial. */
export function openMoist(state: MoistState | null, from: number, to: number): void {
  if (!state) return;
  if (from > state.openTo) state.openFrom = from;
  state.openTo = Math.max(state.openTo, to);
}

/** Air that goes through the open door until a moment, s, m³/s over a span: each opening stands in the books once. */
function doorUntil({ state, input }: Run, until: number, span: number): number {
  const m = state.moisture!;
  const from = Math.max(m.openFrom, m.openDone);
  const to = Math.min(m.openTo, until);
  if (to <= from) return 0;
  m.openDone = to;
  return (((to - from) / span) * input.chamber.thermal.openToRoom) / AIR_HEAT;
}

/** The temperatures that the water meets now: the air's, then each surface's. */
function temperaturesNow({ state: { x }, network }: Run, { nodes, temperatures }: Moist): Float64Array {
  temperatures[0] = x[network.air]!;
  for (let j = 0; j < nodes.length; j++) temperatures[1 + j] = nodes[j]! >= 0 ? x[nodes[j]!]! : 0;
  return temperatures;
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
  // The door is looked at when the water moves: what dries feels its air a moment later.
  meet(run, moist, { span, power, door: 0, upTo: 1 }, temperaturesNow(run, moist));
  const usual = moist.around[0]!;
  usual.given = 0;
  usual.wet.conductance[usual.wet.conductance.length - 1] = moist.drying;
  m.felt = vapourAfter(m.air[0]!, usual);
  return Math.min(1, relativeHumidity(m.felt, air));
}

/**
 * Whether there is no water in a box but what its air holds, at either end of what is estimated: until something switches
 * nothing but its change with the room moves it.
 */
export function isDry({ moist, state }: Run): boolean {
  const m = state.moisture;
  if (!moist?.bare || !m || m.moves < m.air.length) return false;
  return m.air.every(({ film, onto }) => film.every((kg) => kg === 0) && onto.every((flow) => flow === 0));
}

/**
 * Moves the water on over a span and says whether the heat that goes with it has changed.
 * @param until the moment at which the span ends, s
 */
export function moveMoisture(
  run: Run,
  span: number,
  power: boolean,
  until = run.state.step * run.input.dt + span,
): boolean {
  const { moist, state, at, input } = run;
  const m = state.moisture;
  if (!moist || !m) return false;
  const { evaporated } = state;
  let given = 0;
  for (let v = 0; v < evaporated.length; v++) given += evaporated[v]!;
  m.given = given / PRODUCT_EVAPORATION;
  // The ends of the estimates move on at every second step, by all that they are behind.
  const upTo = !input.lean && (m.moves++ & 1) === 1 ? moist.around.length : 1;
  const coming: Coming = { span, power, door: doorUntil(run, until, span), upTo };
  m.behind += span;
  const temperatures = temperaturesNow(run, moist);
  meet(run, moist, coming, temperatures);
  // Where the heat of the water would run away within a step, both are solved together, at its end.
  if (isStiff(run, moist, span)) solveTogether(run, moist, coming, temperatures);
  const { scratch: heat, surfaces, areas, around: ends } = moist;
  const usual = m.air[0]!;
  for (let k = 0; k < upTo; k++) {
    const water = m.air[k]!;
    if (k > 0) {
      ends[k]!.span = m.behind;
      moveWater(moist, water, ends[k]!, temperatures, null);
    } else m.electric += moveWater(moist, water, ends[k]!, temperatures, heat) * span;
    m.humidity[k] = Math.min(1, relativeHumidity(water.vapour, temperatures[0]!));
  }
  if (upTo > 1) m.behind = 0;
  for (let j = 0; j < surfaces; j++) {
    const film = usual.film[j]!;
    if (film > m.most[j]!) m.most[j] = film;
    if (usual.ice[j]! > m.mostIce[j]!) m.mostIce[j] = usual.ice[j]!;
    if (film - usual.ice[j]! > WET * areas[j]!) m.wetFor[j]! += span;
  }
  if (usual.vapour >= MOULD * ends[0]!.surfaces.vapour[0]!) m.mouldFor += span;
  let changed = false;
  for (let i = 0; i < heat.length; i++) if (Math.abs(heat[i]! - m.latent[i]!) > LEAST) changed = true;
  if (!changed) return false;
  for (let i = 0; i < heat.length; i++) state.u[at.wet + i] = m.latent[i] = heat[i]!;
  return true;
}
