import type { WorkshopRecord } from "@/core/model";

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
 * last of all. Null where a later step on another of its records stands before it.
 */
export function nextOn(steps: readonly Step[], desk: string | null): Step | null {
  const at = desk === null ? steps.length - 1 : steps.findLastIndex((step) => touches(step, [desk]));
  const step = steps[at];
  return step && !steps.slice(at + 1).some((later) => touches(later, idsOf(step))) ? step : null;
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

/** Forgets steps on a record that somebody else has changed: undoing them would undo the other's work unseen. */
export const forget = ({ past, future }: History, id: string): History => {
  const untouched = (step: Step) => !touches(step, [id]);
  return { past: past.filter(untouched), future: future.filter(untouched) };
};
