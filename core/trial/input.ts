import { startHourOf } from "../program";
import type { Chamber, Settings } from "../model";
import type { Given } from "./given";
import type { Plan } from "./planWith";

/** What a trial runs on. Plain data; the same input gives the same trial. */
export interface TrialInput {
  /** With its controllers, its program, and the happenings that it meets. */
  chamber: Chamber;
  /** What is keyed in: for each stage, for each controller, in their order. */
  settings: Settings[][];
  days: number;
  /** Step, s. */
  dt: number;
  /** Clock hour at which it starts, 0..24. */
  startHour: number;
  /** Only how far products come is asked: water is moved as often as they, and only as is usual. */
  lean?: boolean;
  /**
   * What its outlets do, in order of time, where that was seen and is not to be decided: a fit replays it, from one
   * switching to the next at once.
   */
  given?: readonly Given[];
  /** Every step is taken by itself: what leaps are held against. */
  plain?: boolean;
  /** Of each vessel: factors of its product that are other than usual, by their names; none where nothing is said. */
  unknowns?: readonly Readonly<Record<string, number>>[];
}

/** Default step, s: short against every lag that decides a switching. */
export const STEP = 5;
/** Pots and kettles answer sooner, s; beyond three days they take the step of a smoker. */
const QUICK_STEP = 1;
/** A fire's bed and a smoker's walls answer within minutes, s. */
const SMOKER_STEP = 2;
/** A warm box, whose minutes decide over nothing but a relay: no compressor waits in it, s. */
const WARM_STEP = 12;

/**
 * The step that a kind of box asks for, s. What they cost against a tenth of them is held to a display's tenth or
 * 4 % of the swing, and a twentieth of the starts (steps.test.ts).
 */
export function stepFor({ cabinet: { kind } }: Chamber, days: number): number {
  switch (kind) {
    case "crock":
    case "kettle":
      return days > 3 ? SMOKER_STEP : QUICK_STEP;
    case "drum":
    case "brick":
      return SMOKER_STEP;
    case "warmBox":
      return WARM_STEP;
    default:
      return STEP;
  }
}

/** A trial of a chamber with settings for each stage and controller. */
export const trialWith = (chamber: Chamber, settings: Settings[][], days: number, dt?: number): TrialInput => ({
  chamber,
  settings,
  days,
  dt: dt ?? stepFor(chamber, days),
  startHour: startHourOf(chamber.program),
});

/** A trial of a plan. */
export const trialOf = (plan: Plan, days: number, dt?: number): TrialInput =>
  trialWith(
    plan.chamber,
    plan.stages.map((s) => s.controls.map((c) => c.settings)),
    days,
    dt,
  );
