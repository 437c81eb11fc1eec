import { outletsOf, pointsOf, resolutionOf, type Points } from "../controller";
import { unitsOf, type UnitPlan } from "../trial";
import type { Case } from "./types";

/** The controllers of a stage that hold the same as the case's: one unit, or several that have to agree. */
export const groupOf = ({ plan, stagePlan, control }: Pick<Case, "plan" | "stagePlan" | "control">): UnitPlan[] =>
  unitsOf(plan, stagePlan).filter((u) => u.control.holds === control.holds && switches(u));

const switches = ({ control, controller }: UnitPlan): boolean => {
  const { heat, cold } = outletsOf(controller.unit);
  return (heat && control.plugged.heater) || (cold && control.plugged.cooler);
};

/** Where heat and cold come on and go off for the same, whichever controllers they come from. */
export function pointsIn(c: Pick<Case, "plan" | "stagePlan" | "control" | "unit">): Points {
  const points = pointsOf(c.control.settings, c.unit);
  for (const { control, controller } of groupOf(c)) {
    const own = pointsOf(control.settings, controller.unit);
    const { heat, cold } = outletsOf(controller.unit);
    if (heat && control.plugged.heater) Object.assign(points, { heatOn: own.heatOn, heatOff: own.heatOff });
    if (cold && control.plugged.cooler) Object.assign(points, { coldOn: own.coldOn, coldOff: own.coldOff });
  }
  return points;
}

/** Step of the coarsest display among them, K. */
export const stepOf = (c: Pick<Case, "plan" | "stagePlan" | "control" | "unit">): number =>
  Math.max(resolutionOf(c.unit), ...groupOf(c).map((u) => resolutionOf(u.controller.unit)));
