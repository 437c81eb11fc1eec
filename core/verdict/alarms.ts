import { alarmsOf, shownThen } from "../controller";
import { celsius, kelvins, printDuration } from "../quantity";
import { servingController } from "../trial";
import type { Case, Remedy, Rule } from "./types";
import { TOLERANCE, words } from "./words";

/** Further than this from the band an alarm comes too late, K. */
const BLIND = 5;

/** Alarms at these readings, as numbers or as distances from the setpoint, as the unit takes them. */
const alarmsAt = ({ control, controller, stage, unit }: Case, low: number, high: number): Remedy => {
  const { setpoint } = control.settings;
  const at = { section: "settings", id: controller.id, stage: stage.id } as const;
  return {
    id: "alarms",
    label: "Put the alarms just outside of what is normal",
    edits:
      unit.alarms === "deviation"
        ? [
            { ...at, field: "lowDeviation", value: kelvins(Math.max(0.1, setpoint - low)) },
            { ...at, field: "highDeviation", value: kelvins(Math.max(0.1, high - setpoint)) },
          ]
        : [
            { ...at, field: "lowAlarm", value: celsius(low) },
            { ...at, field: "highAlarm", value: celsius(high) },
          ],
  };
};

/** An alarm so far away that the product is lost before it sounds. */
export const alarmBlind: Rule = (c) => {
  if (c.probe.place === "room") return null;
  const alarms = alarmsOf(c.control.settings, c.unit);
  const { low, high } = c.control.request;
  const deaf = [
    alarms.low !== null && low - alarms.low > BLIND ? "low" : "",
    alarms.high !== null && alarms.high - high > BLIND ? "high" : "",
  ].filter(Boolean);
  if (deaf.length === 0) return null;
  const advised = alarmsOf(c.control.advised, c.unit);
  const { at, theJudged } = words(c);
  return {
    id: "alarm-blind",
    severity: "warning",
    station: "settings",
    title: deaf.length === 2 ? "The alarms will not sound in time" : `The ${deaf[0]} alarm will not sound in time`,
    text: `The band is ${at(low)} to ${at(high)}, ${[alarms.low, alarms.high]
      .map((t, i) => (t === null ? "" : `the ${i ? "high" : "low"} alarm waits for ${at(t)}`))
      .filter(Boolean)
      .join(", ")}. Long before that ${theJudged} is out of its range.`,
    moment: null,
    remedies: [alarmsAt(c, advised.low ?? low - 1.5, advised.high ?? high + 1.5)],
  };
};

/** An alarm that sounds while all is well; where the product does leave its band, the alarm only tells the truth. */
export const alarmNagging: Rule = (c) => {
  const { settled, timeToBand, controls } = c.metrics;
  if (!settled || timeToBand === null || c.chamber.happenings.length > 0 || c.probe.place === "room") return null;
  const own = controls.find((m) => m.id === c.controller.id)!;
  const { band } = c;
  const nagging =
    (settled.product.low < band.low - TOLERANCE ? 0 : own.lowSettled) +
    (settled.product.high > band.high + TOLERANCE ? 0 : own.highSettled);
  if (nagging === 0) return null;
  const { at } = words(c);
  const distance = 0.5;
  const alarms = alarmsOf(c.control.settings, c.unit);
  // What its own display did; of a unit that only watches, what the band lets it do.
  const holds = servingController(c.chamber, { id: c.metrics.judged }) === c.chamber.controllers.indexOf(c.controller);
  const { low: coldest, high: warmest } = c.control.request;
  const shown = holds ? settled.reading : { low: coldest - distance, high: warmest + distance, highAt: null };
  const low = Math.min(alarms.low ?? Infinity, shown.low - distance);
  const high = Math.max(alarms.high ?? -Infinity, shown.high + distance);
  return {
    id: "alarm-nagging",
    severity: "warning",
    station: "settings",
    title: "The alarm sounds while nothing is wrong",
    text: `Once settled the display ${holds ? "moves" : "should move"} between ${at(shown.low)} and ${at(shown.high)}; the alarm sounds${shownThen(c.unit, "alarm")} for ${printDuration(nagging)} in all. An alarm that nags is soon ignored.`,
    moment: shown.highAt,
    remedies: [alarmsAt(c, low, high)],
  };
};
