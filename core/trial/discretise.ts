import type { Network } from "../chamber";
import { exponential } from "./matrix";
import { memo } from "./memo";

/** Order of the inputs: a constant, the room in °C, then W into heater, air and cold body, and into each vessel. */
export const INPUT = { constant: 0, room: 1, heater: 2, air: 3, cold: 4, vessel: 5 } as const;

/** dx/dt = A·x + B·u for one mode of the chamber, row by row. */
export interface StateSpace {
  n: number;
  m: number;
  a: Float64Array;
  b: Float64Array;
}

/**
 * State space of the network with its cooler running or not: C_i dT_i/dt = Σ G_ij (T_j − T_i) + G_i,∞ (T_∞ − T_i) + q_i.
 * @param pinned the cold body is melting ice and keeps its temperature
 */
export function stateSpace(network: Network, cooling: boolean, pinned = false): StateSpace {
  const n = network.nodes.length;
  const m = INPUT.vessel + network.vessels.length;
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
    b[i * m + INPUT.room]! += node.toRoom / node.capacity;
  });
  const { heater, air, cold, law } = network;
  if (heater >= 0) b[heater * m + INPUT.heater]! += 1 / capacity(heater);
  b[air * m + INPUT.air]! += 1 / capacity(air);
  if (cold >= 0) b[cold * m + INPUT.cold]! += 1 / capacity(cold);
  network.shells.forEach((parts, v) =>
    parts.forEach(({ node, share }) => (b[node * m + INPUT.vessel + v]! += share / capacity(node))),
  );
  if (cooling && cold >= 0) {
    const q = law.power / capacity(cold);
    a[cold * n + cold]! -= q * law.perBody;
    b[cold * m + INPUT.room]! -= q * law.perRoom;
    b[cold * m + INPUT.constant]! -= q * (1 - law.perBody * law.bodyAt - law.perRoom * law.roomAt);
  }
  if (pinned && cold >= 0) {
    a.fill(0, cold * n, (cold + 1) * n);
    b.fill(0, cold * m, (cold + 1) * m);
  }
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
 * Discretises one mode exactly for inputs held over the step: the exponential of [[A,B,0],[0,0,0],[I,0,0]]·dt
 * (Van Loan 1978, IEEE Trans. Automatic Control 23, 395).
 */
export function discretise({ n, m, a, b }: StateSpace, dt: number): Hold {
  const size = 2 * n + m;
  const augmented = new Float64Array(size * size);
  for (let i = 0; i < n; i++) {
    for (let j = 0; j < n; j++) augmented[i * size + j] = a[i * n + j]! * dt;
    for (let j = 0; j < m; j++) augmented[i * size + n + j] = b[i * m + j]! * dt;
    augmented[(n + m + i) * size + i] = dt;
  }
  const exp = exponential(augmented, size);
  const block = (row: number, column: number, width: number) => {
    const out = new Float64Array(n * width);
    for (let i = 0; i < n; i++)
      for (let j = 0; j < width; j++) out[i * width + j] = exp[(row + i) * size + column + j]!;
    return out;
  };
  return { n, m, phi: block(0, 0, n), gamma: block(0, n, m), psi: block(n + m, 0, n), omega: block(n + m, n, m) };
}

/** The hold of a network in one mode; the last ones are kept. */
export const holdOf = memo(
  ({ network, cooling, pinned, dt }: { network: Network; cooling: boolean; pinned: boolean; dt: number }): Hold =>
    discretise(stateSpace(network, cooling, pinned), dt),
  24,
);
