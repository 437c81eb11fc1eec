import * as z from "zod/mini";

/** What this browser is known to have kept: outside of the database, so that a lost one is told from a new one. */
const kept = z.object({ chambers: z.int().check(z.minimum(1)), at: z.string() });
export type Loss = z.infer<typeof kept>;

const MARK = "gentle-crock:kept";

/** Remembers how many chambers are stored; none: nothing to lose. Without this storage a loss goes unnoticed. */
export function markKept(chambers: number, at: string): void {
  try {
    if (chambers > 0) localStorage.setItem(MARK, JSON.stringify({ chambers, at } satisfies Loss));
    else localStorage.removeItem(MARK);
  } catch {
    // Strict settings: the mark is a help, not a need.
  }
}

/** What an empty database once held. */
export function lookForLoss(): Loss | null {
  try {
    const read = kept.safeParse(JSON.parse(localStorage.getItem(MARK) ?? "null"));
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}
