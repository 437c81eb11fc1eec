import type { CabinetKind, Chamber, Settings, Unit } from "../model";

/** A unit with its settings and the probe that it reads. */
export interface Controller {
  unit: Unit;
  settings: Settings;
  probe: number;
}

/** What a trial runs on. Plain data; the same input gives the same trial. */
export interface TrialInput {
  /** With the happenings that it meets. */
  chamber: Chamber;
  controllers: Controller[];
  days: number;
  /** Step, s. */
  dt: number;
  /** Clock hour at which it starts, 0..24. */
  startHour: number;
}

/** Evening, when the wort is in and the door is shut (our choice). */
export const START_HOUR = 18;
/** Default step, s: short against every lag that decides a switching. */
export const STEP = 5;
/** Pots, kettles and smokers answer sooner, s. */
const QUICK_STEP = 1;

const quickKinds: readonly CabinetKind[] = ["crock", "kettle", "drum", "brick"];
/** Boxes whose jobs take hours and not days. */
export const isQuick = (kind: CabinetKind): boolean => quickKinds.includes(kind);

/** The step that a kind of box asks for, s. Long trials of a quick box take 2 s: nothing in them is shorter than that. */
export const stepFor = (chamber: Chamber, days: number): number =>
  isQuick(chamber.cabinet.kind) ? (days > 3 ? 2 : QUICK_STEP) : STEP;

/** A trial of the chamber's own unit. */
export const plainTrial = (chamber: Chamber, settings: Settings, days: number, dt?: number): TrialInput => ({
  chamber,
  controllers: [{ unit: chamber.unit, settings, probe: 0 }],
  days,
  dt: dt ?? stepFor(chamber, days),
  startHour: START_HOUR,
});
