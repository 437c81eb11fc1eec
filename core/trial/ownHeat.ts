import { boxes } from "../chamber";
import type { CabinetKind, Vessel } from "../model";
import { evaporationHeat, modelOf, type Around } from "../product";
import { isQuick } from "./quick";
import type { Run } from "./run";

const produced = { watts: 0 };
/** Air of a room in which rated heats of vented boxes are meant, °C. */
const ROOM = 15;

/**
 * The air that a vessel's rated heat is meant for: a room's in a vented box, its own at the same temperature in a shut one.
 * Never warmer than the surface: rated in air that takes nothing, it would have no answer.
 */
const ratedFor = (kind: CabinetKind, { evaporationAt }: Pick<Vessel, "evaporationAt">): Around => ({
  air: isQuick(kind) ? Math.min(ROOM, evaporationAt) : evaporationAt,
  humidity: boxes[kind].cabinet.humidity,
});

/** Moves every vessel's own heat and evaporation on and says whether any has changed. */
export function moveProducts(run: Run, span: number): boolean {
  const { state, network, input, at } = run;
  const { cabinet } = input.chamber;
  const vented = isQuick(cabinet.kind);
  const around: Around = {
    air: vented ? run.rooms[state.step % run.rooms.length]! : state.x[network.air]!,
    humidity: cabinet.humidity,
  };
  let changed = false;
  const seconds = state.step * input.dt + span / 2;
  for (let v = 0; v < state.heat.length; v++) {
    const vessel = input.chamber.vessels[v]!;
    const shells = network.shells[v]!;
    const core = state.x[network.vessels[v]!]!;
    modelOf(vessel.product).step(state.products[v]!, vessel.product, core, seconds, span, produced);
    const own = vessel.count * produced.watts;
    const surface = state.x[shells[shells.length - 1]!.node]!;
    const taken = evaporationHeat(vessel, surface, around, ratedFor(cabinet.kind, vessel));
    changed ||= own !== state.heat[v] || taken !== state.evaporated[v];
    state.heat[v] = own;
    state.evaporated[v] = taken;
    state.u[at.vessel + v] = own - taken;
  }
  return changed;
}
