import { hasCooler, hasHeater } from "../chamber";
import { outletsOf, pointsOf } from "../controller";
import { applyEdits, type ChamberRecord } from "../model";
import type { Scale } from "../quantity";
import { demandOf } from "./demand";
import { freesOf } from "./frees";
import { settingsOf, type Candidate, type Score } from "./score";
import { lastSetups, settingsKey, tryTask, type setupsOf, type Setup, type Task, type Tried } from "./setups";
import type { Free, Progress, Recommendation, RecommendOptions, TradePoint } from "./types";

const GRID = 4;
const LEAST = 0.3;
/** Differentials reach to this or to half of the band, K. */
const MOST = 3;
const mostOf = ({ low, high }: { low: number; high: number }) => Math.max(MOST, (high - low) / 2);
const PATTERN = 7;
/** Setups that go on to the pattern search. */
const REFINED = 3;

/** Things to try, in any order and by any number of workers, and what part of the search they are. */
export interface Batch {
  /** What they are tried on: the setups of this record with these options. */
  record: ChamberRecord;
  options: RecommendOptions;
  tasks: Task[];
  from: Progress;
  /** Done once all of them are. */
  until: number;
}

/** What holds comes before what does not; then the objective. */
const rank = (score: Score): number => score.cost + (score.holds ? 0 : 100);

/** The search on one setup: what to try next, as far as it is known, and the best of what was tried. */
class Quest {
  readonly points: TradePoint[] = [];
  private best: TradePoint | null = null;
  private readonly begun = new Set<string>();
  private readonly ended = new Set<string>();
  private readonly low: number;
  private readonly most: number;
  private readonly both: boolean;
  private factor: number;

  constructor(
    readonly setup: number,
    private readonly of: Setup,
  ) {
    const { chamber } = of.plan;
    const outlets = outletsOf(chamber.unit);
    this.both = hasHeater(chamber) && outlets.heat && hasCooler(chamber) && outlets.cold;
    this.low = Math.max(LEAST, chamber.unit.differentialLow);
    this.most = mostOf(of.plan.ask);
    this.factor = (this.most / this.low) ** (0.5 / (GRID - 1));
  }

  /** A task, unless its settings were tried before: on the unit's resolution many candidates are one. */
  private task(candidate: Candidate): Task[] {
    const { plan } = this.of;
    const key = settingsKey(settingsOf(candidate, plan.chamber, plan.settings));
    if (this.begun.has(key)) return [];
    this.begun.add(key);
    return [{ setup: this.setup, candidate, centre: true }];
  }

  /** How well the best so far does; less is better. */
  get reached(): number {
    return rank(this.best!.score);
  }

  /** A logarithmic grid over both differentials, or over the only one. */
  grid(): Task[] {
    const at = (i: number) => this.low * (this.most / this.low) ** (i / (GRID - 1));
    const all = Array.from({ length: GRID }, (_, i) => i);
    return all.flatMap((i) =>
      (this.both ? all : [i]).flatMap((k) => this.task({ heating: at(i), cooling: at(k), shift: 0 })),
    );
  }

  /** The neighbours of the best so far. */
  neighbours(): Task[] {
    const { heating, cooling, shift } = this.best!.score.candidate;
    const moves = [this.factor, 1 / this.factor];
    const within = (d: number) => Math.min(this.most, Math.max(this.low, d));
    const pairs = this.both ? [...moves.map((m) => [m, 1]), ...moves.map((m) => [1, m])] : moves.map((m) => [m, m]);
    return pairs.flatMap(([h, c]) =>
      this.task({ heating: within(heating * h!), cooling: within(cooling * c!), shift }),
    );
  }

  /** Takes what came of the tasks; where none was better, the next neighbours are nearer. */
  take(tried: readonly Tried[]): void {
    let moved = false;
    for (const { point } of tried) {
      const key = settingsKey(point.score.settings);
      if (this.ended.has(key)) continue;
      this.ended.add(key);
      this.points.push(point);
      if (this.best && rank(point.score) >= rank(this.best.score)) continue;
      this.best = point;
      moved = true;
    }
    if (!moved) this.factor = Math.sqrt(this.factor);
  }
}

/** The present settings as keyed in, and the two main schools, on the chamber as it is. */
function standing({ plan }: Setup): Task[] {
  const now = pointsOf(plan.settings, plan.chamber.unit);
  const { low, high, target } = plan.ask;
  const middle = (low + high) / 2;
  return [
    {
      setup: 0,
      // As keyed in: two opposed units need not go off at one reading, so no candidate stands for them.
      candidate: { heating: now.heatOff - now.heatOn, cooling: now.coolOn - now.coolOff, shift: now.heatOff - target },
      centre: false,
      keyed: plan.settings,
    },
    {
      setup: 0,
      candidate: { heating: middle - low, cooling: high - middle, shift: middle - target },
      centre: false,
    },
    {
      setup: 0,
      candidate: { heating: 0.5, cooling: Math.max(0.5, high - target - 0.25), shift: 0.25 },
      centre: false,
    },
  ];
}

/** What frees a demand is looked for with the nearest candidate and the diagonal of the grid. */
function freeing(nearest: TradePoint, setup: Setup): Task[] {
  const low = Math.max(LEAST, setup.plan.chamber.unit.differentialLow);
  const most = mostOf(setup.plan.ask);
  const diagonal = Array.from({ length: GRID }, (_, i) => low * (most / low) ** (i / (GRID - 1)));
  return [nearest.score.candidate, ...diagonal.map((d) => ({ heating: d, cooling: d, shift: 0 }))].map((candidate) => ({
    setup: 0,
    candidate,
    centre: true,
  }));
}

