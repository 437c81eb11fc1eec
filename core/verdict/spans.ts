import { CORNERS, withShares } from "../chamber";
import { runTrial, switchesOf, trialWith } from "../trial";
import { CHASE_PER_DAY } from "./limits";
import { pointsIn, stepOf } from "./group";
import { backToAdvised, marginsIn, offered, strapProbe, widenToMargins } from "./remedies";
import type { Case, Rule } from "./types";

/** The trial that a chase is looked for in, s and days. */
const STEP = 10;
const DAYS = 3;

/** Between heat and cold lies at least what advice over the whole span asks for: nothing has to be tried. */
function keepsMargins(c: Case): boolean {
  const points = pointsIn(c);
  const margins = marginsIn(c);
  const half = stepOf(c) / 2 + 1e-9;
  return (
    points.coldOff - points.heatOn >= margins.heating - half && points.coldOn - points.heatOff >= margins.cooling - half
  );
}

/**
 * Heat and cold that leave each other alone in the trial, and would not where the box is less than its estimates say:
 * "no chasing" is said only where it holds over all that they can be.
 */
export const mayChase: Rule = (c) => {
  const can = switchesOf(c.chamber);
  if (!can.heat || !can.cold || c.metrics.reversals.perDay > CHASE_PER_DAY || keepsMargins(c)) return null;
  const days = Math.min(DAYS, Math.max(0.5, c.metrics.seconds / 86_400));
  const alone = { ...c.chamber, happenings: [], stages: [{ ...c.stage, ends: [], latest: 0 }] };
  const settings = [c.stagePlan.controls.map((u) => u.settings)];
  const perDay = Math.max(
    ...CORNERS.map(
      (corner) => runTrial(trialWith(withShares(alone, corner), settings, days, STEP)).metrics.reversals.perDay,
    ),
  );
  if (perDay <= CHASE_PER_DAY) return null;
  return {
    id: "may-chase",
    severity: "warning",
    station: "settings",
    title: "Heat and cold may chase each other",
    text: `In this trial they leave each other alone. But how fast air and surfaces exchange heat, and what heater and evaporator hold, are estimates: each may be half to one and a half of it. At the worst of that they would answer each other ${Math.round(perDay)} times a day. Wider differentials hold for all of it.`,
    moment: null,
    remedies: offered(widenToMargins(c), strapProbe(c), backToAdvised(c)),
  };
};
