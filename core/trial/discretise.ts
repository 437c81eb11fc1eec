import { COMPRESSOR, type Network } from "../chamber";
import { exponential } from "./matrix";
import { memo } from "./memo";

/** Order of the inputs: a constant, the room in °C, the heater in W, then the own heat of each vessel in W. */
export const INPUT = { constant: 0, room: 1, heater: 2, vessel: 3 } as const;

/** dx/dt = A·x + B·u for one mode of the chamber, row by row. */
export interface StateSpace {
  n: number;
  m: number;
  a: Float64Array;
  b: Float64Array;
}

/** State space of the network with the compressor running or not. C_i dT_i/dt = Σ G_ij (T_j − T_i) + G_i,∞ (T_∞ − T_i) + q_i. */
export function stateSpace(network: Network, compressor: boolean): StateSpace {
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
  b[network.heater * m + INPUT.heater] = 1 / capacity(network.heater);
  network.vessels.forEach((node, v) => (b[node * m + INPUT.vessel + v] = 1 / capacity(node)));
  if (compressor) {
    const e = network.evaporator;
    const { perEvaporator, evaporatorAt, perRoom, roomAt } = COMPRESSOR;
    const q = network.coolerPower / capacity(e);
    a[e * n + e]! -= q * perEvaporator;
    b[e * m + INPUT.room]! -= q * perRoom;
    b[e * m + INPUT.constant]! -= q * (1 - perEvaporator * evaporatorAt - perRoom * roomAt);
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

/** Holds of a network without and with the compressor; the last few are kept. */
export const holdsOf = memo(({ network, dt }: { network: Network; dt: number }): [Hold, Hold] => [
  discretise(stateSpace(network, false), dt),
  discretise(stateSpace(network, true), dt),
]);
