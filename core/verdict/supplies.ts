import { boxes, coolerChoice, hasCooler, hasHeater, heatNeeded, coolersFor } from "../chamber";
import { outletsOf } from "../controller";
import { measures, printDuration, printMeasure, printNumber } from "../quantity";
import type { Case, Rule } from "./types";
import { words } from "./words";

const HOUR = 3600;

/** The fire ends before the trial does. */
export const fuelEnds: Rule = (c) => {
  const { fuelOutAt } = c.trial.metrics;
  const { heater } = c.plan.chamber;
  if (fuelOutAt === null || heater.kind !== "charcoal") return null;
  const forced = c.plan.chamber.happenings.some((h) => h.kind === "fuelOut" && h.at <= fuelOutAt);
  if (forced) return null;
  const { when } = words(c);
  const seconds = c.trial.days * 86_400;
  const wanted = Math.ceil(((heater.fuel * seconds) / fuelOutAt) * 1.1 * 10) / 10;
  const kilograms = (kg: number) => `${printNumber(kg, 0.1)}\u00a0kg`;
  return {
    id: "fuel-ends",
    severity: "danger",
    station: "heat",
    title: "The fuel ends before the time is up",
    text: `${kilograms(heater.fuel)} last ${printDuration(fuelOutAt)}, to ${when(fuelOutAt)}; the trial runs ${printDuration(seconds)}. Wind and leaks can halve that.`,
    moment: fuelOutAt,
    remedies:
      wanted <= 40
        ? [
            {
              id: "more-fuel",
              label: `Charge ${kilograms(wanted)}`,
              edits: [{ section: "heater", field: "fuel", value: wanted }],
            },
          ]
        : [],
  };
};

/** The glow alone is more than the hold takes: no blower can control that. */
export const glowTooStrong: Rule = (c) => {
  const { chamber } = c.plan;
  const { heater } = chamber;
  const need = heatNeeded(chamber, chamber.stages[0]!.target);
  if (heater.kind !== "charcoal" || !hasHeater(chamber) || heater.idlePower <= need) return null;
  const watts = (w: number) => printMeasure(Math.round(w), measures.power, "metric");
  return {
    id: "glow-too-strong",
    severity: "danger",
    station: "heat",
    title: "Leaks feed the fire more than the hold needs",
    text: `With its blower at rest the fire still gives ${watts(heater.idlePower)}; holding takes ${watts(need)}. No controller can hold that down: close the leaks.`,
    moment: null,
    remedies: [
      {
        id: "close-leaks",
        label: `Close the leaks until it glows at ${watts(need / 3)}`,
        edits: [{ section: "heater", field: "idlePower", value: Math.round(need / 3) }],
      },
    ],
  };
};

/** The ice is gone, and nobody changes it. */
export const iceEnds: Rule = (c) => {
  const { iceGoneAt } = c.trial.metrics;
  const { cooler } = c.plan.chamber;
  if (cooler.kind !== "ice" || iceGoneAt === null) return null;
  if (cooler.iceEvery > 0 && cooler.iceEvery <= iceGoneAt) return null;
  const { when } = words(c);
  const every = Math.max(HOUR, Math.floor((iceGoneAt * 0.8) / HOUR) * HOUR);
  return {
    id: "ice-ends",
    severity: "warning",
    station: "heat",
    title: "The ice is gone before it is changed",
    text: `${printNumber(cooler.iceMass, 0.1)}\u00a0kg have melted after ${printDuration(iceGoneAt)} (${when(iceGoneAt)}). From then on nothing cools.`,
    moment: iceGoneAt,
    remedies: [
      {
        id: "change-ice",
        label: `Change it every ${printDuration(every)}`,
        edits: [{ section: "cooler", field: "iceEvery", value: every }],
      },
    ],
  };
};

/** Hours a day that the judged temperature is past one end of its band, from the trace since its arrival. */
function hoursPast({ trial, plan }: Case, side: "above" | "below"): number {
  const { trace, metrics, days } = trial;
  const { low, high } = plan.chamber.stages[0]!;
  if (metrics.timeToBand === null) return 0;
  let seconds = 0;
  for (let i = 0; i < trace.bins; i++) {
    if (i * trace.width < metrics.timeToBand) continue;
    if (side === "above" ? trace.low.product[i]! > high : trace.high.product[i]! < low) seconds += trace.width;
  }
  return seconds / HOUR / days;
}

