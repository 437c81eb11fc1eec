import { strFromU8, strToU8, unzipSync, Zip, ZipDeflate, type UnzipFileInfo } from "fflate";
import {
  placeProblem,
  problemOf,
  recordKinds,
  roomReadings,
  type BackupSeries,
  type ChamberRecord,
  type WorkshopRecord,
} from "@/core/model";
import { read, refuse, type Read } from "@/core/quantity";
import {
  BLOCK_ROWS,
  blockOf,
  bytesOf,
  noteOf,
  type BlockNote,
  type SeriesBlock,
  type SeriesNotes,
} from "@/core/series";
import { readBackup, seriesIn, writeBackup, type BackupContents } from "./backup";
import { dropSeries, readBlocks, readingsOut, recordedRoom, SeriesPen, seriesNotes } from "./series";

/** A backup as a file, and the chambers whose readings were not there any more: they are in it without them. */
export interface Packed {
  file: Blob;
  /** A zip archive where there are readings; else the text alone. */
  zip: boolean;
  without: string[];
}

const TEXT = "workshop.json";
const partName = (id: string, block: number) => `series/${id}/${block}.bin`;
const seriesOf = (record: WorkshopRecord) => recordKinds[record.kind].takes(record);

/** What is to be done, a step at a time: a promise that is yielded is waited for, and its answer given back. */
type Steps<R> = Generator<Promise<unknown> | undefined, R, unknown>;

/** The whole workshop as one file, with the readings that its records speak of. */
export function* packBackup(records: readonly WorkshopRecord[], now: string): Steps<Packed> {
  const notes = new Map<string, SeriesNotes>();
  for (const id of new Set(records.flatMap(seriesOf))) {
    const found = (yield seriesNotes(id)) as SeriesNotes | null;
    if (found) notes.set(id, found);
  }
  const without: string[] = [];
  const whole = records.map((record): WorkshopRecord => {
    if (record.kind !== "chamber" || seriesOf(record).every((id) => notes.has(id))) return record;
    without.push(record.name);
    return { ...record, roomReadings: null };
  });
  const series = [...notes].map(([id, n]): BackupSeries => ({ id, columns: [...n.columns], blocks: n.blocks.length }));
  const text = writeBackup(whole, now, series);
  if (text.length > MOST_TEXT)
    throw new Error(
      "this workshop is larger than one file may be, by its photos. Put chambers into files of their own, on the Shelf",
    );
  if (series.length === 0) return { file: new Blob([text], { type: "application/json" }), zip: false, without };

  const parts: BlobPart[] = [];
  const zip = new Zip((error, chunk) => {
    if (error) throw error;
    parts.push(chunk as Uint8Array<ArrayBuffer>);
  });
  const put = (name: string, bytes: Uint8Array, level: 1 | 6) => {
    const entry = new ZipDeflate(name, { level });
    zip.add(entry);
    entry.push(bytes, true);
  };
  put(TEXT, strToU8(text), 6);
  for (const { id, blocks } of series)
    for (let i = 0; i < blocks; i++) {
      const block = ((yield readBlocks(id, [i])) as Map<number, SeriesBlock>).get(i)!;
      put(partName(id, i), bytesOf(block), 1);
      yield;
    }
  zip.end();
  return { file: new Blob(parts, { type: "application/zip" }), zip: true, without };
}

/** Largest file that is looked into, and largest text of records, bytes. */
const MOST_FILE = 2 ** 30;
const MOST_TEXT = 2 ** 26;
/** Times and temperatures never shrink further than this; a text does. */
const DENSEST = 100;
/** A block of eight columns. */
const MOST_BLOCK = BLOCK_ROWS * (8 + 8 * 4);

/** One entry of an archive; null where it is not in it, is larger than any that is ours, or is damaged. */
function entryOf(archive: Uint8Array, name: string, most: number, densest = Infinity): Uint8Array | null {
  try {
    const filter = (f: UnzipFileInfo) =>
      f.name === name && f.originalSize <= most && f.originalSize <= densest * f.size + 1000;
    return unzipSync(archive, { filter })[name] ?? null;
  } catch {
    return null;
  }
}

interface Opened {
  text: string;
  /** Null where the file is a text alone. */
  archive: Uint8Array | null;
}

function* openFile(file: Blob): Steps<Read<Opened>> {
  if (file.size > MOST_FILE) return refuse("This file is larger than any backup. Choose another one.");
  const head = new Uint8Array((yield file.slice(0, 2).arrayBuffer()) as ArrayBuffer);
  if (head[0] !== 0x50 && file.size > MOST_TEXT)
    return refuse("This file is larger than the text of any workshop. Choose another one.");
  const bytes = new Uint8Array((yield file.arrayBuffer()) as ArrayBuffer);
  // Every zip archive begins with these two letters.
  if (bytes[0] !== 0x50 || bytes[1] !== 0x4b) return read({ text: new TextDecoder().decode(bytes), archive: null });
  const text = entryOf(bytes, TEXT, MOST_TEXT);
  if (!text)
    return refuse(
      "This archive is no workshop backup, or is damaged. Take another copy of it, or choose a file that was made with \u201cExport the workshop\u201d.",
    );
  return read({ text: strFromU8(text), archive: bytes });
}

