import {
  coldAvailable,
  coldNeeded,
  coolerChoice,
  coolersFor,
  hasCooler,
  hasHeater,
  heaterFor,
  heatNeeded,
} from "../chamber";
import { outletsOf } from "../controller";
import type { Chamber } from "../model";
import { peakHeatOf } from "../product";
import { printDuration, printMeasure, measures } from "../quantity";
import type { Case, Rule } from "./types";
import { percent, TOLERANCE, words } from "./words";

const watts = (w: number) => printMeasure(Math.round(w), measures.power, "metric");

/** Past an end of its band once it had arrived. */
const tooCold = ({ plan, trial }: Case) =>
  trial.metrics.arrived !== null && trial.metrics.arrived.product.low < plan.chamber.stages[0]!.low - TOLERANCE;
const tooWarm = ({ plan, trial }: Case) =>
  trial.metrics.arrived !== null && trial.metrics.arrived.product.high > plan.chamber.stages[0]!.high + TOLERANCE;

/** The product's own heat at its height, the cold that the hottest hour takes with it, and what there is, W. */
function hottestHour(chamber: Chamber): { peak: number; need: number; have: number } {
  const { target } = chamber.stages[0]!;
  const peak = peakHeatOf(chamber.vessels[0]!, target);
  return {
    peak,
    need: coldNeeded(chamber, target, peak),
    have: coldAvailable(chamber, target, chamber.room.high),
  };
}

/** The product never gets into its band. */
export const neverArrives: Rule = (c) => {
  const { metrics } = c.trial;
  if (metrics.timeToBand !== null) return null;
  const { at, judged } = words(c);
  const stage = c.plan.chamber.stages[0]!;
  const below = metrics.whole.product.high < stage.low;
  const need = heatNeeded(c.plan.chamber, stage.target);
  const power = heaterFor(need, c.plan.chamber.cabinet.kind);
  return {
    id: "never-arrives",
    severity: "danger",
    station: "heat",
    title: "It never gets there",
    text: below
      ? `In ${c.trial.days} days the ${judged} gets no warmer than ${at(metrics.whole.product.high)}; its band begins at ${at(stage.low)}. Holding ${at(stage.target)} in the coldest room takes ${watts(need)}, the heater gives ${watts(c.plan.chamber.heater.power)}.`
      : `In ${c.trial.days} days the ${judged} gets no colder than ${at(metrics.whole.product.low)}; its band ends at ${at(stage.high)}.`,
    moment: below ? metrics.whole.product.highAt : metrics.whole.product.lowAt,
    remedies:
      below && power > c.plan.chamber.heater.power
        ? [
            {
              id: "heater",
              label: `Use a ${watts(power)} heater`,
              edits: [{ section: "heater", field: "power", value: power }],
            },
          ]
        : [],
  };
};

const SLOW = 24 * 3600;

/** It gets there, but takes more than a day. */
export const slowArrival: Rule = (c) => {
  const { timeToBand } = c.trial.metrics;
  if (timeToBand === null || timeToBand <= SLOW) return null;
  const vessel = c.plan.chamber.vessels[0]!;
  const { at } = words(c);
  return {
    id: "slow-arrival",
    severity: "warning",
    station: "job",
    title: "It takes long to get there",
    text: `From ${at(vessel.startTemperature)} it takes ${printDuration(timeToBand)} to reach the band. ${vessel.product.kind === "hold" ? "Allow for that, or start nearer the target." : "A culture pitched meanwhile works outside its range: let it wait, or start nearer the target."}`,
    moment: timeToBand,
    remedies: [
      {
        id: "start-nearer",
        label: `Fill it at ${at(c.plan.chamber.stages[0]!.target)}`,
        edits: [{ section: "vessel", field: "startTemperature", value: c.plan.chamber.stages[0]!.target }],
      },
    ],
  };
};

