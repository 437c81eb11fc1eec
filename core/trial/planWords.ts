import { findingsOf, questionsOf, sentenceOf, type Question, type SettingsFinding } from "../controller";
import type { Chamber, Settings } from "../model";
import type { Scale } from "../quantity";
import type { UnitPlan } from "./planWith";

/** In words of a scale: what a unit does not give. */
export const planFindings = ({ control, controller }: UnitPlan, scale: Scale): SettingsFinding[] =>
  controller.unit.kind === "watch"
    ? []
    : findingsOf(control.request, control.wished, control.settings, controller.unit, scale);

/** In words of a scale: what looks wrong in what is keyed into a unit. */
export function planQuestions(
  { control, controller }: UnitPlan,
  chamber: Chamber,
  scale: Scale,
  settings: Settings = control.settings,
): Question[] {
  const { request, advised, plugged, ownHeat, heatOfAnother } = control;
  // What hangs in the room has nothing to do with the band.
  if (chamber.probes.find((p) => p.id === controller.probes[0])!.place === "room") return [];
  const about = { request, advised, room: chamber.room, plugged, ownHeat, heatOfAnother };
  return questionsOf(settings, controller.unit, about, scale);
}

/** The sentence of a controller in a stage, printed in a scale. */
export const planSentence = ({ control, controller }: UnitPlan, scale: Scale): string[] =>
  sentenceOf(control.settings, controller.unit, control.plugged, scale);
