import type { Program } from "../model";
import { isAttended, localMoment, localSeconds } from "../program";
import { roughlyDone } from "./ensemble";
import { trialOf, type TrialInput } from "./input";
import { fewMembers, memberPlan, memberUnknowns, type Member } from "./members";
import { spanOf } from "./paces";
import type { Plan } from "./planWith";
import { trialSteps, type Trial } from "./runTrial";
import { doneAt, stageSpans, type StageSpan } from "./todo";

const DAY = 86_400;
const HOUR = 3600;
/** Lengths of a trial that are tried in turn until the program ends within one, days. */
const LENGTHS = [3, 10, 30, 60, 120, 200];
/** A beginning is sought in steps of this, s: nobody begins by the minute. */
const GRAIN = HOUR / 2;
/** So far back a moment is sought at which somebody is there, s. */
const FURTHEST = 120 * DAY;
/** Beginnings that are tried at the most: each costs a trial. */
const MOST_TRIES = 10;
/** Nearer to the wish than this nothing is gained, s. */
const NEAR = 3 * HOUR;

/** A program that is ready by a moment in nine of ten cases. */
export interface BackPlan {
  /** When it has to begin, local; and the days away, counted from then. */
  startsAt: string;
  away: Program["away"];
  /** Where its stages lie as is usual, and in the slow case that it is planned for, s from its beginning. */
  usual: StageSpan[];
  late: StageSpan[];
  /** When it is ready, s from its beginning: usually, and in nine of ten cases by then. */
  usualDone: number;
  lateDone: number;
  /** Whether the products have a course with a span at all: without one both are the same. */
  spread: boolean;
}

export type BackPlanned = { ok: true; plan: BackPlan } | { ok: false; problem: string };

/** The plan for another beginning, as usual or for a member of its ensemble. */
function planFrom(plan: Plan, startsAt: string, away: Program["away"], member: Member | null): Plan {
  const { chamber } = plan;
  const moved = { ...plan, chamber: { ...chamber, program: { ...chamber.program, startsAt, away } } };
  return member ? memberPlan(moved, member) : moved;
}

/** A trial long enough for the program to be done in it, if there is one. */
function* untilDone(
  plan: Plan,
  unknowns?: TrialInput["unknowns"],
): Generator<undefined, { trial: Trial; done: number } | null> {
  for (const days of LENGTHS) {
    const { trial } = yield* trialSteps({ ...trialOf(plan, days), ...(unknowns ? { unknowns } : {}) });
    const done = doneAt(plan.chamber, trial);
    if (done !== null) return { trial, done };
  }
  return null;
}

/** Of some members of a chamber's ensemble the one that is done last, by rough trials of each; null where one is never done. */
function* slowest(plan: Plan, members: readonly Member[]): Generator<undefined, Member | null> {
  let last: { member: Member; done: number } | null = null;
  for (const member of members) {
    const done = yield* roughlyDone(plan, member);
    if (done === null) return null;
    if (!last || done > last.done) last = { member, done };
  }
  return last!.member;
}

/**
 * When a program has to begin so that it is ready by a moment in nine of ten cases: the last beginning, at a moment at
 * which somebody is there, from which its slow case is ready in time. Stages and bands stay as they are; days away stay
 * on their dates. The slow case takes every product slower than nine of ten would be.
 * @param finishBy local moment
 */
export function* planBack(plan: Plan, finishBy: string): Generator<undefined, BackPlanned> {
  const { program, vessels } = plan.chamber;
  if (program.away.length > 0 && !program.startsAt)
    return {
      ok: false,
      problem:
        "Days away are counted from the beginning. Say first when it begins: it is moved then, and they are not.",
    };
  if (plan.chamber.stages.some((s) => s.ends.some((e) => e.kind === "date")))
    return { ok: false, problem: "A stage ends at a date. Let it end after a time, or at a figure, first." };
  const varied = vessels.filter((v) => spanOf(v.product)).length;
  const members = fewMembers(plan.chamber);
  /** The slow case: found once, and looked for again where the beginning has moved it. */
  let slow: Member | null = null;
  // Days away on the calendar: s since 1970, as all local moments here.
  const begun = program.startsAt ? localSeconds(program.startsAt) : 0;
  const away = program.away.map(({ from, to }) => ({ from: from + begun, to: to + begun }));
  const awayFrom = (start: number) =>
    away.map(({ from, to }) => ({ from: Math.max(0, from - start), to: to - start })).filter((a) => a.to > a.from);
  /** The last moment at or before one at which somebody is there. */
  const attendedBefore = (at: number): number | null => {
    for (let t = Math.floor(at / GRAIN) * GRAIN; t > at - FURTHEST; t -= GRAIN)
      if (isAttended({ ...program, away }, 0, t)) return t;
    return null;
  };
  const wanted = localSeconds(finishBy);
  const tried = new Map<number, { trial: Trial; done: number } | null>();
  function* from(start: number) {
    if (!tried.has(start)) {
      const moved = planFrom(plan, localMoment(start), awayFrom(start), null);
      slow ??= yield* slowest(moved, members);
      tried.set(start, slow ? yield* untilDone(memberPlan(moved, slow), memberUnknowns(moved.chamber, slow)) : null);
    }
    return tried.get(start)!;
  }
  const never =
    plan.chamber.stages.length < 2 && plan.chamber.stages[0]!.ends.length === 0
      ? "It has one stage that never ends. Say how it ends first, or take its usual stages."
      : "In its slow case this program is not done within 200 days. Look at how its stages end, and at their latest times.";
  let start = attendedBefore(wanted - DAY);
  let best: number | null = null;
  for (let i = 0; i < MOST_TRIES && start !== null; i++) {
    const run: { done: number } | null = yield* from(start);
    if (!run) return { ok: false, problem: never };
    const spare: number = wanted - (start + run.done);
    if (spare >= 0) best = Math.max(best ?? start, start);
    if (spare >= 0 && spare < NEAR) break;
    const next = attendedBefore(start + spare);
    // The night before is no later than the evening: where nothing is gained, or all was tried, it stays.
    if (next === null || tried.has(next)) {
      if (best !== null || next === null) break;
      start = attendedBefore(Math.min(start, next) - GRAIN);
    } else start = next;
  }
  if (best === null)
    return { ok: false, problem: "No beginning was found from which it is ready by then and somebody is there." };
  const late = tried.get(best)!;
  const usual = yield* untilDone(planFrom(plan, localMoment(best), awayFrom(best), null));
  if (!usual) return { ok: false, problem: never };
  return {
    ok: true,
    plan: {
      startsAt: localMoment(best),
      away: awayFrom(best),
      usual: stageSpans(usual.trial),
      late: stageSpans(late.trial),
      usualDone: usual.done,
      lateDone: late.done,
      spread: varied > 0,
    },
  };
}
