import { describe, hasCooler, hasHeater } from "../chamber";
import {
  findingsOf,
  fitToUnit,
  sentenceOf,
  switchingOf,
  wishFor,
  type Ask,
  type Finding,
  questionsOf,
  type Margins,
  type Plugged,
  type Question,
  type Switching,
} from "../controller";
import { fill, type Chamber, type ChamberRecord, type Settings } from "../model";
import type { Scale } from "../quantity";
import { peakOwnHeat } from "../product";
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
  plugged: Plugged;
  /** In words of a scale: what the unit does not give, and what looks wrong. */
  findings: (scale: Scale) => Finding[];
  questions: (scale: Scale) => Question[];
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
    wish: stage.wish,
  };
  const wish = wishFor(ask, unit);
  const wished = fill(wish, record.settings);
  const settings = fitToUnit(wished, unit);
  const advised = fitToUnit(wish, unit);
  const plugged: Plugged = {
    heater: hasHeater(chamber),
    cooler: hasCooler(chamber),
    compressor: hasCooler(chamber) && chamber.cooler.kind === "compressor",
  };
  const { product, volume } = chamber.vessels[0]!;
  const about = {
    ask,
    advised,
    room: chamber.room,
    plugged,
    ownHeat: peakOwnHeat(product, volume, stage.target) > 0.5,
  };
  return {
    chamber,
    ask,
    margins,
    advised,
    plugged,
    settings,
    switching: switchingOf(settings, unit, error),
    findings: (scale) => findingsOf(ask, wished, settings, unit, scale),
    questions: (scale) => questionsOf(settings, unit, about, scale),
  };
}

/** The sentence of a plan, printed in a scale. */
export const sentenceOfPlan = ({ chamber, settings, plugged }: Plan, scale: Scale): string[] =>
  sentenceOf(settings, chamber.unit, plugged, scale);
