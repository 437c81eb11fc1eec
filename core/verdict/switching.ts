import { coolersOn } from "../chamber";
import { outletsOf, USUAL_DELAY } from "../controller";
import type { Edit } from "../model";
import { printDuration } from "../quantity";
import { causeOfChase } from "./chaseCause";
import { CHASE_PER_DAY, MANY_HEATS, MANY_STARTS } from "./limits";
import { backToAdvised, doubleCold, trebleHeat, offered, strapProbe, widenToMargins } from "./remedies";
import { groupOf } from "./group";
import type { Case, Finding, Rule } from "./types";
import { words } from "./words";

/** Heat and cold answer each other: the rule of chasing. */
export const chasing: Rule = (c) => {
  const { reversals } = c.metrics;
  if (reversals.perDay <= CHASE_PER_DAY || reversals.worstFrom === null) return null;
  const { when } = words(c);
  const { text } = causeOfChase(c);
  return {
    id: "chasing",
    severity: "danger",
    station: "settings",
    title: "Heat and cold chase each other",
    text: `${Math.round(reversals.perDay)} times a day one starts within 90 minutes of the other\u2019s stop (${when(reversals.worstFrom)}): ${text}. ${groupOf(c).length > 1 ? "The units do not know of each other. " : ""}A longer compressor delay does not cure it.`,
    moment: reversals.worstFrom,
    remedies: offered(widenToMargins(c), strapProbe(c), backToAdvised(c)),
  };
};

/** A compressor starts too often. */
export const shortCycling: Rule = (c) => {
  const { reversals, devices } = c.metrics;
  if (reversals.perDay > CHASE_PER_DAY) return null;
  const { when } = words(c);
  return coolersOn(c.chamber, c.controller)
    .filter((k) => k.kind === "compressor" && outletsOf(c.unit).cold)
    .flatMap(({ id }): Finding[] => {
      const { busiestHour } = devices.find((d) => d.id === id)!;
      if (busiestHour.starts <= MANY_STARTS) return [];
      return [
        {
          id: "short-cycling",
          about: id,
          severity: "warning",
          station: "settings",
          title: "The compressor starts too often",
          text: `${busiestHour.starts} starts within an hour (${when(busiestHour.from)}). Each start wears it; three an hour are plenty.`,
          moment: busiestHour.from,
          remedies: offered(doubleCold(c), strapProbe(c)),
        },
      ];
    });
};

/** The usual delay, in every stage: it belongs to the compressor and not to what is in the box. */
const usualDelay = ({ plan, controller }: Case): Edit[] =>
  plan.stages.map(({ id }) => ({
    section: "settings",
    field: "compressorDelay",
    id: controller.id,
    stage: id,
    value: USUAL_DELAY,
  }));

/** Longer than this a delay no longer protects anything, s (common practice: 3 to 10 minutes; no source). */
const MOST_DELAY = 15 * 60;

/** A delay that keeps the cold away when it is needed. */
export const delayTooLong: Rule = (c) => {
  const { compressorDelay } = c.control.settings;
  if (!c.control.plugged.compressor || !outletsOf(c.unit).cold || compressorDelay <= MOST_DELAY) return null;
  return {
    id: "delay-too-long",
    severity: "warning",
    station: "settings",
    title: "The compressor waits absurdly long",
    text: `A delay of ${printDuration(compressorDelay)} protects no better than 10 minutes, and for that long the product warms whenever cold is called for.`,
    moment: null,
    remedies: [
      {
        id: "usual-delay",
        label: "Set the delay to 5 minutes",
        edits: usualDelay(c),
      },
    ],
  };
};

/** The heater is switched so often that a mechanical relay wears out. */
export const relayWears: Rule = (c) => {
  const { devices, seconds } = c.metrics;
  // What hangs on one outlet is switched by one relay.
  const starts = devices.filter((d) => c.controller.heat.includes(d.id)).map((d) => d.starts);
  const perHour = Math.max(0, ...starts) / (Math.max(seconds, 3600) / 3600);
  if (perHour <= MANY_HEATS || !outletsOf(c.unit).heat || c.unit.switchedBy !== "relay") return null;
  return {
    id: "relay-wears",
    severity: "note",
    station: "settings",
    title: "The relay switches very often",
    text: `${Math.round(perHour)} starts of the heater an hour. A mechanical relay is made for some hundred thousand: that is ${Math.round(100_000 / (perHour * 24))} days. A wider differential, or a solid-state relay.`,
    moment: c.trial.heat[0] ?? null,
    remedies: offered(trebleHeat(c)),
  };
};

const LEAST_DELAY = 180;

/** A compressor without a rest. */
export const delayTooShort: Rule = (c) => {
  const { compressorDelay } = c.control.settings;
  const { unit } = c;
  if (!c.control.plugged.compressor || !outletsOf(unit).cold || unit.delayHigh === 0) return null;
  if (compressorDelay >= LEAST_DELAY) return null;
  const rests = c.metrics.devices
    .filter((d) => c.controller.cold.includes(d.id))
    .flatMap((d) => (d.shortestRest === null ? [] : [d.shortestRest]));
  const shortestRest = rests.length ? Math.min(...rests) : null;
  return {
    id: "delay-too-short",
    severity: compressorDelay === 0 ? "danger" : "warning",
    station: "settings",
    title: "The compressor is not protected",
    text: `The delay is ${compressorDelay === 0 ? "zero" : printDuration(compressorDelay)}. It protects the compressor from starting against pressure, also after a power cut; it is no matter of patience. 3 to 10 minutes are usual.${shortestRest === null ? "" : ` The shortest rest in the trial is ${printDuration(shortestRest)}.`}`,
    moment: null,
    remedies: [
      {
        id: "usual-delay",
        label: "Set the delay to 5 minutes",
        edits: usualDelay(c),
      },
    ],
  };
};
