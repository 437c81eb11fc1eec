import type { Observable, Program, Stage, StageEnd } from "../model";
import { kelvins, type TemperatureDifference } from "../quantity";
import { localSeconds, nextAttended, startHourOf } from "./attendance";

const DAY = 86_400;
const HOUR = 3600;

/** The stages of a program with what holds for all of them. */
export interface ProgramPlan {
  stages: readonly (Stage & { id: string })[];
  program: Program;
}

/** What ended a stage: its how manyth end, its latest time, or nothing yet. */
export type EndedBy = number | "latest" | null;

/** Where a program stands; plain data, stepped with the rest of the trial. */
export interface ProgramState {
  /** The present stage. */
  stage: number;
  /** When it began, s from the start of the program. */
  since: number;
  /** For each of its ends that waits for something: since when it has been so without a break, s; −1: it is not. */
  heldSince: number[];
  /** An end has come at this moment, and the next stage waits for somebody to be there; −1: none has. */
  dueAt: number;
  dueBy: EndedBy;
  /** The same of the stage before; −1: there was none. */
  endedAt: number;
  endedBy: EndedBy;
  /** What is still to go from the stage before, K: settings and band stand so far from where the stage will have them. */
  shift: number;
  /** When the next step of the way is due, s; Infinity: the stage has arrived. */
  nextStep: number;
  /** The last stage has ended; its settings stay. */
  finishedAt: number;
}

/** Reads what an end waits for: of several the least where it has to be at least so much, the most otherwise. */
export type Look = (what: Observable, least: boolean) => number;

export const startProgram = ({ stages }: ProgramPlan): ProgramState => ({
  stage: 0,
  since: 0,
  heldSince: stages[0]!.ends.map(() => -1),
  dueAt: -1,
  dueBy: null,
  endedAt: -1,
  endedBy: null,
  shift: 0,
  nextStep: Infinity,
  finishedAt: -1,
});

export const copyProgram = (s: ProgramState): ProgramState => ({
  stage: s.stage,
  since: s.since,
  heldSince: [...s.heldSince],
  dueAt: s.dueAt,
  dueBy: s.dueBy,
  endedAt: s.endedAt,
  endedBy: s.endedBy,
  shift: s.shift,
  nextStep: s.nextStep,
  finishedAt: s.finishedAt,
});

/** When an end that only the clock decides comes, s; Infinity for the others. */
function momentOf(end: StageEnd, plan: ProgramPlan, since: number): number {
  const { program } = plan;
  const startHour = startHourOf(program);
  switch (end.kind) {
    case "after":
      return since + end.seconds;
    case "clock": {
      const first = ((((end.hour - startHour) % 24) + 24) % 24) * HOUR;
      // The next time after it has begun: at its own hour it is the next day's.
      return first + (Math.floor((since - first) / DAY) + 1) * DAY;
    }
    case "date":
      return program.startsAt ? Math.max(since, localSeconds(end.at) - localSeconds(program.startsAt)) : Infinity;
    case "confirmed":
      return nextAttended(program, startHour, since + end.after);
    case "reaches":
      return Infinity;
  }
}

/** The ends that wait for something, by their number. */
export const waitsFor = (stage: Stage): number[] => stage.ends.flatMap((end, i) => (end.kind === "reaches" ? [i] : []));

/** Whether it has more than one stage, or one that ends: only then does anything of it ever change. */
export const isProgrammed = ({ stages }: ProgramPlan): boolean =>
  stages.length > 1 || stages[0]!.ends.length > 0 || stages[0]!.latest > 0;

/** Whether any stage waits for something: only then has a program to be looked at at every step. */
export const isWatchful = ({ stages }: ProgramPlan): boolean => stages.some((s) => waitsFor(s).length > 0);

