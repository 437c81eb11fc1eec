import { heaterFor, heaterSizes, heatersOn, heatNeeded } from "../chamber";
import { outletsOf, settingEdits } from "../controller";
import { applyEdits, type ChamberRecord, type Edit, type ProbePlace, type Settings } from "../model";
import { kelvins } from "../quantity";
import { placesFor, probeMove } from "../probe";
import { planOf, unitsOf, type Plan } from "../trial";
import { closeSpan, scoreOf, searchSpan, settingsOf, type Candidate, type Group } from "./score";
import { seasonsOf, type Season } from "./seasons";
import type { RecommendOptions, TradePoint } from "./types";

export interface Setup {
  plan: Plan;
  /** Which stage of the plan, and which controllers are searched for. */
  stage: number;
  group: Group;
  /** What is keyed in now, into each controller. */
  keyed: Settings[];
  seasons: Season[];
  edits: Edit[];
  place: ProbePlace;
  heaterPower: number;
}

/** The controllers that hold the same as the one that is asked for. */
function groupIn(plan: Plan, stage: number, controller: string | undefined): Group {
  const units = unitsOf(plan, plan.stages[stage]!);
  const switches = units.map(({ control, controller: { unit } }) => ({
    heat: outletsOf(unit).heat && control.plugged.heater,
    cold: outletsOf(unit).cold && control.plugged.cooler,
  }));
  const asked = units.findIndex((u) => u.controller.id === controller);
  const able = switches.findIndex((s) => s.heat || s.cold);
  const lead = asked >= 0 ? asked : Math.max(0, able);
  const { holds, request } = units[lead]!.control;
  const same = units.flatMap((u, c) =>
    u.control.holds === holds && (switches[c]!.heat || switches[c]!.cold) ? [c] : [],
  );
  const members = same.includes(lead) ? same : [lead];
  return {
    members,
    holds,
    heats: members.some((c) => switches[c]!.heat),
    cools: members.some((c) => switches[c]!.cold),
    target: request.target,
    margins: {
      heating: kelvins(Math.max(...members.map((c) => units[c]!.control.margins.heating))),
      cooling: kelvins(Math.max(...members.map((c) => units[c]!.control.margins.cooling))),
    },
  };
}

/** The chamber as it is and, where asked, with other probe places and heaters. */
export function setupsOf(record: ChamberRecord, options: RecommendOptions): Setup[] {
  const plan = planOf(record);
  const stage = Math.max(
    0,
    plan.stages.findIndex((s) => s.id === options.stage),
  );
  const { chamber } = plan;
  const group = groupIn(plan, stage, options.controller);
  const lead = chamber.controllers[group.members[0]!]!;
  const probe = chamber.probes.find((p) => p.id === lead.probes[0])!;
  const vessel = chamber.vessels.find((v) => v.id === group.holds) ?? chamber.vessels[0]!;
  const present = probe.place;
  const places = options.probe ? [...new Set([present, ...placesFor(vessel)])] : [present];
  const [heater] = group.members
    .flatMap((c) => heatersOn(chamber, chamber.controllers[c]!))
    .sort((a, b) => b.power - a.power);
  const power = heater?.power ?? 0;
  const need = heatNeeded(
    chamber,
    plan.stages[stage]!.controls[group.members[0]!]!.request.target,
    plan.stages[stage]!.stage,
    group.holds,
  );
  const fit = heaterFor(need, chamber.cabinet.kind);
  const next = heaterSizes.find((s) => s > fit) ?? fit;
  const powers = options.heater && heater ? [...new Set([power, fit, next])] : [power];
  return places.flatMap((place) =>
    powers.map((heaterPower): Setup => {
      const edits: Edit[] = [
        ...(place === present ? [] : probeMove(place, probe.id)),
        ...(heaterPower === power || !heater
          ? []
          : [{ section: "heater", field: "power", id: heater.id, value: heaterPower } as Edit]),
      ];
      const changed = planOf(applyEdits(record, edits));
      return {
        plan: changed,
        stage,
        group: groupIn(changed, stage, lead.id),
        keyed: changed.stages[stage]!.controls.map((c) => c.settings),
        seasons: seasonsOf(changed.chamber, changed.stages[stage]!.stage),
        edits,
        place,
        heaterPower,
      };
    }),
  );
}

/** Setups by their record and options; the last few are kept, so that a hand does not make them for every task. */
export function lastSetups(most = 3): typeof setupsOf {
  const kept = new Map<string, Setup[]>();
  return (record, options) => {
    const key = JSON.stringify([record, options]);
    const setups = kept.get(key) ?? setupsOf(record, options);
    if (!kept.has(key) && kept.size >= most) kept.delete(kept.keys().next().value!);
    kept.set(key, setups);
    return setups;
  };
}

/** One thing to try: a candidate on one of the setups. */
export interface Task {
  setup: number;
  candidate: Candidate;
  /** Shift it until the middle of the product's range lies on the target; false: as it is. */
  centre: boolean;
  /** The settings as keyed in, where no candidate stands for them. */
  keyed?: Settings[];
  /** At the step of every other trial and for longer: the last word on a candidate. */
  closely?: boolean;
}

export interface Tried {
  point: TradePoint;
  trials: number;
}

/** The two iterations of the shift, and how near to the middle is near enough, K (the design's reference). */
const CENTRINGS = 2;
const CENTRED = 0.05;

/** Tries a candidate in every season. It depends on nothing but its arguments, so that every worker gives the same answer. */
export function tryTask(setups: readonly Setup[], { setup: at, candidate, centre, keyed, closely }: Task): Tried {
  const setup = setups[at]!;
  const { plan, seasons, group, stage } = setup;
  const { chamber } = plan;
  let trials = 0;
  const point = (of: Candidate): TradePoint => {
    const span = (closely ? closeSpan : searchSpan)(chamber);
    const score = scoreOf(of, chamber, group, seasons, setup.keyed, keyed, span);
    trials += seasons.length;
    const settings = group.members.flatMap((c) => {
      const { id, unit } = chamber.controllers[c]!;
      return settingEdits(score.settings[c]!, unit, { id, stage: plan.stages[stage]!.id }, true);
    });
    return { score, place: setup.place, heaterPower: setup.heaterPower, edits: [...setup.edits, ...settings] };
  };
  let best = point(candidate);
  for (let k = 0; centre && k < CENTRINGS; k++) {
    const lows = best.score.seasons.map((s) => s.heldLow);
    const highs = best.score.seasons.map((s) => s.heldHigh);
    const off = (Math.min(...lows) + Math.max(...highs)) / 2;
    if (Math.abs(off) < CENTRED) break;
    const shifted = { ...best.score.candidate, shift: best.score.candidate.shift - off };
    if (sameSettings(settingsOf(shifted, chamber, group, setup.keyed), best.score.settings)) break;
    const next = point(shifted);
    if (next.score.cost >= best.score.cost) break;
    best = next;
  }
  return { point: best, trials };
}

export const settingsKey = (settings: readonly Settings[]): string => JSON.stringify(settings);
const sameSettings = (a: readonly Settings[], b: readonly Settings[]) => settingsKey(a) === settingsKey(b);
