import { alarmsOf } from "../controller";
import { celsius, kelvins, printDuration } from "../quantity";
import type { Case, Remedy, Rule } from "./types";
import { TOLERANCE, words } from "./words";

/** Further than this from the band an alarm comes too late, K. */
const BLIND = 5;

/** Alarms at these readings, as numbers or as distances from the setpoint, as the unit takes them. */
const alarmsAt = ({ plan }: Case, low: number, high: number): Remedy => {
  const { setpoint } = plan.settings;
  return {
    id: "alarms",
    label: "Put the alarms just outside of what is normal",
    edits:
      plan.chamber.unit.alarms === "deviation"
        ? [
            { section: "settings", field: "lowDeviation", value: kelvins(Math.max(0.1, setpoint - low)) },
            { section: "settings", field: "highDeviation", value: kelvins(Math.max(0.1, high - setpoint)) },
          ]
        : [
            { section: "settings", field: "lowAlarm", value: celsius(low) },
            { section: "settings", field: "highAlarm", value: celsius(high) },
          ],
  };
};

/** An alarm so far away that the product is lost before it sounds. */
export const alarmBlind: Rule = (c) => {
  const alarms = alarmsOf(c.plan.settings, c.plan.chamber.unit);
  const { low, high } = c.plan.chamber.stages[0]!;
  const deaf = [
    alarms.low !== null && low - alarms.low > BLIND ? "low" : "",
    alarms.high !== null && alarms.high - high > BLIND ? "high" : "",
  ].filter(Boolean);
  if (deaf.length === 0) return null;
  const advised = alarmsOf(c.plan.advised, c.plan.chamber.unit);
  const { at } = words(c);
  return {
    id: "alarm-blind",
    severity: "warning",
    station: "settings",
    title: deaf.length === 2 ? "The alarms will not sound in time" : `The ${deaf[0]} alarm will not sound in time`,
    text: `The band is ${at(low)} to ${at(high)}, ${[alarms.low, alarms.high]
      .map((t, i) => (t === null ? "" : `the ${i ? "high" : "low"} alarm waits for ${at(t)}`))
      .filter(Boolean)
      .join(", ")}. Long before that the product is out of its range.`,
    moment: null,
    remedies: [alarmsAt(c, advised.low ?? low - 1.5, advised.high ?? high + 1.5)],
  };
};

/** An alarm that sounds while all is well; where the product does leave its band, the alarm only tells the truth. */
export const alarmNagging: Rule = (c) => {
  const { alarm, settled, timeToBand } = c.trial.metrics;
  if (!settled || timeToBand === null || c.plan.chamber.happenings.length > 0) return null;
  const band = c.plan.chamber.stages[0]!;
  const nagging =
    (settled.product.low < band.low - TOLERANCE ? 0 : alarm.lowSettled) +
    (settled.product.high > band.high + TOLERANCE ? 0 : alarm.highSettled);
  if (nagging === 0) return null;
  const { at } = words(c);
  const distance = 0.5;
  const alarms = alarmsOf(c.plan.settings, c.plan.chamber.unit);
  const low = Math.min(alarms.low ?? Infinity, settled.reading.low - distance);
  const high = Math.max(alarms.high ?? -Infinity, settled.reading.high + distance);
  return {
    id: "alarm-nagging",
    severity: "warning",
    station: "settings",
    title: "The alarm sounds while nothing is wrong",
    text: `Once settled the display moves between ${at(settled.reading.low)} and ${at(settled.reading.high)}; the alarm sounds for ${printDuration(nagging)} in all. An alarm that nags is soon ignored.`,
    moment: settled.reading.highAt,
    remedies: [alarmsAt(c, low, high)],
  };
};
