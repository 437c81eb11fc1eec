import { lifted, RECORD_VERSION, workshopRecord, type RawRecord, type WorkshopRecord } from "@/core/model";

/** Lifts a raw record to the present version and checks it. Never throws: what does not parse comes back as a problem. */
export function readRecord(raw: unknown): { ok: true; record: WorkshopRecord } | { ok: false; problem: string } {
  if (typeof raw !== "object" || raw === null) return { ok: false, problem: "It is not a record at all." };
  const { schemaVersion: version } = raw as RawRecord;
  // One that is no whole number from 1 on is no step of any ladder: lifting it would never come to an end.
  if (typeof version !== "number" || !Number.isSafeInteger(version) || version < 1)
    return { ok: false, problem: "It is damaged: it does not say of which version it is." };
  if (version > RECORD_VERSION)
    return { ok: false, problem: "It was written by a newer Gentle Crock. Open it there, or update this one." };
  let record: RawRecord;
  try {
    record = lifted(raw as RawRecord, version, RECORD_VERSION);
  } catch {
    return { ok: false, problem: `It is damaged: it has not the form of version ${version}.` };
  }
  const parsed = workshopRecord.safeParse(record);
  if (parsed.success) return { ok: true, record: parsed.data };
  const issue = parsed.error.issues[0];
  const where = issue?.path.length ? issue.path.join(" › ") : "the record";
  return { ok: false, problem: `${where}: ${issue?.message ?? "it does not fit"}` };
}