/** The next moment at which a program changes by the clock alone, s; Infinity where nothing does. */
export function nextMoment(plan: ProgramPlan, state: ProgramState): number {
  if (state.finishedAt >= 0) return state.nextStep;
  const stage = plan.stages[state.stage]!;
  const hands = (at: number) => handed(plan, at);
  if (state.dueAt >= 0) return Math.min(state.nextStep, hands(state.dueAt));
  const ends = stage.ends.map((end) => momentOf(end, plan, state.since));
  const latest = stage.latest > 0 ? state.since + stage.latest : Infinity;
  return Math.min(state.nextStep, latest, ...ends);
}

/** When somebody, or the controller itself, can key in what is due at a moment, s. */
const handed = ({ program }: ProgramPlan, at: number): number =>
  program.byHand ? nextAttended(program, startHourOf(program), at) : at;

/**
 * Looks whether what an end waits for is so, and since when. Marks the stage as due where it has been so for long
 * enough. Mutates `state`.
 * @param now s from the start of the program
 * @returns whether the stage has just become due
 */
export function watch(plan: ProgramPlan, state: ProgramState, look: Look, now: number): boolean {
  if (state.dueAt >= 0 || state.finishedAt >= 0) return false;
  const { ends } = plan.stages[state.stage]!;
  for (let i = 0; i < ends.length; i++) {
    const end = ends[i]!;
    if (end.kind !== "reaches") continue;
    const least = end.comparison === "atLeast";
    const value = look(end.observable, least);
    const so = least ? value >= end.value : value <= end.value;
    if (!so) {
      state.heldSince[i] = -1;
      continue;
    }
    if (state.heldSince[i]! < 0) state.heldSince[i] = now;
    if (now - state.heldSince[i]! < end.heldFor - 1e-9) continue;
    state.dueAt = now;
    state.dueBy = i;
    return true;
  }
  return false;
}

/** How far the settings of a stage stand from those of the one before at its beginning, K; 0: all at once. */
function wayOf(plan: ProgramPlan, from: number, shift: number): number {
  const before = plan.stages[from]!;
  const next = plan.stages[from + 1]!;
  return next.rampBy > 0 ? before.target + shift - next.target : 0;
}

/** One step nearer, or the whole of what is left. */
export const nearer = (shift: number, by: TemperatureDifference): number =>
  Math.abs(shift) <= by + 1e-9 ? 0 : shift - Math.sign(shift) * by;

/**
 * Takes everything that is due at a moment: the next step of the way, an end by the clock, the next stage once somebody
 * is there to key it in. Mutates `state`.
 * @param now s from the start of the program
 */
export function takeDue(plan: ProgramPlan, state: ProgramState, now: number): void {
  // A stage may end at the moment at which it begins; each is taken once.
  for (let guard = 0; guard <= plan.stages.length; guard++) {
    const stage = plan.stages[state.stage]!;
    if (state.nextStep <= now + 1e-9) {
      state.shift = nearer(state.shift, stage.rampBy);
      state.nextStep = state.shift === 0 ? Infinity : handed(plan, state.nextStep + stage.rampEvery);
      continue;
    }
    if (state.finishedAt >= 0) return;
    if (state.dueAt < 0) {
      const ended = stage.ends.findIndex((end) => momentOf(end, plan, state.since) <= now + 1e-9);
      const late = stage.latest > 0 && state.since + stage.latest <= now + 1e-9;
      if (ended < 0 && !late) return;
      state.dueAt = now;
      state.dueBy = ended >= 0 ? ended : "latest";
    }
    if (handed(plan, state.dueAt) > now + 1e-9) return;
    if (state.stage + 1 === plan.stages.length) {
      state.finishedAt = now;
      return;
    }
    const way = wayOf(plan, state.stage, state.shift);
    state.stage++;
    const next = plan.stages[state.stage]!;
    state.since = now;
    state.endedAt = state.dueAt;
    state.endedBy = state.dueBy;
    state.heldSince = next.ends.map(() => -1);
    state.dueAt = -1;
    state.dueBy = null;
    // The first step is made as the stage begins.
    state.shift = way === 0 ? 0 : nearer(way, kelvins(next.rampBy));
    state.nextStep = state.shift === 0 ? Infinity : handed(plan, now + next.rampEvery);
  }
}
