import { hasCooler, heaterFor, heaterSizes, heatNeeded } from "../chamber";
import { outletsOf, settingEdits } from "../controller";
import { applyEdits, type ChamberRecord, type Edit, type ProbePlace, type Settings } from "../model";
import { placesFor, probeMove } from "../probe";
import { planOf, type Plan } from "../trial";
import { closeSpan, scoreOf, searchSpan, settingsOf, type Candidate } from "./score";
import { seasonsOf, type Season } from "./seasons";
import type { RecommendOptions, TradePoint } from "./types";

export interface Setup {
  plan: Plan;
  seasons: Season[];
  edits: Edit[];
  place: ProbePlace;
  heaterPower: number;
}

/** The chamber as it is and, where asked, with other probe places and heaters. */
export function setupsOf(record: ChamberRecord, options: RecommendOptions): Setup[] {
  const plan = planOf(record);
  const present = plan.chamber.probes[0]!.place;
  const places = options.probe ? [...new Set([present, ...placesFor(plan.chamber.vessels[0]!)])] : [present];
  const { power, kind } = plan.chamber.heater;
  const fit = heaterFor(heatNeeded(plan.chamber, plan.ask.target), plan.chamber.cabinet.kind);
  const next = heaterSizes.find((s) => s > fit) ?? fit;
  const powers = options.heater && kind !== "none" ? [...new Set([power, fit, next])] : [power];
  return places.flatMap((place) =>
    powers.map((heaterPower): Setup => {
      const edits: Edit[] = [
        ...(place === present ? [] : probeMove(place)),
        ...(heaterPower === power ? [] : [{ section: "heater", field: "power", value: heaterPower } as Edit]),
      ];
      const changed = planOf(applyEdits(record, edits));
      return { plan: changed, seasons: seasonsOf(changed.chamber), edits, place, heaterPower };
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
  keyed?: Settings;
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
  const { plan, seasons } = setup;
  const cools = hasCooler(plan.chamber) && outletsOf(plan.chamber.unit).cold;
  const { target } = plan.ask;
  let trials = 0;
  const point = (of: Candidate): TradePoint => {
    const score = scoreOf(
      of,
      plan.chamber,
      seasons,
      plan.settings,
      cools,
      keyed,
      (closely ? closeSpan : searchSpan)(plan.chamber),
    );
    trials += seasons.length;
    return {
      score,
      place: setup.place,
      heaterPower: setup.heaterPower,
      edits: [...setup.edits, ...settingEdits(score.settings, plan.chamber.unit, true)],
    };
  };
  let best = point(candidate);
  for (let k = 0; centre && k < CENTRINGS; k++) {
    const lows = best.score.seasons.map((s) => s.low);
    const highs = best.score.seasons.map((s) => s.high);
    const off = (Math.min(...lows) + Math.max(...highs)) / 2 - target;
    if (Math.abs(off) < CENTRED) break;
    const shifted = { ...best.score.candidate, shift: best.score.candidate.shift - off };
    if (sameSettings(settingsOf(shifted, plan.chamber, plan.settings), best.score.settings)) break;
    const next = point(shifted);
    if (next.score.cost >= best.score.cost) break;
    best = next;
  }
  return { point: best, trials };
}

export const settingsKey = (settings: Settings): string => JSON.stringify(settings);
const sameSettings = (a: Settings, b: Settings) => settingsKey(a) === settingsKey(b);
