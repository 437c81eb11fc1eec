import { copyAir } from "../moisture";
import { EVAPORATION, meet, moveWater, type Coming } from "./moistMeet";
import type { Moist } from "./moistState";
import { reached, reachOf } from "./reach";
import type { Run } from "./run";

/**
 * Heat and water of a step, solved together where they hang on each other too strongly to be moved one after the other: a
 * wide tray in a light box takes more heat a kelvin than its air has ways out, and each step would answer the last one
 * with more of the opposite.
 */

/** Answered one after the other, a step is stable as long as what it answers with is below this share of what it met. */
const LOOSE = 0.8;
/** Vapour in balance rises by so much of itself a kelvin (Clausius and Clapeyron, about 20 °C). */
const RISES = 0.063;
const MOST_TURNS = 25;
/** A difference for slopes, the nearest that temperatures are solved to, and the furthest that one turn goes, K. */
const NUDGE = 0.01;
const NEAR = 1e-4;
const NEAR_ENOUGH = 0.05;
const FURTHEST = 8;

/** The node to which each part of the water's heat goes: the air, the lining, each cooler, each vessel’s skin. */
const nodeOf = ({ network }: Run, { nodes }: Moist, i: number): number => (i === 0 ? network.air : nodes[i - 1]!);

/** Whether moving the heat after the water would not settle: the most that any node answers to its own water, over 1. */
export function isStiff(run: Run, moist: Moist, span: number): boolean {
  const { state, at } = run;
  const { surfaces, wet } = moist.around[0]!;
  const { film, vapour } = state.moisture!.air[0]!;
  const parts = 1 + moist.surfaces;
  const vessels = wet.conductance.length - 2;
  let slopes = 0;
  // W a kelvin that each part takes with its water.
  for (let i = 0; i < parts; i++) {
    let by = 0;
    if (i === 0) by = wet.conductance[0]! * wet.vapour[0]!;
    else {
      const j = i - 1;
      const c = surfaces.conductance[j]!;
      if (c > 0 && (film[j]! > 0 || vapour > surfaces.vapour[j]!)) by = c * surfaces.vapour[j]!;
      const v = i - (parts - vessels);
      if (v >= 0) by += wet.conductance[1 + v]! * wet.vapour[1 + v]!;
    }
    slope[i] = EVAPORATION * RISES * by;
    slopes += slope[i]!;
  }
  if (slopes === 0) return false;
  const { m, gamma } = reachOf(run, span);
  for (let i = 0; i < parts; i++) {
    const node = nodeOf(run, moist, i);
    if (node < 0) continue;
    let answer = 0;
    for (let k = 0; k < parts; k++) answer += Math.abs(gamma[node * m + at.wet + k]!) * slope[k]!;
    if (answer > LOOSE) return true;
  }
  return false;
}
/** More parts than a chamber can have: air, lining, coolers, vessels. */
const slope = new Float64Array(64);

/** Solves A·x = b by elimination with row pivoting, in place; b is left as the answer. */
function eliminate(a: Float64Array[], b: Float64Array): void {
  const n = b.length;
  for (let k = 0; k < n; k++) {
    let pivot = k;
    for (let i = k + 1; i < n; i++) if (Math.abs(a[i]![k]!) > Math.abs(a[pivot]![k]!)) pivot = i;
    [a[k], a[pivot]] = [a[pivot]!, a[k]!];
    [b[k], b[pivot]] = [b[pivot]!, b[k]!];
    for (let i = k + 1; i < n; i++) {
      const factor = a[i]![k]! / a[k]![k]!;
      if (factor === 0) continue;
      for (let j = k; j < n; j++) a[i]![j]! -= factor * a[k]![j]!;
      b[i]! -= factor * b[k]!;
    }
  }
  for (let i = n - 1; i >= 0; i--) {
    for (let j = i + 1; j < n; j++) b[i]! -= a[i]![j]! * b[j]!;
    b[i]! /= a[i]![i]!;
  }
}

/**
 * Finds the temperatures at the end of the span at which the water takes just the heat that brings them there: Newton’s
 * way on T = T₀ + Γ·(W(T) − W₀), held back where a turn would go far. Leaves `temperatures` and what the air meets there.
 */
export function solveTogether(run: Run, moist: Moist, coming: Coming, temperatures: Float64Array): void {
  const { state, at, rooms, input } = run;
  const m = state.moisture!;
  const near = input.lean ? NEAR_ENOUGH : NEAR;
  const hold = reachOf(run, coming.span);
  const room = rooms[state.step % rooms.length]!;
  const parts = temperatures.length;
  const nodes = Array.from({ length: parts }, (_, i) => nodeOf(run, moist, i));
  const free = nodes.map((node) => (node >= 0 ? reached(hold, node, state.x, state.u, room) : 0));
  const once: Coming = { ...coming, upTo: 1 };
  const heat = new Float64Array(parts);
  const missing = (t: Float64Array): Float64Array => {
    meet(run, moist, once, t);
    moveWater(moist, copyAir(m.air[0]!), moist.around[0]!, t, heat);
    return Float64Array.from(nodes, (node, i) => {
      if (node < 0) return 0;
      let sum = free[i]! - t[i]!;
      for (let k = 0; k < parts; k++) sum += hold.gamma[node * hold.m + at.wet + k]! * (heat[k]! - m.latent[k]!);
      return sum;
    });
  };
  const size = (r: Float64Array) => r.reduce((most, v) => Math.max(most, Math.abs(v)), 0);
  let off = missing(temperatures);
  for (let turn = 0; turn < MOST_TURNS && size(off) > near; turn++) {
    const rows = nodes.map((_, i) => Float64Array.from({ length: parts }, (_v, j) => (i === j ? 1 : 0)));
    for (let j = 0; j < parts; j++) {
      if (nodes[j]! < 0) continue;
      const was = temperatures[j]!;
      temperatures[j] = was + NUDGE;
      const nudged = missing(temperatures);
      temperatures[j] = was;
      for (let i = 0; i < parts; i++) if (nodes[i]! >= 0) rows[i]![j] = -(nudged[i]! - off[i]!) / NUDGE;
    }
    const step = off.slice();
    eliminate(rows, step);
    const longest = size(step);
    let share = longest > FURTHEST ? FURTHEST / longest : 1;
    const before = temperatures.slice();
    let best = off;
    // Kinks where a film dries up can lead past the answer: half the way then.
    for (let half = 0; half < 6; half++, share /= 2) {
      for (let i = 0; i < parts; i++) temperatures[i] = before[i]! + share * step[i]!;
      best = missing(temperatures);
      if (size(best) < size(off)) break;
    }
    off = best;
  }
  meet(run, moist, coming, temperatures);
}
