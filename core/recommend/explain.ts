import { labelOf, printSetting, switchingParametersOf } from "../controller";
import { controllerName } from "../program";
import type { ChamberRecord, SettingName } from "../model";
import { placeLabel } from "../probe";
import { kelvins, midSentence, printDifference, printNumber, type Scale } from "../quantity";
import { judgedName, planOf } from "../trial";
import { withArticle } from "../verdict";
import { faultsOf } from "./constraint";
import type { Score } from "./score";
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

/** Starts a day in the worst season, each by its name. */
export function sayStarts({ starts }: Pick<Score, "starts">): string {
  const cold = starts.cold === null ? "" : printNumber(starts.cold, 1);
  const heat = starts.heat === null ? "" : printNumber(starts.heat, 1);
  if (cold && heat) return `${cold} starts of the cooling and ${heat} of the heater a day`;
  return `${cold || heat || "no"} starts of the ${cold ? "cooling" : "heater"} a day`;
}

/** The choice in two sentences. */
export function explain(record: ChamberRecord, found: Recommendation, scale: Scale): string[] {
  const { best, present } = found;
  if (!best) return [];
  const { chamber } = planOf(record);
  const several = found.controllers.length > 1;
  const worst = [...best.score.seasons].sort((a, b) => b.away - a.away)[0]!;
  const judged = withArticle(judgedName(worst.judged, chamber.vessels));
  const keyed = found.controllers.flatMap((id) => {
    const c = chamber.controllers.findIndex((u) => u.id === id);
    const { unit } = chamber.controllers[c]!;
    const of = several ? ` of ${controllerName(chamber, id)}` : "";
    const say = (name: SettingName) =>
      `${midSentence(labelOf(name, unit))}${of} ${printSetting(best.score.settings[c]!, name, unit, scale)}`;
    return switchingParametersOf(unit).map(say);
  });
  const by = (d: number) => printDifference(kelvins(d), scale, 0.01);
  const change =
    best.place !== present.place ? `, the probe ${placeLabel(best.place, chamber.cabinet).toLowerCase()}` : "";
  const heater = best.heaterPower !== present.heaterPower ? `, a heater of ${best.heaterPower}\u00a0W` : "";
  return [
    `With ${keyed.join(", ")}${change}${heater} ${judged} stays within ${by(best.score.excursion)} of its target in the coldest, a mild and the hottest room, at ${sayStarts(best.score)} in the worst of them.`,
    `${whyNotTighter(found)}; the present numbers stray ${by(present.score.excursion)} at ${sayStarts(present.score)}.`,
  ];
}
