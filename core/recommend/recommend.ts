import { hasCooler, hasHeater } from "../chamber";
import { outletsOf, pointsOf } from "../controller";
import type { ChamberRecord } from "../model";
import { bindingOf } from "./binding";
import { settingsOf, type Candidate, type Score } from "./score";
import { settingsKey, setupsOf, tryTask, type Setup, type Task, type Tried } from "./setups";
import type { Progress, Recommendation, RecommendOptions, TradePoint } from "./types";

const GRID = 4;
const LEAST = 0.3;
const MOST = 3;
const PATTERN = 7;
/** Setups that go on to the pattern search. */
const REFINED = 3;

/** Things to try, in any order and by any number of workers, and what part of the search they are. */
export interface Batch {
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
    this.factor = (MOST / this.low) ** (0.5 / (GRID - 1));
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
    const at = (i: number) => this.low * (MOST / this.low) ** (i / (GRID - 1));
    const all = Array.from({ length: GRID }, (_, i) => i);
    return all.flatMap((i) =>
      (this.both ? all : [i]).flatMap((k) => this.task({ heating: at(i), cooling: at(k), shift: 0 })),
    );
  }

  /** The neighbours of the best so far. */
  neighbours(): Task[] {
    const { heating, cooling, shift } = this.best!.score.candidate;
    const moves = [this.factor, 1 / this.factor];
    const within = (d: number) => Math.min(MOST, Math.max(this.low, d));
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

/**
 * Finds settings for a chamber over the worst weather of its room: a log grid of both differentials, then a pattern
 * search around the best; the setpoint's shift follows from the middle of the product's range. It hands out what to
 * try and takes what came of it, in the order of the tasks: however the work is dealt, the answer is the same.
 */
export function* searchOf(
  record: ChamberRecord,
  setups: readonly Setup[],
  options: RecommendOptions,
): Generator<Batch, Recommendation, Tried[]> {
  const quests = setups.map((setup, i) => new Quest(i, setup));
  const first = standing(setups[0]!);
  let trials = 0;
  let done = 0;
  let of = Infinity;
  const batch = function* (tasks: Task[], share: number): Generator<Batch, Tried[], Tried[]> {
    const from = { done, of };
    done += share;
    const tried = tasks.length > 0 ? yield { tasks, from, until: done } : [];
    trials += tried.reduce((sum, t) => sum + t.trials, 0);
    return tried;
  };
  const deal = function* (tasks: Task[], share: number): Generator<Batch, void, Tried[]> {
    const tried = yield* batch(tasks, share);
    for (const quest of quests) quest.take(tried.filter((_, k) => tasks[k]!.setup === quest.setup));
  };

  const grid = quests.flatMap((q) => q.grid());
  const round = 4 * Math.min(REFINED, setups.length);
  of = grid.length + PATTERN * round + first.length;
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
  const [nearest] = [...points].sort((a, b) => rank(a.score) - rank(b.score));
  const best = nearest!.score.holds ? nearest! : null;
  return {
    best,
    points,
    present: present!,
    schools: [
      { name: "Middle of the band, equal differentials", point: middle! },
      { name: "At the edge, one small differential", point: edge! },
    ],
    binding: best ? null : bindingOf(record, nearest!, options),
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
  const setups = setupsOf(record, options);
  const search = searchOf(record, setups, options);
  let next = search.next();
  while (!next.done) {
    const tried: Tried[] = [];
    for (const task of next.value.tasks) {
      tried.push(tryTask(setups, task));
      yield progressOf(next.value, tried.length);
    }
    next = search.next(tried);
  }
  return next.value;
}
