import { beginEnsemble, drawCourse, gatherEnsemble, type Course, type Ensemble, type Plan, type Shown } from "../trial";

/** The last value of work in small steps. */
function ended<R>(steps: Generator<unknown, R>): R {
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
}

/** An ensemble at once, by one hand. */
export function ensembleNow(plan: Plan, shown: Shown): Ensemble {
  const begun = ended(beginEnsemble(plan, shown));
  return gatherEnsemble(
    begun,
    begun.members.map((member): Course => ended(drawCourse(begun, member))),
  );
}
