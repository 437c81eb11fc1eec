import {
  kindOf,
  lifted,
  MissingStep,
  placeProblem,
  problemOf,
  type RawRecord,
  type WorkshopRecord,
} from "@/core/model";

/** A record that is whole, or why it is none. */
export type ReadRecord =
  | { ok: true; record: WorkshopRecord }
  /** `left`: no damage, but more than this application knows what to do with. It is to be left as it is. */
  | { ok: false; problem: string; left?: boolean };

/** Lifts a raw record to the present version of its kind and checks it. Never throws: a problem is told as one. */
export function readRecord(raw: unknown): ReadRecord {
  if (typeof raw !== "object" || raw === null) return { ok: false, problem: "It is not a record at all." };
  const { schemaVersion: version, kind: name } = raw as RawRecord;
  // One that is no whole number from 1 on is no step of any ladder: lifting it would never come to an end.
  if (typeof version !== "number" || !Number.isSafeInteger(version) || version < 1)
    return { ok: false, problem: "It is damaged: it does not say of which version it is." };
  const kind = kindOf(raw as RawRecord);
  if (!kind && typeof name !== "string")
    return { ok: false, problem: "It is damaged: it does not say of what kind it is." };
  if (!kind || version > kind.version)
    return {
      ok: false,
      left: true,
      problem: "It was written by a newer Gentle Crock. Open it there, or update this one.",
    };
  let record: RawRecord;
  try {
    record = lifted(raw as RawRecord, kind, version);
  } catch (error) {
    if (error instanceof MissingStep) return { ok: false, left: true, problem: `${error.message} It is our fault.` };
    return { ok: false, problem: `It is damaged: it has not the form of version ${version}.` };
  }
  const parsed = kind.schema.safeParse(record);
  if (parsed.success) return { ok: true, record: parsed.data };
  return { ok: false, problem: placeProblem(problemOf(parsed.error.issues[0]!)) };
}
