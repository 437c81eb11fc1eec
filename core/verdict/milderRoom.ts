import { coldAvailable, coldNeeded, restsAt } from "../chamber";
import type { Edit } from "../model";
import { peakHeatOf, peakHeatOfAll } from "../product";
import { celsius } from "../quantity";
import type { Case, Remedy } from "./types";
import { switchesOf } from "../trial";
import { words } from "./words";

/** A warm room is seldom steadier than this over a day, K (common practice, no source). */
const SWING = 4;
/** Below it nobody keeps a room for a box, °C (common practice, no source). */
const COLDEST = 4;

/**
 * A room in which the cold that there is meets the product's own heat at its height: the warmest whole degree that
 * does. Where nothing cools, what goes out through the walls has to do it. Null where the room is a recorded one, or
 * where no room would.
 */
export function coolerRoom(c: Case): Remedy | null {
  const { chamber, band, stage, metrics } = c;
  const { room } = chamber;
  if (chamber.recorded || stage.of === "air") return null;
  const peak = peakHeatOfAll(chamber.vessels, band.target);
  const own = chamber.vessels.map((v) => peakHeatOf(v, band.target));
  const cools = switchesOf(chamber).cold;
  const holds = (high: number): boolean => {
    if (!cools) return restsAt(chamber, celsius(high), own, stage, metrics.judged) <= band.high;
    const there = { ...chamber, room: { ...room, high: celsius(high) } };
    return coldNeeded(there, band.target, peak) <= coldAvailable(chamber, band.target, celsius(high)) * 0.95;
  };
  let high = Math.ceil(room.high) - 1;
  while (high > COLDEST && !holds(high)) high--;
  if (high <= COLDEST) return null;
  const edits: Edit[] = [{ section: "room", field: "high", value: celsius(high) }];
  if (room.low > high - 1) edits.unshift({ section: "room", field: "low", value: celsius(high - SWING) });
  return { id: "cooler-room", label: `Keep it where it gets no warmer than ${words(c).at(high)}`, edits };
}
