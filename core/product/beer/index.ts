import type { Product, ProductKind } from "../../model";
import { celsius } from "../../quantity";
import type { ProductModel } from "../shape";
import { beerFreezesAt, fermentationHeat, peakFermentHeat, startFerment, stepFerment } from "./course";

/** Ranges of common practice, no source; a packet's own range replaces them. */
const usual: Partial<Record<ProductKind, Partial<Product>>> = {
  ale: { originalGravity: 1.048, finalGravity: 1.011, packetLow: celsius(17), packetHigh: celsius(22) },
  lager: { originalGravity: 1.048, finalGravity: 1.01, packetLow: celsius(8), packetHigh: celsius(13) },
  farmhouse: { originalGravity: 1.052, finalGravity: 1.006, packetLow: celsius(20), packetHigh: celsius(29) },
};

/** Share of its extract from which on a gravity that no longer falls is its end, and no pause. */
const NEARLY = 0.98;
/** So far below its packet's range a culture still works, K (common practice, no source). */
const STILL_WORKS = 1;

interface BeerState {
  [name: string]: number;
  lag: number;
  done: number;
  /** Hours since its gravity hardly falls any more. */
  steady: number;
  /** All the heat that one vessel gives off, J. */
  total: number;
}

/** Wort that ferments: heat by the course of its attenuation. */
export const beer: ProductModel = {
  kinds: ["ale", "lager", "farmhouse"],
  defaults: (kind) => usual[kind]!,
  start: (product, { volume }): BeerState => {
    const { lag, done } = startFerment();
    return { lag, done, steady: 0, total: fermentationHeat(product, volume) };
  },
  step: (state, product, { core }, _seconds, span, out) => {
    const own = state as BeerState;
    out.watts = (stepFerment(own, product.kind, core, span, product.pace) * own.total) / span;
    // In the cold every gravity is steady: only where it would still fall does that say anything.
    if (own.done >= NEARLY && core >= product.packetLow - STILL_WORKS) own.steady += span / 3600;
  },
  peakHeat: (product, { volume }, t) => peakFermentHeat(product, volume, t),
  observables: [
    {
      name: "progress",
      label: "sugar fermented",
      unit: "share",
      of: (state) => state.done!,
      limit: () => ({ value: NEARLY, side: "atLeast", aim: true, says: "near its end" }),
    },
    {
      name: "steady",
      label: "time of equal gravity",
      unit: "hours",
      of: (state) => state.steady!,
      // Two equal gravities a day or two apart count near the expected end alone (common practice, no source).
      limit: () => ({ value: 24, side: "atLeast", aim: true, says: "two equal gravities a day apart" }),
    },
    {
      name: "gravity",
      label: "gravity",
      unit: "",
      of: (state, { originalGravity, finalGravity }) =>
        originalGravity - (originalGravity - finalGravity) * state.done!,
    },
  ],
  range: ({ packetLow, packetHigh }) => ({ low: packetLow, high: packetHigh }),
  hazards: (product) => [{ id: "freezes", at: beerFreezesAt(product), within: 1 }],
  readings: ["gravity"],
};

/** Beer in a keg or in bottles: it works no more, and freezes where its alcohol lets it. */
export const serving: ProductModel = {
  kinds: ["serving"],
  isStill: () => true,
  defaults: () => ({ ...usual.ale!, packetLow: celsius(4), packetHigh: celsius(12) }),
  start: () => ({}),
  step: (_state, _product, _feels, _seconds, _span, out) => {
    out.watts = 0;
  },
  peakHeat: () => 0,
  observables: [],
  range: () => null,
  hazards: (product) => [{ id: "freezes", at: beerFreezesAt(product), within: 1 }],
  readings: [],
};

export * from "./course";
export * from "./carbonation";
export * from "./gravity";
export * from "./readings";