/** Reads the blocks of a series out of an archive, one after the other; a sentence comes back where one is wrong. */
function* blocksIn(
  archive: Uint8Array,
  series: BackupSeries,
  each: (block: SeriesBlock) => Promise<unknown> | undefined,
): Steps<string | null> {
  let last = -Infinity;
  for (let i = 0; i < series.blocks; i++) {
    const bytes = entryOf(archive, partName(series.id, i), MOST_BLOCK, DENSEST);
    if (!bytes) return `part ${i + 1} of ${series.blocks} is missing or cannot be read`;
    const block = blockOf(bytes, series.columns.length, last);
    if (!block.ok) return block.problem;
    if (i < series.blocks - 1 && block.value.seconds.length < BLOCK_ROWS) return `part ${i + 1} is not full`;
    last = block.value.seconds.at(-1)!;
    yield each(block.value);
  }
  return null;
}

/** What is wrong with readings as those of a room, or null: they meet the rules of a table that is read in. */
function flawOfRoom(notes: SeriesNotes): string | null {
  if (notes.blocks[0]!.from < 0) return "it begins before the trial";
  const parsed = roomReadings.safeParse(recordedRoom("room", "", notes));
  return parsed.success ? null : placeProblem(problemOf(parsed.error.issues[0]!));
}

/** Looks into a backup file, text or archive, without touching the workshop; every reading is looked at. */
export function* lookInto(file: Blob): Steps<Read<BackupContents>> {
  const opened = yield* openFile(file);
  if (!opened.ok) return opened;
  const { text, archive } = opened.value;
  if (!archive) return readBackup(text);
  const named = seriesIn(text);
  const beside = new Map<string, string | null>(named.map((s) => [s.id, null]));
  const first = readBackup(text, beside);
  if (!first.ok) return first;
  const wanted = new Set(first.value.chambers.flatMap(seriesOf));
  for (const series of named.filter((s) => wanted.has(s.id))) {
    const blocks: BlockNote[] = [];
    const flaw = yield* blocksIn(archive, series, (block) => {
      blocks.push(noteOf(block));
      return undefined;
    });
    beside.set(series.id, flaw ?? flawOfRoom({ columns: series.columns, blocks }));
  }
  return readBackup(text, beside);
}

/**
 * Puts the readings of chambers into the store, out of the file that they stand in and out of the records of older
 * forms: each series under a new name, so that none that is here is touched. The chambers themselves are not stored.
 * @returns the chambers as they speak of the new names
 * @throws StoreTrouble where the readings could not be stored: nothing of them stays
 */
export function* unpackSeries(
  file: Blob,
  chambers: readonly ChamberRecord[],
  now: string,
): Steps<Read<ChamberRecord[]>> {
  const stored = new Map<string, { id: string; notes: SeriesNotes }>();
  const written: string[] = [];
  let whole = false;
  try {
    const wanted = new Set(chambers.flatMap(seriesOf));
    if (wanted.size > 0) {
      const opened = yield* openFile(file);
      if (!opened.ok) return opened;
      const { text, archive } = opened.value;
      for (const series of seriesIn(text).filter((s) => wanted.has(s.id))) {
        const pen = new SeriesPen(series.columns, now);
        written.push(pen.id);
        const flaw = archive
          ? yield* blocksIn(archive, series, (block) => {
              block.seconds.forEach((s, i) => pen.append(s, ...block.columns.map((c) => c[i]!)));
              // A long one is never held as a whole.
              return pen.rows % (16 * BLOCK_ROWS) === 0 ? pen.store() : undefined;
            })
          : "it is not in this file";
        if (flaw) return refuse(`The readings of a recorded room are damaged: ${flaw}.`);
        stored.set(series.id, { id: pen.id, notes: (yield pen.store(true)) as SeriesNotes });
      }
    }
    const placed: ChamberRecord[] = [];
    for (const chamber of chambers) {
      const room = chamber.roomReadings;
      if (room) {
        const found = stored.get(room.series);
        if (!found) return refuse(`The readings of ${chamber.name} are not in this file any more.`);
        placed.push({ ...chamber, roomReadings: recordedRoom(found.id, room.name, found.notes) });
      } else if (chamber.roomSeries) {
        const out = (yield readingsOut(chamber, now)) as ChamberRecord;
        written.push(...seriesOf(out));
        placed.push(out);
      } else placed.push(chamber);
    }
    whole = true;
    return read(placed);
  } finally {
    if (!whole) for (const id of written) void dropSeries(id).catch(() => undefined);
  }
}
