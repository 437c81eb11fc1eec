import { applyEdits, type ChamberRecord } from "../model";
import type { Scale } from "../quantity";
import { bindingConstraintOf } from "./constraint";
import { relaxationsOf, type PossibleRelaxation } from "./relaxations";
import { pointsOfGroup, settingsOf, type Candidate, type Group, type Score } from "./score";
import { lastSetups, settingsKey, tryTask, type setupsOf, type Setup, type Task, type Tried } from "./setups";
import type { Recommendation, RecommendOptions, Relaxation, SearchProgress, TradePoint } from "./types";

const GRID = 4;
const LEAST = 0.3;
/** Differentials reach to this or to half of the band, K. */
const MOST = 3;
const mostOf = ({ low, high }: { low: number; high: number }) => Math.max(MOST, (high - low) / 2);
/** The smallest differential that every searched unit takes, K. */
const leastOf = ({ plan, group }: Setup): number =>
  Math.max(LEAST, ...group.members.map((c) => plan.chamber.controllers[c]!.unit.differentialLow));
/** What is asked of the searched controllers. */
const requestOf = ({ plan, stage, group }: Setup) => plan.stages[stage]!.controls[group.members[0]!]!.request;
const PATTERN = 7;
/** Setups that go on to the pattern search. */
const REFINED = 3;

/** Things to try, in any order and by any number of workers, and what part of the search they are. */
export interface Batch {
  /** What they are tried on: the setups of this record with these options. */
  record: ChamberRecord;
  options: RecommendOptions;
  tasks: Task[];
  from: SearchProgress;
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
    const { group } = of;
    this.both = group.heats && group.cools;
    this.low = leastOf(of);
    this.most = mostOf(requestOf(of));
    this.factor = (this.most / this.low) ** (0.5 / (GRID - 1));
  }

  /** A task, unless its settings were tried before: on the unit's resolution many candidates are one. */
  private task(candidate: Candidate): Task[] {
    const { plan, group, keyed } = this.of;
    const key = settingsKey(settingsOf(candidate, plan.chamber, group, keyed));
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
function standing(setup: Setup): Task[] {
  const { plan, group, keyed } = setup;
  const now = pointsOfGroup(plan.chamber, group, keyed);
  const { low, high, target } = requestOf(setup);
  const middle = (low + high) / 2;
  return [
    {
      setup: 0,
      // As keyed in: two opposed units need not go off at one reading, so no candidate stands for them.
      candidate: { heating: now.heatOff - now.heatOn, cooling: now.coldOn - now.coldOff, shift: now.heatOff - target },
      centre: false,
      keyed,
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
function relaxing(nearest: TradePoint, setup: Setup): Task[] {
  const low = leastOf(setup);
  const most = mostOf(requestOf(setup));
  const diagonal = Array.from({ length: GRID }, (_, i) => low * (most / low) ** (i / (GRID - 1)));
  return [nearest.score.candidate, ...diagonal.map((d) => ({ heating: d, cooling: d, shift: 0 }))].map((candidate) => ({
    setup: 0,
    candidate,
    centre: true,
  }));
}

/** Candidates that are looked at closely before it is said that none holds. */
const MOST_CLOSE = 8;
/** The same search without other places and heaters. */
const asItIs = (options: RecommendOptions): RecommendOptions => ({ ...options, probe: false, heater: false });
/** Changes offered at the most, and their share of the progress. */
const MOST_RELAXATIONS = 3;
const RELAXING = 10;

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
  const of = grid.length + PATTERN * round + first.length + RELAXING;
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
    controllers: idsOf(setups[0]!.group, setups[0]!),
  };
  // What held in the search has the last word at the step of every other trial; the next best stands in for it.
  for (const best of ranked.filter((p) => p.score.holds).slice(0, MOST_CLOSE)) {
    const { setup } = quests.find((q) => q.points.includes(best))!;
    const task = { setup, candidate: best.score.candidate, centre: false, closely: true };
    const [close] = yield* batch([task], 0);
    if (close!.point.score.holds) return { ...answer, best, binding: null, trials };
  }

  // The nearest may stand on another place or heater: the constraint is that of its own chamber.
  const moved = nearest!.edits.filter((e) => e.section !== "settings");
  const changed = applyEdits(record, moved);
  const plain = asItIs(options);
  const [own] = setupsFor(changed, plain);
  const constraintIn = (scale: Scale) => bindingConstraintOf(own!, nearest!, points, scale);
  const constraint = constraintIn("C");
  const groups = relaxationsOf(changed, own!, constraint);
  const relaxations: Relaxation[] = [];
  const frees = function* (change: PossibleRelaxation, share: number): Generator<Batch, boolean, Tried[]> {
    const tried = applyEdits(changed, change.edits);
    const on = { record: tried, options: plain };
    const found = yield* batch(relaxing(nearest!, setupsFor(tried, plain)[0]!), share, on);
    const held = found.map(({ point }) => point.score).filter((s) => s.holds);
    if (held.length === 0) return false;
    // What holds in the search only just may not hold when it is looked at closely.
    const best = held.reduce((a, b) => (b.cost < a.cost ? b : a));
    const [close] = yield* batch([{ setup: 0, candidate: best.candidate, centre: false, closely: true }], 0, on);
    return close!.point.score.holds;
  };
  for (const group of groups) {
    for (const possible of group) {
      if (!(yield* frees(possible, RELAXING / groups.length / group.length))) continue;
      const change = yield* mildest(possible, (milder) => frees(milder, 0));
      // With the place and the heater that it was found with.
      relaxations.push({ label: { C: change.label("C"), F: change.label("F") }, edits: [...moved, ...change.edits] });
      break;
    }
    if (relaxations.length === MOST_RELAXATIONS) break;
  }
  return {
    ...answer,
    best: null,
    binding: {
      season: constraint.season,
      judged: constraint.judged,
      text: { C: constraint.text, F: constraintIn("F").text },
      relaxations,
    },
    trials,
  };
}

/** The mildest change of a kind that frees the demand, where one of it is known to: by halving the way to it. */
function* mildest(
  known: PossibleRelaxation,
  frees: (change: PossibleRelaxation) => Generator<Batch, boolean, Tried[]>,
): Generator<Batch, PossibleRelaxation, Tried[]> {
  if (!known.milder) return known;
  const { from, to, step, at } = known.milder;
  let best = known;
  let useless = 0;
  let useful = Math.round(Math.abs(to - from) / step);
  while (useful - useless > 1) {
    const middle = Math.floor((useless + useful) / 2);
    const change = at(from + Math.sign(to - from) * middle * step);
    if (yield* frees(change)) [useful, best] = [middle, change];
    else useless = middle;
  }
  return best;
}

const idsOf = ({ members }: Group, { plan }: Setup): string[] => members.map((c) => plan.chamber.controllers[c]!.id);

/** The progress of a search, so many of a batch's tasks done. */
export const progressOf = ({ tasks, from, until }: Batch, finished: number): SearchProgress => ({
  done: Math.round(from.done + ((until - from.done) * finished) / tasks.length),
  of: from.of,
});

/** The whole search in one place, a task at a time: a generator, so that its caller can breathe, and stop. */
export function* recommend(
  record: ChamberRecord,
  options: RecommendOptions,
): Generator<SearchProgress, Recommendation, void> {
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
