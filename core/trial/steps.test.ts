import { jobEdits, jobs, newChamber } from "../chamber";
import { applyEdits, cabinetKinds, type CabinetKind } from "../model";
import { stepFor, trialOf } from "./input";
import { planOf } from "./plan";
import { isQuick } from "./quick";
import { runTrial, type Trial } from "./runTrial";

/** Long enough to settle, short enough for a tenth of the step. */
const daysOf = (kind: CabinetKind) => (isQuick(kind) ? 0.75 : 2);
const starts = ({ metrics }: Trial) => metrics.heatStarts + metrics.coldStarts;

// The step is a choice of the trial and no part of the chamber: what it shows must not hang on it. Within a display's tenth or
// 4 % of the swing (a smoker's air), half of it in the mean, and 5 % of the starts.
describe("the step of a kind of box against one far shorter", () => {
  it.each(cabinetKinds.map((kind) => [kind, jobs.find((j) => j.boxes.includes(kind))!] as const))(
    "%s: product and starts",
    (kind, job) => {
      const fresh = newChamber("steps", "Steps", "2026-01-01T00:00:00.000Z");
      const plan = planOf(applyEdits(fresh, jobEdits(job, kind)));
      const usual = stepFor(plan.chamber, daysOf(kind));
      const [shown, fine] = [usual, usual / 10].map((dt) => runTrial(trialOf(plan, daysOf(kind), dt)));
      const [a, b] = [shown!.metrics.settled!, fine!.metrics.settled!];
      const swing = b.product.high - b.product.low;
      const near = Math.max(0.1, 0.04 * swing);
      expect(Math.abs(a.product.low - b.product.low)).toBeLessThan(near);
      expect(Math.abs(a.product.high - b.product.high)).toBeLessThan(near);
      expect(Math.abs(a.productMean - b.productMean)).toBeLessThan(near / 2);
      expect(Math.abs(starts(shown!) - starts(fine!))).toBeLessThanOrEqual(Math.max(1, 0.05 * starts(fine!)));
    },
  );
});
