import { nanoid } from "nanoid";
import type { ChamberRecord, RoomReadings } from "@/core/model";
import { celsius } from "@/core/quantity";
import {
  blocksFor,
  envelopeOf,
  extremesOf,
  rowsOf,
  type Envelope,
  type Readings,
  type SeriesBlock,
  type SeriesColumn,
  type SeriesNotes,
  SeriesWriter,
} from "@/core/series";
import { seriesBox } from "./box";
import type { Put } from "./driver";

/** A series as it lies in the store: its blocks lie beside it under keys of their own. */
interface Kept extends SeriesNotes {
  madeAt: string;
  /** Its last row has come; until then nobody may speak of it. */
  finished: boolean;
  /** Since when no record has spoken of it; null while one does. */
  looseSince: string | null;
}

/** The one column of a recorded room. */
export const ROOM_COLUMNS: readonly SeriesColumn[] = [{ name: "room", unit: "degC" }];

const NOTES = "notes:";
const BLOCK = "block:";
const blockKey = (id: string, index: number) => `${BLOCK}${id}:${String(index).padStart(6, "0")}`;

const keptOf = async (id: string): Promise<Kept | null> =>
  (await (await seriesBox()).getItem<Kept>(NOTES + id)) ?? null;

/** What is known of a finished series without reading its blocks; null where it is not in this browser. */
export async function seriesNotes(id: string): Promise<SeriesNotes | null> {
  const kept = await keptOf(id);
  return kept?.finished ? kept : null;
}

/** Blocks by their place. @throws where one is gone: the series is damaged */
export async function readBlocks(id: string, places: readonly number[]): Promise<Map<number, SeriesBlock>> {
  const box = await seriesBox();
  const blocks = await Promise.all(places.map((i) => box.getItem<SeriesBlock>(blockKey(id, i))));
  return new Map(
    blocks.map((block, i) => {
      if (!block) throw new Error("a part of these readings is gone from the store");
      return [places[i]!, block];
    }),
  );
}

/**
 * Writes a series block by block. Until it is finished nobody speaks of it, and what a dying browser leaves behind is
 * swept.
 */
export class SeriesPen {
  readonly id = nanoid(16);
  private readonly writer: SeriesWriter;

  constructor(
    columns: readonly SeriesColumn[],
    private readonly now: string,
  ) {
    this.writer = new SeriesWriter(columns);
  }

  get rows(): number {
    return this.writer.rows;
  }

  /** @throws RangeError as the writer does */
  append(at: number, ...values: number[]): void {
    this.writer.append(at, ...values);
  }

  /** Stores what has come since the last time, in one transaction. */
  async store(finished = false): Promise<SeriesNotes> {
    const { blocks, notes } = this.writer.take();
    const kept: Kept = { ...notes, madeAt: this.now, finished, looseSince: this.now };
    await (
      await seriesBox()
    ).setMany([
      ...blocks.map(({ index, block }): Put => ({ key: blockKey(this.id, index), value: block })),
      { key: NOTES + this.id, value: kept },
    ]);
    return notes;
  }
}

/** Takes a series and its blocks out of the store. */
export async function dropSeries(id: string): Promise<void> {
  const box = await seriesBox();
  const blocks = await box.keysOf(`${BLOCK}${id}:`);
  await box.setMany([NOTES + id, ...blocks].map((key): Put => ({ key })));
}

/** So long a series that no record speaks of stays: an undo may want it again, and another tab may be writing it. */
const REPRIEVE = 7 * 86_400_000;

/**
 * Marks series of which no record speaks, and takes out those that have been marked for a week.
 * @param spokenOf names that records speak of @returns how many were taken out
 */
export async function sweepSeries(spokenOf: ReadonlySet<string>, now: string): Promise<number> {
  const box = await seriesBox();
  const { found } = await box.readSome(NOTES);
  const marks: Put[] = [];
  let swept = 0;
  for (const [key, raw] of found) {
    const kept = raw as Kept;
    const id = key.slice(NOTES.length);
    if (spokenOf.has(id)) {
      if (kept.looseSince !== null) marks.push({ key, value: { ...kept, looseSince: null } });
    } else if (kept.looseSince === null) marks.push({ key, value: { ...kept, looseSince: now } });
    else if (Date.parse(now) - Date.parse(kept.looseSince) > REPRIEVE) {
      await dropSeries(id);
      swept++;
    }
  }
  if (marks.length) await box.setMany(marks);
  return swept;
}

/** A stretch of a series for drawing; null where it is not in this browser. */
export async function stretchOfSeries(
  id: string,
  column: number,
  stretch: { from: number; to: number; bins: number },
): Promise<Envelope | null> {
  const notes = await seriesNotes(id);
  if (!notes) return null;
  const read = await readBlocks(id, blocksFor(notes, stretch.from, stretch.to, stretch.bins));
  return envelopeOf(notes, column, stretch, read);
}

/** The readings of a column up to a moment, s, and the one behind it; null where they are not in this browser. */
export async function readingsUntil(id: string, column: number, until: number): Promise<Readings | null> {
  const notes = await seriesNotes(id);
  if (!notes) return null;
  const wanted = notes.blocks.flatMap((b, i) => (b.from <= until || i === 0 ? [i] : []));
  // A straight line from the last of them to the next has its other end in the block that follows.
  if (wanted.length < notes.blocks.length) wanted.push(wanted.length);
  const rows = wanted.reduce((sum, i) => sum + notes.blocks[i]!.rows, 0);
  const seconds = new Float64Array(rows);
  const values = new Float32Array(rows);
  let at = 0;
  for (const i of wanted) {
    const block = (await readBlocks(id, [i])).get(i)!;
    seconds.set(block.seconds, at);
    values.set(block.columns[column]!, at);
    at += block.seconds.length;
  }
  return wanted.length < notes.blocks.length ? { seconds, values, until } : { seconds, values };
}

/** A recorded room for the record that speaks of it: its finished series in short. */
export function recordedRoom(series: string, name: string, notes: SeriesNotes): RoomReadings {
  const { low, high } = extremesOf(notes, 0);
  const span = notes.blocks.at(-1)!.to;
  return { series, name: name.slice(0, 80), rows: rowsOf(notes), span, low: celsius(low), high: celsius(high) };
}

/**
 * A chamber whose recorded room stands in the record itself, as older forms have it: its readings go into the store.
 * @throws StoreTrouble where they could not be stored
 */
export async function readingsOut(record: ChamberRecord, now: string): Promise<ChamberRecord> {
  const { roomSeries } = record;
  if (!roomSeries) return record;
  const pen = new SeriesPen(ROOM_COLUMNS, now);
  roomSeries.seconds.forEach((s, i) => pen.append(s, roomSeries.temperatures[i]!));
  const notes = await pen.store(true);
  return { ...record, roomSeries: null, roomReadings: recordedRoom(pen.id, roomSeries.name, notes) };
}
