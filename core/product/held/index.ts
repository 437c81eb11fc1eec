import type { Product } from "../../model";
import { celsius } from "../../quantity";
import { COLD_BELOW, HOT_ABOVE, OUT_OF_COLD } from "../sausage";
import type { ProductModel, ProductObservable } from "../shape";

/** Own heat by a typed curve at a moment, W: straight lines between its points, nothing before and after them. */
export function curveHeat(curve: Product["heatCurve"], hours: number): number {
  for (let i = 0; i + 1 < curve.length; i++) {
    const [a, b] = [curve[i]!, curve[i + 1]!];
    if (hours >= a.hours && hours <= b.hours)
      return b.hours === a.hours ? b.watts : a.watts + ((b.watts - a.watts) * (hours - a.hours)) / (b.hours - a.hours);
  }
  return 0;
}

/** A curve of so many hours need not be looked at often: at its end that is off by three hours at the most. */
const OUTLASTS = 2400;

/** Whether a curve stands at one height all through. */
const isLevel = (curve: Product["heatCurve"]): boolean =>
  curve.length === 0 ||
  (curve[0]!.hours <= 0 && curve.at(-1)!.hours >= OUTLASTS && curve.every((p) => p.watts === curve[0]!.watts));

/** Moist food that nothing holds back counts its hours between cold and hot. */
export const warmHeld: ProductObservable = {
  name: "warmHeld",
  label: "moist food neither cold nor hot",
  unit: "hours",
  of: (state) => state.warm!,
  speaks: ({ holds }) => holds === "moist",
  limit: ({ holds }) =>
    holds === "moist"
      ? { value: OUT_OF_COLD, side: "atMost", aim: false, says: "Food Code 3-501.19, from memory" }
      : null,
};

/** Moves its hours on. */
export function countWarm(state: Record<string, number>, { holds }: Product, core: number, span: number): void {
  if (holds === "moist" && core > COLD_BELOW && core < HOT_ABOVE) state.warm! += span / 3600;
}

/** What is only held at a temperature, with the heat of its own that somebody has typed in as a curve. */
export const held: ProductModel = {
  kinds: ["hold"],
  isStill: ({ heatCurve, holds }) => isLevel(heatCurve) && holds !== "moist",
  defaults: () => ({}),
  start: () => ({ warm: 0 }),
  step: (state, product, { core }, seconds, span, out) => {
    const { heatCurve } = product;
    countWarm(state, product, core, span);
    out.watts = heatCurve.length ? curveHeat(heatCurve, seconds / 3600) : 0;
  },
  peakHeat: ({ heatCurve }) => Math.max(0, ...heatCurve.map((p) => p.watts)),
  observables: [warmHeld],
  range: () => null,
  hazards: () => [{ id: "freezes", at: celsius(0), within: 0 }],
  readings: [],
};
