import type { Product, ProductKind } from "../../model";
import { celsius } from "../../quantity";
import type { ProductModel } from "../shape";
import { beerFreezesAt, fermentationHeat, peakFermentHeat, startFerment, stepFerment } from "./course";

/** Ranges of common practice, no source; a packet's own range replaces them. */
const usual: Partial<Record<ProductKind, Omit<Product, "kind" | "heatCurve">>> = {
  ale: { originalGravity: 1.048, finalGravity: 1.011, packetLow: celsius(17), packetHigh: celsius(22) },
  lager: { originalGravity: 1.048, finalGravity: 1.01, packetLow: celsius(8), packetHigh: celsius(13) },
  farmhouse: { originalGravity: 1.052, finalGravity: 1.006, packetLow: celsius(20), packetHigh: celsius(29) },
};

interface BeerState {
  [name: string]: number;
  lag: number;
  done: number;
  /** All the heat that one vessel gives off, J. */
  total: number;
}

/** Wort that ferments: heat by the course of its attenuation. */
export const beer: ProductModel = {
  kinds: ["ale", "lager", "farmhouse"],
  defaults: (kind) => ({ kind, ...usual[kind]!, heatCurve: [] }),
  start: (product, volume): BeerState => {
    const { lag, done } = startFerment();
    return { lag, done, total: fermentationHeat(product, volume) };
  },
  step: (state, product, core, _seconds, span, out) => {
    const own = state as BeerState;
    out.watts = (stepFerment(own, product.kind, core, span) * own.total) / span;
  },
  peakHeat: peakFermentHeat,
  observables: [
    { name: "progress", label: "sugar fermented", unit: "share", of: (state) => state.done! },
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

export * from "./course";
export * from "./gravity";
