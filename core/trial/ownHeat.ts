import { evaporationHeat, modelOf } from "../product";
import type { Run } from "./run";

const produced = { watts: 0 };

/** Moves every vessel's own heat and evaporation on and says whether any has changed. */
export function moveProducts(run: Run, span: number): boolean {
  const { state, network, input, at } = run;
  let changed = false;
  const seconds = state.step * input.dt + span / 2;
  for (let v = 0; v < state.heat.length; v++) {
    const vessel = input.chamber.vessels[v]!;
    const shells = network.shells[v]!;
    const core = state.x[network.vessels[v]!]!;
    modelOf(vessel.product).step(state.products[v]!, vessel.product, core, seconds, span, produced);
    const own = vessel.count * produced.watts;
    const taken = evaporationHeat(vessel, state.x[shells[shells.length - 1]!.node]!);
    changed ||= own !== state.heat[v] || taken !== state.evaporated[v];
    state.heat[v] = own;
    state.evaporated[v] = taken;
    state.u[at.vessel + v] = own - taken;
  }
  return changed;
}
