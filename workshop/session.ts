import type { WorkshopRecord } from "@/core/model";
import type { History, RecordDiff, Step } from "./history";
import { readRecord } from "./migrations";

/** The steps of this tab that could be undone or done again, until it is closed: a reload does not lose them. */
const KEY = "gentle-crock:history";
/** So many of each at the most, and so many letters in all: the tab's own store is small. */
const STEPS = 30;
const LETTERS = 1_500_000;

/** Keeps the last steps for when the page is there again; fewer of them where they are long, none where it cannot. */
export function keepHistory({ past, future }: History): void {
  try {
    for (let steps = STEPS; steps > 0; steps = Math.floor(steps / 2)) {
      const text = JSON.stringify({ past: past.slice(-steps), future: future.slice(-steps) });
      if (text.length > LETTERS) continue;
      sessionStorage.setItem(KEY, text);
      return;
    }
    sessionStorage.removeItem(KEY);
  } catch {
    // Without a store of its own the tab forgets them with the page.
  }
}

const isText = (value: unknown): value is string => typeof value === "string";

/** A record out of the tab's store, checked like all that comes in; undefined where it is none. */
function checked(raw: unknown): WorkshopRecord | null | undefined {
  if (raw === null) return null;
  const read = readRecord(raw);
  return read.ok ? read.record : undefined;
}

function stepOf(raw: unknown): Step | null {
  if (typeof raw !== "object" || raw === null) return null;
  const { label, changes, at } = raw as Partial<Step>;
  if (!isText(label) || !Array.isArray(changes) || typeof at !== "number") return null;
  const whole: RecordDiff[] = [];
  for (const change of changes as unknown[]) {
    const { id, before, after } = (change ?? {}) as Partial<RecordDiff>;
    const [was, is] = [checked(before), checked(after)];
    if (!isText(id) || was === undefined || is === undefined) return null;
    whole.push({ id, before: was, after: is });
  }
  return { label, changes: whole, at };
}

/** What was kept. A step that is not whole ends it there: one before it would be undone out of its turn. */
export function recallHistory(): History {
  const empty: History = { past: [], future: [] };
  try {
    const raw = JSON.parse(sessionStorage.getItem(KEY) ?? "null") as Partial<History> | null;
    sessionStorage.removeItem(KEY);
    const list = (steps: unknown): Step[] => {
      const all = Array.isArray(steps) ? steps.map(stepOf) : [];
      return all.slice(all.lastIndexOf(null) + 1).filter((s) => s !== null);
    };
    return raw ? { past: list(raw.past), future: list(raw.future) } : empty;
  } catch {
    return empty;
  }
}
