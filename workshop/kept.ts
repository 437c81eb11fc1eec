import * as z from "zod/mini";

/** What this browser is known to have kept: outside of the database, so that a lost one is told from a new one. */
const kept = z.object({ chambers: z.int().check(z.minimum(1)), at: z.string() });
type Kept = z.infer<typeof kept>;

/** So many chambers of so many that were stored here are gone. */
export interface Loss {
  chambers: number;
  of: number;
  at: string;
}

const MARK = "gentle-crock:kept";

/** Remembers how many chambers are stored; none: nothing to lose. Without this storage a loss goes unnoticed. */
export function markKept(chambers: number, at: string): void {
  try {
    if (chambers > 0) localStorage.setItem(MARK, JSON.stringify({ chambers, at } satisfies Kept));
    else localStorage.removeItem(MARK);
  } catch {
    // Strict settings: the mark is a help, not a need.
  }
}

/** How much more a database once held than the chambers that were found in it; null: nothing is gone. */
export function lookForLoss(found: number): Loss | null {
  try {
    const read = kept.safeParse(JSON.parse(localStorage.getItem(MARK) ?? "null"));
    if (!read.success || read.data.chambers <= found) return null;
    return { chambers: read.data.chambers - found, of: read.data.chambers, at: read.data.at };
  } catch {
    return null;
  }
}
