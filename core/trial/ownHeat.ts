import { boxes, isBath } from "../chamber";
import type { CabinetKind, Chamber, Vessel } from "../model";
import { evaporationHeat, modelOf, saturation, USUAL_HOLD, type Around, type Feels } from "../product";
import { filmOn } from "./filmOn";
import { isQuick } from "./quick";
import type { Run } from "./run";
import type { RunState } from "./state";

const produced = { watts: 0, drying: 0 };
const feels: Feels & { parts: number[] } = {
  core: 0,
  surface: 0,
  parts: [],
  medium: 0,
  film: 0,
  vapour: 0,
  humidity: 0,
  wet: false,
};
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

/** What evaporates by a rated heat answers to it at its surface: held for longer each span would overdo the last, s. */
const WET_HOLD = 60;
/** What gives off nothing is looked at so often all the same, s. */
const STILL_HOLD = 3 * 3600;
const holdOf = ({ product, evaporation }: Chamber["vessels"][number]): number => {
  const { holdsFor, isStill } = modelOf(product);
  if (evaporation === 0 && isStill?.(product)) return STILL_HOLD;
  return holdsFor ?? (evaporation > 0 ? WET_HOLD : USUAL_HOLD);
};

/** How long the products of a chamber may be held, s: as long as the quickest of them allows. */
export const heldFor = ({ vessels }: Pick<Chamber, "vessels">): number => Math.min(...vessels.map(holdOf));

/** A temperature at the middle of the coming span, if it goes on as it went since products last moved, °C. */
const midway = ({ x, felt, feltAt, step }: RunState, node: number, steps: number): number =>
  feltAt < 0 ? x[node]! : x[node]! + ((x[node]! - felt[node]!) * steps) / (2 * (step - feltAt));

/**
 * Moves every vessel's own heat and evaporation on and says whether any has changed. What a product's middle
 * feels is taken at the middle of the span: taken at its beginning, what it gives off would always be late by half of it.
 * @param ahead humidity of the air over the coming span where it is worked out
 */
export function moveProducts(run: Run, span: number, ahead: number | null): boolean {
  const { state, network, input, at } = run;
  const { cabinet } = input.chamber;
  const vented = isQuick(cabinet.kind);
  const humidity = ahead ?? (input.chamber.stages[state.program.stage]!.humidity || cabinet.humidity);
  const around: Around = {
    air: vented ? run.rooms[state.step % run.rooms.length]! : state.x[network.air]!,
    humidity,
  };
  feels.medium = state.x[network.air]!;
  feels.film = filmOn(cabinet);
  feels.wet = isBath(cabinet.kind);
  feels.humidity = humidity;
  feels.vapour = around.humidity * saturation(around.air);
  let changed = false;
  const now = state.step * input.dt;
  const steps = Math.round(span / input.dt);
  for (let v = 0; v < state.heat.length; v++) {
    const vessel = input.chamber.vessels[v]!;
    if (vessel.putIn > now) continue;
    const seconds = now - vessel.putIn + span / 2;
    const shells = network.shells[v]!;
    feels.core = midway(state, network.vessels[v]!, steps);
    feels.surface = state.x[shells[shells.length - 1]!.node]!;
    feels.parts.length = shells.length;
    for (let i = 0; i < shells.length; i++) feels.parts[i] = state.x[shells[i]!.node]!;
    produced.watts = produced.drying = 0;
    modelOf(vessel.product).step(state.products[v]!, vessel.product, feels, seconds, span, produced);
    const own = vessel.count * produced.watts;
    const taken =
      evaporationHeat(vessel, feels.surface, around, ratedFor(cabinet.kind, vessel)) + vessel.count * produced.drying;
    changed ||= own !== state.heat[v] || taken !== state.evaporated[v];
    state.heat[v] = own;
    state.evaporated[v] = taken;
    state.u[at.vessel + v] = own - taken;
  }
  state.felt.set(state.x);
  state.feltAt = state.step;
  return changed;
}