/** Candidates that are looked at closely before it is said that none holds. */
const MOST_CLOSE = 8;
const AS_IT_IS: RecommendOptions = { probe: false, heater: false };
/** Changes offered at the most, and their share of the progress. */
const MOST_FREES = 3;
const FREEING = 10;

/**
 * Finds settings for a chamber over the worst weather of its room: a log grid of both differentials, then a pattern
 * search around the best; the setpoint's shift follows from the middle of the product's range. Where nothing satisfies,
 * it looks which usual changes would free the demand that binds. It hands out what to try and takes what came of it, in
 * the order of the tasks: however the work is dealt, the answer is the same.
 * @param setupsFor the setups of a record, as the hands have them
 */
export function* searchOf(
  record: ChamberRecord,
  options: RecommendOptions,
  setupsFor: typeof setupsOf,
): Generator<Batch, Recommendation, Tried[]> {
  const setups = setupsFor(record, options);
  const quests = setups.map((setup, i) => new Quest(i, setup));
  const first = standing(setups[0]!);
  const grid = quests.flatMap((q) => q.grid());
  const round = 4 * Math.min(REFINED, setups.length);
  const of = grid.length + PATTERN * round + first.length + FREEING;
  let trials = 0;
  let done = 0;
  const batch = function* (
    tasks: Task[],
    share: number,
    on: Pick<Batch, "record" | "options"> = { record, options },
  ): Generator<Batch, Tried[], Tried[]> {
    const from = { done, of };
    done += share;
    const tried = tasks.length > 0 ? yield { ...on, tasks, from, until: done } : [];
    trials += tried.reduce((sum, t) => sum + t.trials, 0);
    return tried;
  };
  const deal = function* (tasks: Task[], share: number): Generator<Batch, void, Tried[]> {
    const tried = yield* batch(tasks, share);
    for (const quest of quests) quest.take(tried.filter((_, k) => tasks[k]!.setup === quest.setup));
  };

  yield* deal(grid, grid.length);
  // Places and heaters that are far behind after the grid are not refined.
  const ahead = [...quests].sort((a, b) => a.reached - b.reached).slice(0, REFINED);
  for (let k = 0; k < PATTERN; k++)
    yield* deal(
      ahead.flatMap((q) => q.neighbours()),
      round,
    );
  const [present, middle, edge] = (yield* batch(first, first.length)).map((t) => t.point);

  const points = quests.flatMap((q) => q.points);
  const ranked = [...points].sort((a, b) => rank(a.score) - rank(b.score));
  const [nearest] = ranked;
  const answer = {
    points,
    present: present!,
    schools: [
      { name: "Middle of the band, equal differentials", point: middle! },
      { name: "At the edge, one small differential", point: edge! },
    ],
  };
  // What held in the search has the last word at the step of every other trial; the next best stands in for it.
  for (const best of ranked.filter((p) => p.score.holds).slice(0, MOST_CLOSE)) {
    const { setup } = quests.find((q) => q.points.includes(best))!;
    const task = { setup, candidate: best.score.candidate, centre: false, closely: true };
    const [close] = yield* batch([task], 0);
    if (close!.point.score.holds) return { ...answer, best, binding: null, trials };
  }

  // The nearest may stand on another place or heater: the demand is that of its own chamber.
  const moved = nearest!.edits.filter((e) => e.section !== "settings");
  const changed = applyEdits(record, moved);
  const [own] = setupsFor(changed, AS_IT_IS);
  const demandIn = (scale: Scale) => demandOf(own!.plan.chamber, own!.seasons, nearest!, points, scale);
  const demand = demandIn("C");
  const groups = freesOf(changed, own!.plan.chamber, demand);
  const frees: Free[] = [];
  for (const group of groups) {
    for (const free of group) {
      const tried = applyEdits(changed, free.edits);
      const on = { record: tried, options: AS_IT_IS };
      const found = yield* batch(
        freeing(nearest!, setupsFor(tried, AS_IT_IS)[0]!),
        FREEING / groups.length / group.length,
        on,
      );
      if (!found.some(({ point }) => point.score.holds)) continue;
      // With the place and the heater that it was found with.
      frees.push({ label: { C: free.label("C"), F: free.label("F") }, edits: [...moved, ...free.edits] });
      break;
    }
    if (frees.length === MOST_FREES) break;
  }
  return {
    ...answer,
    best: null,
    binding: { season: demand.season, text: { C: demand.text, F: demandIn("F").text }, frees },
    trials,
  };
}

/** The progress of a search, so many of a batch's tasks done. */
export const progressOf = ({ tasks, from, until }: Batch, finished: number): Progress => ({
  done: Math.round(from.done + ((until - from.done) * finished) / tasks.length),
  of: from.of,
});

/** The whole search in one place, a task at a time: a generator, so that its caller can breathe, and stop. */
export function* recommend(
  record: ChamberRecord,
  options: RecommendOptions,
): Generator<Progress, Recommendation, void> {
  const setupsFor = lastSetups();
  const search = searchOf(record, options, setupsFor);
  let next = search.next();
  while (!next.done) {
    const batch = next.value;
    const setups = setupsFor(batch.record, batch.options);
    const tried: Tried[] = [];
    for (const task of batch.tasks) {
      tried.push(tryTask(setups, task));
      yield progressOf(batch, tried.length);
    }
    next = search.next(tried);
  }
  return next.value;
}
