import type { Chamber } from "../model";
import { kelvins, type Temperature } from "../quantity";
import { buildNetwork, COMPRESSOR, lossCoefficient } from "./network";

/** Powers that small heaters are sold in, W (common practice, no source). */
export const heaterSizes = [40, 60, 80, 120, 180, 250, 400, 600, 1000] as const;

/** Steady heat that holds the target in the coldest room, W; zero where the room is never colder. */
export const heatNeeded = (chamber: Chamber, target: Temperature): number =>
  Math.max(0, lossCoefficient(buildNetwork(chamber)) * kelvins(target - chamber.room.low));

/** Steady cold that holds the target in the warmest room against the product's own heat in W. */
export const coldNeeded = (chamber: Chamber, target: Temperature, ownHeat: number): number =>
  Math.max(0, lossCoefficient(buildNetwork(chamber)) * kelvins(chamber.room.high - target) + ownHeat);

/** Reserve above the steady need: a heater that only just holds never arrives (common practice, no source). */
const RESERVE = 1.6;

/** The smallest usual heater with a reserve over the steady need, W. */
export function heaterFor(need: number): number {
  const wanted = need * RESERVE;
  return heaterSizes.find((size) => size >= wanted) ?? heaterSizes[heaterSizes.length - 1]!;
}

/**
 * Cold that a compressor running without a pause takes out of the cabinet at `inside` and `room`, W: the evaporator
 * settles where its law meets what flows to it.
 */
export function coldAvailable(chamber: Chamber, inside: Temperature, room: Temperature): number {
  const network = buildNetwork(chamber);
  const toEvaporator = network.links
    .filter((l) => l.a === network.evaporator || l.b === network.evaporator)
    .reduce((sum, l) => sum + l.conductance, 0);
  const q0 = network.coolerPower;
  const slope = q0 * COMPRESSOR.perEvaporator;
  const atInside =
    q0 *
    (1 +
      COMPRESSOR.perEvaporator * (inside - COMPRESSOR.evaporatorAt) +
      COMPRESSOR.perRoom * (room - COMPRESSOR.roomAt));
  // G·(inside − Te) = atInside − slope·(inside − Te)
  return Math.max(0, (toEvaporator * atInside) / (toEvaporator + slope));
}
