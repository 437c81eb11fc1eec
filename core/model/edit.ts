import type * as z from "zod/mini";
import type { Origin } from "./fields";
import { problemOf, sayProblem, type Problem } from "./problem";
import type { ChamberRecord } from "./record";
import { sectionShapes, type SectionName } from "./sections";

type Shapes = typeof sectionShapes;
export type FieldOf<S extends SectionName> = keyof Shapes[S] & string;
export type ValueOf<S extends SectionName, F extends FieldOf<S>> = z.infer<Shapes[S][F] & z.ZodMiniType>;

/**
 * One change of one value: what a field on screen, a handle on the ruler and a remedy all speak.
 * An `undefined` value puts the default back. `id` names the entry of a list; without it the first is meant. Settings
 * belong to a controller (`id`) and to a stage.
 */
export type Edit = {
  [S in SectionName]: {
    [F in FieldOf<S>]: { section: S; field: F; id?: string; stage?: string; value: ValueOf<S, F> | undefined };
  }[FieldOf<S>];
}[SectionName];

/** A change of a whole record: lists and tables, which are no single values. */
export type Change = (record: ChamberRecord) => ChamberRecord;

/** Where a value stands. */
export type Address = Pick<Edit, "section" | "field" | "id" | "stage">;

type SparseSection = Record<string, { value: unknown; origin: Origin } | undefined>;
type Lists = Pick<ChamberRecord, "vessels" | "probes" | "stages" | "controllers" | "devices">;

const entryOf = <E extends { id: string }>(list: readonly E[], id: string | undefined): E | undefined =>
  id === undefined ? list[0] : list.find((e) => e.id === id);

/** The stored section that an edit speaks of, or null where the list has no such entry. Makes room for settings. */
function sectionIn(record: ChamberRecord, { section, id, stage }: Address): SparseSection | null {
  const lists: Lists = record;
  switch (section) {
    case "vessel":
    case "product":
    case "band":
      return entryOf(lists.vessels, id)?.[section] ?? null;
    case "probe":
      return entryOf(lists.probes, id)?.probe ?? null;
    case "stage":
      return entryOf(lists.stages, id)?.stage ?? null;
    case "unit":
      return entryOf(lists.controllers, id)?.unit ?? null;
    case "settings": {
      const controller = entryOf(lists.controllers, id);
      const at = entryOf(lists.stages, stage);
      return controller && at ? (at.settings[controller.id] ??= {}) : null;
    }
    case "heater":
    case "cooler":
    case "fan":
    case "light": {
      const found = entryOf(
        lists.devices.filter((d) => d.device === section),
        id,
      );
      return found ? ((found as Record<string, unknown>)[section] as SparseSection) : null;
    }
    default:
      return record[section];
  }
}

/** The stored value with its origin, or undefined where the default stands. */
export function storedValue(record: ChamberRecord, at: Address) {
  if (at.section !== "settings") return sectionIn(record, at)?.[at.field];
  const controller = entryOf(record.controllers, at.id);
  const settings = controller && entryOf(record.stages, at.stage)?.settings[controller.id];
  return (settings as SparseSection | undefined)?.[at.field];
}

export class EditRefused extends Error {
  constructor(readonly why: Problem) {
    super(sayProblem(why));
  }
}

/** Why a field could not take a value, whatever else there is; null where it could. */
export function fieldProblem({ section, field }: Pick<Edit, "section" | "field">, value: unknown): Problem | null {
  const at = [section, field];
  const shape = (sectionShapes[section] as Record<string, z.ZodMiniType>)[field];
  if (!shape) return { code: "unknown", at };
  const checked = shape.safeParse(value);
  if (checked.success) return null;
  const why = problemOf(checked.error.issues[0]!);
  return { ...why, at: [...at, ...why.at] };
}

/** How steps of the work begin that belong to the proof by meter: they go with it. */
export const PROOF_STEP = "proof:";
const proved: readonly SectionName[] = ["wiring", "heater", "cooler"];
/** Fields of a wiring that change nothing of what was built. */
const provedAnyway: readonly string[] = ["symbols", "otherWatts", "residual"];

/**
 * Applies edits to a copy of a record, all of them or none.
 * @throws EditRefused with its problem when a value does not fit its field.
 */
export function applyEdits(record: ChamberRecord, edits: readonly Edit[], origin: Origin = "typed"): ChamberRecord {
  const next = structuredCloneOf(record);
  for (const edit of edits) {
    const section = sectionIn(next, edit);
    if (!section) {
      const text = `There is no ${edit.section}${edit.id ? ` \u201c${edit.id}\u201d` : ""} here.`;
      throw new EditRefused({ code: "noSuch", at: [edit.section, edit.field], text });
    }
    if (edit.value === undefined) {
      Reflect.deleteProperty(section, edit.field);
      continue;
    }
    const why = fieldProblem(edit, edit.value);
    if (why) throw new EditRefused(why);
    section[edit.field] = { value: edit.value, origin };
  }
  // Any change of how it is wired, or of what hangs on it, voids what a meter has proved.
  if (edits.some(({ section, field }) => proved.includes(section) && !provedAnyway.includes(field))) {
    next.work.proofs = {};
    next.work.done = next.work.done.filter((step) => !step.startsWith(PROOF_STEP));
  }
  // Room that was made for settings and holds none any more.
  for (const { settings } of next.stages)
    for (const id of Object.keys(settings))
      if (Object.keys(settings[id]!).length === 0) Reflect.deleteProperty(settings, id);
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
