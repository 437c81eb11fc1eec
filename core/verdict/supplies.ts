import { boxes, coolerChoice, coolersFor, hasHeater, hasIce, heatersOf, isIce } from "../chamber";
import { measures, printDuration, printMeasure, printNumber } from "../quantity";
import { switchesOf } from "../trial";
import { binsOf, judgedLine } from "./lines";
import { coolerRoom } from "./milderRoom";
import { heatOf, offered, switchToo, watts } from "./remedies";
import type { Case, Finding, Rule } from "./types";
import { words } from "./words";

const HOUR = 3600;

/** A fire ends before the trial does. */
export const fuelEnds: Rule = (c) => {
  const { fuelOutAt } = c.trial.metrics;
  const fire = heatersOf(c.chamber).find((h) => h.kind === "charcoal");
  if (fuelOutAt === null || !fire) return null;
  const forced = c.chamber.happenings.some((h) => h.kind === "fuelOut" && h.at <= fuelOutAt);
  if (forced) return null;
  const { when } = words(c);
  // Of a program that comes to its end, the rest of the trial needs no fire.
  const seconds = c.trial.finishedAt ?? c.trial.days * 86_400;
  if (fuelOutAt >= seconds) return null;
  const wanted = Math.ceil(((fire.fuel * seconds) / fuelOutAt) * 1.1 * 10) / 10;
  const kilograms = (kg: number) => `${printNumber(kg, 0.1)}\u00a0kg`;
  return {
    id: "fuel-ends",
    about: fire.id,
    severity: "danger",
    station: "heat",
    title: "The fuel ends before the time is up",
    text: `${kilograms(fire.fuel)} last ${printDuration(fuelOutAt)}, to ${when(fuelOutAt)}; the ${c.trial.finishedAt === null ? "trial" : "program"} runs ${printDuration(seconds)}. Wind and leaks can halve that.`,
    moment: fuelOutAt,
    remedies:
      wanted <= 40
        ? [
            {
              id: "more-fuel",
              label: `Charge ${kilograms(wanted)}`,
              edits: [{ section: "heater", field: "fuel", id: fire.id, value: wanted }],
            },
          ]
        : [],
  };
};

/** The glow alone is more than the hold takes: no blower can control that. */
export const glowTooStrong: Rule = (c) => {
  const fires = heatersOf(c.chamber).filter((h) => h.kind === "charcoal");
  const glow = fires.reduce((sum, h) => sum + h.idlePower, 0);
  const { need } = heatOf(c);
  if (fires.length === 0 || glow <= need) return null;
  return {
    id: "glow-too-strong",
    severity: "danger",
    station: "heat",
    title: "Leaks feed the fire more than the hold needs",
    text: `With its blower at rest the fire still gives ${watts(glow)}; holding takes ${watts(need)}. No controller can hold that down: close the leaks.`,
    moment: null,
    remedies: [
      {
        id: "close-leaks",
        label: `Close the leaks until it glows at ${watts(need / 3)}`,
        edits: fires.map((h) => ({
          section: "heater",
          field: "idlePower",
          id: h.id,
          value: Math.round(need / 3 / fires.length),
        })),
      },
    ],
  };
};

/** The ice is gone, and nobody changes it. */
export const iceEnds: Rule = (c) => {
  const { iceGoneAt } = c.trial.metrics;
  if (iceGoneAt === null) return null;
  const { when } = words(c);
  const every = Math.max(HOUR, Math.floor((iceGoneAt * 0.8) / HOUR) * HOUR);
  return c.chamber.coolers
    .filter((k) => isIce(k) && !(k.iceEvery > 0 && k.iceEvery <= iceGoneAt))
    .map((ice): Finding => ({
      id: "ice-ends",
      about: ice.id,
      severity: "warning",
      station: "heat",
      title: "The ice is gone before it is changed",
      text: `${printNumber(ice.iceMass, 0.1)}\u00a0kg have melted after ${printDuration(iceGoneAt)} (${when(iceGoneAt)}). From then on nothing cools.`,
      moment: iceGoneAt,
      remedies: [
        {
          id: "change-ice",
          label: `Change it every ${printDuration(every)}`,
          edits: [{ section: "cooler", field: "iceEvery", id: ice.id, value: every }],
        },
      ],
    }));
};

/** Hours a day that what is judged is past one end of its band, from the trace since its arrival in the stage. */
function hoursPast(c: Case, side: "above" | "below"): number {
  const { trace } = c.trial;
  const { metrics, band } = c;
  if (metrics.timeToBand === null) return 0;
  const line = judgedLine(c);
  let seconds = 0;
  for (const i of binsOf(c)) {
    if (trace.from + i * trace.width < metrics.from + metrics.timeToBand) continue;
    if (side === "above" ? line.low[i]! > band.high : line.high[i]! < band.low) seconds += trace.width;
  }
  return seconds / HOUR / (metrics.seconds / 86_400);
}

