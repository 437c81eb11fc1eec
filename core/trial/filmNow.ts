import { filmLevel, filmSpan, movesByItself, type Conditions } from "../chamber";
import type { Flight } from "./leap";
import type { Run } from "./run";
import type { Situation } from "./timeline";

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

/**
 * Steps of a flight until films may have to be looked at: until the moment for that after the first step at which the
 * largest difference could belong to another level.
 * @param every steps between two such moments
 */
export function untilFilms(run: Run, { conditions }: Situation, flight: Flight, most: number, every: number): number {
  const { state, network, input } = run;
  const { chamber } = input;
  const looksAt = (steps: number) => {
    const after = (state.step + steps) % every;
    return Math.min(most, after === 0 ? steps : steps + every - after);
  };
  // Where it is stirred it has no level: one that is left from before goes at the next moment.
  if (!movesByItself(chamber, conditions)) return state.film === 0 ? most : looksAt(1);
  const { from, to } = filmSpan(state.film);
  const n = network.nodes.length;
  const now = state.step * input.dt;
  let largest = n;
  let steps = most;
  for (let d = 0; d <= network.shells.length; d++) {
    if (d > 0 && chamber.vessels[d - 1]!.putIn > now) continue;
    if (Math.abs(flight.at(n + d, 0)) > Math.abs(flight.at(largest, 0))) largest = n + d;
    steps = flight.leaves(n + d, 0, steps, -to, to);
  }
  if (from > 0) {
    const warmer = flight.at(largest, 0) > 0;
    steps = flight.leaves(largest, 0, steps, warmer ? from : -Infinity, warmer ? Infinity : -from);
  }
  return looksAt(steps);
}
