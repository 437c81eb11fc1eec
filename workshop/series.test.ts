/** @jest-environment node */
import "fake-indexeddb/auto";
import { newChamber } from "@/core/chamber";
import type { ChamberRecord } from "@/core/model";
import { celsius } from "@/core/quantity";
import { BLOCK_ROWS } from "@/core/series";
import { seriesBox } from "./box";
import {
  dropSeries,
  readBlocks,
  readingsOut,
  readingsUntil,
  ROOM_COLUMNS,
  SeriesPen,
  seriesNotes,
  stretchOfSeries,
  sweepSeries,
} from "./series";

const NOW = "2026-11-01T10:00:00.000Z";
const later = (days: number) => new Date(Date.parse(NOW) + days * 86_400_000).toISOString();
const keys = async () => (await seriesBox()).keys();

/** A series of two blocks and a bit, as it is written: piece by piece. */
async function written(finished = true): Promise<string> {
  const pen = new SeriesPen(ROOM_COLUMNS, NOW);
  for (let i = 0; i < 2 * BLOCK_ROWS + 100; i++) {
    pen.append(i * 10, 10 + (i % 13));
    if (i % 5000 === 0) await pen.store();
  }
  await pen.store(finished);
  return pen.id;
}

beforeEach(async () => (await seriesBox()).clear());

describe("a series in the store", () => {
  it("is read back up to a moment, and says where it was cut", async () => {
    const id = await written();
    expect((await seriesNotes(id))!.blocks.map((b) => b.rows)).toEqual([BLOCK_ROWS, BLOCK_ROWS, 100]);
    const all = (await readingsUntil(id, 0, 1e9))!;
    expect(all.seconds).toHaveLength(2 * BLOCK_ROWS + 100);
    expect([all.seconds[20_000 - 3700], all.values[16_300]]).toEqual([163_000, 10 + (16_300 % 13)]);
    expect(all.until).toBeUndefined();
    const cut = (await readingsUntil(id, 0, 3600))!;
    // The block that holds the moment, and the next one, for the line between them.
    expect(cut.seconds).toHaveLength(2 * BLOCK_ROWS);
    expect(cut.until).toBe(3600);
    expect(await readingsUntil("elsewhere", 0, 1)).toBeNull();
  });

  it("does not exist for anybody before it is finished", async () => {
    const id = await written(false);
    expect([await seriesNotes(id), await readingsUntil(id, 0, 1e9)]).toEqual([null, null]);
    expect(await stretchOfSeries(id, 0, { from: 0, to: 10, bins: 2 })).toBeNull();
  });

  it("of which a block is gone says so instead of drawing a gap", async () => {
    const id = await written();
    const box = await seriesBox();
    await box.removeItem((await box.keysOf(`block:${id}:`))[1]!);
    await expect(readingsUntil(id, 0, 1e9)).rejects.toThrow(/gone from the store/);
    await expect(readBlocks(id, [0, 1])).rejects.toThrow(/gone/);
    expect((await readBlocks(id, [0])).size).toBe(1);
  });

  it("is stored with all its blocks in each step or not at all", async () => {
    const pen = new SeriesPen(ROOM_COLUMNS, NOW);
    for (let i = 0; i < BLOCK_ROWS + 1; i++) pen.append(i, 1);
    const put = jest.spyOn(IDBObjectStore.prototype, "put");
    put.mockImplementationOnce(IDBObjectStore.prototype.put).mockImplementationOnce(() => {
      throw new DOMException("no room", "QuotaExceededError");
    });
    await expect(pen.store(true)).rejects.toMatchObject({ kind: "full" });
    put.mockRestore();
    expect(await keys()).toEqual([]);
  });
});

describe("sweeping", () => {
  it("takes out what no record has spoken of for a week, whole, and nothing else", async () => {
    const [kept, loose, begun] = [await written(), await written(), await written(false)];
    const spoken = new Set([kept]);
    expect(await sweepSeries(spoken, later(1))).toBe(0);
    expect(await sweepSeries(spoken, later(6.9))).toBe(0);
    // Undone in time: it is spoken of again, and its week begins anew when it is not.
    expect(await sweepSeries(new Set([kept, loose]), later(6.95))).toBe(0);
    expect(await sweepSeries(spoken, later(8))).toBe(1);
    expect(await seriesNotes(loose)).not.toBeNull();
    expect((await keys()).some((k) => k.includes(begun))).toBe(false);
    expect(await sweepSeries(spoken, later(16))).toBe(1);
    expect((await keys()).every((k) => k.includes(kept))).toBe(true);
    expect(await sweepSeries(spoken, later(400))).toBe(0);
    await dropSeries(kept);
    expect(await keys()).toEqual([]);
  });
});

describe("a recorded room that stands in its record, as older forms have it", () => {
  const record: ChamberRecord = {
    ...newChamber("a", "A", NOW),
    roomSeries: { name: "attic.csv", seconds: [0, 60, 3600], temperatures: [-8.5, 4, 20.25].map(celsius) },
  };
  it("is moved into the store, and its record speaks of it", async () => {
    const out = await readingsOut(record, NOW);
    expect(out).toEqual({
      ...record,
      roomSeries: null,
      roomReadings: {
        series: out.roomReadings!.series,
        name: "attic.csv",
        rows: 3,
        span: 3600,
        low: -8.5,
        high: 20.25,
      },
    });
    const { seconds, values } = (await readingsUntil(out.roomReadings!.series, 0, 1e9))!;
    expect([Array.from(seconds), Array.from(values)]).toEqual([
      [0, 60, 3600],
      [-8.5, 4, 20.25],
    ]);
    expect(await readingsOut(out, NOW)).toBe(out);
  });
});
