import { contradictions, describe } from "@/core/chamber";
import {
  backupSeries,
  recordKinds,
  BACKUP_FORMAT,
  BACKUP_VERSION,
  hasForeignKey,
  isSwollen,
  MOST_RECORDS,
  type BackupFile,
  type BackupSeries,
  type ChamberRecord,
  type WorkshopRecord,
} from "@/core/model";
import { refuse, read, type Read } from "@/core/quantity";
import { readRecord } from "./migrations";

/** So many series are looked for in a file. */
const MOST_SERIES = 10_000;

/** The whole workshop as one text; the readings that its records speak of stand beside it. */
export function writeBackup(
  records: readonly WorkshopRecord[],
  now: string,
  series: readonly BackupSeries[] = [],
): string {
  const file: BackupFile = {
    format: BACKUP_FORMAT,
    version: BACKUP_VERSION,
    exportedAt: now,
    records: [...records],
    series: [...series],
  };
  return JSON.stringify(file, null, 2);
}

/** The series that stand beside the text of a backup; what is no such entry is passed over, and then missed. */
export function seriesIn(text: string): BackupSeries[] {
  try {
    const { series } = JSON.parse(text) as { series?: unknown };
    if (!Array.isArray(series)) return [];
    return series.slice(0, MOST_SERIES).flatMap((raw) => {
      const parsed = backupSeries.safeParse(raw);
      return parsed.success ? [parsed.data] : [];
    });
  } catch {
    return [];
  }
}

/** What a backup file holds, before anything is replaced. */
export interface BackupContents {
  exportedAt: string;
  chambers: ChamberRecord[];
  others: WorkshopRecord[];
  /** Records in the file that do not parse, each with the reason. They are left out. */
  damaged: { name: string; problem: string }[];
}

/**
 * Looks into the text of a backup without touching the workshop.
 * @param beside what is wrong with each series that stands beside the text, null where nothing is
 */
export function readBackup(text: string, beside: ReadonlyMap<string, string | null> = new Map()): Read<BackupContents> {
  if (isSwollen(text)) return refuse("This file holds more entries than any workshop. Nothing of it was unpacked.");
  let file: unknown;
  try {
    file = JSON.parse(text);
  } catch {
    return refuse("This file is damaged: it is not complete JSON. Take another copy of it, or export once more.");
  }
  const { format, version, exportedAt, records } = (file ?? {}) as Record<string, unknown>;
  if (format !== BACKUP_FORMAT || !Array.isArray(records))
    return refuse("This is no workshop backup. Choose a file that was made with \u201cExport the workshop\u201d.");
  if (hasForeignKey(file))
    return refuse("This file holds a key that no workshop has (\u201c__proto__\u201d). It is not one of ours.");
  if (records.length > MOST_RECORDS)
    return refuse(
      `This file holds ${records.length.toLocaleString("en")} records; a workshop has no more than ${MOST_RECORDS.toLocaleString("en")}.`,
    );
  if (typeof version !== "number" || !Number.isSafeInteger(version) || version < 1)
    return refuse("This backup is damaged: it does not say of which version it is. Take another copy of it.");
  if (version > BACKUP_VERSION) return refuse("This backup was made by a newer Gentle Crock. Update this one first.");
  const contents: BackupContents = {
    exportedAt: typeof exportedAt === "string" ? exportedAt : "",
    chambers: [],
    others: [],
    damaged: [],
  };
  const taken = new Set<string>();
  records.forEach((raw: unknown, i) => {
    const checked = checkedRecord(raw, taken, beside);
    if (!checked.ok) contents.damaged.push({ name: nameOf(raw) || `Record ${i + 1}`, problem: checked.problem });
    else if (checked.value.kind === "chamber") contents.chambers.push(checked.value);
    else contents.others.push(checked.value);
  });
  if (contents.chambers.length + contents.others.length === 0)
    return refuse(
      contents.damaged.length
        ? `Nothing in this file can be read: ${contents.damaged[0]!.problem}. Nothing was changed.`
        : "This backup is empty: there is nothing to bring back.",
    );
  return read(contents);
}

/** What a damaged record is called, as far as it says. */
function nameOf(raw: unknown): string {
  const named = raw as { name?: unknown; kind?: unknown } | null;
  if (typeof named?.name === "string") return named.name.trim().slice(0, 60);
  return named?.kind === "preferences" ? recordKinds.preferences.says({}) : "";
}

/** A record of a file by the rules of what is typed: its form, what contradicts itself, and its own place. */
function checkedRecord(
  raw: unknown,
  taken: Set<string>,
  beside: ReadonlyMap<string, string | null>,
): Read<WorkshopRecord> {
  const parsed = readRecord(raw);
  if (!parsed.ok) return refuse(parsed.problem);
  const { record } = parsed;
  if (taken.has(record.id)) return refuse("another record of this file stands in its place");
  if (record.kind === "chamber") {
    const [problem] = contradictions(describe(record));
    if (problem) return refuse(problem);
  }
  for (const id of recordKinds[record.kind].takes(record)) {
    const flaw = beside.get(id);
    if (flaw === undefined) return refuse("the readings of its recorded room are not in this file");
    if (flaw !== null) return refuse(`the readings of its recorded room are damaged: ${flaw}`);
  }
  taken.add(record.id);
  return read(record);
}
