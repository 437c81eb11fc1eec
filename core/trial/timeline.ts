import { calm, type Conditions } from "../chamber";
import { onOffNumbers, type OnOffNumbers } from "../controller";
import type { Happening, Settings } from "../model";
import type { ProgramState } from "../program";
import { celsius, type Temperature } from "../quantity";
import type { TrialInput } from "./input";

/** What happens to one probe. */
interface ProbeSituation {
  /** 0: none; 1: open; 2: short. */
  fault: 0 | 1 | 2;
  /** K that it has drifted by the start of this stretch, and K a second from there. */
  drifted: number;
  driftRate: number;
}

type Stuck = "" | "on" | "off";

/** What holds from one moment of change to the next. Lists stand in the order of the chamber's own. */
export interface Situation {
  conditions: Conditions;
  probes: ProbeSituation[];
  power: boolean;
  heaters: { staysOff: boolean; cutOut: boolean; fuelOut: boolean }[];
  coolers: { fails: boolean; iceForgotten: boolean }[];
  controllers: { heatStuck: Stuck; coldStuck: Stuck; setpoint: Temperature | null }[];
}

const endOf = (h: Happening): number => ("lasting" in h && h.lasting > 0 ? h.at + h.lasting : Infinity);

/** Moves all of a unit's switching with a new setpoint; alarms stay where they are keyed in. */
export function withSetpoint(settings: Settings, to: Temperature): Settings {
  const shift = to - settings.setpoint;
  const moved = (t: Temperature) => celsius(t + shift);
  return { ...settings, setpoint: to, lowLimit: moved(settings.lowLimit), highLimit: moved(settings.highLimit) };
}

/** Settings on the way from the stage before: all of them, alarms too, stand so far off. */
export function shifted(settings: Settings, by: number): Settings {
  if (by === 0) return settings;
  const moved = (t: Temperature) => celsius(t + by);
  return {
    ...withSetpoint(settings, moved(settings.setpoint)),
    lowAlarm: moved(settings.lowAlarm),
    highAlarm: moved(settings.highAlarm),
  };
}

/** Steps at which something happens, in order. */
export function changeSteps({ chamber, dt }: TrialInput): number[] {
  const moments = chamber.happenings
    .filter((h) => h.kind !== "weather")
    .flatMap((h) => [h.at, endOf(h)])
    .concat(chamber.vessels.map((v) => v.putIn))
    .filter((t) => t > 0 && t < Infinity)
    .map((t) => Math.ceil(t / dt));
  return [...new Set(moments)].sort((a, b) => a - b);
}

/** The situation at a step: everything that has begun and has not ended. */
export function situationAt({ chamber, dt }: TrialInput, step: number): Situation {
  const now = step * dt;
  const active = chamber.happenings.filter((h) => h.at <= now && endOf(h) > now);
  const conditions = calm();
  const probes = chamber.probes.map((): ProbeSituation => ({ fault: 0, drifted: 0, driftRate: 0 }));
  const heaters = chamber.heaters.map(() => ({ staysOff: false, cutOut: false, fuelOut: false }));
  const coolers = chamber.coolers.map(() => ({ fails: false, iceForgotten: false }));
  const controllers = chamber.controllers.map((): Situation["controllers"][number] => ({
    heatStuck: "",
    coldStuck: "",
    setpoint: null,
  }));
  const situation: Situation = { conditions, probes, power: true, heaters, coolers, controllers };
  conditions.probes = chamber.probes.map(() => "place");
  if (chamber.vessels.some((v) => v.putIn > now)) conditions.out = chamber.vessels.map((v) => v.putIn > now);
  const of = <T>(list: readonly T[], named: readonly { id: string }[], which: string): T | undefined =>
    list[named.findIndex((e) => e.id === which)];
  const probe = (which: string) => of(probes, chamber.probes, which);
  const heater = (which: string) => of(heaters, chamber.heaters, which);
  const cooler = (which: string) => of(coolers, chamber.coolers, which);
  const controller = (which: string) => of(controllers, chamber.controllers, which);
  for (const h of [...active].sort((a, b) => a.at - b.at))
    switch (h.kind) {
      case "setpoint": {
        const to = controller(h.which);
        if (to) to.setpoint = h.to;
        break;
      }
      case "door":
      case "lidOff":
        conditions.open = true;
        break;
      case "probeOut": {
        const at = chamber.probes.findIndex((p) => p.id === h.which);
        if (at >= 0) conditions.probes[at] = h.to;
        break;
      }
      case "probeFault": {
        const to = probe(h.which);
        if (to) to.fault = h.fault === "open" ? 1 : 2;
        break;
      }
      case "probeDrift": {
        const to = probe(h.which);
        if (!to) break;
        to.drifted += (h.perDay * (now - h.at)) / 86_400;
        to.driftRate += h.perDay / 86_400;
        break;
      }
      case "powerCut":
        situation.power = false;
        break;
      case "heaterStaysOff": {
        const to = heater(h.which);
        if (to) to.staysOff = true;
        break;
      }
      case "heaterCutOut": {
        const to = heater(h.which);
        if (to) to.cutOut = true;
        break;
      }
      case "relayStuck": {
        const to = controller(h.which);
        if (to) to[h.outlet === "heat" ? "heatStuck" : "coldStuck"] = h.to;
        break;
      }
      case "coldFails": {
        const to = cooler(h.which);
        if (to) to.fails = true;
        break;
      }
      case "fanStops":
        conditions.fanStopped = true;
        break;
      case "loadIn":
        conditions.loadsIn++;
        break;
      case "iceForgotten": {
        const to = cooler(h.which);
        if (to) to.iceForgotten = true;
        break;
      }
      case "fuelOut": {
        const to = heater(h.which);
        if (to) to.fuelOut = true;
        break;
      }
      case "weather":
        break;
    }
  return situation;
}

/** The numbers that each controller works with now: those of the stage, on its way, unless somebody has set another. */
export const numbersNow = (
  { chamber, settings }: TrialInput,
  { controllers }: Situation,
  { stage, shift }: Pick<ProgramState, "stage" | "shift">,
): OnOffNumbers[] =>
  chamber.controllers.map(({ unit }, c) => {
    const keyed = shifted(settings[stage]![c]!, shift);
    const { setpoint } = controllers[c]!;
    return onOffNumbers(setpoint === null ? keyed : withSetpoint(keyed, setpoint), unit);
  });
