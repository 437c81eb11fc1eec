import { judgedNode } from "../chamber";
import { fitToUnit, pointsOf, resolutionOf, settingsAt } from "../controller";
import type { Chamber, Settings } from "../model";
import { celsius } from "../quantity";
import {
  advance,
  marginsOf,
  MARGIN_RESERVE,
  plainTrial,
  REVERSAL_WITHIN,
  startRun,
  type RunState,
  type Watcher,
} from "../trial";
import type { Season, SeasonName } from "./seasons";

/** What is tried: both differentials and the shift of the setpoint from the target, K. */
export interface Candidate {
  heating: number;
  cooling: number;
  shift: number;
}

/** How a candidate fares in one season. */
export interface SeasonScore {
  name: SeasonName;
  low: number;
  high: number;
  /** Starts of the cooling an hour; of the heat where there is no cooling. */
  startsPerHour: number;
  reversalsPerDay: number;
}

export interface Score {
  candidate: Candidate;
  settings: Settings;
  seasons: SeasonScore[];
  /** Furthest that the product strays from the target in any season, and half of its whole range, K. */
  excursion: number;
  halfRange: number;
  startsPerDay: number;
  /** In its band in every season and without chasing. */
  holds: boolean;
  /** The objective: less is better. */
  cost: number;
}

/** Days to warm up and to look at, and the step in s (the design's reference: within 0.05 K of 30 days). */
const WARM_UP = 1;
const LOOK = 3;
const STEP = 10;
const DAY = 86_400;
const TOLERANCE = 0.05;
/** More than this is chasing, a day, and wear, an hour: as the verdicts have it. */
export const MOST_REVERSALS = 3;
export const MOST_STARTS = 4;

/** The settings of a candidate on the chamber's own unit, over alarms, delay and offset that are there. */
export function settingsOf(candidate: Candidate, chamber: Chamber, rest: Settings): Settings {
  const off = chamber.stages[0]!.target + candidate.shift;
  const points = {
    heatOn: celsius(off - candidate.heating),
    heatOff: celsius(off),
    coolOn: celsius(off + candidate.cooling),
    coolOff: celsius(off),
  };
  return fitToUnit(settingsAt(points, chamber.unit, rest), chamber.unit);
}

/** Gathers only what the objective needs. */
class Look implements Watcher {
  low = Infinity;
  high = -Infinity;
  coldStarts = 0;
  heatStarts = 0;
  reversals = 0;
  private wasHeating = false;
  private wasCooling = false;
  private heatStopped = -Infinity;
  private coldStopped = -Infinity;

  constructor(
    private readonly node: number,
    private readonly from: number,
    private readonly dt: number,
  ) {}

  sample({ x, step }: RunState, _shown: number, _room: number, heating: boolean, cooling: boolean): void {
    const t = x[this.node]!;
    const counts = step >= this.from;
    if (counts) {
      if (t < this.low) this.low = t;
      if (t > this.high) this.high = t;
    }
    if (heating !== this.wasHeating) {
      this.wasHeating = heating;
      if (!heating) this.heatStopped = step;
      else if (counts) {
        this.heatStarts++;
        if ((step - this.coldStopped) * this.dt <= REVERSAL_WITHIN && this.coldStopped > this.heatStopped)
          this.reversals++;
      }
    }
    if (cooling !== this.wasCooling) {
      this.wasCooling = cooling;
      if (!cooling) this.coldStopped = step;
      else if (counts) {
        this.coldStarts++;
        if ((step - this.heatStopped) * this.dt <= REVERSAL_WITHIN && this.heatStopped > this.coldStopped)
          this.reversals++;
      }
    }
  }
}

function scoreSeason(season: Season, settings: Settings, cools: boolean): SeasonScore {
  const input = plainTrial(season.chamber, settings, WARM_UP + LOOK, STEP);
  const run = startRun(input);
  const look = new Look(judgedNode(run.network, season.chamber.stages[0]!), (WARM_UP * DAY) / STEP, STEP);
  advance(run, run.steps, look);
  return {
    name: season.name,
    low: look.low,
    high: look.high,
    startsPerHour: (cools ? look.coldStarts : look.heatStarts) / (LOOK * 24),
    reversalsPerDay: look.reversals / LOOK,
  };
}

/**
 * The objective of the design's reference, the worst of all seasons: J = half-range of the product + 0.02·starts/h +
 * 3·max(0, starts/h − 3) + 2·Σ max(0, 0.2 − margin) + 0.05·reversals/day, with the margins of the rule of chasing.
 * The furthest excursion stands for the half-range: a swing that is off centre costs as much as a wide one.
 */
export function scoreOf(
  candidate: Candidate,
  chamber: Chamber,
  seasons: readonly Season[],
  rest: Settings,
  cools: boolean,
  settings = settingsOf(candidate, chamber, rest),
): Score {
  const stage = chamber.stages[0]!;
  const points = pointsOf(settings, chamber.unit);
  const least = marginsOf(chamber, stage);
  const spare = (width: number, margin: number) => (margin > 0 ? width - (margin - MARGIN_RESERVE) : Infinity);
  const short =
    Math.max(0, MARGIN_RESERVE - spare(points.heatOff - points.heatOn, least.heating)) +
    Math.max(0, MARGIN_RESERVE - spare(points.coolOn - points.coolOff, least.cooling));
  const scores = seasons.map((season) => scoreSeason(season, settings, cools));
  const low = Math.min(...scores.map((s) => s.low));
  const high = Math.max(...scores.map((s) => s.high));
  const costs = scores.map((s) => {
    const away = Math.max(s.high - stage.target, stage.target - s.low);
    return away + 0.02 * s.startsPerHour + 3 * Math.max(0, s.startsPerHour - 3) + 0.05 * s.reversalsPerDay;
  });
  const grain = resolutionOf(chamber.unit) / 2;
  return {
    candidate,
    settings,
    seasons: scores,
    excursion: Math.max(high - stage.target, stage.target - low),
    halfRange: (high - low) / 2,
    startsPerDay: Math.max(...scores.map((s) => s.startsPerHour)) * 24,
    holds:
      low >= stage.low - TOLERANCE &&
      high <= stage.high + TOLERANCE &&
      short <= grain + 1e-9 &&
      scores.every((s) => s.reversalsPerDay <= MOST_REVERSALS && s.startsPerHour <= MOST_STARTS),
    cost: Math.max(...costs) + 2 * Math.max(0, short - grain),
  };
}
