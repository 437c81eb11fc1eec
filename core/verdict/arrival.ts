import { coldAvailable, coldNeeded, coolerChoice, coolersFor, hasCooler, hasHeater } from "../chamber";
import { modelOf, peakHeatOf, peakHeatOfAll } from "../product";
import { atFirst, printDuration } from "../quantity";
import { heaterOfPower, heatOf, offered, startNearer, switchToo, watts } from "./remedies";
import { NEARLY_DONE } from "./job";
import { coolerRoom } from "./milderRoom";
import { switchesOf } from "../trial";
import type { Case, Rule } from "./types";
import { percent, TOLERANCE, words } from "./words";

/** Past an end of its band once it had arrived. */
const tooCold = ({ band, metrics }: Case) =>
  metrics.arrived !== null && metrics.arrived.product.low < band.low - TOLERANCE;
const tooWarm = ({ band, metrics }: Case) =>
  metrics.arrived !== null && metrics.arrived.product.high > band.high + TOLERANCE;

/**
 * The products' own heat at its height, the cold that the hottest hour takes with it, and what there is, W.
 */
function hottestHour({ chamber, band: { target } }: Case): { peak: number; need: number; have: number } {
  const peak = peakHeatOfAll(chamber.vessels, target);
  return {
    peak,
    need: coldNeeded(chamber, target, peak),
    have: coldAvailable(chamber, target, chamber.room.high),
  };
}

const DAY = 86_400;

/** The product never gets into its band. */
export const neverArrives: Rule = (c) => {
  const { metrics, band, result } = c;
  if (metrics.timeToBand !== null) return null;
  // The trial ends shortly after this stage has begun: nothing can be said of it yet.
  if (result.from > 0 && result.dueAt === null && metrics.seconds < DAY) return null;
  const { at, theJudged, within } = words(c);
  const below = metrics.whole.product.high < band.low;
  const { need, usual, power, idle } = heatOf(c);
  const gives = idle
    ? `no unit here switches ${c.chamber.heaters.length > 1 ? "the heaters" : "the heater"} that could give it`
    : `${c.chamber.heaters.length > 1 ? "the heaters give" : "the heater gives"} ${watts(power)}`;
  return {
    id: "never-arrives",
    severity: "danger",
    station: "heat",
    title: "It never gets there",
    text: below
      ? `In ${within} ${theJudged} gets no warmer than ${at(metrics.whole.product.high)}; its band begins at ${at(band.low)}. Holding ${at(band.target)} in the coldest room takes ${watts(need)}, ${gives}.`
      : `In ${within} ${theJudged} gets no colder than ${at(metrics.whole.product.low)}; its band ends at ${at(band.high)}.`,
    moment: below ? metrics.whole.product.highAt : metrics.whole.product.lowAt,
    remedies: offered(
      switchToo(c, below ? "heat" : "cold"),
      below && !idle && usual > power ? heaterOfPower(c, usual) : null,
      below ? null : coolerRoom(c),
    ),
  };
};

const SLOW = 24 * 3600;

const honey = ({ vessel }: Case): boolean => vessel.filling === "honey" || vessel.filling === "setHoney";

/** It gets there, but takes more than a day. */
export const slowArrival: Rule = (c) => {
  const { timeToBand, from, putIn } = c.metrics;
  if (timeToBand === null || timeToBand - putIn <= SLOW) return null;
  const { vessel } = c;
  const { at } = words(c);
  const first = from === 0 || putIn > 0;
  // A culture that has done its work takes no harm on the way into the cold.
  const done = !first && (c.result.progress[c.chamber.vessels.indexOf(vessel)] ?? 0) >= NEARLY_DONE;
  const wait =
    modelOf(vessel.product).range(vessel.product) === null
      ? "Allow for that, or start nearer the target."
      : first
        ? "A culture pitched meanwhile works outside its range: let it wait, or start nearer the target."
        : done
          ? "Nothing spoils meanwhile; the stage is so much shorter."
          : "The culture works outside of this stage\u2019s band for that long.";
  return {
    id: "slow-arrival",
    // Honey waits without harm; what can spoil, or is alive, does not.
    severity: honey(c) || done ? "note" : "warning",
    station: "job",
    title: "It takes long to get there",
    text: `${first ? `From ${at(vessel.startTemperature)} it` : "It"} takes ${printDuration(timeToBand - putIn)} to reach the band. ${wait}`,
    moment: from + timeToBand,
    remedies: first ? [startNearer(c, at)] : [],
  };
};

