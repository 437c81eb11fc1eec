import type { WorkshopRecord } from "@/core/model";
import { recordBox } from "./box";
import type { Put } from "./driver";
import { mergeRecords } from "./merge";
import { readRecord } from "./migrations";

/** A record that does not parse, set aside as it was found. */
export interface Quarantined {
  key: string;
  foundAt: string;
  problem: string;
  raw: unknown;
}

/** A record as it is to be stored. */
export interface Change {
  id: string;
  /** Null removes it. */
  record: WorkshopRecord | null;
  /** What the store was last known to hold, on which the change was made; null where it held nothing. */
  base: WorkshopRecord | null;
  /** Overwrites whatever is there: that has been asked. */
  force?: boolean;
}

/** What became of a change. */
export type Outcome =
  /** Stored as `record` says, which is another than was sent where another tab's change has been merged in. */
  | { id: string; ok: true; record: WorkshopRecord | null; merged: boolean }
  /** Another tab has changed the same; nothing of it is stored. */
  | { id: string; ok: false; theirs: WorkshopRecord | null; newer?: true };

/** What was found on opening. */
export interface Found {
  records: WorkshopRecord[];
  quarantine: Quarantined[];
  /** Records of a newer application: left where they are, as they are. */
  newer: number;
}

const RECORD = "record:";
/** The keys keep the name that they have always had: what was kept under it is still found. */
const QUARANTINE = "aside:";
/** What is remembered of this device and goes into no backup. */
const NOTE = "note:";

/** Reads every record. Those that do not parse are moved into quarantine, whole, and reported. */
export async function readAll(now: string): Promise<Found> {
  const box = await recordBox();
  const { found, unreadable } = await box.readSome(RECORD);
  const aside = await box.readSome(QUARANTINE);
  const records: WorkshopRecord[] = [];
  const quarantine = aside.found.map(([, raw]) => raw as Quarantined);
  const moved: Put[] = [];
  let newer = 0;
  for (const [key, raw] of found) {
    const read = readRecord(raw);
    if (read.ok) records.push(read.record);
    else if (read.left) newer++;
    else {
      const kept: Quarantined = {
        key: `${QUARANTINE}${key.slice(RECORD.length)}:${now}`,
        foundAt: now,
        problem: read.problem,
        raw,
      };
      quarantine.push(kept);
      moved.push({ key: kept.key, value: kept }, { key });
    }
  }
  for (const key of unreadable)
    quarantine.push({
      key,
      foundAt: now,
      problem: "The browser itself cannot read it. It was left in its place.",
      raw: null,
    });
  // Where there is no room to move it, it stays where it is, and keeps nobody from opening the others.
  if (moved.length) await box.setMany(moved).catch(() => undefined);
  return { records, quarantine, newer };
}

/** Ids of all records that the store holds, whatever they are. */
export const storedIds = async (): Promise<Set<string>> =>
  new Set((await (await recordBox()).keysOf(RECORD)).map((key) => key.slice(RECORD.length)));

/** Reads one record, or null where it is gone or does not parse. */
export async function readOne(id: string): Promise<WorkshopRecord | null> {
  const read = readRecord(await (await recordBox()).getItem(RECORD + id));
  return read.ok ? read.record : null;
}

const revisionOf = (raw: unknown): number => Number((raw as { revision?: unknown } | null | undefined)?.revision ?? 0);

/** What becomes of one change, by what is stored now. */
function decide({ id, record, base, force }: Change, raw: unknown): Outcome {
  const stored = raw === undefined ? null : raw;
  const next = (wanted: WorkshopRecord | null, merged: boolean): Outcome => ({
    id,
    ok: true,
    record: wanted && { ...wanted, revision: revisionOf(stored) + 1 },
    merged,
  });
  const expected = base?.revision ?? 0;
  const read = stored === null ? null : readRecord(stored);
  // A newer application has been at it: this one must not touch it, asked or not.
  if (read && !read.ok && read.left) return { id, ok: false, theirs: null, newer: true };
  if (force || (stored === null ? 0 : revisionOf(stored)) === expected) return next(record, false);
  const theirs = read?.ok ? read.record : null;
  if (!theirs && !record) return next(null, false);
  if (!theirs || !record || !base) return { id, ok: false, theirs };
  const merged = mergeRecords(base, record, theirs);
  return merged ? next(merged, true) : { id, ok: false, theirs };
}

/**
 * Stores changes in one transaction, each compared within it with what is there: what another tab has changed elsewhere
 * in the same record is merged in, what it has changed in the same place is told and left as it is.
 * @throws StoreTrouble where nothing could be stored
 */
export async function writeMany(changes: readonly Change[]): Promise<Outcome[]> {
  const box = await recordBox();
  return box.exchange(
    changes.map((c) => RECORD + c.id),
    (stored) => {
      const result = changes.map((change, i) => decide(change, stored[i]));
      const puts = result.flatMap((o): Put[] => (o.ok ? [{ key: RECORD + o.id, value: o.record ?? undefined }] : []));
      return { puts, result };
    },
  );
}

export const dropQuarantined = async (key: string): Promise<void> => (await recordBox()).removeItem(key);

/** Something remembered of this device; null where it is not. */
export const readNote = async (name: string): Promise<unknown> => (await recordBox()).getItem<unknown>(NOTE + name);
export const writeNote = async (name: string, value: unknown): Promise<unknown> =>
  (await recordBox()).setItem(NOTE + name, value);
