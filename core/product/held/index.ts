import type { Product } from "../../model";
import { celsius } from "../../quantity";
import type { ProductModel } from "../shape";

/** Own heat by a typed curve at a moment, W: straight lines between its points, nothing before and after them. */
export function curveHeat(curve: Product["heatCurve"], hours: number): number {
  for (let i = 0; i + 1 < curve.length; i++) {
    const [a, b] = [curve[i]!, curve[i + 1]!];
    if (hours >= a.hours && hours <= b.hours)
      return b.hours === a.hours ? b.watts : a.watts + ((b.watts - a.watts) * (hours - a.hours)) / (b.hours - a.hours);
  }
  return 0;
}

/** What is only held at a temperature, with the heat of its own that somebody has typed in as a curve. */
export const held: ProductModel = {
  kinds: ["hold"],
  defaults: () => ({}),
  start: () => ({}),
  step: (_state, { heatCurve }, _feels, seconds, _span, out) => {
    out.watts = heatCurve.length ? curveHeat(heatCurve, seconds / 3600) : 0;
  },
  peakHeat: ({ heatCurve }) => Math.max(0, ...heatCurve.map((p) => p.watts)),
  observables: [],
  range: () => null,
  hazards: () => [{ id: "freezes", at: celsius(0), within: 0 }],
  readings: [],
};
