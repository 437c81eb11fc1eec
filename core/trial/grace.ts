import type { Chamber, Happening, HappeningKind } from "../model";
import { coolersOn, heatersOn } from "../chamber";
import { outletsOf } from "../controller";
import { trialWith } from "./input";
import { runTrial } from "./runTrial";
import type { Metrics } from "./metrics";
import type { Plan } from "./planWith";

const WATCH_DAYS = 4;

export interface FailureGrace {
  kind: HappeningKind;
  /** The device that fails; empty for the power. */
  which: string;
  /** s until the product leaves its band; Infinity: it holds; null: it never was in its band. */
  seconds: number | null;
  cold: boolean;
}

/** Every failure that can happen: of the power, of each heater, of each cooler that an outlet switches. */
function failuresOf(chamber: Chamber): { kind: HappeningKind; which: string }[] {
  const switched = chamber.controllers.flatMap((c) => {
    const { heat, cold } = outletsOf(c.unit);
    return [
      ...(heat ? heatersOn(chamber, c).map(({ id }) => ({ kind: "heaterCutOut" as const, which: id })) : []),
      ...(cold ? coolersOn(chamber, c).map(({ id }) => ({ kind: "coldFails" as const, which: id })) : []),
    ];
  });
  return [{ kind: "powerCut", which: "" }, ...switched];
}

/**
 * Hours of grace that a failure of power, a heater or a cooler leaves, from the settled state of a stage on: at the
 * worst of two moments twelve hours apart, so that neither day nor night flatters it.
 * @param metrics of the stage, for what is asked about
 */
export function usualGrace({ chamber, stages }: Plan, metrics: Metrics): FailureGrace[] {
  const failures = failuresOf(chamber);
  const { timeToBand } = metrics;
  if (timeToBand === null) return failures.map((f) => ({ ...f, seconds: null, cold: false }));
  const at = Math.max(
    0,
    stages.findIndex((s) => s.id === metrics.stage),
  );
  const begin = Math.min(timeToBand + 12 * 3600, metrics.seconds);
  // The stage alone, held without an end: what a failure leaves is asked of its band.
  const alone = { ...chamber.stages[at]!, ends: [], latest: 0 };
  const settings = [stages[at]!.controls.map((c) => c.settings)];
  return failures.map(({ kind, which }): FailureGrace => {
    const found = [0, 12 * 3600].map((later) => {
      const moment = begin + later;
      const failure = { id: "failure", kind, which, at: moment, lasting: 0 } as unknown as Happening;
      const calm = { ...chamber, stages: [alone], happenings: [failure] };
      const days = (moment + WATCH_DAYS * 86_400) / 86_400;
      const { whole } = runTrial(trialWith(calm, settings, days, 10), 60);
      const own = whole.find((m) => m.judged === metrics.judged) ?? whole[0]!;
      const [grace] = own.grace;
      return { kind, which, seconds: grace!.seconds, cold: grace!.cold };
    });
    return found.sort((a, b) => (a.seconds ?? -1) - (b.seconds ?? -1))[0]!;
  });
}
