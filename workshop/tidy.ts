import { recordKinds, type ChamberRecord, type WorkshopRecord } from "@/core/model";

/** The store of series comes with its first use. */
const shelf = () => import("./series");

/**
 * Sweeps series that no record speaks of any more. Where a record could not be read, nobody knows what it speaks of:
 * then nothing is swept.
 */
export async function sweep(records: readonly WorkshopRecord[], unread: number, now: string): Promise<void> {
  if (unread > 0) return;
  const { sweepSeries } = await shelf();
  await sweepSeries(new Set(records.flatMap((r) => recordKinds[r.kind].takes(r))), now);
}

/** Chambers whose recorded room stood in the record itself, as they are once its readings lie beside it. */
export async function movedOut(
  records: readonly WorkshopRecord[],
  now: string,
): Promise<[ChamberRecord, ChamberRecord][]> {
  const full = records.filter((r): r is ChamberRecord => r.kind === "chamber" && r.roomSeries !== null);
  if (full.length === 0) return [];
  const { readingsOut } = await shelf();
  const moved: [ChamberRecord, ChamberRecord][] = [];
  for (const record of full) moved.push([record, await readingsOut(record, now)]);
  return moved;
}
