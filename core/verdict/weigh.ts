import { tryEdits } from "../chamber";
import type { ChamberRecord } from "../model";
import type { Scale } from "../quantity";
import { plainTrial, planOf, runTrial } from "../trial";
import { judge } from "./judge";
import { CHASE_PER_DAY } from "./limits";
import type { Remedy, Severity, Verdict } from "./types";
import { movesOrStays } from "./words";

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
  const before = new Set(all.map((v) => v.id));
  return verdict.remedies.flatMap((remedy): Effect[] => {
    const changed = tryEdits(record, remedy.edits);
    if (!changed.ok) return [];
    const plan = planOf(changed.value);
    const trial = runTrial(plainTrial(plan.chamber, plan.settings, days, dt));
    const after = judge(plan, trial, scale);
    const cures = !after.some((v) => v.id === verdict.id);
    const fresh = after.filter((v) => serious.includes(v.severity) && !before.has(v.id));
    const harms = fresh.some((v) => serious.indexOf(v.severity) <= Math.max(0, serious.indexOf(verdict.severity)));
    const { settled, reversals, compressorStartsPerDay } = trial.metrics;
    const parts = settled
      ? [
          `product ${movesOrStays(settled.product.low, settled.product.high, scale, "")}`,
          reversals.perDay > CHASE_PER_DAY ? `still ${Math.round(reversals.perDay)} reversals a day` : "no chasing",
          compressorStartsPerDay === 0
            ? "the compressor never starts"
            : `${compressorStartsPerDay.toFixed(compressorStartsPerDay < 3 ? 1 : 0)} compressor starts a day`,
        ]
      : ["the product still does not settle in its band"];
    const also = fresh[0] ? ` But then: ${fresh[0].title.toLowerCase()}.` : "";
    return [{ remedy, cures, harms, text: `Then ${parts.join(", ")}.${also}` }];
  });
}
