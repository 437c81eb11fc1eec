import type { WorkshopRecord } from "@/core/model";
import { mergeRecords, sameContent } from "./merge";

/** One record before and after; null where it did not exist. */
export interface RecordDiff {
  id: string;
  before: WorkshopRecord | null;
  after: WorkshopRecord | null;
}

/** One undoable step. */
export interface Step {
  label: string;
  changes: RecordDiff[];
  /**
   * Steps of one gesture carry the same key and are undone together: those of a drag (its key begins with "drag:")
   * however long it takes, those of stepping while they follow each other closely.
   */
  merge?: string;
  at: number;
}

export interface History {
  past: Step[];
  future: Step[];
}

const touches = (step: Step, ids: readonly string[]) => step.changes.some((c) => ids.includes(c.id));
const idsOf = (step: Step) => step.changes.map((c) => c.id);

/**
 * The step that is the next to be taken back or done again: at one desk the last that touches its record, elsewhere the
 * last of all. Null where a later step on another of its records stands before it, and where it would take the record
 * itself from under the desk: a chamber is made and removed on the Shelf.
 */
export function nextOn(steps: readonly Step[], desk: string | null): Step | null {
  const at = desk === null ? steps.length - 1 : steps.findLastIndex((step) => touches(step, [desk]));
  const step = steps[at];
  const ends = desk !== null && step?.changes.some((c) => c.id === desk && (c.before === null || c.after === null));
  return step && !ends && !steps.slice(at + 1).some((later) => touches(later, idsOf(step))) ? step : null;
}

const LONGEST = 200;
const GESTURE = 1200;

/** Adds a step; steps of one gesture melt into one. */
export function remember(history: History, step: Step): History {
  const last = history.past.at(-1);
  // What was undone on other records can still be done again.
  const future = history.future.filter((undone) => !touches(undone, idsOf(step)));
  const close = last && (step.merge?.startsWith("drag:") || step.at - last.at < GESTURE);
  if (last && close && step.merge && last.merge === step.merge) {
    const changes = last.changes.map((c) => ({
      ...c,
      after: step.changes.find((d) => d.id === c.id)?.after ?? c.after,
    }));
    return { past: [...history.past.slice(0, -1), { ...step, changes }], future };
  }
  return { past: [...history.past, step].slice(-LONGEST), future };
}

/** What a step of the history makes of the records as they are now, or why that cannot be. */
export type Travelled = { ok: true; changes: RecordDiff[] } | { ok: false; problem: string };

/**
 * Takes a step back, or does it again. Where a record is no longer as the step left it, because another tab has changed
 * it since, what the other did is kept, and the step is refused where both touch the same.
 */
export function travelled(step: Step, back: boolean, records: Readonly<Record<string, WorkshopRecord>>): Travelled {
  const changes: RecordDiff[] = [];
  for (const { id, before, after } of step.changes) {
    const [left, wanted] = back ? [after, before] : [before, after];
    const now = records[id] ?? null;
    const name = left?.kind === "chamber" ? `“${left.name}”` : "it";
    if (now === left || (!now && !left)) changes.push({ id, before: now, after: wanted });
    else if (!now) return { ok: false, problem: `Another tab has removed ${name} since.` };
    else if (!left) return { ok: false, problem: "Another tab has brought it back since." };
    else {
      const merged = wanted ? mergeRecords(left, wanted, now) : sameContent(left, now) ? null : undefined;
      if (merged === undefined || (wanted && !merged))
        return { ok: false, problem: `Another tab has changed the same of ${name} since.` };
      changes.push({ id, before: now, after: merged });
    }
  }
  return { ok: true, changes };
}
