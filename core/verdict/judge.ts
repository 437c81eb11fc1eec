import type { Scale } from "../quantity";
import type { Plan, Trial } from "../trial";
import { airTooHot, airUnseen } from "./air";
import { alarmBlind, alarmNagging } from "./alarms";
import { coldBarely, coldTooWeak, heaterBarely, heaterTooWeak, neverArrives, slowArrival } from "./arrival";
import {
  fridgeStaysOff,
  fridgeThermostat,
  heaterCutsOut,
  heaterOversized,
  heaterStaysOff,
  lightOnProduct,
  surfaceHot,
} from "./devices";
import { outsideModel } from "./ground";
import { doesNotFit, nearFreezing, offsetWrong, outsidePacket, twoTemperatures } from "./job";
import { allWell } from "./normal";
import { differentialTooFine, limitsReversed, noAlarm, offsetHides, probeLoose, unitsFight } from "./reading";
import { boils, fuelEnds, glowTooStrong, iceEnds, oneSided, wastedEnergy } from "./supplies";
import { leavesBand, livesAtOneEnd, overshoot } from "./swing";
import { chasing, delayTooLong, delayTooShort, relayWears, shortCycling } from "./switching";
import type { Rule, Severity, Verdict } from "./types";

/** In the order of what hurts most within a severity. */
const rules: readonly Rule[] = [
  airTooHot,
  probeLoose,
  heaterStaysOff,
  fridgeStaysOff,
  limitsReversed,
  neverArrives,
  nearFreezing,
  heaterTooWeak,
  coldTooWeak,
  fuelEnds,
  glowTooStrong,
  unitsFight,
  chasing,
  offsetWrong,
  offsetHides,
  oneSided,
  iceEnds,
  leavesBand,
  doesNotFit,
  boils,
  surfaceHot,
  heaterCutsOut,
  fridgeThermostat,
  delayTooShort,
  delayTooLong,
  shortCycling,
  differentialTooFine,
  alarmBlind,
  alarmNagging,
  outsideModel,
  outsidePacket,
  twoTemperatures,
  lightOnProduct,
  wastedEnergy,
  slowArrival,
  overshoot,
  heaterBarely,
  coldBarely,
  heaterOversized,
  livesAtOneEnd,
  airUnseen,
  relayWears,
  noAlarm,
  allWell,
];

const weight: Record<Severity, number> = { danger: 0, warning: 1, note: 2, good: 3 };

/** All verdicts on a trial, what hurts most first. Never empty where the product reaches its band: then what is normal is said. */
export function judge(plan: Plan, trial: Trial, scale: Scale): Verdict[] {
  const found = rules.map((rule) => rule({ plan, trial, scale })).filter((v) => v !== null);
  const bad = found.some((v) => v.severity === "danger");
  return found.filter((v) => v.severity !== "good" || !bad).sort((a, b) => weight[a.severity] - weight[b.severity]);
}
