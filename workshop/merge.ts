import { contradictions, describe } from "@/core/chamber";
import { mergeThree, workshopRecord, type WorkshopRecord } from "@/core/model";

/** The envelope changes with every write and is nobody's own. */
const bare = (record: WorkshopRecord): WorkshopRecord => ({ ...record, revision: 0, updatedAt: "" });

/**
 * Two changed states of one record as one, where they do not touch each other and what comes out is possible.
 * @returns null where it has to be asked about
 */
export function mergeRecords(
  base: WorkshopRecord,
  mine: WorkshopRecord,
  theirs: WorkshopRecord,
): WorkshopRecord | null {
  const merged = mergeThree(bare(base), bare(mine), bare(theirs));
  if (!merged.ok) return null;
  const updatedAt = mine.updatedAt > theirs.updatedAt ? mine.updatedAt : theirs.updatedAt;
  const parsed = workshopRecord.safeParse({ ...merged.value, revision: theirs.revision, updatedAt });
  if (!parsed.success) return null;
  const record = parsed.data;
  // Each was possible by itself; both together need not be.
  return record.kind === "chamber" && contradictions(describe(record)).length > 0 ? null : record;
}

/** Whether two states of a record say the same, whenever they were written. */
export const sameContent = (a: WorkshopRecord, b: WorkshopRecord): boolean =>
  JSON.stringify(bare(a)) === JSON.stringify(bare(b));
