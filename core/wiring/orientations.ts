import type { WiringPlan } from "./plan";
import type { Orientation } from "./state";
import { hasTwoCords, plugTurns } from "./wires";

/** In how many ways the plugs may stand in the wall; `lines`: and on which line of the house the second circuit is. */
export function orientationsOf(plan: WiringPlan, lines = false): Orientation[] {
  const two = hasTwoCords(plan);
  const ways = plugTurns(plan) ? [false, true] : [false];
  return ways.flatMap((a) =>
    (two ? ways : [false]).flatMap((b) =>
      (two && lines ? [false, true] : [false]).map((otherLine): Orientation => ({ turned: [a, b], otherLine })),
    ),
  );
}
