import type { Product, ProductKind } from "../model";
import { celsius } from "../quantity";

/** What the product asks for before anybody types: ranges of common practice, no source; a packet's own range replaces them. */
export const productDefaults: Record<ProductKind, Product> = {
  ale: {
    kind: "ale",
    originalGravity: 1.048,
    finalGravity: 1.011,
    packetLow: celsius(17),
    packetHigh: celsius(22),
    heatCurve: [],
  },
  lager: {
    kind: "lager",
    originalGravity: 1.048,
    finalGravity: 1.01,
    packetLow: celsius(8),
    packetHigh: celsius(13),
    heatCurve: [],
  },
  farmhouse: {
    kind: "farmhouse",
    originalGravity: 1.052,
    finalGravity: 1.006,
    packetLow: celsius(20),
    packetHigh: celsius(29),
    heatCurve: [],
  },
  hold: {
    kind: "hold",
    originalGravity: 1,
    finalGravity: 1,
    packetLow: celsius(17),
    packetHigh: celsius(23),
    heatCurve: [],
  },
};

export const productLabels: Record<ProductKind, string> = {
  ale: "Ale",
  lager: "Lager",
  farmhouse: "Warm-fermented farmhouse beer",
  hold: "Just hold a temperature",
};
