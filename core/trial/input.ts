import type { Chamber, Settings } from "../model";

/** Something that happens in the course of a trial. */
export type Happening = {
  /** Somebody keys other numbers into the controller. */
  kind: "settings";
  /** Seconds from the start. */
  at: number;
  /** Which of the trial's controllers. */
  controller: number;
  settings: Settings;
};

/** What a trial runs on. Plain data; the same input gives the same trial. */
export interface TrialInput {
  chamber: Chamber;
  /** One unit each, with the probe that it reads. The first that calls decides; today a chamber has one. */
  controllers: { settings: Settings; probe: number }[];
  happenings: Happening[];
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

/** A trial of one unit on a chamber with nothing happening. */
export const plainTrial = (chamber: Chamber, settings: Settings, days: number, dt = STEP): TrialInput => ({
  chamber,
  controllers: [{ settings, probe: 0 }],
  happenings: [],
  days,
  dt,
  startHour: START_HOUR,
});
