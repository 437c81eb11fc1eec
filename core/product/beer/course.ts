import type { Product, ProductKind } from "../../model";
import { celsius, type Temperature } from "../../quantity";
import { attenuation, platoOf } from "./gravity";

/** Heat set free per kg of extract fermented, J/kg (586.6 kJ/kg; brewing textbooks, value from memory). */
export const HEAT_OF_FERMENTATION = 586_600;

/** Extract in the wort, kg: volume (m³) × density × degrees Plato. */
export const extractMass = (volume: number, originalGravity: number): number =>
  volume * 998.2 * originalGravity * (Math.max(0, platoOf(originalGravity)) / 100);

/** All the heat that a beer will give off, J. Zero where nothing ferments. */
export function fermentationHeat(product: Product, volume: number): number {
  const { realAttenuation } = attenuation(product.originalGravity, product.finalGravity);
  return extractMass(volume, product.originalGravity) * realAttenuation * HEAT_OF_FERMENTATION;
}

/** Growth rate at 20 °C, per day. Engineering estimates of our own (docs/sources.md). */
const RATE_AT_20: Partial<Record<ProductKind, number>> = { ale: 2.6, lager: 2.0, farmhouse: 1.6 };
const LAG_AT_20_DAYS = 0.5;
const Q10 = 2.3;
const SEED = 0.01;
const DAY = 86_400;

/** Where a fermentation stands: share of the lag gone (0..1) and share of the sugar gone. */
export interface FermentState {
  lag: number;
  done: number;
}

export const startFerment = (): FermentState => ({ lag: 0, done: SEED });

/**
 * Moves a fermentation on by `dt` seconds at temperature `t`: after a lag of 0.5 d at 20 °C, logistic with
 * rate k = k20·2.3^((T−20)/10), solved exactly for a constant temperature over the step.
 * Mutates `state` (the trial's inner loop allocates nothing) and returns the share fermented in this step.
 */
export function stepFerment(state: FermentState, kind: ProductKind, t: number, dt: number, pace = 1): number {
  const rate20 = RATE_AT_20[kind] ?? 0;
  if (rate20 === 0) return 0;
  const speed = (pace * Q10 ** ((t - 20) / 10)) / DAY;
  let left = dt;
  if (state.lag < 1) {
    const lagLeft = ((1 - state.lag) * LAG_AT_20_DAYS) / speed;
    if (lagLeft > dt) {
      state.lag += (dt * speed) / LAG_AT_20_DAYS;
      return 0;
    }
    state.lag = 1;
    left = dt - lagLeft;
  }
  // By what is left rather than by what has grown: at a boil the one becomes nothing, the other is no number.
  const shrinks = Math.exp(-rate20 * speed * left);
  const next = state.done / (state.done + (1 - state.done) * shrinks);
  const fermented = next - state.done;
  state.done = next;
  return fermented;
}

/** Largest own heat of one vessel at a steady temperature, W: the steepest point of the logistic course, Q·k/4. */
export const peakFermentHeat = (product: Product, volume: number, t: Temperature): number =>
  (fermentationHeat(product, volume) * (RATE_AT_20[product.kind] ?? 0) * product.pace * Q10 ** ((t - 20) / 10)) /
  DAY /
  4;

/**
 * Where beer begins to freeze, °C: −(0.42·ABW + 0.04·OE + 0.2). Value from memory of a brewing rule; the true point
 * may be a degree warmer, so warnings keep 1 K above it.
 */
export function beerFreezesAt(product: Product): Temperature {
  const { alcoholByMass } = attenuation(product.originalGravity, product.finalGravity);
  return celsius(-(0.42 * alcoholByMass + 0.04 * platoOf(product.originalGravity) + 0.2));
}
