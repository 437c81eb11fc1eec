import { hasHeater, judgedNode } from "../chamber";
import { fitToUnit, outletsOf, pointsOf, resolutionOf, settingsAt } from "../controller";
import type { Chamber, Settings } from "../model";
import { celsius } from "../quantity";
import {
  advance,
  isQuick,
  MARGIN_RESERVE,
  plainTrial,
  REVERSAL_WITHIN,
  startRun,
  stepFor,
  type RunState,
  type Watcher,
} from "../trial";
import { CHASE_PER_DAY, MANY_HEATS, MANY_STARTS } from "../verdict";
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
  /** Furthest that the probe ran on within 90 minutes after each device had stopped, K. */
  runOn: { heat: number; cold: number };
}

export interface Score {
  candidate: Candidate;
  settings: Settings;
  seasons: SeasonScore[];
  /** Heat and cold lie closer together than the probe runs on, and the reserve. */
  tight: boolean;
  /** Starts an hour that it may have; null where nothing breaks by more. */
  mostStarts: number | null;
  /** Furthest that the product strays from the target in any season, K. */
  excursion: number;
  startsPerDay: number;
  /** In its band in every season and without chasing. */
  holds: boolean;
  /** The objective: less is better. */
  cost: number;
}

const DAY = 86_400;
const TOLERANCE = 0.05;

/** How long a season is run, days to warm up and to look at, and at which step, s. */
export interface Span {
  warmUp: number;
  look: number;
  dt: number;
}

/** For searching: within 0.05 K of 30 days by the design's reference; pots and smokers are used for a day (estimate). */
export const searchSpan = (chamber: Chamber): Span =>
  isQuick(chamber.cabinet.kind) ? { warmUp: 0.25, look: 0.75, dt: 2 } : { warmUp: 1, look: 3, dt: 10 };

/** For the last word: the step of every other trial, and twice as long. */
export const closeSpan = (chamber: Chamber): Span => {
  const { warmUp, look } = searchSpan(chamber);
  return { warmUp, look: 2 * look, dt: stepFor(chamber, 1) };
};

/**
 * Starts an hour, of the compressor or else of what heats: where they begin to cost dearly, and the most that holds.
 * A relay worn early is a price; a compressor that starts against pressure breaks.
 */
const startLimits = (chamber: Chamber, cools: boolean): { dear: number; most: number | null } =>
  cools && chamber.cooler.kind === "compressor" ? { dear: 3, most: MANY_STARTS } : { dear: MANY_HEATS, most: null };

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
  /** Furthest that the probe ran on below where the cooling left it, above where the heat did, within 90 minutes, K. */
  afterCold = 0;
  afterHeat = 0;
  private wasHeating = false;
  private wasCooling = false;
  private heatStopped = -Infinity;
  private coldStopped = -Infinity;
  private stopped = NaN;
  private sign = 0;
  private until = -1;

  constructor(
    private readonly node: number,
    private readonly probe: number,
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
    if (step < this.until) {
      const on = this.sign * (x[this.probe]! - this.stopped);
      if (this.sign > 0) {
        if (on > this.afterHeat) this.afterHeat = on;
      } else if (on > this.afterCold) this.afterCold = on;
    }
    if (heating !== this.wasHeating) {
      this.wasHeating = heating;
      this.watch(heating ? 0 : 1, x[this.probe]!, step);
      if (!heating) this.heatStopped = step;
      else if (counts) {
        this.heatStarts++;
        if ((step - this.coldStopped) * this.dt <= REVERSAL_WITHIN && this.coldStopped > this.heatStopped)
          this.reversals++;
      }
    }
    if (cooling !== this.wasCooling) {
      this.wasCooling = cooling;
      this.watch(cooling ? 0 : -1, x[this.probe]!, step);
      if (!cooling) this.coldStopped = step;
      else if (counts) {
        this.coldStarts++;
        if ((step - this.heatStopped) * this.dt <= REVERSAL_WITHIN && this.heatStopped > this.coldStopped)
          this.reversals++;
      }
    }
  }

  /** From where a device stopped (1: heat, −1: cold) until another one starts or 90 minutes are over; 0: a start. */
  private watch(sign: number, probe: number, step: number): void {
    this.sign = sign;
    this.stopped = probe;
    this.until = sign !== 0 && step >= this.from ? step + REVERSAL_WITHIN / this.dt : -1;
  }
}

function scoreSeason(season: Season, settings: Settings, cools: boolean, span: Span): SeasonScore {
  const { warmUp, look: days, dt } = span;
  const run = startRun(plainTrial(season.chamber, settings, warmUp + days, dt));
  const look = new Look(
    judgedNode(run.network, season.chamber.stages[0]!),
    run.network.probes[0]!,
    (warmUp * DAY) / dt,
    dt,
  );
  advance(run, run.steps, look);
  return {
    name: season.name,
    low: look.low,
    high: look.high,
    startsPerHour: (cools ? look.coldStarts : look.heatStarts) / (days * 24),
    reversalsPerDay: look.reversals / days,
    runOn: { heat: look.afterHeat, cold: look.afterCold },
  };
}

/**
 * The objective of the design's reference, the worst of all seasons: J = half-range of the product + 0.02·starts/h +
 * 3·max(0, starts/h − 3) + 2·Σ max(0, 0.2 − margin) + 0.05·reversals/day, with the margins of the rule of chasing:
 * what lies between heat and cold less what the probe runs on within 90 minutes, as each season shows it.
 * For a compressor the starts cost above 3 an hour; for a heater above what its relay is made for.
 * The furthest excursion stands for the half-range: a swing that is off centre costs as much as a wide one.
 */
export function scoreOf(
  candidate: Candidate,
  chamber: Chamber,
  seasons: readonly Season[],
  rest: Settings,
  cools: boolean,
  settings = settingsOf(candidate, chamber, rest),
  span = searchSpan(chamber),
): Score {
  const stage = chamber.stages[0]!;
  const points = pointsOf(settings, chamber.unit);
  const scores = seasons.map((season) => scoreSeason(season, settings, cools, span));
  const both = hasHeater(chamber) && outletsOf(chamber.unit).heat && cools;
  const short = (s: SeasonScore) =>
    both
      ? Math.max(0, MARGIN_RESERVE - (points.coolOff - points.heatOn - s.runOn.cold)) +
        Math.max(0, MARGIN_RESERVE - (points.coolOn - points.heatOff - s.runOn.heat))
      : 0;
  const low = Math.min(...scores.map((s) => s.low));
  const high = Math.max(...scores.map((s) => s.high));
  const starts = startLimits(chamber, cools);
  const grain = resolutionOf(chamber.unit) / 2;
  const tight = scores.some((s) => short(s) > grain + 1e-9);
  const costs = scores.map((s) => {
    const away = Math.max(s.high - stage.target, stage.target - s.low);
    const wear = 0.02 * s.startsPerHour + 3 * Math.max(0, s.startsPerHour - starts.dear);
    return away + wear + 2 * Math.max(0, short(s) - grain) + 0.05 * s.reversalsPerDay;
  });
  return {
    candidate,
    settings,
    seasons: scores,
    excursion: Math.max(high - stage.target, stage.target - low),
    tight,
    mostStarts: starts.most,
    startsPerDay: Math.max(...scores.map((s) => s.startsPerHour)) * 24,
    holds:
      low >= stage.low - TOLERANCE &&
      high <= stage.high + TOLERANCE &&
      !tight &&
      scores.every((s) => s.reversalsPerDay <= CHASE_PER_DAY && s.startsPerHour <= (starts.most ?? Infinity)),
    cost: Math.max(...costs),
  };
}
