import type { Plan, StageResult, Trial } from "../trial";
import { runTrial, trialOf } from "../trial";

const kept = new WeakMap<Trial, Trial>();

/** A plan without some of what happens in its trial. */
export const without = (plan: Plan, left: (id: string) => boolean): Plan => ({
  ...plan,
  chamber: { ...plan.chamber, happenings: plan.chamber.happenings.filter((h) => !left(h.id)) },
});

/**
 * The trial of a plan in which nothing happens: what would have been so without any happening, and what is so while all
 * is well. The trial itself where nothing happens in it.
 */
export function calmTrial(plan: Plan, trial: Trial): Trial {
  if (plan.chamber.happenings.length === 0) return trial;
  const found =
    kept.get(trial) ??
    runTrial(
      trialOf(
        without(plan, () => true),
        trial.days,
      ),
    );
  kept.set(trial, found);
  return found;
}

/** How the stages go while all is well. */
export const calmStages = (plan: Plan, trial: Trial): StageResult[] => calmTrial(plan, trial).stages;
