import { celsius, printDuration } from "../quantity";
import type { Remedy, Rule } from "./types";
import { words } from "./words";

/** Further than this from the band an alarm comes too late, K. */
const BLIND = 5;

const advisedAlarms = (low: number, high: number): Remedy => ({
  id: "alarms",
  label: "Put the alarms just outside of what is normal",
  edits: [
    { section: "settings", field: "lowAlarm", value: celsius(low) },
    { section: "settings", field: "highAlarm", value: celsius(high) },
  ],
});

/** An alarm so far away that the product is lost before it sounds. */
export const alarmBlind: Rule = (c) => {
  const { lowAlarm, highAlarm } = c.plan.settings;
  const { low, high } = c.plan.chamber.stages[0]!;
  const deaf = [low - lowAlarm > BLIND ? "low" : "", highAlarm - high > BLIND ? "high" : ""].filter(Boolean);
  if (deaf.length === 0) return null;
  const { at } = words(c);
  return {
    id: "alarm-blind",
    severity: "warning",
    station: "settings",
    title: deaf.length === 2 ? "The alarms will not sound in time" : `The ${deaf[0]} alarm will not sound in time`,
    text: `The band is ${at(low)} to ${at(high)}, the alarms wait for ${at(lowAlarm)} and ${at(highAlarm)}. Long before that the product is out of its range.`,
    moment: null,
    remedies: [advisedAlarms(c.plan.advised.lowAlarm, c.plan.advised.highAlarm)],
  };
};

/** An alarm that sounds while all is well. */
export const alarmNagging: Rule = (c) => {
  const { alarm, settled, timeToBand } = c.trial.metrics;
  const nagging = alarm.lowSettled + alarm.highSettled;
  if (!settled || timeToBand === null || nagging === 0) return null;
  const { at } = words(c);
  const distance = 0.5;
  const low = Math.min(c.plan.settings.lowAlarm, settled.reading.low - distance);
  const high = Math.max(c.plan.settings.highAlarm, settled.reading.high + distance);
  return {
    id: "alarm-nagging",
    severity: "warning",
    station: "settings",
    title: "The alarm sounds while nothing is wrong",
    text: `Once settled the display moves between ${at(settled.reading.low)} and ${at(settled.reading.high)}; the alarms at ${at(c.plan.settings.lowAlarm)} and ${at(c.plan.settings.highAlarm)} sound for ${printDuration(nagging)} in all. An alarm that nags is soon ignored.`,
    moment: settled.reading.highAt,
    remedies: [advisedAlarms(low, high)],
  };
};
