import type { Network } from "../chamber";
import { integralsOf, multiply, normOf } from "./matrix";
import { memo } from "./memo";

/** Where each input stands: a constant, the room in °C, then W into each heater, the air, each cold body, each vessel. */
export interface Inputs {
  constant: 0;
  room: 1;
  /** The first of the heaters, of the cold bodies, and of the vessels. */
  heater: 2;
  air: number;
  cold: number;
  vessel: number;
  /** Where the water in the air is reckoned: W that it gives to the air, the lining, each cold body, each vessel's skin. */
  wet: number;
  count: number;
}

/** Room among the inputs: the only one that changes at every step. */
export const ROOM = 1;

type Counted = Pick<Network, "heaters" | "coolers" | "vessels" | "moist">;
export function inputsOf({ heaters, coolers, vessels, moist }: Counted): Inputs {
  const air = 2 + heaters.length;
  const vessel = air + 1 + coolers.length;
  const wet = vessel + vessels.length;
  const count = moist ? wet + 2 + coolers.length + vessels.length : wet;
  return { constant: 0, room: ROOM, heater: 2, air, cold: air + 1, vessel, wet, count };
}

/** dx/dt = A·x + B·u for one mode of the chamber, row by row. */
export interface StateSpace {
  n: number;
  m: number;
  a: Float64Array;
  b: Float64Array;
}

/**
 * State space of the network with some of its coolers running: C_i dT_i/dt = Σ G_ij (T_j − T_i) + G_i,∞ (T_∞ − T_i) + q_i.
 * @param cooling which coolers run, a bit each
 * @param pinned cold bodies that are melting ice and keep their temperature, a bit each
 */
export function stateSpace(network: Network, cooling: number, pinned = 0): StateSpace {
  const n = network.nodes.length;
  const at = inputsOf(network);
  const m = at.count;
  const a = new Float64Array(n * n);
  const b = new Float64Array(n * m);
  const capacity = (i: number) => network.nodes[i]!.capacity;
  for (const { a: i, b: j, conductance } of network.links) {
    a[i * n + j]! += conductance / capacity(i);
    a[i * n + i]! -= conductance / capacity(i);
    a[j * n + i]! += conductance / capacity(j);
    a[j * n + j]! -= conductance / capacity(j);
  }
  network.nodes.forEach((node, i) => {
    a[i * n + i]! -= node.toRoom / node.capacity;
    b[i * m + at.room]! += node.toRoom / node.capacity;
  });
  const { heaters, coolers, air } = network;
  heaters.forEach(({ node }, h) => {
    if (node >= 0) b[node * m + at.heater + h]! += 1 / capacity(node);
  });
  b[air * m + at.air]! += 1 / capacity(air);
  coolers.forEach(({ node }, c) => {
    if (node >= 0) b[node * m + at.cold + c]! += 1 / capacity(node);
  });
  if (network.moist)
    [air, network.lining, ...coolers.map((c) => c.node), ...network.shells.map((s) => s.at(-1)!.node)].forEach(
      (node, i) => {
        if (node >= 0) b[node * m + at.wet + i]! += 1 / capacity(node);
      },
    );
  network.shells.forEach((parts, v) =>
    parts.forEach(({ node, share }) => (b[node * m + at.vessel + v]! += share / capacity(node))),
  );
  coolers.forEach(({ node, law }, c) => {
    if (node < 0) return;
    if (cooling & (1 << c)) {
      const q = law.power / capacity(node);
      a[node * n + node]! -= q * law.perBody;
      b[node * m + at.room]! -= q * law.perRoom;
      b[node * m + at.constant]! -= q * (1 - law.perBody * law.bodyAt - law.perRoom * law.roomAt);
      if (law.skin > 0) {
        const { lining } = network;
        const back = (law.skin * law.power) / capacity(lining);
        a[lining * n + node]! += back * law.perBody;
        b[lining * m + at.room]! += back * law.perRoom;
        b[lining * m + at.constant]! += back * (1 - law.perBody * law.bodyAt - law.perRoom * law.roomAt);
      }
    }
    if (pinned & (1 << c)) {
      a.fill(0, node * n, (node + 1) * n);
      b.fill(0, node * m, (node + 1) * m);
    }
  });
  return { n, m, a, b };
}
/** Exact zero-order hold over a step: x⁺ = Φ·x + Γ·u and ∫x dt = Ψ·x + Ω·u. */
export interface Hold {
  n: number;
  m: number;
  phi: Float64Array;
  gamma: Float64Array;
  psi: Float64Array;
  omega: Float64Array;
}

/**
 * Discretises one mode exactly for inputs held over the step: Φ = e^{A·dt}, Γ = ∫e^{A·s}ds·B, and the same once more for
 * the integral of the state (after Van Loan 1978, IEEE Trans. Automatic Control 23, 395).
 * @throws RangeError where a rate is so large that no double holds the answer
 */
export function discretise({ n, m, a, b }: StateSpace, dt: number): Hold {
  normOf(b, n, dt);
  const { power, once, twice } = integralsOf(a, n, dt);
  return { n, m, phi: power, gamma: multiply(once, b, n, m), psi: once, omega: multiply(twice, b, n, m) };
}

/** The hold of a network in one mode; the last ones are kept. */
export const holdOf = memo(
  ({ network, cooling, pinned, dt }: { network: Network; cooling: number; pinned: number; dt: number }): Hold =>
    discretise(stateSpace(network, cooling, pinned), dt),
  24,
);
