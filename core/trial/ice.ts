import { ICE_HEAT, MELTING_HEAT, WATER_HEAT, type Network } from "../chamber";
import { ROOM } from "./discretise";
import type { Mode } from "./modes";
import type { Run } from "./run";
import type { RunState } from "./state";
import type { Situation } from "./timeline";

/** Heat that a pinned ice takes over the coming step, J. */
export function absorbed(
  weights: Float64Array,
  { hold: { n, m } }: Mode,
  x: Float64Array,
  u: Float64Array,
  room: number,
): number {
  let sum = 0;
  for (let i = 0; i < n; i++) sum += weights[i]! * x[i]!;
  for (let j = 0; j < m; j++) sum += weights[n + j]! * (j === ROOM ? room : u[j]!);
  return sum;
}

/** Moves an ice between its phases after a step; heat is neither lost nor made. */
export function settleIce(state: RunState, network: Network, index: number, taken: number): void {
  const { x } = state;
  const cooler = state.coolers[index]!;
  const { node: ice, iceMass: mass } = network.coolers[index]!;
  const latent = mass * MELTING_HEAT;
  if (cooler.ice === "frozen" && x[ice]! > 0) {
    cooler.melted = mass * ICE_HEAT * x[ice]!;
    x[ice] = 0;
    cooler.ice = "melting";
  } else if (cooler.ice === "melting") {
    cooler.melted += taken;
    if (cooler.melted < 0) {
      x[ice] = cooler.melted / (mass * ICE_HEAT);
      cooler.melted = 0;
      cooler.ice = "frozen";
    } else if (cooler.melted >= latent) {
      x[ice] = (cooler.melted - latent) / (mass * WATER_HEAT);
      cooler.melted = latent;
      cooler.ice = "water";
    }
  } else if (cooler.ice === "water" && x[ice]! < 0) {
    cooler.melted = latent + x[ice]! * mass * WATER_HEAT;
    x[ice] = 0;
    cooler.ice = "melting";
  }
}

/** Heat content of an ice against water-free zero, J. */
export function iceContent(state: RunState, network: Network, index: number): number {
  const { node, iceMass: mass } = network.coolers[index]!;
  if (mass === 0) return 0;
  const t = state.x[node]!;
  const { ice, melted } = state.coolers[index]!;
  if (ice === "frozen") return mass * ICE_HEAT * t;
  return melted + (ice === "water" ? mass * WATER_HEAT * t : 0);
}

/** Fresh ice in the place of what is left of the old. */
export function changeIce(state: RunState, network: Network, index: number, start: number): void {
  const before = iceContent(state, network, index);
  const cooler = state.coolers[index]!;
  cooler.iceAge = 0;
  cooler.melted = 0;
  cooler.iceChanges++;
  cooler.ice = "frozen";
  state.x[network.coolers[index]!.node] = start;
  cooler.brought += iceContent(state, network, index) - before;
}

/** Fresh ice where it is time, and which phase each is in; says whether any has changed. */
export function turnIce(run: Run, now: Situation): boolean {
  const { network, input, state } = run;
  const { conditions } = now;
  let changed = false;
  for (let c = 0; c < state.coolers.length; c++) {
    if (network.coolers[c]!.iceMass === 0) continue;
    const { iceEvery, iceStart } = input.chamber.coolers[c]!;
    const cooler = state.coolers[c]!;
    cooler.iceAge += input.dt;
    if (iceEvery > 0 && cooler.iceAge >= iceEvery && !now.coolers[c]!.iceForgotten)
      changeIce(state, network, c, iceStart);
    if (cooler.ice === conditions.ice[c]) continue;
    conditions.ice[c] = cooler.ice;
    changed = true;
  }
  return changed;
}
