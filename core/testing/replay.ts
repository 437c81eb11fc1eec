import * as odex from "odex";
import type { Network } from "../chamber";
import { aroundAt } from "../climate";
import type { IcePhase } from "../device";
import type { RunState, TrialInput, Watcher } from "../trial";

// The package is CommonJS: its class stands in the namespace, or in its default, as the loader has it.
const { Solver } = "Solver" in odex ? odex : (odex as unknown as { default: typeof odex }).default;

/** The general solver, for tests that write their equations out themselves. */
export const odexSolver = () => Solver;

/** Temperatures and inputs of a trial at every step, as a test or the benchmark records them. */
export interface Recording {
  x: number[][];
  /** W into each heater, the air, each cold body, each vessel, and by water of the air that condenses. */
  u: number[][];
  /** The conditions' network. */
  network: Network[];
  /** Which coolers cool, a bit each. */
  cooling: number[];
  /** Of each cooler. */
  ice: IcePhase[][];
  heating: boolean[];
}

/** Writes down every step of a trial of a network with so many nodes. */
export function recorder(nodes: number): Recording & Watcher {
  const rows: Recording = { x: [], u: [], network: [], cooling: [], ice: [], heating: [] };
  return {
    ...rows,
    sample({ x, u, mode, coolers, heating }: RunState) {
      rows.x.push(Array.from(x.subarray(0, nodes)));
      rows.u.push(Array.from(u).slice(2));
      rows.network.push(mode.network);
      rows.cooling.push(mode.cooling);
      rows.ice.push(coolers.map((c) => c.ice));
      rows.heating.push(heating);
    },
  };
}

/**
 * The network's differential equations written out once more, node by node from conductances, for the general solver:
 * no matrix of the core is used. The recorded switching and own heat are replayed; the room runs continuously.
 */
function derivative(
  network: Network,
  input: TrialInput,
  cooling: number,
  ice: readonly IcePhase[],
  u: readonly number[],
) {
  const { heaters, coolers, shells } = network;
  return (t: number, y: number[]): number[] => {
    const room = aroundAt(input.chamber, t, input.startHour);
    const flow = network.nodes.map((node, i) => node.toRoom * (room - y[i]!));
    for (const { a, b, conductance } of network.links) {
      const q = conductance * (y[b]! - y[a]!);
      flow[a]! += q;
      flow[b]! -= q;
    }
    heaters.forEach(({ node }, h) => {
      if (node >= 0) flow[node]! += u[h]!;
    });
    flow[network.air]! += u[heaters.length]!;
    coolers.forEach(({ node, law }, c) => {
      if (node < 0) return;
      flow[node]! += u[heaters.length + 1 + c]!;
      const { power, perBody, bodyAt, perRoom, roomAt, skin } = law;
      if (!(cooling & (1 << c))) return;
      const taken = power * (1 + perBody * (y[node]! - bodyAt) + perRoom * (room - roomAt));
      flow[node]! -= taken;
      flow[network.lining]! += skin * taken;
    });
    const first = heaters.length + 1 + coolers.length;
    shells.forEach((parts, v) => parts.forEach(({ node, share }) => (flow[node]! += share * u[first + v]!)));
    // What water of the air gives and takes: the air, the lining, each cold body, each vessel's outside.
    const wet = first + shells.length;
    const skins = shells.map((parts) => parts.at(-1)!.node);
    [network.air, network.lining, ...coolers.map((c) => c.node), ...skins].forEach((node, i) => {
      if (node >= 0) flow[node]! += u[wet + i] ?? 0;
    });
    coolers.forEach(({ node, iceMass }, c) => {
      if (iceMass > 0 && ice[c] === "melting") flow[node] = 0;
    });
    return flow.map((q, i) => q / network.nodes[i]!.capacity);
  };
}

/**
 * Solves the recorded trial again with the general solver and returns the largest difference, K: at every sample, or
 * only where the switching or the own heat changes, which lets the solver take its own long steps in between. Where
 * ice changes its phase the solver takes over the recorded state: that moment is the core's own bookkeeping.
 */
export function largestDifference(
  network: Network,
  input: TrialInput,
  recorded: Recording,
  tolerance = 1e-11,
  everySample = true,
): number {
  const solver = new Solver(network.nodes.length);
  solver.absoluteTolerance = solver.relativeTolerance = tolerance;
  solver.maxSteps = 1e6;
  const { x, u, cooling, ice } = recorded;
  const same = (a: number, b: number) =>
    cooling[a] === cooling[b] &&
    ice[a]!.join() === ice[b]!.join() &&
    recorded.network[a] === recorded.network[b] &&
    u[a]!.every((w, i) => w === u[b]![i]);
  let y = x[0]!;
  let worst = 0;
  for (let step = 0; step + 1 < x.length;) {
    let next = step + 1;
    while (!everySample && next + 1 < x.length && same(step, next)) next++;
    const f = derivative(recorded.network[step]!, input, cooling[step]!, ice[step]!, u[step]!);
    y = solver.solve(f, step * input.dt, y, next * input.dt).y;
    if (ice[next]!.join() !== ice[step]!.join()) y = [...x[next]!];
    x[next]!.forEach((value, i) => (worst = Math.max(worst, Math.abs(value - y[i]!))));
    step = next;
  }
  return worst;
}
