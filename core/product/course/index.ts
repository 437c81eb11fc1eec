import type { Product, ProductKind } from "../../model";
import { celsius } from "../../quantity";
import { attenuation, fermentationHeat } from "../beer";
import { countWarm, warmHeld } from "../held";
import type { ProductModel } from "../shape";

const SEED = 0.01;
const DONE = 0.98;
const DAY = 86_400;

const usual: Partial<Record<ProductKind, Partial<Product>>> = {
  spontaneous: {
    originalGravity: 1.05,
    finalGravity: 1.002,
    packetLow: celsius(12),
    packetHigh: celsius(22),
    courseDays: 180,
  },
  wine: { originalGravity: 1.09, finalGravity: 0.995, packetLow: celsius(15), packetHigh: celsius(28), courseDays: 12 },
  cider: { originalGravity: 1.05, finalGravity: 1.0, packetLow: celsius(8), packetHigh: celsius(18), courseDays: 30 },
  mead: { originalGravity: 1.1, finalGravity: 1.01, packetLow: celsius(16), packetHigh: celsius(22), courseDays: 45 },
};

/** Rate of the logistic course that is 98 % done after the days that somebody has typed, 1/s. */
const rateOf = ({ courseDays, pace }: Product): number =>
  (pace * Math.log((DONE / (1 - DONE)) * ((1 - SEED) / SEED))) / (courseDays * DAY);

/**
 * Freezing point of an ideal solution of its alcohol in water, °C (Raoult; cryoscopic constant of water 1.86 K·kg/mol):
 * sugar and acids would lower it further.
 */
export function mustFreezesAt({ originalGravity, finalGravity }: Product): number {
  const alcohol = attenuation(originalGravity, finalGravity).alcoholByMass;
  return -1.86 * (alcohol / 0.04607 / (100 - alcohol));
}

/** What ferments by a course that somebody types, whatever its temperature: an estimate, and marked as one. */
export const typedCourse: ProductModel = {
  kinds: ["spontaneous", "wine", "cider", "mead"],
  holdsFor: 300,
  // Must and cider are sour, and soon alcoholic; what somebody else ferments by a typed course may be neither.
  defaults: (kind) => ({ ...usual[kind]!, holds: "keeps" }),
  start: (product, { volume }) => ({ done: SEED, warm: 0, total: fermentationHeat(product, volume) }),
  step: (state, product, { core }, _seconds, span, out) => {
    countWarm(state, product, core, span);
    const next = state.done! / (state.done! + (1 - state.done!) * Math.exp(-rateOf(product) * span));
    out.watts = ((next - state.done!) * state.total!) / span;
    state.done = next;
  },
  peakHeat: (product, { volume }) => (fermentationHeat(product, volume) * rateOf(product)) / 4,
  observables: [
    {
      name: "progress",
      label: "sugar fermented",
      unit: "share",
      of: (state) => state.done!,
      limit: () => ({ value: DONE, side: "atLeast", aim: true, says: "by the days that you typed" }),
    },
    {
      name: "gravity",
      label: "gravity",
      unit: "",
      of: (state, { originalGravity, finalGravity }) =>
        originalGravity - (originalGravity - finalGravity) * state.done!,
    },
    warmHeld,
  ],
  range: ({ packetLow, packetHigh }) => ({ low: packetLow, high: packetHigh }),
  hazards: (product) => [{ id: "freezes", at: celsius(mustFreezesAt(product)), within: 1 }],
  readings: ["gravity"],
};
