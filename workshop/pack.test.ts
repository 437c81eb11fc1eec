/** @jest-environment node */
import "fake-indexeddb/auto";
import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import { newChamber, setRecorded } from "@/core/chamber";
import type { ChamberRecord, WorkshopRecord } from "@/core/model";
import { celsius, type Read } from "@/core/quantity";
import { BLOCK_ROWS } from "@/core/series";
import { hollinMill } from "@/demo";
import type { BackupContents } from "./backup";
import { seriesBox } from "./box";
import { lookInto, packBackup, unpackSeries, type Packed } from "./pack";
import { readingsUntil, recordedRoom, ROOM_COLUMNS, SeriesPen } from "./series";

const NOW = "2026-11-01T10:00:00.000Z";

/** Drives steps to their end, as a worker does. */
async function done<R>(steps: Generator<Promise<unknown> | undefined, R, unknown>): Promise<R> {
  let step = steps.next();
  while (!step.done) step = steps.next(await step.value);
  return step.value;
}

async function room(rows: number, value: (i: number) => number, name = "cellar.csv") {
  const pen = new SeriesPen(ROOM_COLUMNS, NOW);
  for (let i = 0; i < rows; i++) pen.append(i * 10, value(i));
  return recordedRoom(pen.id, name, await pen.store(true));
}
const chamber = (id: string, roomReadings: ChamberRecord["roomReadings"]): ChamberRecord => ({
  ...newChamber(id, `Chamber ${id}`, NOW),
  roomReadings,
});

const bytesOf = async ({ file }: Packed) => new Uint8Array(await file.arrayBuffer());
const looked = async (bytes: Uint8Array<ArrayBuffer>): Promise<Read<BackupContents>> =>
  done(lookInto(new Blob([bytes])));
const seriesOfAll = async () => {
  const notes = await (await seriesBox()).keysOf("notes:");
  return notes.map((k) => k.slice("notes:".length));
};

type Entries = Record<string, Uint8Array>;
const drop = (entries: Entries, name: string) => Reflect.deleteProperty(entries, name);

beforeEach(async () => (await seriesBox()).clear());

/** Two chambers in one room, one in another, one in none, and one whose room stands in its record. */
async function workshop() {
  const long = await room(BLOCK_ROWS + 700, (i) => 10 + (i % 9));
  const short = await room(3, (i) => 0 - i, "attic.csv");
  const inline = {
    ...chamber("e", null),
    roomSeries: { name: "shed.csv", seconds: [0, 60], temperatures: [4, 5].map(celsius) },
  };
  const records: WorkshopRecord[] = [
    chamber("a", long),
    chamber("b", long),
    chamber("c", short),
    ...hollinMill(),
    inline,
  ];
  return { long, short, inline, records, packed: await done(packBackup(records, NOW)) };
}

describe("a backup with readings", () => {
  it("brings every reading back under a new name, into a browser that has none", async () => {
    const { records, packed, long } = await workshop();
    expect([packed.zip, packed.without]).toEqual([true, []]);
    const before = (await readingsUntil(long.series, 0, 1e9))!;
    await (await seriesBox()).clear();
    const bytes = await bytesOf(packed);
    const contents = await looked(bytes);
    if (!contents.ok) throw new Error(contents.problem);
    expect(contents.value.damaged).toEqual([]);
    expect(contents.value.chambers).toEqual(records);
    // Nothing is stored by looking.
    expect(await seriesOfAll()).toEqual([]);
    const brought = await done(unpackSeries(new Blob([bytes]), contents.value.chambers, NOW));
    if (!brought.ok) throw new Error(brought.problem);
    const [a, b, c] = brought.value;
    expect(a!.roomReadings).toEqual({ ...long, series: a!.roomReadings!.series });
    expect(a!.roomReadings!.series).not.toBe(long.series);
    expect(b!.roomReadings).toEqual(a!.roomReadings);
    expect(c!.roomReadings).toMatchObject({ name: "attic.csv", rows: 3, low: -2, high: 0 });
    const last = brought.value.at(-1)!;
    expect([last.roomSeries, last.roomReadings!.name]).toEqual([null, "shed.csv"]);
    expect(await seriesOfAll()).toHaveLength(3);
    const after = (await readingsUntil(a!.roomReadings!.series, 0, 1e9))!;
    expect(after).toEqual(before);
    // Everything else of the records is as it was.
    expect(brought.value.map(({ roomReadings: _r, roomSeries: _s, ...rest }) => rest)).toEqual(
      contents.value.chambers.map(({ roomReadings: _r, roomSeries: _s, ...rest }) => rest),
    );
  });

  it("is a text alone where there are none", async () => {
    const packed = await done(packBackup(hollinMill(), NOW));
    expect(packed.zip).toBe(false);
    const contents = await looked(await bytesOf(packed));
    expect(contents.ok && contents.value.chambers).toEqual(hollinMill());
  });

  it("leaves a room out whose readings are gone, names its chamber, and keeps the chamber", async () => {
    const { records, long } = await workshop();
    const box = await seriesBox();
    await box.removeItem(`notes:${long.series}`);
    const packed = await done(packBackup(records, NOW));
    expect(packed.without).toEqual(["Chamber a", "Chamber b"]);
    const contents = await looked(await bytesOf(packed));
    expect(contents.ok && contents.value.chambers.slice(0, 3).map((c) => c.roomReadings?.name ?? null)).toEqual([
      null,
      null,
      "attic.csv",
    ]);
  });
});

