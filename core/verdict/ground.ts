import { hasCompressor, heatersOf } from "../chamber";
import { freezingPoint } from "../product";
import { highest } from "./traceEnds";
import { judgedName } from "../trial";
import type { Case, Rule } from "./types";
import { withArticle, words } from "./words";

/** A compressor's law is drawn up for boxes up to this warm, a heater's body for surfaces up to this hot, °C (estimate). */
const WARMEST_FOR_COMPRESSOR = 40;
const HOTTEST_BODY = 350;

interface Beyond {
  text: string;
  /** Where the trial shows it first, s. */
  moment: number | null;
}

/** The first bin for which something is so, and its middle in s. */
function firstBin({ trial: { trace } }: Case, so: (bin: number) => boolean): { bin: number; moment: number } | null {
  for (let bin = 0; bin < trace.bins; bin++)
    if (so(bin)) return { bin, moment: trace.from + (bin + 0.5) * trace.width };
  return null;
}

/** Where the trial has left what its equations stand for. */
function beyond(c: Case): Beyond[] {
  const { chamber } = c;
  const { at } = words(c);
  const { high, cold } = c.trial.trace;
  const found: Beyond[] = [];
  for (const { metrics } of c.trial.stages)
    for (const { judged, whole } of metrics) {
      const vessel = chamber.vessels.find((v) => v.id === judged);
      if (!vessel || whole.product.low >= freezingPoint(vessel.product) || found.length > 0) continue;
      found.push({
        text: `${withArticle(judgedName(judged, chamber.vessels))} sinks to ${at(whole.product.low)}, where it freezes: the heat of freezing is not in the equations`,
        moment: whole.product.lowAt,
      });
    }
  const warm = hasCompressor(chamber)
    ? firstBin(c, (bin) => cold[bin]! > 0 && high.air[bin]! > WARMEST_FOR_COMPRESSOR)
    : null;
  if (warm)
    found.push({
      text: `the compressor runs in a box of ${at(high.air[warm.bin]!)}, far warmer than its law is drawn up for`,
      moment: warm.moment,
    });
  const body = Math.max(
    -Infinity,
    ...heatersOf(chamber)
      .filter((h) => h.kind !== "charcoal")
      .map((h) => highest(c, "heater", h.id)),
  );
  if (body > HOTTEST_BODY)
    found.push({
      text: `the heater\u2019s body reaches ${at(body)}, where it radiates more than is reckoned with`,
      moment: null,
    });
  return found;
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
    text: `In this trial ${found.map((f) => f.text).join("; and ")}. Take the figures from there on as a direction, not as numbers, and measure.`,
    moment: found[0]!.moment,
    remedies: [],
  };
};
