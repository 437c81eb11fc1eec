import { startHourOf } from "../program";
import type { Chamber, Settings } from "../model";
import type { Plan } from "./planWith";
import { isQuick } from "./quick";

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
}

/** Default step, s: short against every lag that decides a switching. */
export const STEP = 5;
/** Pots, kettles and smokers answer sooner, s. */
const QUICK_STEP = 1;

/** The step that a kind of box asks for, s. Long trials of a quick box take 2 s: nothing in them is shorter than that. */
export const stepFor = (chamber: Chamber, days: number): number =>
  isQuick(chamber.cabinet.kind) ? (days > 3 ? 2 : QUICK_STEP) : STEP;

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