describe("a damaged backup with readings", () => {
  /** The archive with something changed in it; what comes in, and what is left out with its reason. */
  const changed = async (change: (entries: Entries, series: string) => void) => {
    const { packed, long } = await workshop();
    const entries: Entries = unzipSync(await bytesOf(packed));
    change(entries, long.series);
    const contents = await looked(zipSync(entries) as Uint8Array<ArrayBuffer>);
    if (!contents.ok) return contents.problem;
    const { chambers, damaged } = contents.value;
    expect(chambers.map((c) => c.id)).toEqual(expect.arrayContaining(["c", "e"]));
    expect(damaged.map((d) => d.name)).toEqual(["Chamber a", "Chamber b"]);
    return damaged[0]!.problem;
  };
  const part = (e: Entries, id: string, n: number) => e[`series/${id}/${n}.bin`]!;
  const text = (e: Entries, change: (file: { series: { id: string; blocks: number }[] }) => void) => {
    const file = JSON.parse(strFromU8(e["workshop.json"]!)) as Parameters<typeof change>[0];
    change(file);
    e["workshop.json"] = strToU8(JSON.stringify(file));
  };

  it.each<[string, (e: Entries, id: string) => void, RegExp]>([
    ["a part that is gone", (e, id) => drop(e, `series/${id}/1.bin`), /part 2 of 2 is missing/],
    [
      "a reading that is no number",
      (e, id) => new DataView(part(e, id, 0).buffer, part(e, id, 0).byteOffset).setFloat32(BLOCK_ROWS * 8, NaN, true),
      /no number/,
    ],
    [
      "a room like an oven",
      (e, id) => new DataView(part(e, id, 0).buffer, part(e, id, 0).byteOffset).setFloat32(BLOCK_ROWS * 8, 500, true),
      /high: /,
    ],
    [
      "a time that goes back",
      (e, id) => new DataView(part(e, id, 0).buffer, part(e, id, 0).byteOffset).setFloat64(80, 5, true),
      /not later/,
    ],
    [
      "parts in the wrong order",
      (e, id) => ([e[`series/${id}/0.bin`], e[`series/${id}/1.bin`]] = [part(e, id, 1), part(e, id, 0)]),
      /part 1 is not full/,
    ],
    ["half a row", (e, id) => (e[`series/${id}/1.bin`] = part(e, id, 1).slice(0, 100)), /length that none has/],
    [
      "a series that the text does not name",
      (e, id) => text(e, (f) => (f.series = f.series.filter((s) => s.id !== id))),
      /are not in this file/,
    ],
    [
      "a series of a million parts",
      (e, id) => text(e, (f) => (f.series.find((s) => s.id === id)!.blocks = 1e6)),
      /are not in this file/,
    ],
  ])("names the chambers that %s leaves out, with the reason, and brings the others in", async (_, change, words) => {
    expect(await changed(change)).toMatch(words);
  });

  it.each<[string, (bytes: Uint8Array<ArrayBuffer>) => Uint8Array<ArrayBuffer>]>([
    ["cut in the middle", (b) => b.slice(0, b.length / 2)],
    ["of another program", () => zipSync({ "letter.txt": strToU8("Dear all") }) as Uint8Array<ArrayBuffer>],
    ["with two letters of an archive and nothing else", () => Uint8Array.from([0x50, 0x4b])],
  ])("is refused as a whole where the archive is %s", async (_, change) => {
    const { packed } = await workshop();
    const read = await looked(change(await bytesOf(packed)));
    expect(!read.ok && read.problem).toMatch(/no workshop backup, or is damaged/);
  });

  it("a text that speaks of readings without them leaves their chambers out", async () => {
    const { packed } = await workshop();
    const alone = unzipSync(await bytesOf(packed))["workshop.json"]!;
    const read = await looked(alone as Uint8Array<ArrayBuffer>);
    expect(read.ok && read.value.damaged.map((d) => d.name)).toEqual(["Chamber a", "Chamber b", "Chamber c"]);
  });

  it("stores nothing where the store refuses the last part, and where the file changes between look and take", async () => {
    const { packed } = await workshop();
    const bytes = await bytesOf(packed);
    const contents = await looked(bytes);
    if (!contents.ok) throw new Error(contents.problem);
    await (await seriesBox()).clear();
    const entries = unzipSync(bytes);
    const last = Object.keys(entries).findLast((k) => k.endsWith(".bin"))!;
    drop(entries, last);
    const other = new Blob([zipSync(entries) as Uint8Array<ArrayBuffer>]);
    expect(await done(unpackSeries(other, contents.value.chambers, NOW))).toMatchObject({ ok: false });
    // What was begun is taken out again a moment later.
    await new Promise((resolve) => setTimeout(resolve, 50));
    expect(await (await seriesBox()).keys()).toEqual([]);
  });
});

it("a recorded room is put into a chamber and taken out of it", () => {
  const readings = { series: "s", name: "x", rows: 2, span: 60, low: celsius(1), high: celsius(2) };
  const within = {
    ...chamber("a", null),
    roomSeries: { name: "y", seconds: [0, 1], temperatures: [1, 2].map(celsius) },
  };
  expect(setRecorded(readings)(within)).toMatchObject({ roomReadings: readings, roomSeries: null });
  expect(setRecorded(null)(within)).toMatchObject({ roomReadings: null, roomSeries: null });
});