/** The heater runs nearly all the time and the product sinks all the same. */
export const heaterTooWeak: Rule = (c) => {
  const { metrics, band, chamber } = c;
  const { need, usual, power, idle } = heatOf(c);
  if (idle || !tooCold(c) || need <= power * 0.95) return null;
  const { at, when, theJudged } = words(c);
  const { product } = metrics.arrived!;
  return {
    id: "heater-too-weak",
    severity: "danger",
    station: "heat",
    title: power === 0 ? "Nothing to heat with" : "The heater is too weak",
    text: `Holding ${at(band.target)} in a room at ${at(chamber.room.low)} takes ${watts(need)}; there ${power === 0 ? "is no heater" : `are ${watts(power)}`}. ${atFirst(theJudged)} sinks to ${at(product.low)} (${when(product.lowAt)}).`,
    moment: product.lowAt,
    remedies: usual > power ? offered(heaterOfPower(c, usual)) : [],
  };
};

/** The compressor runs nearly all the time and the product warms all the same. */
export const coldTooWeak: Rule = (c) => {
  const { metrics, chamber, band } = c;
  const { peak, need, have } = hottestHour(c);
  if (!tooWarm(c) || need < 1 || need <= have * 0.95) return null;
  const { at, when, theJudged } = words(c);
  const { product } = metrics.arrived!;
  const compressor = !hasCooler(chamber) && coolersFor(chamber.cabinet.kind).includes("compressor");
  const [entry] = chamber.coolers;
  const heat =
    peak > 1
      ? `, with up to ${watts(peak)} of ${chamber.vessels.length > 1 ? "all products\u2019" : "the product\u2019s"} own heat,`
      : "";
  return {
    id: "cold-too-weak",
    severity: "danger",
    station: "heat",
    title: !hasCooler(chamber) ? "Nothing to cool with" : "The cooling is too weak",
    text: `In a room at ${at(chamber.room.high)}${heat} holding ${at(band.target)} takes ${watts(need)} of cold; ${!hasCooler(chamber) ? "there is no cooling" : have < 1 ? "the cooling gives next to nothing in such a room" : `the cooling gives about ${watts(have)}`}. ${atFirst(theJudged)} rises to ${at(product.high)} (${when(product.highAt)}).`,
    moment: product.highAt,
    remedies:
      compressor && entry
        ? [{ id: "cooler", label: "Use the box\u2019s own compressor", edits: coolerChoice("compressor", entry.id) }]
        : offered(coolerRoom(c)),
  };
};

/** The heater covers the need with hardly anything to spare. */
export const heaterBarely: Rule = (c) => {
  const { need, usual, power, idle } = heatOf(c);
  if (idle || !hasHeater(c.chamber) || need < power * 0.75 || !c.metrics.arrived || tooCold(c)) return null;
  const { at } = words(c);
  return {
    id: "heater-barely",
    severity: "note",
    station: "heat",
    title: "Little heat in reserve",
    text: `In the coldest hour, room at ${at(c.chamber.room.low)}, the heater has to be on ${percent(Math.min(1, need / power))} of the time. A colder night or a door left open is more than it can mend.`,
    moment: null,
    remedies: usual > power ? offered(heaterOfPower(c, usual)) : [],
  };
};

/** The cooling covers the hottest hour with hardly anything to spare. */
export const coldBarely: Rule = (c) => {
  const { chamber } = c;
  const { peak, need, have } = hottestHour(c);
  if (!switchesOf(chamber).cold || have <= 0) return null;
  if (need < have * 0.75 || !c.metrics.arrived || tooWarm(c)) return null;
  const { at } = words(c);
  const own = peakHeatOf(c.vessel, c.band.target);
  const whose = peak > own + 1 ? "all products\u2019" : "the product\u2019s";
  return {
    id: "cold-barely",
    severity: "note",
    station: "heat",
    title: "Little cold in reserve",
    text: `In the hottest hour, room at ${at(chamber.room.high)}${peak > 1 ? `, with ${watts(peak)} of ${whose} own heat` : ""}, the cooling has to run ${percent(Math.min(1, need / have))} of the time (estimate). A hotter day or a door left open is more than it can mend.`,
    moment: c.metrics.arrived.product.highAt,
    remedies: [],
  };
};
