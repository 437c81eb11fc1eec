import type { CabinetKind, Chamber } from "../model";
import { kelvins, type Temperature } from "../quantity";
import { lawOf } from "./coolerLaw";
import { buildNetwork, hasCooler, judgedNode, lossCoefficient } from "./network";
import { steadyState } from "./steady";

/** Powers that heaters are sold in, W (common practice, no source). */
export const heaterSizes = [15, 25, 40, 60, 80, 120, 180, 250, 400, 600, 1000, 1650, 2200, 3000, 6000, 12_000] as const;

/** Heat that evaporation takes from all vessels at the target, W. */
const evaporationOf = (chamber: Chamber): number =>
  chamber.vessels.reduce((sum, v) => sum + v.count * v.evaporation, 0);

/**
 * Steady heat that holds the target in the coldest room, W; zero where the room is never colder. By the network at
 * rest, so that heat which goes straight into the wall counts; without a heater, as if it went into the air.
 */
export function heatNeeded(chamber: Chamber, target: Temperature): number {
  const network = buildNetwork(chamber);
  const judged = judgedNode(network, chamber.stages[0]!);
  const others = network.nodes.map(() => 0);
  others[network.air]! += network.fanHeat;
  chamber.vessels.forEach((v, i) =>
    network.shells[i]!.forEach(({ node, share }) => (others[node]! -= share * v.count * v.evaporation)),
  );
  const heater = network.heater >= 0 ? network.heater : network.air;
  const without = steadyState(network, chamber.room.low, others)[judged]!;
  others[heater]! += 100;
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
 * Cold that a cooler running without a pause takes out of the box at `inside` and `room`, W: its body settles where
 * its law meets what flows to it. Zero for ice, which nobody switches.
 */
export function coldAvailable(chamber: Chamber, inside: Temperature, room: Temperature): number {
  if (!hasCooler(chamber)) return 0;
  const network = buildNetwork(chamber);
  const toBody = network.links
    .filter((l) => l.a === network.cold || l.b === network.cold)
    .reduce((sum, l) => sum + l.conductance, 0);
  const law = lawOf(chamber.cooler);
  const slope = law.power * law.perBody;
  const leak = network.nodes[network.cold]!.toRoom;
  const atInside = law.power * (1 + law.perBody * (inside - law.bodyAt) + law.perRoom * (room - law.roomAt));
  // G·(inside − Tb) + leak·(room − Tb) = atInside − slope·(inside − Tb), solved for inside − Tb.
  const drop = (atInside - leak * (room - inside)) / (toBody + slope + leak);
  return Math.max(0, toBody * drop);
}
