import type { CabinetKind, Chamber, Stage } from "../model";
import { kelvins, type Temperature } from "../quantity";
import { coolersOf, hasCooler } from "./devices";
import { buildNetwork, judgedOf, lossCoefficient, type Network } from "./network";
import { steadyState } from "./steady";

/** Powers that heaters are sold in, W (common practice, no source). */
export const heaterSizes = [15, 25, 40, 60, 80, 120, 180, 250, 400, 600, 1000, 1650, 2200, 3000, 6000, 12_000] as const;

/** Heat that evaporation takes from all vessels at the target, W. */
const evaporationOf = (chamber: Chamber): number =>
  chamber.vessels.reduce((sum, v) => sum + v.count * v.evaporation, 0);

/** The network with what works in it by itself: fans and lights, what dries, and the products' own heat where it counts. */
function atRest(
  chamber: Chamber,
  stage: Pick<Stage, "of">,
  id: string | undefined,
  ownHeat: readonly number[] = [],
): { network: Network; judged: number; others: number[] } {
  const network = buildNetwork(chamber);
  const all = judgedOf(network, chamber, stage);
  const others = network.nodes.map(() => 0);
  others[network.air]! += network.fanHeat;
  chamber.vessels.forEach((v, i) =>
    network.shells[i]!.forEach(
      ({ node, share }) => (others[node]! += share * ((ownHeat[i] ?? 0) - v.count * v.evaporation)),
    ),
  );
  return { network, judged: (all.find((j) => j.id === id) ?? all[0]!).node, others };
}

/**
 * Where what is judged would come to rest in a room, with all devices off, °C.
 * @param ownHeat of each vessel, W
 */
export function restsAt(
  chamber: Chamber,
  room: Temperature,
  ownHeat: readonly number[],
  stage: Pick<Stage, "of">,
  id?: string,
): number {
  const { network, judged, others } = atRest(chamber, stage, id, ownHeat);
  return steadyState(network, room, others)[judged]!;
}

/**
 * Steady heat that holds the target in the coldest room, W; zero where the room is never colder. By the network at
 * rest, so that heat which goes straight into the wall counts; without a heater, as if it went into the air.
 */
export function heatNeeded(
  chamber: Chamber,
  target: Temperature,
  stage: Pick<Stage, "of"> = chamber.stages[0]!,
  /** What it is held for; the first that the stage's band holds for, where nothing is said. */
  id?: string,
): number {
  const { network, judged, others } = atRest(chamber, stage, id);
  const without = steadyState(network, chamber.room.low, others)[judged]!;
  // All heaters together, each by its share of their power.
  const power = network.heaters.reduce((sum, h) => sum + h.power, 0);
  if (power > 0) for (const h of network.heaters) if (h.node >= 0) others[h.node]! += (100 * h.power) / power;
  if (power === 0) others[network.air]! += 100;
  const perWatt = (steadyState(network, chamber.room.low, others)[judged]! - without) / 100;
  return perWatt > 0 ? Math.max(0, (target - without) / perWatt) : 0;
}

/** Steady cold that holds the target in the warmest room against the product's own heat in W. */
export const coldNeeded = (chamber: Chamber, target: Temperature, ownHeat: number): number =>
  Math.max(
    0,
    lossCoefficient(chamber) * kelvins(chamber.room.high - target) +
      ownHeat +
      chamber.thermal.fanHeat -
      evaporationOf(chamber),
  );

/** Reserve above the steady need: a heater that only just holds never arrives (common practice, no source). */
const RESERVE = 1.6;
/** Pots, kettles and smokers have to be brought up from cold in an hour or two. */
const QUICK: Partial<Record<CabinetKind, number>> = { crock: 3, kettle: 4.5, drum: 2, brick: 2 };
/** Where hardly any heat is needed, a usual one all the same, W. */
const LEAST = 40;

/** The smallest usual heater with a reserve over the steady need, W. */
export function heaterFor(need: number, kind: CabinetKind = "upright"): number {
  if (need <= 0) return LEAST;
  const wanted = need * (QUICK[kind] ?? RESERVE);
  return heaterSizes.find((size) => size >= wanted) ?? heaterSizes[heaterSizes.length - 1]!;
}

/**
 * Cold that the coolers running without a pause take out of the box at `inside` and `room`, W: the body of each settles
 * where its law meets what flows to it. Zero for ice, which nobody switches.
 */
export function coldAvailable(chamber: Chamber, inside: Temperature, room: Temperature): number {
  if (!hasCooler(chamber)) return 0;
  const network = buildNetwork(chamber);
  return coolersOf(chamber).reduce((sum, { id }) => {
    const { node, law } = network.coolers.find((c) => c.id === id)!;
    const toBody = network.links.filter((l) => l.a === node || l.b === node).reduce((all, l) => all + l.conductance, 0);
    const slope = law.power * law.perBody;
    const leak = network.nodes[node]!.toRoom;
    const atInside = law.power * (1 + law.perBody * (inside - law.bodyAt) + law.perRoom * (room - law.roomAt));
    // G·(inside − Tb) + leak·(room − Tb) = atInside − slope·(inside − Tb), solved for inside − Tb.
    const drop = (atInside - leak * (room - inside)) / (toBody + slope + leak);
    // A condenser in the wall brings a share of it back.
    return sum + Math.max(0, (1 - law.skin) * toBody * drop);
  }, 0);
}