/** With only heat, or only cold, there are hours in which nothing holds it. */
export const oneSided: Rule = (c) => {
  const { chamber } = c;
  const can = switchesOf(chamber);
  const canHeat = can.heat;
  const canCool = can.cold || hasIce(chamber);
  if (canHeat === canCool || chamber.happenings.length > 0) return null;
  const side = canHeat ? "above" : "below";
  const hours = hoursPast(c, side);
  if (hours < 0.25) return null;
  const { at, theJudged } = words(c);
  const { room } = chamber;
  const idle = !canHeat && hasHeater(chamber);
  const [cooler] = chamber.coolers;
  const [heater] = chamber.heaters;
  const unit = { section: "unit", field: "kind", id: c.controller.id, value: "twoDifferentials" } as const;
  // What is added has to hang on this unit's other outlet.
  const plugged = (id: string | undefined, outlet: "heat" | "cold") =>
    id !== undefined && c.controller[outlet].includes(id);
  const addCold =
    canHeat && coolersFor(chamber.cabinet.kind).includes("compressor") && cooler && plugged(cooler.id, "cold");
  const addHeat = !canHeat && heater && plugged(heater.id, "heat");
  return {
    id: "one-sided",
    severity: "warning",
    station: "heat",
    title: canHeat ? "Hours in which nothing cools it" : "Hours in which nothing warms it",
    text: `${printNumber(hours, 0.1)} hours a day on average ${theJudged} is ${canHeat ? "warmer than the warmest" : "colder than the coldest"} that you allow, in a room of ${at(room.low)} to ${at(room.high)}. ${idle ? "The unit only cools: it does not switch the heater that is there." : `This ${boxes[chamber.cabinet.kind].label.toLowerCase()} can only ${canHeat ? "heat" : "cool"}.`}`,
    moment: canHeat ? c.metrics.whole.product.highAt : c.metrics.whole.product.lowAt,
    remedies: addCold
      ? [
          {
            id: "add-cold",
            label: "Let the box\u2019s compressor cool, with a unit of two outlets",
            edits: [...coolerChoice("compressor", cooler.id), unit],
          },
          ...offered(coolerRoom(c)),
        ]
      : idle
        ? offered(switchToo(c, "heat"))
        : addHeat
          ? [
              {
                id: "add-heat",
                label: "Put a heater in, with a unit of two outlets",
                edits: [
                  { section: "heater", field: "kind", id: heater.id, value: undefined },
                  { section: "heater", field: "power", id: heater.id, value: undefined },
                  unit,
                ],
              },
            ]
          : offered(canHeat ? coolerRoom(c) : null),
  };
};

/** Charcoal that lies loosely, kg/m³, and what the basket of a usual drum holds of it, m³ (estimates). */
const LOOSE_CHARCOAL = 250;
const BASKET = 0.035;

/** More fuel than the basket of a usual drum holds: asked, since nobody has measured yours. */
export const basketFull: Rule = (c) => {
  if (c.chamber.cabinet.kind !== "drum") return null;
  const heater = c.chamber.heaters.find((h) => h.kind === "charcoal" && h.fuel > LOOSE_CHARCOAL * BASKET);
  if (!heater) return null;
  const holds = printMeasure(LOOSE_CHARCOAL * BASKET, measures.mass, "metric");
  return {
    id: "basket-full",
    about: heater.id,
    severity: "note",
    station: "heat",
    title: "Does so much charcoal go into its basket?",
    text: `${printMeasure(heater.fuel, measures.mass, "metric")} lie loosely in some ${printNumber((heater.fuel / LOOSE_CHARCOAL) * 1000, 1)}\u00a0L; the basket of a usual drum holds about ${holds} (estimate). If yours holds less, plan to add some on the way: the trial takes all of it to be in at the start.`,
    moment: null,
    remedies: [],
  };
};

/** Heat and cold undo each other's work: energy out of all proportion. */
export const wastedEnergy: Rule = (c) => {
  const { energy, reversals } = c.trial.metrics;
  const days = c.trial.metrics.seconds / 86_400;
  const perDay = (j: number) => j / 3.6e6 / days;
  // Stage by stage: what warms a product for its rest and is taken out for its crash is not for nothing.
  const undone = c.trial.stages.reduce((sum, { metrics: [first] }) => {
    const { heater, cold, product, stored } = first!.energy;
    const held = Math.min(heater - Math.max(0, stored), cold - product - Math.max(0, -stored));
    return sum + perDay(Math.max(0, held));
  }, 0);
  if (undone < 0.1 || undone < 0.4 * Math.max(perDay(energy.heater), perDay(energy.cold))) return null;
  const spent = perDay(energy.heater + energy.cooler);
  return {
    id: "wasted-energy",
    severity: "warning",
    station: "settings",
    title: "Heat and cold undo each other\u2019s work",
    text: `Each day the heater brings in ${printNumber(perDay(energy.heater), 0.1)}\u00a0kWh and the cooling takes ${printNumber(perDay(energy.cold), 0.1)}\u00a0kWh out again; ${printNumber(undone, 0.1)} of it for nothing. Electricity in all: ${printNumber(spent, 0.1)}\u00a0kWh a day.`,
    moment: reversals.worstFrom,
    remedies: [],
  };
};

/** Water at its boiling point: the model has left its ground. */
export const boils: Rule = (c) => {
  const { kind } = c.chamber.cabinet;
  const { product, air } = c.metrics.whole;
  const hottest = product.high >= air.high ? product : air;
  if ((kind !== "kettle" && kind !== "crock") || hottest.high < 97) return null;
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