/** The heater runs nearly all the time and the product sinks all the same. */
export const heaterTooWeak: Rule = (c) => {
  const { metrics } = c.trial;
  const stage = c.plan.chamber.stages[0]!;
  const power = hasHeater(c.plan.chamber) ? c.plan.chamber.heater.power : 0;
  const need = heatNeeded(c.plan.chamber, stage.target);
  if (!tooCold(c) || need <= power * 0.95) return null;
  const { at, when, judged } = words(c);
  const better = heaterFor(need, c.plan.chamber.cabinet.kind);
  return {
    id: "heater-too-weak",
    severity: "danger",
    station: "heat",
    title: power === 0 ? "Nothing to heat with" : "The heater is too weak",
    text: `Holding ${at(stage.target)} in a room at ${at(c.plan.chamber.room.low)} takes ${watts(need)}; there ${power === 0 ? "is no heater" : `are ${watts(power)}`}. The ${judged} sinks to ${at(metrics.arrived!.product.low)} (${when(metrics.arrived!.product.lowAt)}).`,
    moment: metrics.arrived!.product.lowAt,
    remedies:
      better > power
        ? [
            {
              id: "heater",
              label: `Use a ${watts(better)} heater`,
              edits: [{ section: "heater", field: "power", value: better }],
            },
          ]
        : [],
  };
};

/** The compressor runs nearly all the time and the product warms all the same. */
export const coldTooWeak: Rule = (c) => {
  const { metrics } = c.trial;
  const { chamber } = c.plan;
  const stage = chamber.stages[0]!;
  const { peak, need, have } = hottestHour(chamber);
  if (!tooWarm(c) || need < 1 || need <= have * 0.95) return null;
  const { at, when } = words(c);
  return {
    id: "cold-too-weak",
    severity: "danger",
    station: "heat",
    title: !hasCooler(chamber) ? "Nothing to cool with" : "The cooling is too weak",
    text: `In a room at ${at(chamber.room.high)}${peak > 1 ? `, with up to ${watts(peak)} of the product\u2019s own heat,` : ""} holding ${at(stage.target)} takes ${watts(need)} of cold; ${have === 0 ? "there is no cooling" : `the cooling gives about ${watts(have)}`}. The product rises to ${at(metrics.arrived!.product.high)} (${when(metrics.arrived!.product.highAt)}).`,
    moment: metrics.arrived!.product.highAt,
    remedies:
      !hasCooler(chamber) && coolersFor(chamber.cabinet.kind).includes("compressor")
        ? [
            {
              id: "cooler",
              label: "Use the box\u2019s own compressor",
              edits: coolerChoice("compressor"),
            },
          ]
        : [],
  };
};

/** The heater covers the need with hardly anything to spare. */
export const heaterBarely: Rule = (c) => {
  const stage = c.plan.chamber.stages[0]!;
  const { power } = c.plan.chamber.heater;
  const need = heatNeeded(c.plan.chamber, stage.target);
  if (!hasHeater(c.plan.chamber) || need < power * 0.75 || !c.trial.metrics.arrived || tooCold(c)) return null;
  const { at } = words(c);
  const better = heaterFor(need, c.plan.chamber.cabinet.kind);
  return {
    id: "heater-barely",
    severity: "note",
    station: "heat",
    title: "Little heat in reserve",
    text: `In the coldest hour, room at ${at(c.plan.chamber.room.low)}, the heater has to be on ${percent(Math.min(1, need / power))} of the time. A colder night or a door left open is more than it can mend.`,
    moment: null,
    remedies:
      better > power
        ? [
            {
              id: "heater",
              label: `Use a ${watts(better)} heater`,
              edits: [{ section: "heater", field: "power", value: better }],
            },
          ]
        : [],
  };
};

/** The cooling covers the hottest hour with hardly anything to spare. */
export const coldBarely: Rule = (c) => {
  const { chamber } = c.plan;
  const { peak, need, have } = hottestHour(chamber);
  if (!hasCooler(chamber) || !outletsOf(chamber.unit).cold || have <= 0) return null;
  if (need < have * 0.75 || !c.trial.metrics.arrived || tooWarm(c)) return null;
  const { at } = words(c);
  return {
    id: "cold-barely",
    severity: "note",
    station: "heat",
    title: "Little cold in reserve",
    text: `In the hottest hour, room at ${at(chamber.room.high)}${peak > 1 ? `, with ${watts(peak)} of the product\u2019s own heat` : ""}, the cooling has to run ${percent(Math.min(1, need / have))} of the time (estimate). A hotter day or a door left open is more than it can mend.`,
    moment: c.trial.metrics.arrived.product.highAt,
    remedies: [],
  };
};
