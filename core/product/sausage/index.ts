import { celsius } from "../../quantity";
import { cardinal } from "../cardinal";
import type { Product } from "../../model";
import type { Feels, ProductModel, ProductObservable } from "../shape";
import { COUNTS_ABOVE, degreeHours, degreeHoursAllowed } from "./degreeHours";
import { DIFFUSIVITY, dryingRate, rimWater, sausageActivity } from "./drying";

/** Cardinal temperatures of a usual starter, °C; its rate an hour, its lag at its best in hours, its seed (estimates). */
const CARDINALS = [5, 38, 46] as const;
const RATE = 0.45;
const LAG = 3;
const SEED = 0.02;
/** Fall of pH for a gram of dextrose a kg (0.06 to 0.2: an estimate). */
const FALL = 0.1;
/** The pH that the degree-hours are counted to. */
export const SAFE_PH = 5.3;
const HOUR = 3600;
/** Heat of evaporation at cellar temperatures, J/kg. */
const EVAPORATION = 2.47e6;

const phOf = ({ acid, fallTimes }: Readonly<Record<string, number>>, { startPh, sugar }: Product): number =>
  startPh - FALL * fallTimes! * sugar * 1000 * acid!;
/**
 * Days that salt needs to the core of whole muscle in the cold: two for each centimetre of thickness, a week at least
 * (common practice, no source; salt moves in meat at about 3e-10 m²/s, an estimate).
 */
export const saltDays = ({ thickness }: Pick<Product, "thickness">): number => Math.max(7, 200 * thickness);
/** Hours that raw moist food may be out of the cold in all (Food Code 3-501.19, value from memory). */
export const OUT_OF_COLD = 4;
/** What is raw and moist is kept at or below this, and what is hot at or above that, °C (Food Code 3-501.16, from memory). */
export const COLD_BELOW = 5;
export const HOT_ABOVE = 57;
/** Hours that a sausage may stay at souring temperature once its pH is reached (common practice, no source). */
const WARM_AFTER = 72;
/** CFIA: keeps without a fridge at pH 4.6, at a water activity of 0.85, or at both pH 5.3 and 0.90 (value from memory). */
export const keepsBy = (pH: number, activity: number): boolean =>
  pH <= 4.6 || activity <= 0.85 || (pH <= SAFE_PH && activity <= 0.9);

/** How much drier than its middle a surface may be, in water activity, before a hard rim is likely: an estimate. */
const HARD_RIM = 0.13;
/** A millimetre of meat evens out within some hours, s: d²/D. */
const RIM = 0.001 ** 2 / DIFFUSIVITY;
/** How far it has come from its first pH to the safe one. */
const souredShare = (pH: number, from: number): number => (from <= SAFE_PH ? 1 : (from - pH) / (from - SAFE_PH));
const lossOf = (state: Readonly<Record<string, number>>, { water }: Product): number => water - state.water!;

/** How far its surface has dried beyond its middle, in water activity. */
const rimOf = ({ water, rim }: Readonly<Record<string, number>>, { salt }: Product): number =>
  Math.max(0, sausageActivity(salt, water!) - sausageActivity(salt, rim!));

const drying: readonly ProductObservable[] = [
  {
    name: "loss",
    label: "weight lost",
    unit: "loss",
    of: lossOf,
    limit: ({ targetLoss }) => ({ value: targetLoss, side: "atLeast", aim: true, says: "as you want it" }),
  },
  {
    name: "activity",
    label: "water activity",
    unit: "",
    of: (state, { salt }) => sausageActivity(salt, state.water!),
    // A wish of those alone who store it warm. CFIA: 0.85 alone; with pH 5.3 or below 0.90. Value from memory.
    limit: ({ kind, keepsWarm }) =>
      keepsWarm
        ? kind === "sausage"
          ? { value: 0.9, side: "atMost", aim: true, says: "keeps unrefrigerated at pH 5.3 or below (CFIA)" }
          : { value: 0.85, side: "atMost", aim: true, says: "keeps unrefrigerated without souring (CFIA)" }
        : null,
  },
  {
    name: "rim",
    label: "surface drier than the middle by (water activity)",
    unit: "",
    of: rimOf,
    limit: () => ({
      value: HARD_RIM,
      side: "atMost",
      aim: false,
      momentary: true,
      says: "an estimate: beyond it a hard rim is likely",
    }),
  },
];

/** Moves the water outwards and into the air, the slower of both deciding, and returns the heat that it takes, W. */
function dry(state: Record<string, number>, product: Product, { core, humidity, film }: Feels, span: number): number {
  const { salt, thickness, pace } = product;
  const radius = thickness / 2;
  const was = state.water!;
  const rim = rimWater({ water: was, salt, radius, pace }, { t: core, humidity, film });
  const next = rim + (was - rim) * Math.exp(-dryingRate(radius, pace) * span);
  state.water = next;
  // A rim is as dry as the air of the last hours had it: a millimetre evens out over them.
  state.rim = state.rim! + (rim - state.rim!) * (1 - Math.exp(-span / RIM));
  return ((was - next) * state.mass! * EVAPORATION) / span;
}

