import { ICE_HEAT, MELTING_HEAT, WATER_HEAT, type Network } from "../chamber";
import { INPUT } from "./discretise";
import type { Mode } from "./modes";
import type { RunState } from "./state";

/** Heat that pinned ice takes over the coming step, J. */
export function absorbed({ absorb, hold: { n, m } }: Mode, x: Float64Array, u: Float64Array, room: number): number {
  let sum = 0;
  for (let i = 0; i < n; i++) sum += absorb[i]! * x[i]!;
  for (let j = 0; j < m; j++) sum += absorb[n + j]! * (j === INPUT.room ? room : u[j]!);
  return sum;
}

/** Moves the ice between its phases after a step; heat is neither lost nor made. */
export function settleIce(state: RunState, ice: number, mass: number, taken: number): void {
  const { devices, x } = state;
  const latent = mass * MELTING_HEAT;
  if (state.ice === "frozen" && x[ice]! > 0) {
    devices.melted = mass * ICE_HEAT * x[ice]!;
    x[ice] = 0;
    state.ice = "melting";
  } else if (state.ice === "melting") {
    devices.melted += taken;
    if (devices.melted < 0) {
      x[ice] = devices.melted / (mass * ICE_HEAT);
      devices.melted = 0;
      state.ice = "frozen";
    } else if (devices.melted >= latent) {
      x[ice] = (devices.melted - latent) / (mass * WATER_HEAT);
      devices.melted = latent;
      state.ice = "water";
    }
  } else if (state.ice === "water" && x[ice]! < 0) {
    devices.melted = latent + x[ice]! * mass * WATER_HEAT;
    x[ice] = 0;
    state.ice = "melting";
  }
}

/** Heat content of the ice against water-free zero, J. */
export function iceContent(state: RunState, network: Network): number {
  if (network.iceMass === 0) return 0;
  const t = state.x[network.cold]!;
  const { iceMass: mass } = network;
  if (state.ice === "frozen") return mass * ICE_HEAT * t;
  return state.devices.melted + (state.ice === "water" ? mass * WATER_HEAT * t : 0);
}

/** Fresh ice in the place of what is left of the old. */
export function changeIce(state: RunState, network: Network, start: number): void {
  const before = iceContent(state, network);
  state.devices.iceAge = 0;
  state.devices.melted = 0;
  state.devices.iceChanges++;
  state.ice = "frozen";
  state.x[network.cold] = start;
  state.devices.brought += iceContent(state, network) - before;
}
