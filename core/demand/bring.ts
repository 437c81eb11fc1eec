import { contentsCapacity, lossCoefficient } from "../chamber";
import type { Chamber, LoadedVessel } from "../model";

/** What it takes to bring a liquid from one temperature to another within a time, W; below 0 it is cold. */
export interface Brought {
  /** Into the liquid alone: m·c·ΔT over the time. */
  net: number;
  /** With what the box loses to its room on the way, at the mean of both and of the room's day. */
  inRoom: number;
}

/**
 * Steady power that brings so much of what a vessel is filled with from here to there.
 * @param volume m³
 * @param from and `to` °C
 * @param seconds within which
 */
export function bringing(
  chamber: Chamber,
  vessel: LoadedVessel,
  { volume, from, to, seconds }: { volume: number; from: number; to: number; seconds: number },
): Brought {
  const net = (contentsCapacity({ ...vessel, volume, count: 1 }) * (to - from)) / seconds;
  const room = (chamber.room.low + chamber.room.high) / 2;
  return { net, inRoom: net + lossCoefficient(chamber) * ((from + to) / 2 - room) };
}
