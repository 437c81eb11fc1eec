import { RECORD_VERSION, workshopRecord, type WorkshopRecord } from "@/core/model";

type Raw = Record<string, unknown>;

/** One step each, from a version to the next. */
const steps: Record<number, (raw: Raw) => Raw> = {
  // Version 2: boxes of every kind with their own parameters, recorded rooms, happenings.
  1: (raw) =>
    raw.kind === "chamber"
      ? { ...raw, schemaVersion: 2, roomSeries: null, thermal: {}, happenings: [] }
      : { ...raw, schemaVersion: 2, quickTrialDays: 1 },
};

/** Lifts a raw record to the present version and checks it. Never throws: what does not parse comes back as a problem. */
export function readRecord(raw: unknown): { ok: true; record: WorkshopRecord } | { ok: false; problem: string } {
  if (typeof raw !== "object" || raw === null) return { ok: false, problem: "It is not a record at all." };
  let lifted = raw as Raw;
  const version = lifted.schemaVersion;
  if (typeof version === "number" && version > RECORD_VERSION)
    return { ok: false, problem: "It was written by a newer Gentle Crock. Open it there, or update this one." };
  for (let v = typeof version === "number" ? version : RECORD_VERSION; v < RECORD_VERSION; v++)
    lifted = steps[v]?.(lifted) ?? lifted;
  const parsed = workshopRecord.safeParse(lifted);
  if (parsed.success) return { ok: true, record: parsed.data };
  const issue = parsed.error.issues[0];
  const where = issue?.path.length ? issue.path.join(" › ") : "the record";
  return { ok: false, problem: `${where}: ${issue?.message ?? "it does not fit"}` };
}
