import { coolersOn, CORNERS, heatersOn, judgedOf, withShares } from "../chamber";
import { fitToUnit, outletsOf, pointsOf, resolutionOf, settingsAt, type Margins, type Points } from "../controller";
import type { Chamber, Settings } from "../model";
import { celsius } from "../quantity";
import {
  advance,
  isQuick,
  MARGIN_RESERVE,
  REVERSAL_WITHIN,
  startRun,
  stepFor,
  trialWith,
  type Flight,
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

/** How a candidate fares in one season. Temperatures are those of what fares worst in it. */
export interface SeasonScore {
  name: SeasonName;
  /** What fares worst: a vessel, or "air". */
  judged: string;
  low: number;
  high: number;
  /** Its own band and target. */
  band: { low: number; high: number; target: number };
  /** How far it gets past its band, and from its target, K; past is negative within. */
  past: number;
  away: number;
  /** How far what the searched controllers hold gets from its target, to the cold (negative) and to the warm, K. */
  heldLow: number;
  heldHigh: number;
  /** Starts an hour of what cools, and of what heats. */
  coldStartsPerHour: number;
  heatStartsPerHour: number;
  reversalsPerDay: number;
  /** Furthest that the probe ran on within 90 minutes after each device had stopped, K. */
  runOn: { heat: number; cold: number };
}

/** The controllers that are searched for together: those that hold the same. */
export interface Group {
  /** Which of the chamber's controllers they are. */
  members: readonly number[];
  /** What they hold: a vessel, or "air". */
  holds: string;
  /** Whether any of them heats, and cools. */
  heats: boolean;
  cools: boolean;
  /** The target that they hold it at. */
  target: number;
  /** What keeps heat and cold apart over all that the chamber's estimates can be, K. */
  margins: Margins;
}

export interface Score {
  candidate: Candidate;
  /** What is keyed into each of the chamber's controllers. */
  settings: Settings[];
  seasons: SeasonScore[];
  /** Heat and cold lie closer together than the probe runs on, and the reserve. */
  tight: boolean;
  /** Reversals a day at the worst that the box's estimates can be; null where that was not asked for or is known. */
  worstReversals: number | null;
  /** Starts an hour that the cooling may have; null where nothing breaks by more. */
  mostStarts: number | null;
  /** Furthest that anything strays from its target in any season, K. */
  excursion: number;
  /** Starts a day of all that it switches, in the worst season; and of each where it switches that, null where not. */
  startsPerDay: number;
  starts: { cold: number | null; heat: number | null };
  /** All in their bands in every season and without chasing. */
  holds: boolean;
  /** The objective: less is better. */
  cost: number;
}

const DAY = 86_400;
const TOLERANCE = 0.05;

/** How long a season is run, days to warm up and to look at, and at which step, s. */
export interface SearchSpan {
  warmUp: number;
  look: number;
  dt: number;
}

/** For searching: within 0.05 K of 30 days by the design's reference; pots and smokers are used for a day (estimate). */
export const searchSpan = (chamber: Chamber): SearchSpan =>
  isQuick(chamber.cabinet.kind) ? { warmUp: 0.25, look: 0.75, dt: 2 } : { warmUp: 1, look: 3, dt: 10 };

/** For the last word: the step of every other trial, and twice as long. */
export const closeSpan = (chamber: Chamber): SearchSpan => {
  const { warmUp, look } = searchSpan(chamber);
  return { warmUp, look: 2 * look, dt: stepFor(chamber, 1) };
};

/** Where starts an hour begin to cost dearly; null where they cost nothing. And the most of the cooling that holds. */
interface StartLimits {
  cold: number | null;
  heat: number | null;
  most: number | null;
}

/**
 * A compressor that starts against pressure breaks; a mechanical relay that is worn early is a price; an electronic one
 * does not wear.
 */
function startLimits(chamber: Chamber, { members, cools, heats }: Group): StartLimits {
  const compressor =
    cools && members.some((c) => coolersOn(chamber, chamber.controllers[c]!).some((k) => k.kind === "compressor"));
  const wears = (side: "heat" | "cold") =>
    members.some((c) => {
      const { unit } = chamber.controllers[c]!;
      return outletsOf(unit)[side] && unit.switchedBy === "relay";
    });
  return {
    cold: compressor ? 3 : cools && wears("cold") ? MANY_HEATS : null,
    heat: heats && wears("heat") ? MANY_HEATS : null,
    most: compressor ? MANY_STARTS : null,
  };
}

/** What starts cost, K: each a little, and much from where they are dear on. */
const wearOf = (perHour: number, dear: number | null): number =>
  dear === null ? 0 : 0.02 * perHour + 3 * Math.max(0, perHour - dear);

/** Where a candidate lets heat and cold come on and go off. */
const pointsAt = ({ heating, cooling, shift }: Candidate, target: number): Points => {
  const off = target + shift;
  return {
    heatOn: celsius(off - heating),
    heatOff: celsius(off),
    coldOn: celsius(off + cooling),
    coldOff: celsius(off),
  };
};

/** The settings of a candidate on the chamber's own units, over alarms, delay and offset that are there. */
export const settingsOf = (
  candidate: Candidate,
  chamber: Chamber,
  group: Group,
  rest: readonly Settings[],
): Settings[] =>
  chamber.controllers.map(({ unit }, c) =>
    group.members.includes(c)
      ? fitToUnit(settingsAt(pointsAt(candidate, group.target), unit, rest[c]!), unit)
      : rest[c]!,
  );

/** The points at which a group really switches with its settings. */
export function pointsOfGroup(chamber: Chamber, { members }: Group, settings: readonly Settings[]): Points {
  const all = members.map((c) => ({
    points: pointsOf(settings[c]!, chamber.controllers[c]!.unit),
    ...outletsOf(chamber.controllers[c]!.unit),
    controller: chamber.controllers[c]!,
  }));
  const heats = all.find((m) => m.heat && heatersOn(chamber, m.controller).length > 0) ?? all[0]!;
  const cools = all.find((m) => m.cold && coolersOn(chamber, m.controller).length > 0) ?? all[0]!;
  return {
    heatOn: heats.points.heatOn,
    heatOff: heats.points.heatOff,
    coldOn: cools.points.coldOn,
    coldOff: cools.points.coldOff,
  };
}

/** Gathers only what the objective needs. */
class Look implements Watcher {
  readonly lows: Float64Array;
  readonly highs: Float64Array;
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

  /**
   * @param nodes of all that is judged
   * @param probes of what heats, and of what cools: each has to stay clear of the other's run-on
   */
  constructor(
    private readonly nodes: Int32Array,
    private readonly probes: { heat: number; cold: number },
    private readonly from: number,
    private readonly dt: number,
  ) {
    this.lows = new Float64Array(nodes.length).fill(Infinity);
    this.highs = new Float64Array(nodes.length).fill(-Infinity);
  }

  sample({ x, step, heating, cooling }: RunState): void {
    const counts = step >= this.from;
    if (counts)
      for (let j = 0; j < this.nodes.length; j++) {
        const t = x[this.nodes[j]!]!;
        if (t < this.lows[j]!) this.lows[j] = t;
        if (t > this.highs[j]!) this.highs[j] = t;
      }
    if (step < this.until) {
      const on = this.sign * (x[this.sign > 0 ? this.probes.cold : this.probes.heat]! - this.stopped);
      if (this.sign > 0) {
        if (on > this.afterHeat) this.afterHeat = on;
      } else if (on > this.afterCold) this.afterCold = on;
    }
    if (heating !== this.wasHeating) {
      this.wasHeating = heating;
      this.watch(heating ? 0 : 1, x, step);
      if (!heating) this.heatStopped = step;
      else if (counts) {
        this.heatStarts++;
        if ((step - this.coldStopped) * this.dt <= REVERSAL_WITHIN && this.coldStopped > this.heatStopped)
          this.reversals++;
      }
    }
    if (cooling !== this.wasCooling) {
      this.wasCooling = cooling;
      this.watch(cooling ? 0 : -1, x, step);
      if (!cooling) this.coldStopped = step;
      else if (counts) {
        this.coldStarts++;
        if ((step - this.heatStopped) * this.dt <= REVERSAL_WITHIN && this.heatStopped > this.coldStopped)
          this.reversals++;
      }
    }
  }

  /** Steps in which nothing switches: only what beats the extremes so far is looked for. */
  leap(_: RunState, flight: Flight): void {
    const { start, steps } = flight;
    const from = Math.max(1, this.from - start);
    if (from < steps)
      for (let j = 0; j < this.nodes.length; j++)
        if (flight.widens(this.nodes[j]!, from, steps, this.lows[j]!, this.highs[j]!)) {
          this.lows[j] = flight.low;
          this.highs[j] = flight.high;
        }
    const until = Math.min(steps, this.until - start);
    if (until <= 1) return;
    const node = this.sign > 0 ? this.probes.cold : this.probes.heat;
    if (flight.widens(node, 1, until, this.stopped - this.afterCold, this.stopped + this.afterHeat)) {
      if (this.sign > 0) this.afterHeat = flight.high - this.stopped;
      else this.afterCold = this.stopped - flight.low;
    }
  }

  /** From where a device stopped (1: heat, −1: cold) until another one starts or 90 minutes are over; 0: a start. */
  private watch(sign: number, x: Float64Array, step: number): void {
    this.sign = sign;
    this.stopped = x[sign > 0 ? this.probes.cold : this.probes.heat]!;
    this.until = sign !== 0 && step >= this.from ? step + REVERSAL_WITHIN / this.dt : -1;
  }
}

/** The probe that a group's heating, and its cooling, reads. */
function probesOf(chamber: Chamber, { members }: Group, nodes: readonly number[]): { heat: number; cold: number } {
  const node = (c: number) => nodes[chamber.probes.findIndex((p) => p.id === chamber.controllers[c]!.probes[0])]!;
  const first = (side: "heat" | "cold") =>
    members.find((c) => outletsOf(chamber.controllers[c]!.unit)[side]) ?? members[0]!;
  return { heat: node(first("heat")), cold: node(first("cold")) };
}

/** So many reversals are a chase whatever comes: the rest of the season is not run. It is looked at after so long, days. */
const HOPELESS = 20 * CHASE_PER_DAY;
const LOOKS_AFTER = 0.25;

function scoreSeason(season: Season, settings: Settings[], group: Group, span: SearchSpan): SeasonScore {
  const { warmUp, look: days, dt } = span;
  const { chamber } = season;
  const run = startRun(trialWith(chamber, [settings], warmUp + days, dt));
  const [stage] = chamber.stages;
  const judged = judgedOf(run.network, chamber, stage!);
  const look = new Look(
    Int32Array.from(judged, (j) => j.node),
    probesOf(chamber, group, run.network.probes),
    (warmUp * DAY) / dt,
    dt,
  );
  advance(run, (warmUp * DAY) / dt, look);
  let looked = 0;
  while (looked < days && look.reversals < HOPELESS) {
    looked = Math.min(days, looked + LOOKS_AFTER);
    advance(run, Math.round(((warmUp + looked) * DAY) / dt), look);
  }
  const all = judged.map((j, i) => {
    const band = j.own ?? stage!;
    const [low, high] = [look.lows[i]!, look.highs[i]!];
    return {
      judged: j.id,
      low,
      high,
      band: { low: band.low, high: band.high, target: band.target },
      past: Math.max(high - band.high, band.low - low),
      away: Math.max(high - band.target, band.target - low),
    };
  });
  const worst = all.reduce((a, b) => (b.past > a.past ? b : a));
  const held = all.find((j) => j.judged === group.holds) ?? worst;
  return {
    name: season.name,
    ...worst,
    away: Math.max(...all.map((j) => j.away)),
    heldLow: held.low - held.band.target,
    heldHigh: held.high - held.band.target,
    coldStartsPerHour: look.coldStarts / (looked * 24),
    heatStartsPerHour: look.heatStarts / (looked * 24),
    reversalsPerDay: look.reversals / looked,
    runOn: { heat: look.afterHeat, cold: look.afterCold },
  };
}

/** How long heat and cold are watched at each corner of the estimates, days. */
const WORST_SPAN = { warmUp: 0.5, look: 1 };

/** Most reversals a day in any season, at any corner of what the chamber's estimates can be. */
function reversalsAtWorst(seasons: readonly Season[], settings: Settings[], group: Group, dt: number): number {
  let most = 0;
  for (const season of seasons)
    for (const corner of CORNERS) {
      const there = { ...season, chamber: withShares(season.chamber, corner) };
      most = Math.max(most, scoreSeason(there, settings, group, { ...WORST_SPAN, dt }).reversalsPerDay);
      // It does not hold: by how much is of no use to anybody.
      if (most > CHASE_PER_DAY) return most;
    }
  return most;
}

/**
 * The objective of the design's reference, the worst of all seasons: J = half-range of the product + 0.02·starts/h +
 * 3·max(0, starts/h − 3) + 2·Σ max(0, 0.2 − margin) + 0.05·reversals/day, with the margins of the rule of chasing:
 * what lies between heat and cold less what the probe runs on within 90 minutes, as each season shows it.
 * Starts count each of what is switched: of a compressor they cost dearly above 3 an hour, of a heater above what its
 * relay is made for, and nothing where the relay is electronic.
 * The furthest excursion stands for the half-range: a swing that is off centre costs as much as a wide one. Of several
 * vessels the one that fares worst counts. What would hold is looked at once more at the worst that the estimates can be.
 */
export function scoreOf(
  candidate: Candidate,
  chamber: Chamber,
  group: Group,
  seasons: readonly Season[],
  rest: readonly Settings[],
  settings = settingsOf(candidate, chamber, group, rest),
  span = searchSpan(chamber),
): Score {
  const points = pointsOfGroup(chamber, group, settings);
  const scores = seasons.map((season) => scoreSeason(season, settings, group, span));
  const short = (s: SeasonScore) =>
    group.heats && group.cools
      ? Math.max(0, MARGIN_RESERVE - (points.coldOff - points.heatOn - s.runOn.cold)) +
        Math.max(0, MARGIN_RESERVE - (points.coldOn - points.heatOff - s.runOn.heat))
      : 0;
  const starts = startLimits(chamber, group);
  const grain = Math.max(...group.members.map((c) => resolutionOf(chamber.controllers[c]!.unit))) / 2;
  const tight = scores.some((s) => short(s) > grain + 1e-9);
  const fits =
    scores.every((s) => s.past <= TOLERANCE) &&
    !tight &&
    scores.every((s) => s.reversalsPerDay <= CHASE_PER_DAY && s.coldStartsPerHour <= (starts.most ?? Infinity));
  // Only what would be taken is asked whether it holds at the worst, too.
  const apart =
    points.coldOff - points.heatOn >= group.margins.heating - grain &&
    points.coldOn - points.heatOff >= group.margins.cooling - grain;
  const worstReversals =
    fits && group.heats && group.cools && !apart ? reversalsAtWorst(seasons, settings, group, span.dt) : null;
  const costs = scores.map((s) => {
    const wear = wearOf(s.coldStartsPerHour, starts.cold) + wearOf(s.heatStartsPerHour, starts.heat);
    return s.away + wear + 2 * Math.max(0, short(s) - grain) + 0.05 * s.reversalsPerDay;
  });
  return {
    candidate,
    settings,
    seasons: scores,
    excursion: Math.max(...scores.map((s) => s.away)),
    tight,
    mostStarts: starts.most,
    startsPerDay: Math.max(...scores.map((s) => s.coldStartsPerHour + s.heatStartsPerHour)) * 24,
    starts: {
      cold: group.cools ? Math.max(...scores.map((s) => s.coldStartsPerHour)) * 24 : null,
      heat: group.heats ? Math.max(...scores.map((s) => s.heatStartsPerHour)) * 24 : null,
    },
    worstReversals,
    holds: fits && (worstReversals ?? 0) <= CHASE_PER_DAY,
    cost: Math.max(...costs) + 0.05 * (worstReversals ?? 0),
  };
}
