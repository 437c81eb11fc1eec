import type { Chamber, ChamberRecord } from "@/core/model";
import { isLaidOut, layOut, MissingReadings } from "@/core/series";

/** So far trials reach, with as much again, s: a longer record need not be held as a whole. */
const HORIZON = 130 * 86_400;

/** The store comes with its first use: few chambers have a recorded room. */
export const shelf = () => import("@/workshop/series");

/** So does what packs and unpacks a backup. */
export const packing = () => import("@/workshop/pack");

/**
 * Lays out what a chamber's trial reads from the store of series.
 * @throws MissingReadings where it is not in this browser
 */
export async function readingsFor(of: Pick<ChamberRecord, "roomReadings"> | Pick<Chamber, "recorded">): Promise<void> {
  const recorded = "roomReadings" in of ? of.roomReadings : of.recorded;
  if (!recorded || !("series" in recorded) || isLaidOut(recorded.series)) return;
  const readings = await (await shelf()).readingsUntil(recorded.series, 0, HORIZON);
  if (!readings)
    throw new MissingReadings(
      `the readings of its recorded room, ${recorded.name}, are not in this browser. Go back to the daily swing; the table can then be read in again under Box`,
    );
  layOut(recorded.series, readings);
}
