import { labelOf, outletsOf, parametersOf, printSetting } from "../controller";
import { stageName } from "../program";
import type { Scale } from "../quantity";
import type { Plan } from "./planWith";
import type { Trial } from "./runTrial";
import { shifted } from "./timeline";

/** What has to be keyed into a unit by hand at a moment of a program. */
export interface KeyingTask {
  /** Always the same for the same thing to do, however often the program is worked out. */
  id: string;
  /** s from the start of the program. */
  at: number;
  stage: string;
  stageName: string;
  /** The unit's own name, or its number where there are several; empty where there is one. */
  unit: string;
  numbers: { label: string; value: string }[];
}

/**
 * All that has to be keyed in over a program, by the trial of it: at each stage as it begins there, and at each step of a
 * way between two; only what differs from what stands in the unit already. A stage that the trial does not come to is not
 * among them.
 */
export function keyingTasks(plan: Plan, trial: Trial, scale: Scale): KeyingTask[] {
  const { chamber, stages } = plan;
  const spans = trial.bands.filter((b) => b.to > b.from);
  return chamber.controllers.flatMap((controller, c): KeyingTask[] => {
    const { unit, id } = controller;
    const outlets = outletsOf(unit);
    if (!outlets.heat && !outlets.cold) return [];
    const names = parametersOf(unit).filter(
      (name) => name !== "compressorDelay" || (outlets.cold && stages[0]!.controls[c]!.plugged.cooler),
    );
    const several = chamber.controllers.length > 1;
    let stands: Record<string, string> = {};
    const steps: Record<number, number> = {};
    return spans.flatMap((span): KeyingTask[] => {
      const { stage, controls } = stages[span.stage]!;
      const control = controls[c]!;
      const own = chamber.vessels.some((v) => v.id === control.holds && v.band !== null);
      const settings = shifted(control.settings, own ? 0 : span.low - stage.low);
      const wanted = Object.fromEntries(names.map((name) => [name, printSetting(settings, name, unit, scale)]));
      const numbers = names
        .filter((name) => wanted[name] !== stands[name])
        .map((name) => ({ label: labelOf(name, unit), value: wanted[name]! }));
      stands = wanted;
      const step = (steps[span.stage] = (steps[span.stage] ?? -1) + 1);
      if (numbers.length === 0) return [];
      return [
        {
          id: `${stage.id}-${id}-${step}`,
          at: span.from,
          stage: stage.id,
          stageName: stageName(chamber.stages, stage.id),
          unit: several ? unit.name || `Unit ${c + 1}` : "",
          numbers,
        },
      ];
    });
  });
}
