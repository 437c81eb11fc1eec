import { tryEdits } from "../chamber";
import type { ChamberRecord } from "../model";
import type { Scale } from "../quantity";
import { judgedName, planOf, runTrial, trialOf } from "../trial";
import { judge } from "./judge";
import { CHASE_PER_DAY } from "./limits";
import { sameVerdict } from "./same";
import type { Remedy, Severity, Verdict } from "./types";
import { movesOrStays, withArticle } from "./words";

/** What a remedy does, found by running the trial with it. */
export interface Effect {
  remedy: Remedy;
  /** The verdict is gone with it. */
  cures: boolean;
  /** It brings a verdict of the same or a higher severity that was not there before. */
  harms: boolean;
  text: string;
}

const serious: Severity[] = ["danger", "warning"];

/** Runs the trial again with each remedy of a verdict and says what would come of it. */
export function weigh(
  record: ChamberRecord,
  verdict: Verdict,
  all: readonly Verdict[],
  days: number,
  scale: Scale,
  dt?: number,
): Effect[] {
  return verdict.remedies.flatMap((remedy): Effect[] => {
    const changed = tryEdits(record, remedy.edits);
    if (!changed.ok) return [];
    const plan = planOf(changed.value);
    const trial = runTrial(trialOf(plan, days, dt));
    const after = judge(plan, trial, scale);
    const cures = !after.some((v) => sameVerdict(v, verdict));
    const fresh = after.filter((v) => serious.includes(v.severity) && !all.some((b) => sameVerdict(b, v)));
    const harms = fresh.some((v) => serious.indexOf(v.severity) <= Math.max(0, serious.indexOf(verdict.severity)));
    // What comes of it in the stage that the verdict is about, for what fares worst there.
    const result = trial.stages.find((s) => s.id === verdict.stage) ?? trial.stages[0]!;
    const own = result.metrics.find((m) => m.judged === verdict.about);
    const metrics = own ?? result.metrics.find((m) => m.judged === trial.metrics.judged) ?? result.metrics[0]!;
    const { settled, reversals, coldStartsPerDay } = metrics;
    const name = judgedName(metrics.judged, plan.chamber.vessels);
    const parts = settled
      ? [
          `${name} ${movesOrStays(settled.product.low, settled.product.high, scale, "")}`,
          reversals.perDay > CHASE_PER_DAY ? `still ${Math.round(reversals.perDay)} reversals a day` : "no chasing",
          coldStartsPerDay === 0
            ? "the cooling never starts"
            : `${coldStartsPerDay.toFixed(coldStartsPerDay < 3 ? 1 : 0)} starts of the cooling a day`,
        ]
      : metrics.timeToBand === null
        ? [`${withArticle(name)} still does not get into its band`]
        : [`${withArticle(name)} is in its band ${Math.round(metrics.inBand * 100)}\u00a0% of the time`];
    const also = fresh[0] ? ` But then: ${fresh[0].title.toLowerCase()}.` : "";
    return [{ remedy, cures, harms, text: `Then ${parts.join(", ")}.${also}` }];
  });
}
