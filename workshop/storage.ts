import localforage from "localforage";
import type { WorkshopRecord } from "@/core/model";
import { readRecord } from "./migrations";

/** A record that does not parse, set aside as it was found. */
export interface Quarantined {
  key: string;
  foundAt: string;
  problem: string;
  raw: unknown;
}

export type Written = { ok: true; revision: number } | { ok: false; theirs: WorkshopRecord | null };

const RECORD = "record:";
/** The keys keep the name that they have always had: what was kept under it is still found. */
const QUARANTINE = "aside:";

const box = localforage.createInstance({ name: "gentle-crock", storeName: "workshop" });

/** Holds other tabs off a record while it is compared and written; without the lock API the compare still stands. */
async function alone<T>(id: string, work: () => Promise<T>): Promise<T> {
  if (typeof navigator !== "undefined" && "locks" in navigator)
    return (await navigator.locks.request(`gentle-crock:${id}`, work)) as T;
  return work();
}

/** Reads every record. Those that do not parse are moved into quarantine, whole, and reported. */
export async function readAll(now: string): Promise<{ records: WorkshopRecord[]; quarantine: Quarantined[] }> {
  const records: WorkshopRecord[] = [];
  const quarantine: Quarantined[] = [];
  for (const key of await box.keys()) {
    const raw: unknown = await box.getItem(key);
    if (key.startsWith(QUARANTINE)) quarantine.push(raw as Quarantined);
    if (!key.startsWith(RECORD)) continue;
    const read = readRecord(raw);
    if (read.ok) records.push(read.record);
    else {
      const kept: Quarantined = {
        key: `${QUARANTINE}${key.slice(RECORD.length)}:${now}`,
        foundAt: now,
        problem: read.problem,
        raw,
      };
      await box.setItem(kept.key, kept);
      await box.removeItem(key);
      quarantine.push(kept);
    }
  }
  return { records, quarantine };
}

/** Reads one record, or null where it is gone or does not parse. */
export async function readOne(id: string): Promise<WorkshopRecord | null> {
  const read = readRecord(await box.getItem(RECORD + id));
  return read.ok ? read.record : null;
}

/**
 * Writes a record if the stored one still has the revision that the change was made on; resolves once it is stored.
 * `null` as record removes it. `expected` null overwrites whatever is there.
 */
export const write = (id: string, record: WorkshopRecord | null, expected: number | null): Promise<Written> =>
  alone(id, async () => {
    const raw = (await box.getItem(RECORD + id)) as WorkshopRecord | null;
    const stored = raw?.revision ?? 0;
    if (expected !== null && stored !== expected) return { ok: false, theirs: raw };
    if (record === null) {
      await box.removeItem(RECORD + id);
      return { ok: true, revision: 0 };
    }
    const revision = stored + 1;
    await box.setItem(RECORD + id, { ...record, revision });
    return { ok: true, revision };
  });

export const dropQuarantined = (key: string): Promise<void> => box.removeItem(key);