/** A sausage that sours first, by its culture, and dries then. */
export const sausage: ProductModel = {
  kinds: ["sausage"],
  holdsFor: 300,
  dries: true,
  defaults: () => ({ packetLow: celsius(18), packetHigh: celsius(38), thickness: 0.05, salt: 0.028, water: 0.6 }),
  start: ({ water }, { mass }) => ({
    lag: 0,
    acid: SEED,
    degreeHours: 0,
    highest: -60,
    safe: 0,
    warmAfter: 0,
    fallTimes: 1,
    water,
    rim: water,
    mass,
  }),
  step: (state, product, feels, _seconds, span, out) => {
    const { core } = feels;
    const hours = span / HOUR;
    const speed = cardinal(core, CARDINALS) * product.pace;
    if (state.lag! < 1) state.lag = Math.min(1, state.lag! + (speed / LAG) * hours);
    else {
      const grown = state.acid! * Math.exp(RATE * speed * hours);
      state.acid = grown / (1 + grown - state.acid!);
    }
    state.highest = Math.max(state.highest!, core);
    if (state.safe === 0) {
      state.degreeHours! += degreeHours(core, hours);
      if (phOf(state, product) <= SAFE_PH) state.safe = 1;
    } else if (core > COUNTS_ABOVE && !keepsBy(phOf(state, product), sausageActivity(product.salt, state.water!)))
      state.warmAfter! += hours;
    out.watts = 0;
    out.drying = dry(state, product, feels, span);
  },
  peakHeat: () => 0,
  observables: [
    {
      name: "progress",
      label: "soured",
      unit: "share",
      of: (state, product) => Math.min(1, Math.max(0, souredShare(phOf(state, product), product.startPh))),
    },
    {
      name: "pH",
      label: "pH",
      unit: "",
      of: phOf,
      limit: () => ({ value: SAFE_PH, side: "atMost", aim: true, says: "where the degree-hours end" }),
    },
    {
      name: "degreeHours",
      label: "degree-hours used up to pH 5.3",
      unit: "share",
      of: (state) => state.degreeHours! / degreeHoursAllowed(state.highest!),
      limit: () => ({
        value: 1,
        side: "atMost",
        aim: false,
        says: "Good Manufacturing Practices for Fermented Sausage: 1200, 1000 or 900 °F·h by its highest temperature",
      }),
    },
    {
      name: "warmAfter",
      label: "at souring temperature after its pH is reached",
      unit: "hours",
      of: (state) => state.warmAfter!,
      limit: () => ({ value: WARM_AFTER, side: "atMost", aim: false, says: "common practice, no source" }),
    },
    ...drying,
  ],
  range: ({ packetLow, packetHigh }) => ({ low: packetLow, high: packetHigh }),
  hazards: () => [{ id: "freezes", at: celsius(-2), within: 1 }],
  readings: ["pH", "weight"],
  unknowns: [{ name: "fallTimes", low: 0.6, high: 2 }],
};

/** Whole muscle: salt evens out in the cold before anything dries; degree-hours say nothing about it. */
export const wholeMuscle: ProductModel = {
  kinds: ["wholeMuscle"],
  holdsFor: 300,
  dries: true,
  defaults: () => ({ packetLow: celsius(0), packetHigh: celsius(16), thickness: 0.07, salt: 0.03, water: 0.7 }),
  start: (product, { mass }) => ({
    cold: product.salted === "even" ? saltDays(product) : 0,
    warmRaw: 0,
    water: product.water,
    rim: product.water,
    mass,
  }),
  step: (state, product, feels, _seconds, span, out) => {
    // Salted meat that is not yet even has to lie at 5 °C or below.
    if (feels.core <= COLD_BELOW) state.cold! += span / 86_400;
    else if (state.cold! < saltDays(product)) state.warmRaw! += span / HOUR;
    out.watts = 0;
    out.drying = dry(state, product, feels, span);
  },
  peakHeat: () => 0,
  observables: [
    {
      name: "coldDays",
      label: "days cold enough for salt to even out",
      unit: "",
      of: (state) => state.cold!,
      limit: (product) =>
        product.salted === "even"
          ? null
          : {
              value: saltDays(product),
              side: "atLeast",
              aim: true,
              says: "by its thickness; common practice, no source",
            },
    },
    {
      name: "warmRaw",
      label: "out of the cold before its salt is even",
      unit: "hours",
      of: (state) => state.warmRaw!,
      limit: () => ({ value: OUT_OF_COLD, side: "atMost", aim: false, says: "Food Code 3-501.19, from memory" }),
    },
    ...drying,
  ],
  range: () => null,
  hazards: () => [{ id: "freezes", at: celsius(-2), within: 1 }],
  readings: ["weight"],
};

export * from "./cure";
export * from "./degreeHours";
export * from "./drying";
