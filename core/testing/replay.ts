import { Solver } from "odex";
import { COMPRESSOR, type Network } from "../chamber";
import { roomTemperature } from "../climate";
import type { RunState, TrialInput, Watcher } from "../trial";

/** Temperatures and commands of a trial at every step, as a test or the benchmark records them. */
export interface Recording {
  x: number[][];
  heating: boolean[];
  cooling: boolean[];
  heat: number[][];
}

/** Writes down every step of a trial. */
export function recorder(): Recording & Watcher {
  const rows: Recording = { x: [], heating: [], cooling: [], heat: [] };
  return {
    ...rows,
    sample({ x, heat }: RunState, _shown: number, _room: number, heating: boolean, cooling: boolean) {
      rows.x.push(Array.from(x));
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

/** Solves the recorded trial again with the general solver and returns the largest difference at any sample, K. */
export function largestDifference(network: Network, input: TrialInput, recorded: Recording, tolerance = 1e-11): number {
  const solver = new Solver(network.nodes.length);
  solver.absoluteTolerance = solver.relativeTolerance = tolerance;
  solver.maxSteps = 1e6;
  let y = recorded.x[0]!;
  let worst = 0;
  for (let step = 0; step + 1 < recorded.x.length; step++) {
    const f = derivative(network, input, recorded.heating[step]!, recorded.cooling[step]!, recorded.heat[step]!);
    y = solver.solve(f, step * input.dt, y, (step + 1) * input.dt).y;
    recorded.x[step + 1]!.forEach((value, i) => (worst = Math.max(worst, Math.abs(value - y[i]!))));
  }
  return worst;
}
