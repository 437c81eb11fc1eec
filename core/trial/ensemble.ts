import type { Chamber } from "../model";
import { meets, modelOf } from "../product";
import { trialOf } from "./input";
import { memberPlan, membersOf, memberUnknowns, type Member } from "./members";
import type { Plan } from "./planWith";
import { isQuick } from "./quick";
import { startRun, unwatched, type Run } from "./run";
import type { Trial } from "./runTrial";
import { advance } from "./stepper";
import { doneAt } from "./todo";

/** What a figure of a product can be, bin by bin: between these lie nine of ten. */
export interface FigureRange {
  index: number;
  name: string;
  low: Float32Array;
  high: Float32Array;
}

/** When it is ready, s from the start: the whole of its program, or a vessel. */
export interface ReadyRange {
  /** Which vessel; −1: the program, with all that is in it. */
  index: number;
  /** In nine of ten cases between these; null: later than was looked at. */
  soon: number | null;
  usual: number | null;
  late: number | null;
}

/** What becomes of a chamber and its products over all that is not known of them together. */
export interface Ensemble {
  figures: FigureRange[];
  ready: ReadyRange[];
  /** Trials that it rests on, the usual one among them. */
  trials: number;
}

/** How a trial is drawn: what the ensemble is to be shown with. */
export interface Shown {
  bins: number;
  /** s */
  width: number;
  days: number;
  /** When its program was done in it; null: not within it. */
  done: number | null;
}

/** What an ensemble has to know of a trial that stands on show. */
export const shownOf = (chamber: Chamber, trial: Pick<Trial, "trace" | "days" | "finishedAt" | "stages">): Shown => ({
  bins: trial.trace.bins,
  width: trial.trace.width,
  days: trial.days,
  done: doneAt(chamber, trial),
});

/** Weeks are stepped by minutes: what is asked is how far products come, not when a relay clicks, s. */
const STEP = 60;
const QUICK_STEP = 10;
/** A program of more than so many days is stepped by this, s. */
const LONG = 10;
const LONG_SHOWN = 7;
const LONG_STEP = 180;
/** So many times as long as the trial on show is looked on for an end, and no longer than so many days. */
const FURTHER = 10;
const LONGEST = 200;
const DAY = 86_400;

/** What one member of an ensemble came to. */
export interface Course {
  /** By vessel and figure, bin by bin of what is shown. */
  figures: Map<string, Float32Array>;
  /** When its program has done what it is there for; null: not within what was looked at. */
  done: number | null;
  /** When all that is wanted of each vessel was there for the first time. */
  wanted: (number | null)[];
}

const keyOf = (index: number, name: string) => `${index} ${name}`;

/** Whether a program ends by itself, so that it says when all of it is ready. */
export function endsByItself({ stages }: Pick<Chamber, "stages">): boolean {
  const last = stages.at(-1)!;
  return last.ends.length > 0 || last.latest > 0 || stages.length > 1;
}

/** Whether all that is wanted of a vessel is there. */
function isReady(run: Run, index: number): boolean | null {
  const { product } = run.input.chamber.vessels[index]!;
  const aims = modelOf(product).observables.flatMap((o) => {
    const limit = o.limit?.(product);
    return limit?.aim ? [{ o, limit }] : [];
  });
  if (aims.length === 0) return null;
  return aims.every(({ o, limit }) => meets(o.of(run.state.products[index]!, product), limit));
}

/** Runs one member bin by bin, and on until it is ready; the way of the stages is written down for `doneAt`. */
function* courseOf(plan: Plan, member: Member | null, shown: Shown, step: number): Generator<undefined, Course> {
  const of = member ? memberPlan(plan, member) : plan;
  const { chamber } = of;
  const longest = endsByItself(chamber) ? LONGEST : Math.min(LONGEST, shown.days * FURTHER);
  const dt = isQuick(chamber.cabinet.kind) ? QUICK_STEP : step;
  const input = {
    ...trialOf(of, longest, dt),
    lean: true,
    ...(member ? { unknowns: memberUnknowns(chamber, member) } : {}),
  };
  const run = startRun(input);
  const figures = new Map<string, Float32Array>();
  chamber.vessels.forEach(({ product }, index) =>
    modelOf(product).observables.forEach(({ name }) =>
      figures.set(keyOf(index, name), new Float32Array(shown.bins).fill(NaN)),
    ),
  );
  const wanted = chamber.vessels.map((): number | null => null);
  const begun: number[] = [0];
  const ends = endsByItself(chamber);
  const last = chamber.stages.at(-1)!;
  const all = Math.ceil((longest * DAY) / shown.width);
  for (let bin = 0; bin < all; bin++) {
    advance(run, Math.min(run.steps, Math.round(((bin + 1) * shown.width) / dt)), unwatched);
    const now = run.state.step * dt;
    while (begun.length <= run.state.program.stage) begun.push(run.state.program.since);
    chamber.vessels.forEach(({ product, putIn }, index) => {
      if (now < putIn) return;
      if (bin < shown.bins)
        for (const { name, of: figure } of modelOf(product).observables)
          figures.get(keyOf(index, name))![bin] = figure(run.state.products[index]!, product);
      if (wanted[index] === null && isReady(run, index)) wanted[index] = now;
    });
    if (bin % 16 === 0) yield;
    if (bin < shown.bins - 1) continue;
    const { finishedAt } = run.state.program;
    const waits = begun.length === chamber.stages.length && last.ends.length === 0 && last.latest === 0;
    const done = finishedAt >= 0 || (ends && waits);
    const ready = wanted.every((w, i) => w !== null || isReady(run, i) === null);
    if (ends ? done : ready) break;
  }
  const { finishedAt } = run.state.program;
  const stages = begun.map((from, i) => ({ id: chamber.stages[i]!.id, from }));
  const done = doneAt(chamber, {
    finishedAt: finishedAt >= 0 ? finishedAt : null,
    stages: stages as unknown as Trial["stages"],
    days: longest,
  });
  // A program whose stages end before what is wanted is there is over, and not ready.
  const missed = wanted.some((w, i) => w === null && isReady(run, i) !== null);
  return { figures, done: missed ? null : done, wanted };
}