/** With only heat, or only cold, there are hours in which nothing holds it. */
export const oneSided: Rule = (c) => {
  const { chamber } = c.plan;
  const { heat, cold } = outletsOf(chamber.unit);
  const canHeat = hasHeater(chamber) && heat;
  const canCool = (hasCooler(chamber) && cold) || chamber.cooler.kind === "ice";
  if (canHeat === canCool || chamber.happenings.length > 0) return null;
  const side = canHeat ? "above" : "below";
  const hours = hoursPast(c, side);
  if (hours < 0.25) return null;
  const { at, judged } = words(c);
  const { room } = chamber;
  const addCold = canHeat && coolersFor(chamber.cabinet.kind).includes("compressor");
  return {
    id: "one-sided",
    severity: "warning",
    station: "heat",
    title: canHeat ? "Hours in which nothing cools it" : "Hours in which nothing warms it",
    text: `${printNumber(hours, 0.1)} hours a day on average the ${judged} is ${canHeat ? "warmer than the warmest" : "colder than the coldest"} that you allow, in a room of ${at(room.low)} to ${at(room.high)}. This ${boxes[chamber.cabinet.kind].label.toLowerCase()} can only ${canHeat ? "heat" : "cool"}.`,
    moment: canHeat ? c.trial.metrics.whole.product.highAt : c.trial.metrics.whole.product.lowAt,
    remedies: addCold
      ? [
          {
            id: "add-cold",
            label: "Let the box\u2019s compressor cool, with a unit of two outlets",
            edits: [...coolerChoice("compressor"), { section: "unit", field: "kind", value: "twoDifferentials" }],
          },
        ]
      : canHeat
        ? []
        : [
            {
              id: "add-heat",
              label: "Put a heater in, with a unit of two outlets",
              edits: [
                { section: "heater", field: "kind", value: undefined },
                { section: "heater", field: "power", value: undefined },
                { section: "unit", field: "kind", value: "twoDifferentials" },
              ],
            },
          ],
  };
};

/** Heat and cold undo each other's work: energy out of all proportion. */
export const wastedEnergy: Rule = (c) => {
  const { energy } = c.trial.metrics;
  const perDay = (j: number) => j / 3.6e6 / c.trial.days;
  const undone = Math.min(perDay(energy.heater), perDay(energy.cold) - perDay(energy.product));
  if (undone < 0.1 || undone < 0.4 * Math.max(perDay(energy.heater), perDay(energy.cold))) return null;
  const spent = perDay(energy.heater + energy.cooler);
  return {
    id: "wasted-energy",
    severity: "warning",
    station: "settings",
    title: "Heat and cold undo each other\u2019s work",
    text: `Each day the heater brings in ${printNumber(perDay(energy.heater), 0.1)}\u00a0kWh and the cooling takes ${printNumber(perDay(energy.cold), 0.1)}\u00a0kWh out again; ${printNumber(undone, 0.1)} of it for nothing. Electricity in all: ${printNumber(spent, 0.1)}\u00a0kWh a day.`,
    moment: c.trial.metrics.reversals.worstFrom,
    remedies: [],
  };
};

/** Water at its boiling point: the model has left its ground. */
export const boils: Rule = (c) => {
  const { kind } = c.plan.chamber.cabinet;
  const hottest = c.trial.metrics.whole.product;
  if ((kind !== "kettle" && kind !== "crock") || Math.max(hottest.high, c.trial.metrics.whole.air.high) < 97)
    return null;
  const { at, when } = words(c);
  return {
    id: "boils",
    severity: "warning",
    station: "settings",
    title: "It comes to the boil",
    text: `The liquid reaches ${at(hottest.high)} (${when(hottest.highAt)}). Boiling is not in this model: from here on it would take its heat of evaporation, and boil over.`,
    moment: hottest.highAt,
    remedies: [],
  };
};
