import type { Scale } from "../quantity";
import type { Plan, Trial } from "../trial";
import { airTooHot, airUnseen } from "./air";
import { alarmBlind, alarmNagging } from "./alarms";
import { coldTooWeak, heaterBarely, heaterTooWeak, neverArrives, slowArrival } from "./arrival";
import { doesNotFit, nearFreezing, offsetWrong, outsidePacket } from "./job";
import { allWell } from "./normal";
import { leavesBand, livesAtOneEnd } from "./swing";
import { chasing, delayTooShort, shortCycling } from "./switching";
import type { Rule, Severity, Verdict } from "./types";

/** In the order of what hurts most within a severity. */
const rules: readonly Rule[] = [
  airTooHot,
  neverArrives,
  nearFreezing,
  heaterTooWeak,
  coldTooWeak,
  chasing,
  offsetWrong,
  leavesBand,
  doesNotFit,
  delayTooShort,
  shortCycling,
  alarmBlind,
  alarmNagging,
  outsidePacket,
  slowArrival,
  heaterBarely,
  livesAtOneEnd,
  airUnseen,
  allWell,
];

const weight: Record<Severity, number> = { danger: 0, warning: 1, note: 2, good: 3 };

/** All verdicts on a trial, what hurts most first. Never empty where the product reaches its band: then what is normal is said. */
export function judge(plan: Plan, trial: Trial, scale: Scale): Verdict[] {
  const found = rules.map((rule) => rule({ plan, trial, scale })).filter((v) => v !== null);
  const bad = found.some((v) => v.severity === "danger");
  return found.filter((v) => v.severity !== "good" || !bad).sort((a, b) => weight[a.severity] - weight[b.severity]);
}
