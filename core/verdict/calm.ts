import type { Plan, StageResult, Trial } from "../trial";
import { trialOf, trialSteps } from "../trial";

const kept = new WeakMap<Trial, Trial>();

/** A plan without some of what happens in its trial. */
export const without = (plan: Plan, left: (id: string) => boolean): Plan => ({
  ...plan,
  chamber: { ...plan.chamber, happenings: plan.chamber.happenings.filter((h) => !left(h.id)) },
});

/**
 * The trial of a plan in which nothing happens: what would have been so without any happening, and what is so while all
 * is well. The trial itself where nothing happens in it. Between two steps it can be left for something else, or for
 * good; once run, it is kept with its trial.
 */
export function* calmSteps(plan: Plan, trial: Trial): Generator<undefined, Trial> {
  if (plan.chamber.happenings.length === 0) return trial;
  const known = kept.get(trial);
  if (known) return known;
  const calm = without(plan, () => true);
  const found = yield* trialSteps(trialOf(calm, trial.days));
  kept.set(trial, found.trial);
  return found.trial;
}

/** The same in one go. */
export function calmTrial(plan: Plan, trial: Trial): Trial {
  const steps = calmSteps(plan, trial);
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
}

/** How the stages go while all is well. */
export const calmStages = (plan: Plan, trial: Trial): StageResult[] => calmTrial(plan, trial).stages;
