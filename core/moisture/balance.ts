import { MELTING_HEAT } from "../chamber";

/**
 * A box's air and everything that water can lie on, as one step sees it. Densities of vapour in kg/m³, flows in kg/s,
 * conductances for vapour in m³/s, water in kg. A surface takes vapour while the air has more than it, and gives it back
 * as long as there is water on it.
 */
export interface Around {
  /** Length of the step, s, and air in the box, m³. */
  span: number;
  volume: number;
  /** Air that is changed with the room, m³/s, and the vapour in the room's. */
  breathing: number;
  room: number;
  /** What gives off water whatever the air is like: what dries, by its own law. */
  given: number;
  /** Surfaces that are always wet, each with its conductance and the vapour right at it. */
  wet: { conductance: Float64Array; vapour: Float64Array };
  /** Surfaces that may get wet: conductance, vapour in balance with them. */
  surfaces: { conductance: Float64Array; vapour: Float64Array };
  /** Most that a humidifier gives, and the vapour that it holds the air at or above. */
  humidifier: { most: number; at: number };
  /**
   * Conductance of a dehumidifier to its cold face, the vapour there, the vapour that it holds the air at or below, and
   * the most that it takes, kg/s: its own cold is all it has, however moist the air.
   */
  dehumidifier: { conductance: number; vapour: number; at: number; most: number };
  /** Of a dry absorber: as it is fresh, the vapour over it, and how much it takes in all. */
  absorber: { conductance: number; vapour: number; holds: number };
}

/** The water in a box, and all that has come and gone since the beginning: plain data. */
export interface AirWater {
  /** Vapour in the air, kg/m³. */
  vapour: number;
  /** Water and ice on each surface that may get wet, kg, and how much of it is ice. */
  film: Float64Array;
  ice: Float64Array;
  /** What the absorber has taken, kg. */
  absorbed: number;
  /** kg since the beginning: with the room's air, from what dries, from each wet surface, by the devices. */
  breathed: number;
  given: number;
  fromWet: Float64Array;
  humidified: number;
  dehumidified: number;
  drained: number;
  /** Over the last step, kg/s: onto each surface (below 0: off it), and off each wet one. */
  onto: Float64Array;
  off: Float64Array;
}

export const stillAir = (vapour: number, surfaces: number, wet: number): AirWater => ({
  vapour,
  film: new Float64Array(surfaces),
  ice: new Float64Array(surfaces),
  absorbed: 0,
  breathed: 0,
  given: 0,
  fromWet: new Float64Array(wet),
  humidified: 0,
  dehumidified: 0,
  drained: 0,
  onto: new Float64Array(surfaces),
  off: new Float64Array(wet),
});

export const copyAir = (air: AirWater): AirWater => ({
  ...air,
  film: air.film.slice(),
  ice: air.ice.slice(),
  fromWet: air.fromWet.slice(),
  onto: air.onto.slice(),
  off: air.off.slice(),
});

const MOST_TURNS = 60;

/** An absorber takes less and less as it fills. */
const absorberNow = ({ absorbed }: AirWater, { conductance, holds }: Around["absorber"]): number =>
  holds > 0 ? conductance * Math.max(0, 1 - absorbed / holds) : 0;

/**
 * How the flow that `inflow` has just worked out falls with more vapour, m³/s, and between which densities it falls so:
 * numbers without a list for them.
 */
let slope = 0;
let straightFrom = 0;
let straightTo = Infinity;

/**
 * Net flow into the air at some vapour in it, kg/s, without what the devices do by halves.
 * @param drying conductance of a dehumidifier that does its most
 */
function inflow(air: AirWater, around: Around, vapour: number, drying: number): number {
  const { span, breathing, wet, surfaces, absorber } = around;
  let flow = around.given + breathing * (around.room - vapour);
  slope = breathing;
  straightFrom = 0;
  straightTo = Infinity;
  const { conductance: wetBy, vapour: wetAt } = wet;
  for (let i = 0; i < wetBy.length; i++) {
    const c = wetBy[i]!;
    flow += c * (wetAt[i]! - vapour);
    slope += c;
  }
  const { conductance, vapour: balanced } = surfaces;
  const { film } = air;
  for (let j = 0; j < conductance.length; j++) {
    const c = conductance[j]!;
    if (c === 0) continue;
    const there = film[j]! / span;
    const bend = balanced[j]! - there / c;
    if (vapour < bend) {
      flow += there;
      if (bend < straightTo) straightTo = bend;
    } else {
      flow += c * (balanced[j]! - vapour);
      slope += c;
      if (bend > straightFrom) straightFrom = bend;
    }
  }
  // Their own bends are not looked for: the way goes on until it stands still.
  if (drying > 0 || absorber.holds > 0) straightTo = 0;
  if (drying > 0 && vapour > around.dehumidifier.vapour) {
    flow -= drying * (vapour - around.dehumidifier.vapour);
    slope += drying;
  }
  if (absorber.holds > 0 && vapour > absorber.vapour) {
    const c = absorberNow(air, absorber);
    const into = c * (vapour - absorber.vapour);
    const left = (absorber.holds - air.absorbed) / span;
    flow -= Math.min(into, left);
    if (into < left) slope += c;
  }
  return flow;
}

/**
 * The vapour at the end of a step: V·(w⁺ − w)/Δt is what flows in at w⁺. What flows in falls with w⁺ in straight pieces, so
 * that Newton's way comes to an end; where a step of it would pass a kink twice, halving helps.
 * @param humidifying what a humidifier gives that does its most, kg/s
 */
