import { labelOf, printSetting, switchingParametersOf } from "../controller";
import type { ChamberRecord, SettingName } from "../model";
import { placeLabel } from "../probe";
import { kelvins, midSentence, printDifference, printNumber, type Scale } from "../quantity";
import { planOf } from "../trial";
import { faultsOf } from "./demand";
import type { Recommendation } from "./types";

/** Why not one of the numbers that were tried and stay nearer to the target. */
function whyNotTighter({ best, points }: Recommendation): string {
  const { excursion, startsPerDay } = best!.score;
  const nearer = points.filter((p) => p.score.excursion < excursion - 0.02);
  if (nearer.length === 0) return "Nothing that was tried stays nearer to the target";
  const dear = nearer.some((p) => p.score.holds && p.score.startsPerDay > startsPerDay);
  const reasons = [...faultsOf(nearer), ...(dear ? ["switch more often than it is worth"] : [])];
  return `What stays nearer would ${reasons.join(" or ") || "cost more than it gains"}`;
}

/** The choice in two sentences. */
export function explain(record: ChamberRecord, found: Recommendation, scale: Scale): string[] {
  const { best, present } = found;
  if (!best) return [];
  const { chamber } = planOf(record);
  const judged = chamber.stages[0]!.of === "air" ? "air" : "product";
  const say = (name: SettingName) =>
    `${midSentence(labelOf(name, chamber.unit))} ${printSetting(best.score.settings, name, chamber.unit, scale)}`;
  const by = (d: number) => printDifference(kelvins(d), scale, 0.01);
  const change =
    best.place !== chamber.probes[0]!.place
      ? `, the probe ${placeLabel(best.place, chamber.cabinet).toLowerCase()}`
      : "";
  const heater = best.heaterPower !== chamber.heater.power ? `, a heater of ${best.heaterPower}\u00a0W` : "";
  return [
    `With ${switchingParametersOf(chamber.unit).map(say).join(", ")}${change}${heater} the ${judged} stays within ${by(best.score.excursion)} of its target in the coldest, a mild and the hottest room, at ${printNumber(best.score.startsPerDay, 1)} starts a day in the worst of them.`,
    `${whyNotTighter(found)}; the present numbers stray ${by(present.score.excursion)} at ${printNumber(present.score.startsPerDay, 1)} starts a day.`,
  ];
}