/** When a member of a plan's ensemble is done, by a trial of long steps; null: not within 200 days. */
export function* roughlyDone(plan: Plan, member: Member): Generator<undefined, number | null> {
  const nothing: Shown = { bins: 1, width: DAY / 24, days: LONGEST, done: null };
  return (yield* courseOf(plan, member, nothing, STEP)).done;
}

/** Of forty the two at either end stand outside of nine of ten. */
const OUTSIDE = 2;

/** From the first to the last that nine of ten came to; null: so late that it was not looked at. */
function between(times: readonly (number | null)[], usual: number | null): Omit<ReadyRange, "index"> {
  const all = [...times, usual].map((t) => t ?? Infinity).sort((a, b) => a - b);
  const at = (index: number) => (all[index]! === Infinity ? null : all[index]!);
  return { soon: at(OUTSIDE), usual, late: usual === null ? null : at(all.length - 1 - OUTSIDE) };
}

/** Between what nine of ten lie of the usual value and of others, each list in order. */
function nineOfTen(usual: number, others: Float64Array): [low: number, high: number] {
  others.sort();
  const [low, high] = [others[OUTSIDE]!, others[others.length - 1 - OUTSIDE]!];
  return [Math.min(usual, low), Math.max(usual, high)];
}

/** An ensemble that is begun: its usual course is there, and what the others are drawn with. */
export interface Begun {
  plan: Plan;
  shown: Shown;
  usual: Course;
  /** Step of the others, s. */
  step: number;
  members: Member[];
}

/**
 * Begins the range of a trial: trials of their own in which product, box, devices and room are other than usual, all of
 * them together. What stands on show is the usual one; its end is taken over.
 */
export function* beginEnsemble(plan: Plan, shown: Shown): Generator<undefined, Begun> {
  // What is not done in a week and more is stepped as coarsely at once.
  const slow = shown.done === null && shown.days >= LONG_SHOWN;
  const usual = yield* courseOf(plan, null, shown, slow ? LONG_STEP : STEP);
  const takes = Math.max(usual.done ?? 0, ...usual.wanted.map((w) => w ?? 0));
  return { plan, shown, usual, step: takes > LONG * DAY ? LONG_STEP : STEP, members: membersOf(plan.chamber) };
}

/** A member's part of it: a trial that hangs on no other one. */
export const drawCourse = ({ plan, shown, step }: Omit<Begun, "usual" | "members">, member: Member) =>
  courseOf(plan, member, shown, step);

/** Puts together what all members came to. */
export function gatherEnsemble({ plan: { chamber }, shown, usual }: Begun, courses: readonly Course[]): Ensemble {
  const trials = courses.length + 1;
  const others = new Float64Array(courses.length);
  const figures = [...usual.figures].map(([key, own]): FigureRange => {
    const [index, name] = key.split(" ") as [string, string];
    const low = own.slice();
    const high = own.slice();
    const lists = courses.map((c) => c.figures.get(key)!);
    own.forEach((v, i) => {
      lists.forEach((list, k) => (others[k] = list[i]!));
      [low[i], high[i]] = nineOfTen(v, others);
    });
    return { index: Number(index), name, low, high };
  });
  // Where a program says when all is done, that is the answer, and no other stands beside it.
  if (endsByItself(chamber)) {
    const done = courses.map((c) => c.done);
    return {
      figures,
      ready: [{ index: -1, ...between(done, usual.done === null ? null : (shown.done ?? usual.done)) }],
      trials,
    };
  }
  const ready = chamber.vessels.flatMap((_, index): ReadyRange[] => {
    const times = courses.map((c) => c.wanted[index]!);
    const { product } = chamber.vessels[index]!;
    const aims = modelOf(product).observables.some((o) => o.limit?.(product)?.aim);
    return aims ? [{ index, ...between(times, usual.wanted[index]!) }] : [];
  });
  return { figures, ready, trials };
}
