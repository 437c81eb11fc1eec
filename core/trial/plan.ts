import { describe } from "../chamber";
import {
  findingsOf,
  fitToUnit,
  sentenceOf,
  switchingOf,
  wishFor,
  type Ask,
  type Finding,
  type Margins,
  type Switching,
} from "../controller";
import { fill, type Chamber, type ChamberRecord, type Settings } from "../model";
import type { Scale } from "../quantity";
import { marginsOf, strayOf } from "./runOn";

/** A stored chamber with all that follows from it short of a trial. */
export interface Plan {
  chamber: Chamber;
  ask: Ask;
  margins: Margins;
  /** What the band asks for, fitted to the unit. */
  advised: Settings;
  /** What is keyed in: the advised settings with the typed ones laid over them, fitted to the unit. */
  settings: Settings;
  switching: Switching;
  /** In words of a scale. */
  findings: (scale: Scale) => Finding[];
}

/** Works out the settings of a stored chamber, with margins from the run-on of its own devices. */
export function planOf(record: ChamberRecord): Plan {
  const chamber = describe(record);
  const stage = chamber.stages[0]!;
  const { unit } = chamber;
  const error = chamber.probes[0]!.error;
  const margins = marginsOf(chamber, stage);
  const ask: Ask = {
    low: stage.low,
    high: stage.high,
    target: stage.target,
    error,
    margins,
    stray: strayOf(chamber, stage),
  };
  const wish = wishFor(ask);
  const wished = fill(wish, record.settings);
  const settings = fitToUnit(wished, unit);
  return {
    chamber,
    ask,
    margins,
    advised: fitToUnit(wish, unit),
    settings,
    switching: switchingOf(settings, unit, error),
    findings: (scale) => findingsOf(ask, wished, settings, unit, scale),
  };
}

/** The sentence of a plan, printed in a scale. */
export const sentenceOfPlan = ({ chamber, settings }: Plan, scale: Scale): string[] =>
  sentenceOf(settings, chamber.unit, { heater: chamber.heater.power > 0, cooler: chamber.cooler.power > 0 }, scale);
