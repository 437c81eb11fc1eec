import { boxes, isBath } from "../chamber";
import type { CabinetKind, Chamber, Vessel } from "../model";
import {
  evaporationHeat,
  modelOf,
  saturation,
  USUAL_HOLD,
  type Around,
  type Feels,
  type ProductState,
} from "../product";
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
/** What gives off the same all through is looked at so often all the same, s. */
const STILL_HOLD = 3 * 3600;

type Held = Chamber["vessels"][number];

/** Whether what a vessel gives off never changes. */
const isStill = ({ product, evaporation }: Held): boolean =>
  evaporation === 0 && modelOf(product).isStill?.(product) === true;

/** How long a vessel's heat may be held, s; whether for longer where it hardly changes. */
const holdOf = (vessel: Held): number => {
  if (isStill(vessel)) return STILL_HOLD;
  return modelOf(vessel.product).holdsFor ?? (vessel.evaporation > 0 ? WET_HOLD : USUAL_HOLD);
};

/** How long the products of a chamber may be held whatever happens, s: as long as the quickest of them allows. */
export const heldFor = ({ vessels }: Pick<Chamber, "vessels">): number => Math.min(...vessels.map(holdOf));

/**
 * Whether that may be longer while nothing switches. What dries or evaporates answers to itself, and the bodies of pots
 * and smokers turn within a minute.
 */
export const stretches = ({ vessels, cabinet }: Pick<Chamber, "vessels" | "cabinet">): boolean =>
  !isQuick(cabinet.kind) && vessels.every((v) => v.evaporation === 0 && modelOf(v.product).dries !== true);

/** How far a held heat may put a vessel off by the end of its span, K, and how far what a product feels may move in it. */
const OFF_BY_HEAT = 5e-4;
const FEELS = 0.5;

/** How much of the quickest drift that was seen still counts a span later: what switches comes back within some spans. */
const REMEMBERED = 0.8;

/**
 * Steps over which the heat of products may be held, by how it and what they feel moved so far: heat that is held while
 * it runs along a line of w W/s leaves a body w·h²/8C off at the worst.
 */
export function heatAllows({ state, network, input }: Run): number {
  const { x, felt, feltAt, step, bend } = state;
  if (feltAt < 0) return 0;
  let moved = 0;
  for (const shells of network.shells)
    for (const { node } of shells) moved = Math.max(moved, Math.abs(x[node]! - felt[node]!));
  state.drift = Math.max(moved / (step - feltAt), REMEMBERED * state.drift);
  return Math.min(FEELS / state.drift, Math.sqrt(OFF_BY_HEAT / bend) / input.dt);
}

/** Notes how the heat of a vessel runs, W, now and a span ago, both at the middle of their spans. */
function noteBend({ state, network }: Run, v: number, own: number, seconds: number): void {
  const slope = Math.abs(own - state.heat[v]!) / seconds;
  for (const { node, share } of network.shells[v]!)
    state.bend = Math.max(state.bend, (slope * share) / (8 * network.nodes[node]!.capacity));
}

/** A temperature at the middle of the coming span, if it goes on as it went since products last moved, °C. */
const midway = ({ x, felt, feltAt, step }: RunState, node: number, steps: number): number =>
  feltAt < 0 ? x[node]! : x[node]! + ((x[node]! - felt[node]!) * steps) / (2 * (step - feltAt));

/** A temperature at the middle of the span that is over, °C. */
const between = ({ x, felt }: RunState, node: number): number => (x[node]! + felt[node]!) / 2;

/** What all products of a chamber feel alike. */
function feelAir({ input }: Run, air: number, humidity: number, vapour: number): void {
  const { cabinet } = input.chamber;
  feels.medium = air;
  feels.film = filmOn(cabinet);
  feels.wet = isBath(cabinet.kind);
  feels.humidity = humidity;
  feels.vapour = vapour;
}

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
  feelAir(run, state.x[network.air]!, humidity, around.humidity * saturation(around.air));
  let changed = false;
  const now = state.step * input.dt;
  const steps = Math.round(span / input.dt);
  const since = state.feltAt < 0 ? 0 : (now - state.feltAt * input.dt + span) / 2;
  state.bend = since > 0 ? 0 : Infinity;
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
    if (since > 0) noteBend(run, v, own, since);
    state.heat[v] = own;
    state.evaporated[v] = taken;
    state.u[at.vessel + v] = own - taken;
  }
  state.felt.set(state.x);
  state.feltAt = state.step;
  return changed;
}

/**
 * Moves products over a part of their span, from what they were at its beginning: it was cut short. What they give off in
 * it stands as it was.
 * @param until the step at which the span ends now
 */
export function moveAgain(run: Run, before: readonly ProductState[], until: number): void {
  const { state, network, input } = run;
  const { chamber, dt } = input;
  const from = state.feltAt * dt;
  const span = until * dt - from;
  const humidity = chamber.stages[state.program.stage]!.humidity || chamber.cabinet.humidity;
  const air = between(state, network.air);
  feelAir(run, air, humidity, humidity * saturation(air));
  chamber.vessels.forEach((vessel, v) => {
    state.products[v] = { ...before[v]! };
    if (vessel.putIn > from) return;
    const shells = network.shells[v]!;
    feels.core = between(state, network.vessels[v]!);
    feels.surface = between(state, shells[shells.length - 1]!.node);
    feels.parts.length = shells.length;
    for (let i = 0; i < shells.length; i++) feels.parts[i] = between(state, shells[i]!.node);
    modelOf(vessel.product).step(
      state.products[v]!,
      vessel.product,
      feels,
      from - vessel.putIn + span / 2,
      span,
      produced,
    );
  });
}
