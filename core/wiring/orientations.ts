import type { Orientation } from "./position";
import { mainsTable } from "./mains";
import { hasTwoCords, plugTurns, type WiringPlan } from "./plan";

/** In how many ways the plugs may stand in the wall; `lines`: and on which line of the house the second circuit is. */
export function orientationsOf(plan: WiringPlan, lines = false): Orientation[] {
  const two = hasTwoCords(plan);
  const ways = plugTurns(plan) ? [false, true] : [false];
  return ways.flatMap((a) =>
    (two ? ways : [false]).flatMap((b) =>
      (two && lines ? [false, true] : [false]).map((otherLine): Orientation => ({
        turned: [a, b],
        otherLine,
        half: false,
      })),
    ),
  );
}

/** The same, and where one of two conductors is called neutral, both of them at half of the volts. */
export function suppliesOf(plan: WiringPlan): Orientation[] {
  const ways = orientationsOf(plan);
  return mainsTable[plan.wiring.mains].twoLines ? ways : [...ways, { ...ways[0]!, half: true }];
}
