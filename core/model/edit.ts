import type * as z from "zod";
import type { Origin } from "./fields";
import type { ChamberRecord } from "./record";
import { sectionShapes, type SectionName } from "./sections";

type Shapes = typeof sectionShapes;
export type FieldOf<S extends SectionName> = keyof Shapes[S] & string;
export type ValueOf<S extends SectionName, F extends FieldOf<S>> = z.infer<Shapes[S][F] & z.ZodType>;

/**
 * One change of one value: what a field on screen, a handle on the ruler and a remedy all speak.
 * An `undefined` value puts the default back. `index` picks from a list (vessels, probes, stages).
 */
export type Edit = {
  [S in SectionName]: {
    [F in FieldOf<S>]: { section: S; field: F; index?: number; value: ValueOf<S, F> | undefined };
  }[FieldOf<S>];
}[SectionName];

type SparseSection = Record<string, { value: unknown; origin: Origin } | undefined>;

/** The stored section that an edit speaks of, or null where the list has no such entry. */
function sectionIn(record: ChamberRecord, name: SectionName, index: number): SparseSection | null {
  switch (name) {
    case "vessel":
    case "product":
      return record.vessels[index]?.[name] ?? null;
    case "probe":
      return record.probes[index]?.probe ?? null;
    case "stage":
      return record.stages[index]?.stage ?? null;
    default:
      return record[name];
  }
}

/** The stored value with its origin, or undefined where the default stands. */
export const storedValue = (record: ChamberRecord, edit: Pick<Edit, "section" | "field" | "index">) =>
  sectionIn(record, edit.section, edit.index ?? 0)?.[edit.field];

export class EditRefused extends Error {}

/**
 * Applies edits to a copy of a record, all of them or none.
 * @throws EditRefused with a sentence for the person when a value does not fit its field.
 */
export function applyEdits(record: ChamberRecord, edits: readonly Edit[], origin: Origin = "typed"): ChamberRecord {
  const next = structuredCloneOf(record);
  for (const edit of edits) {
    const section = sectionIn(next, edit.section, edit.index ?? 0);
    if (!section) throw new EditRefused(`There is no ${edit.section} number ${(edit.index ?? 0) + 1}.`);
    if (edit.value === undefined) {
      Reflect.deleteProperty(section, edit.field);
      continue;
    }
    const field = (sectionShapes[edit.section] as Record<string, z.ZodType>)[edit.field];
    const checked = field?.safeParse(edit.value);
    if (!checked?.success) throw new EditRefused(checked?.error.issues[0]?.message ?? `No field ${edit.field}.`);
    section[edit.field] = { value: checked.data, origin };
  }
  return next;
}

/** A deep copy; records are plain JSON. */
const structuredCloneOf = (record: ChamberRecord): ChamberRecord => JSON.parse(JSON.stringify(record)) as ChamberRecord;

/** A section's defaults with the stored values laid over them. */
export function fill<T extends object>(defaults: T, stored: { [K in keyof T]?: { value: T[K] } | undefined }): T {
  const filled = { ...defaults };
  for (const name of Object.keys(stored) as (keyof T)[]) {
    const entry = stored[name];
    if (entry) filled[name] = entry.value;
  }
  return filled;
}
