import type { WorkshopRecord } from "@/core/model";

/** One record before and after; null where it did not exist. */
export interface Change {
  id: string;
  before: WorkshopRecord | null;
  after: WorkshopRecord | null;
}

/** One undoable step. */
export interface Step {
  label: string;
  changes: Change[];
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

const LONGEST = 200;
const GESTURE = 1200;

/** Adds a step; steps of one gesture melt into one. */
export function remember(history: History, step: Step): History {
  const last = history.past.at(-1);
  const close = last && (step.merge?.startsWith("drag:") || step.at - last.at < GESTURE);
  if (last && close && step.merge && last.merge === step.merge) {
    const changes = last.changes.map((c) => ({
      ...c,
      after: step.changes.find((d) => d.id === c.id)?.after ?? c.after,
    }));
    return { past: [...history.past.slice(0, -1), { ...step, changes }], future: [] };
  }
  return { past: [...history.past, step].slice(-LONGEST), future: [] };
}

/** Forgets steps on a record that somebody else has changed: undoing them would undo the other's work unseen. */
export const forget = ({ past, future }: History, id: string): History => {
  const untouched = (step: Step) => step.changes.every((c) => c.id !== id);
  return { past: past.filter(untouched), future: future.filter(untouched) };
};
