import { nanoid } from "nanoid";
import { PROGRAM_VERSION, type ProgramContents, type ProgramRecord, type WorkshopRecord } from "@/core/model";
import { stamp } from "./clock";
import { useWorkshop } from "./state";
import { bringIn } from "./store";

/** A program of one's own, as a record; with an id it is the next state of that one. */
function recordOf(contents: ProgramContents, before?: ProgramRecord): ProgramRecord {
  const at = stamp();
  return {
    id: before?.id ?? nanoid(12),
    kind: "program",
    schemaVersion: PROGRAM_VERSION,
    revision: before?.revision ?? 0,
    updatedAt: at,
    createdAt: before?.createdAt ?? at,
    demo: false,
    ...contents,
  };
}

/** One's own programs, by name. */
export const programsIn = (records: Readonly<Record<string, WorkshopRecord>>): ProgramRecord[] =>
  Object.values(records)
    .filter((r): r is ProgramRecord => r.kind === "program")
    .sort((a, b) => a.name.localeCompare(b.name, undefined, { numeric: true }));

/** A name that no program has yet. */
function freeName(name: string): string {
  const taken = new Set(programsIn(useWorkshop.getState().records).map((p) => p.name));
  if (!taken.has(name)) return name;
  for (let n = 2; ; n++) if (!taken.has(`${name.slice(0, 55)} ${n}`)) return `${name.slice(0, 55)} ${n}`;
}

/** Puts programs into the library, each under a name of its own. One undoable step. */
export function keepPrograms(programs: readonly ProgramContents[]): void {
  const records: ProgramRecord[] = [];
  for (const contents of programs) {
    let name = freeName(contents.name);
    for (let n = 2; records.some((r) => r.name === name); n++) name = `${contents.name.slice(0, 55)} ${n}`;
    records.push(recordOf({ ...contents, name }));
  }
  bringIn(records, records.length === 1 ? `program ${records[0]!.name}` : `${records.length} programs`);
}
export const keepProgram = (contents: ProgramContents): void => keepPrograms([contents]);

/** Gives a program of one's own another name, note or stages. */
export function changeProgram(id: string, by: Partial<ProgramContents>, label: string): void {
  const before = useWorkshop.getState().records[id];
  if (before?.kind !== "program") return;
  const { name, product, note, stages } = { ...before, ...by };
  bringIn([recordOf({ name, product, note, stages }, before)], label);
}
