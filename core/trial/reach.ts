import { discretise, ROOM, stateSpace, type Hold } from "./discretise";
import type { Mode } from "./modes";
import type { Run } from "./run";

/** Holds of modes over the longer spans in which water and products move: kept with the mode that they belong to. */
const made = new WeakMap<Mode, Map<number, Hold>>();

/**
 * How the network answers over a span if nothing switches in it: the exact hold of its present mode over that span, so that
 * what hangs on the temperatures at its end can be solved together with them.
 * @param span s
 */
export function reachOf({ state: { mode } }: Run, span: number): Hold {
  let spans = made.get(mode);
  if (!spans) made.set(mode, (spans = new Map()));
  let hold = spans.get(span);
  if (!hold) {
    const pinned = mode.absorb.reduce((bits, weights, c) => (weights ? bits | (1 << c) : bits), 0);
    spans.set(span, (hold = discretise(stateSpace(mode.network, mode.cooling, pinned), span)));
  }
  return hold;
}

/**
 * Temperature of a node at the end of a span if all inputs stay as they are, °C.
 * @param room °C
 */
export function reached(
  { n, m, phi, gamma }: Hold,
  node: number,
  x: Float64Array,
  u: Float64Array,
  room: number,
): number {
  let sum = 0;
  for (let j = 0; j < n; j++) sum += phi[node * n + j]! * x[j]!;
  for (let j = 0; j < m; j++) sum += gamma[node * m + j]! * (j === ROOM ? room : u[j]!);
  return sum;
}
