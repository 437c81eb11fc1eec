import * as odex from "odex";
import { COMPRESSOR, type Network } from "../chamber";
import { roomTemperature } from "../climate";
import type { RunState, TrialInput, Watcher } from "../trial";

// The package is CommonJS: its class stands in the namespace, or in its default, as the loader has it.
const { Solver } = "Solver" in odex ? odex : (odex as unknown as { default: typeof odex }).default;

/** Temperatures and commands of a trial at every step, as a test or the benchmark records them. */
export interface Recording {
  x: number[][];
  heating: boolean[];
  cooling: boolean[];
  heat: number[][];
}

/** Writes down every step of a trial of a network with so many nodes. */
export function recorder(nodes: number): Recording & Watcher {
  const rows: Recording = { x: [], heating: [], cooling: [], heat: [] };
  return {
    ...rows,
    sample({ x, heat }: RunState, _shown: number, _room: number, heating: boolean, cooling: boolean) {
      rows.x.push(Array.from(x.subarray(0, nodes)));
      rows.heat.push(Array.from(heat));
      rows.heating.push(heating);
      rows.cooling.push(cooling);
    },
  };
}

/**
 * The network's differential equations written out once more, node by node from conductances, for the general solver:
 * no matrix of the core is used. The recorded switching and own heat are replayed; the room runs continuously.
 */
function derivative(network: Network, input: TrialInput, heating: boolean, cooling: boolean, heat: readonly number[]) {
  return (t: number, y: number[]): number[] => {
    const room = roomTemperature(input.chamber.room, t, input.startHour);
    const flow = network.nodes.map((node, i) => node.toRoom * (room - y[i]!));
    for (const { a, b, conductance } of network.links) {
      const q = conductance * (y[b]! - y[a]!);
      flow[a]! += q;
      flow[b]! -= q;
    }
    if (heating) flow[network.heater]! += network.heaterPower;
    network.vessels.forEach((node, v) => (flow[node]! += heat[v]!));
    if (cooling) {
      const evaporator = y[network.evaporator]!;
      flow[network.evaporator]! -=
        network.coolerPower *
        (1 +
          COMPRESSOR.perEvaporator * (evaporator - COMPRESSOR.evaporatorAt) +
          COMPRESSOR.perRoom * (room - COMPRESSOR.roomAt));
    }
    return flow.map((q, i) => q / network.nodes[i]!.capacity);
  };
}

/**
 * Solves the recorded trial again with the general solver and returns the largest difference, K: at every sample, or
 * only where the switching or the own heat changes, which lets the solver take its own long steps in between.
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
  const { x, heating, cooling, heat } = recorded;
  const same = (a: number, b: number) =>
    heating[a] === heating[b] && cooling[a] === cooling[b] && heat[a]!.every((w, v) => w === heat[b]![v]);
  let y = x[0]!;
  let worst = 0;
  for (let step = 0; step + 1 < x.length;) {
    let next = step + 1;
    while (!everySample && next + 1 < x.length && same(step, next)) next++;
    const f = derivative(network, input, heating[step]!, cooling[step]!, heat[step]!);
    y = solver.solve(f, step * input.dt, y, next * input.dt).y;
    x[next]!.forEach((value, i) => (worst = Math.max(worst, Math.abs(value - y[i]!))));
    step = next;
  }
  return worst;
}
