import { hasHeater } from "../chamber";
import type { CabinetKind } from "../model";
import { heaterOfPower, heatOf, offered } from "./remedies";
import type { Rule } from "./types";
import { words } from "./words";

/** Above this the lumped model of a plastic-lined box has left its ground, °C. */
const MODEL_END = 80;
const HOT = 45;

/** Boxes with plastic linings or foam; pots, kettles, drums and brick are made for heat. */
const plastic: readonly CabinetKind[] = [
  "upright",
  "underCounter",
  "fridgeFreezer",
  "chest",
  "wine",
  "foam",
  "warmBox",
];

/** More than this above the band is an excursion that the product's skin feels, K. */
const UNSEEN = 10;

/** The air gets so hot that the box, and the model, have left their ground. */
export const airTooHot: Rule = (c) => {
  const { air } = c.metrics.whole;
  const { chamber } = c;
  const allowed = Math.max(c.band.high, ...chamber.vessels.map((v) => v.band?.high ?? -Infinity));
  if (air.high < HOT || air.high < allowed + 15 || chamber.room.high > HOT) return null;
  if (!hasHeater(chamber) || !plastic.includes(chamber.cabinet.kind)) return null;
  const { at, when } = words(c);
  const { usual, power } = heatOf(c);
  return {
    id: "air-too-hot",
    severity: "danger",
    station: "heat",
    title: "The heater is dangerously large",
    text: `The air reaches ${at(air.high)} (${when(air.highAt)}) before the probe knows.${air.high > MODEL_END ? ` Above ${at(MODEL_END)} this model has left its ground and parts of the box can be hotter still.` : ""} Linings soften and things near the heater can burn: fit an independent thermal cut-out, whatever the controller.`,
    moment: air.highAt,
    remedies: usual < power ? offered(heaterOfPower(c, usual, "smaller-heater")) : [],
  };
};

/** The air swings far past the band while the probe, in or on the product, shows nothing of it. */
export const airUnseen: Rule = (c) => {
  const { settled } = c.metrics;
  if (!settled) return null;
  const { low, high } = c.band;
  const over = settled.air.high - high;
  const under = low - settled.air.low;
  const worst = Math.max(over, under);
  if (!plastic.includes(c.chamber.cabinet.kind)) return null;
  if (worst < UNSEEN || (over > under && settled.air.high >= HOT)) return null;
  const { at, by, when } = words(c);
  const moment = over > under ? settled.air.highAt : settled.air.lowAt;
  return {
    id: "air-unseen",
    severity: "note",
    station: "probe",
    title: "The air swings further than the display shows",
    text: `While the display stays near the setpoint the air goes to ${at(over > under ? settled.air.high : settled.air.low)} (${when(moment)}), ${by(worst)} past the band. For a full vessel that is harmless; small jars or a culture on the shelf would feel it.`,
    moment,
    remedies: [],
  };
};
