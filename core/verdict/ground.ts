import { hasCooler, hasHeater } from "../chamber";
import { freezingPoint } from "../product";
import { highest } from "./traceEnds";
import type { Case, Rule } from "./types";
import { words } from "./words";

/** A compressor's law is drawn up for boxes up to this warm, a heater's body for surfaces up to this hot, °C (estimate). */
const WARMEST_FOR_COMPRESSOR = 40;
const HOTTEST_BODY = 350;

/** Where the trial has left what its equations stand for, in words. */
function beyond(c: Case): string[] {
  const { chamber } = c.plan;
  const { at } = words(c);
  const { whole, coldDuty } = c.trial.metrics;
  const freezes = Math.max(...chamber.vessels.map((v) => freezingPoint(v.product)));
  const air = whole.air.high;
  const body = hasHeater(chamber) && chamber.heater.kind !== "charcoal" ? highest(c, "heater") : -Infinity;
  return [
    chamber.stages[0]!.of === "product" && whole.product.low < freezes
      ? `the product sinks to ${at(whole.product.low)}, where it freezes: the heat of freezing is not in the equations`
      : "",
    hasCooler(chamber) && chamber.cooler.kind === "compressor" && coldDuty > 0 && air > WARMEST_FOR_COMPRESSOR
      ? `the compressor runs in a box of ${at(air)}, far warmer than its law is drawn up for`
      : "",
    body > HOTTEST_BODY
      ? `the heater\u2019s body reaches ${at(body)}, where it radiates more than is reckoned with`
      : "",
  ].filter(Boolean);
}

/** The numbers of a trial that has left the model's ground are not to be trusted there. */
export const outsideModel: Rule = (c) => {
  const found = beyond(c);
  if (found.length === 0) return null;
  return {
    id: "outside-model",
    severity: "warning",
    station: "box",
    title: "Outside of what can be computed here",
    text: `In this trial ${found.join("; and ")}. Take the figures from there on as a direction, not as numbers, and measure.`,
    moment: c.trial.metrics.whole.product.lowAt,
    remedies: [],
  };
};