function solved(air: AirWater, around: Around, humidifying: number, drying: number): number {
  const { volume, span } = around;
  const { vapour } = air;
  let low = 0;
  let high = Infinity;
  let w = vapour;
  for (let turn = 0; turn < MOST_TURNS; turn++) {
    const rest = inflow(air, around, w, drying) + humidifying - (volume * (w - vapour)) / span;
    if (rest > 0) low = w;
    else high = w;
    const next = w + rest / (slope + volume / span);
    // On a straight piece it is there; where rounding leaves no way on, too.
    if ((next >= straightFrom && next <= straightTo) || Math.abs(next - w) <= 1e-13 * w) return next;
    w = next >= low && next <= high ? next : high < Infinity ? (low + high) / 2 : 2 * w + 1e-6;
  }
  return w;
}

/** What the devices do in the step that `withDevices` has just worked out, kg/s: numbers without a list for them. */
let misted = 0;
let dried = 0;

/**
 * The vapour at the end of a step, with a humidifier and a dehumidifier for the share of it that they run. What flows in
 * falls with more vapour: whether a step ends below or above what a device holds is told by what would be missing there.
 */
function withDevices(air: AirWater, around: Around): number {
  const { volume, span, humidifier, dehumidifier } = around;
  misted = 0;
  dried = 0;
  if (humidifier.most > 0) {
    const { at, most } = humidifier;
    const asks = (volume * (at - air.vapour)) / span - inflow(air, around, at, 0);
    if (asks > 0) {
      misted = Math.min(asks, most);
      return asks <= most ? at : solved(air, around, most, 0);
    }
  }
  if (dehumidifier.conductance > 0) {
    const { conductance, vapour } = dehumidifier;
    const at = Math.max(dehumidifier.at, vapour);
    const asks = inflow(air, around, at, 0) - (volume * (at - air.vapour)) / span;
    if (asks > 0) {
      const whole = asks > conductance * (at - vapour);
      const w = whole ? solved(air, around, 0, conductance) : at;
      dried = whole ? conductance * Math.max(0, w - vapour) : asks;
      if (dried <= dehumidifier.most) return w;
      dried = dehumidifier.most;
      return solved(air, around, -dried, 0);
    }
  }
  return solved(air, around, 0, 0);
}

/** The vapour that a step would end with, kg/m³; nothing is moved. */
export const vapourAfter = (air: AirWater, around: Around): number => withDevices(air, around);

/**
 * Moves the water on by a step, implicitly: however long it is against the minutes in which air follows its surfaces, it
 * stays between them. Nothing is lost: what the books below say is what the air, the films and the absorber have.
 * An on/off humidifier or dehumidifier runs for the share of the step that holds the air where it is to hold it.
 */
export function stepAir(air: AirWater, around: Around): void {
  const { volume, span, wet, surfaces, absorber } = around;
  const w = withDevices(air, around);
  // Each flow at the end of the step; what rounding leaves over is the air's own.
  const breathed = around.breathing * (around.room - w);
  let into = around.given + breathed + misted - dried;
  air.given += around.given * span;
  air.breathed += breathed * span;
  air.humidified += misted * span;
  air.dehumidified += dried * span;
  for (let i = 0; i < wet.conductance.length; i++) {
    const off = wet.conductance[i]! * (wet.vapour[i]! - w);
    air.off[i] = off;
    air.fromWet[i]! += off * span;
    into += off;
  }
  if (absorber.holds > 0 && w > absorber.vapour) {
    const most = absorber.holds - air.absorbed;
    const taken = Math.min(absorberNow(air, absorber) * (w - absorber.vapour) * span, most);
    air.absorbed += taken;
    into -= taken / span;
  }
  const { film, ice, onto } = air;
  for (let j = 0; j < film.length; j++) {
    if (surfaces.conductance[j] === 0) {
      onto[j] = 0;
      continue;
    }
    const there = film[j]!;
    const off = Math.min(surfaces.conductance[j]! * (surfaces.vapour[j]! - w) * span, there);
    film[j] = there - off;
    if (ice[j]! > there - off) ice[j] = there - off;
    onto[j] = -off / span;
    into += off / span;
  }
  air.vapour += (into * span) / volume;
}

/** Between water on a cold plate and the plate, W/K: it freezes and melts by it (estimate). */
const FREEZING = 10;

/**
 * Water on a surface below 0 °C freezes, ice on a warmer one melts.
 * @returns the heat that this gives to the surface, W; below 0 where it takes it
 */
export function freeze(air: AirWater, j: number, t: number, span: number): number {
  const film = air.film[j]!;
  if (film <= 0) return 0;
  const most = (FREEZING * Math.abs(t) * span) / MELTING_HEAT;
  const kg = t < 0 ? Math.min(film - air.ice[j]!, most) : -Math.min(air.ice[j]!, most);
  air.ice[j]! += kg;
  return (kg * MELTING_HEAT) / span;
}

/** What hangs on a surface beyond what it keeps runs off and out; ice stays. */
export function drain(air: AirWater, j: number, keeps: number): void {
  const over = air.film[j]! - air.ice[j]! - keeps;
  if (over <= 0) return;
  air.film[j]! -= over;
  air.drained += over;
}

/** What the books of a box are off by, kg: what came in less what went out, against what is there more than before. */
export function unaccounted(before: AirWater, after: AirWater, volume: number): number {
  const total = (values: Float64Array) => values.reduce((sum, v) => sum + v, 0);
  const held = (air: AirWater) => volume * air.vapour + total(air.film) + air.absorbed;
  const come = (air: AirWater) =>
    air.breathed + air.given + total(air.fromWet) + air.humidified - air.dehumidified - air.drained;
  return held(after) - held(before) - (come(after) - come(before));
}
