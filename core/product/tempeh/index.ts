import type { Product } from "../../model";
import { celsius } from "../../quantity";
import { cardinal } from "../cardinal";
import type { ProductModel } from "../shape";

/** Cardinal temperatures of the mould, °C; the best lies between 37 and 42 (estimates of our own, docs/sources.md). */
const CARDINALS = [10, 38, 45] as const;
/** Hours of lag at the best temperature, first mass, rate of growth an hour: estimates. */
const LAG = 4.5;
const SEED = 0.03;
const RATE = 0.3;
/** Heat of growth, J/kg of cake, and of what has grown, W/kg: estimates. */
const GROWTH_HEAT = 250e3;
const KEEPING_HEAT = 4;
const HOUR = 3600;

interface TempehState {
  [name: string]: number;
  /** Share of the lag gone; living and dead mould, shares of what the cake can carry. */
  lag: number;
  alive: number;
  dead: number;
  mass: number;
}

/** How fast the mould dies, an hour: tenfold for each 5 K, so that a runaway ends itself. */
const death = (t: number): number => 0.1 * 10 ** ((t - 45) / 5);

/** Moves the mould on and returns its heat, W/kg. */
function grow(state: TempehState, t: number, pace: number, hours: number): number {
  const speed = cardinal(t, CARDINALS) * pace;
  if (state.lag < 1) {
    state.lag = Math.min(1, state.lag + (speed / LAG) * hours);
    return 0;
  }
  const growth = RATE * speed * state.alive * Math.max(0, 1 - state.alive - state.dead);
  const dying = death(t) * state.alive;
  const heat = (GROWTH_HEAT / HOUR) * growth + KEEPING_HEAT * speed * state.alive;
  state.alive = Math.max(0, state.alive + (growth - dying) * hours);
  state.dead += dying * hours;
  return heat;
}

/** The height of its heat at a held temperature, W/kg. */
function height(t: number, pace: number): number {
  const state: TempehState = { lag: 0, alive: SEED, dead: 0, mass: 1 };
  let most = 0;
  // At an eighth of its best speed it takes a week; colder it hardly warms.
  for (let i = 0; i < 1800; i++) most = Math.max(most, grow(state, t, pace, 0.1));
  return most;
}

/** Shown as bound where the mould has filled the cake so far. */
export const BOUND = 0.8;
/** Past so much dead mould it smells: the cake is past its best. */
export const PAST = 0.25;

/**
 * Cooked beans under a mould: after a lag it warms with its mass and its temperature, and dies when it gets too hot, so
 * that what is not cooled runs away and then ends. Air that it lacks is not modelled.
 */
export const tempeh: ProductModel = {
  kinds: ["tempeh"],
  // It runs away within the hour: held for longer it would be late.
  holdsFor: 60,
  defaults: () => ({ packetLow: celsius(28), packetHigh: celsius(34) }),
  start: (_product, { mass }): TempehState => ({ lag: 0, alive: SEED, dead: 0, mass, heatTimes: 1 }),
  step: (state, { pace }, { core }, _seconds, span, out) => {
    const own = state as TempehState;
    out.watts = grow(own, core, pace, span / HOUR) * own.mass * own.heatTimes!;
  },
  peakHeat: ({ pace }, { mass }, t) => height(t, pace) * mass,
  observables: [
    {
      name: "cake",
      label: "bound by mould",
      unit: "share",
      of: (state) => state.alive! + state.dead!,
      limit: () => ({ value: BOUND, side: "atLeast", aim: true, says: "a firm white cake" }),
    },
    {
      name: "past",
      label: "mould that has died",
      unit: "share",
      of: (state) => state.dead!,
      limit: () => ({ value: PAST, side: "atMost", aim: false, says: "past its best" }),
    },
  ],
  range: ({ packetLow, packetHigh }: Product) => ({ low: packetLow, high: packetHigh }),
  hazards: () => [{ id: "freezes", at: celsius(-1), within: 1 }],
  readings: ["look", "core"],
  // 5 to 8 W/kg on average are reported (Steinkraus, from memory).
  unknowns: [{ name: "heatTimes", low: 0.75, high: 1.4 }],
};
