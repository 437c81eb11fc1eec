import { filmLevel, movesByItself, type Conditions } from "../chamber";
import type { Run } from "./run";

/**
 * How strongly the air of a box moves by itself now, as a level of films.ts: by the largest difference between it and
 * what it meets, the lining and every vessel that is in. One level for all of them, so that each stays one set of
 * matrices; where two differ it is the small surface of a vessel that holds the heat up.
 */
export function filmNow({ state, network, input }: Run, conditions: Conditions, now: number): number {
  const { chamber } = input;
  if (!movesByItself(chamber, conditions)) return 0;
  const { x } = state;
  const air = x[network.air]!;
  let most = Math.abs(air - x[network.lining]!);
  for (let v = 0; v < network.shells.length; v++) {
    if (chamber.vessels[v]!.putIn > now) continue;
    const shells = network.shells[v]!;
    const difference = Math.abs(air - x[shells[shells.length - 1]!.node]!);
    if (difference > most) most = difference;
  }
  return filmLevel(most, state.film);
}
