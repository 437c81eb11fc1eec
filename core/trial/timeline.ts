import { calm, type Conditions } from "../chamber";
import { machinesOf, type Counts } from "../controller";
import type { Happening, Settings } from "../model";
import { celsius, type Temperature } from "../quantity";
import type { TrialInput } from "./input";

/** What holds from one moment of change to the next. */
export interface Situation {
  conditions: Conditions;
  counts: Counts[];
  /** 0: none; 1: open; 2: short. */
  fault: 0 | 1 | 2;
  /** K that the probe has drifted by the start of this stretch, and K a second from there. */
  drifted: number;
  driftRate: number;
  power: boolean;
  heaterStaysOff: boolean;
  heaterCutOut: boolean;
  heatStuck: "" | "on" | "off";
  coldStuck: "" | "on" | "off";
  coldFails: boolean;
  iceForgotten: boolean;
  fuelOut: boolean;
}

const endOf = (h: Happening): number => ("lasting" in h && h.lasting > 0 ? h.at + h.lasting : Infinity);

/** Moves all of a unit's switching with a new setpoint; alarms stay where they are keyed in. */
export function withSetpoint(settings: Settings, to: Temperature): Settings {
  const shift = to - settings.setpoint;
  const moved = (t: Temperature) => celsius(t + shift);
  return {
    ...settings,
    setpoint: to,
    coldSetpoint: moved(settings.coldSetpoint),
    lowLimit: moved(settings.lowLimit),
    highLimit: moved(settings.highLimit),
  };
}

/** Steps at which something changes, in order. */
export function changeSteps({ chamber, dt }: TrialInput): number[] {
  const moments = chamber.happenings
    .filter((h) => h.kind !== "weather")
    .flatMap((h) => [h.at, endOf(h)])
    .filter((t) => t > 0 && t < Infinity)
    .map((t) => Math.ceil(t / dt));
  return [...new Set(moments)].sort((a, b) => a - b);
}

/** The situation at a step: everything that has begun and has not ended. */
export function situationAt(input: TrialInput, step: number): Situation {
  const now = step * input.dt;
  const { happenings } = input.chamber;
  const active = happenings.filter((h) => h.at <= now && endOf(h) > now);
  const conditions: Conditions = { ...calm };
  const situation: Situation = {
    conditions,
    counts: [],
    fault: 0,
    drifted: 0,
    driftRate: 0,
    power: true,
    heaterStaysOff: false,
    heaterCutOut: false,
    heatStuck: "",
    coldStuck: "",
    coldFails: false,
    iceForgotten: false,
    fuelOut: false,
  };
  let setpoint: Temperature | null = null;
  for (const h of [...active].sort((a, b) => a.at - b.at))
    switch (h.kind) {
      case "setpoint":
        setpoint = h.to;
        break;
      case "door":
      case "lidOff":
        conditions.open = true;
        break;
      case "probeOut":
        conditions.probe = h.to;
        break;
      case "probeFault":
        situation.fault = h.fault === "open" ? 1 : 2;
        break;
      case "probeDrift":
        situation.drifted += (h.perDay * (now - h.at)) / 86_400;
        situation.driftRate += h.perDay / 86_400;
        break;
      case "powerCut":
        situation.power = false;
        break;
      case "heaterStaysOff":
        situation.heaterStaysOff = true;
        break;
      case "heaterCutOut":
        situation.heaterCutOut = true;
        break;
      case "relayStuck":
        if (h.outlet === "heat") situation.heatStuck = h.to;
        else situation.coldStuck = h.to;
        break;
      case "coldFails":
        situation.coldFails = true;
        break;
      case "fanStops":
        conditions.fanStopped = true;
        break;
      case "loadIn":
        conditions.loadsIn++;
        break;
      case "iceForgotten":
        situation.iceForgotten = true;
        break;
      case "fuelOut":
        situation.fuelOut = true;
        break;
      case "weather":
        break;
    }
  situation.counts = input.controllers.flatMap(({ settings, unit }) =>
    machinesOf(setpoint === null ? settings : withSetpoint(settings, setpoint), unit),
  );
  return situation;
}
