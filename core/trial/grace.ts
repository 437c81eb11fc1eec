import type { Chamber, Happening, HappeningKind, Settings } from "../model";
import { hasCooler, hasHeater } from "../chamber";
import { outletsOf } from "../controller";
import { plainTrial } from "./input";
import { runTrial } from "./runTrial";
import type { Metrics } from "./metrics";

/** Failures that everybody asks about. */
export const usualFailures: readonly HappeningKind[] = ["powerCut", "heaterCutOut", "coldFails"];

export interface FailureGrace {
  kind: HappeningKind;
  /** s until the product leaves its band; Infinity: it holds; null: it never was in its band. */
  seconds: number | null;
  cold: boolean;
}

const WATCH_DAYS = 4;

/**
 * Hours of grace that a failure of power, heater or cooling leaves, from the settled state on: at the worst of two
 * moments twelve hours apart, so that neither day nor night flatters it.
 */
export function usualGrace(chamber: Chamber, settings: Settings, metrics: Metrics): FailureGrace[] {
  const { heat, cold } = outletsOf(chamber.unit);
  const kinds = usualFailures.filter(
    (kind) =>
      (kind !== "heaterCutOut" || (hasHeater(chamber) && heat)) &&
      (kind !== "coldFails" || (hasCooler(chamber) && cold)),
  );
  const from = metrics.timeToBand;
  if (from === null) return kinds.map((kind) => ({ kind, seconds: null, cold: false }));
  const begin = Math.min(from + 12 * 3600, metrics.seconds);
  return kinds.map((kind): FailureGrace => {
    const found = [0, 12 * 3600].map((later) => {
      const at = begin + later;
      const failure: Happening = { id: "failure", kind, at, lasting: 0 } as Happening;
      const calm = { ...chamber, happenings: [failure] };
      const days = (at + WATCH_DAYS * 86_400) / 86_400;
      const [grace] = runTrial(plainTrial(calm, settings, days, 10), 60).metrics.grace;
      return { kind, seconds: grace!.seconds, cold: grace!.cold };
    });
    return found.sort((a, b) => (a.seconds ?? -1) - (b.seconds ?? -1))[0]!;
  });
}
