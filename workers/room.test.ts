import "fake-indexeddb/auto";
import { newChamber, setRecorded } from "@/core/chamber";
import type { ChamberRecord, RoomSeries } from "@/core/model";
import { celsius } from "@/core/quantity";
import { planOf, runTrial, trialOf } from "@/core/trial";
import { seriesBox } from "@/workshop/box";
import { desk } from "./desk";
import { Stopped } from "./drive";

const record = newChamber("a", "A", "2026-01-01T00:00:00.000Z");
const table = (rows: number, at: (i: number) => string) =>
  new File([["h,t", ...Array.from({ length: rows }, (_, i) => at(i))].join("\n")], "long.csv");
const keys = async () => (await seriesBox()).keys();
/** What was taken out is gone a moment later. */
const settled = () => new Promise((resolve) => setTimeout(resolve, 50));

beforeEach(async () => (await seriesBox()).clear());

describe("a table of a million readings", () => {
  const file = table(1_000_000, (i) => `${i / 360},${10 + (i % 7)}`);

  it("is read in pieces, tells how far it is, and lies in the store row by row", async () => {
    const told: { share: number; rows: number }[] = [];
    const found = await desk.run(1, "readRoom", { file, scale: "C" }, (p) => {
      if (p) told.push(p as (typeof told)[number]);
    });
    if (!found.ok) throw new Error(found.problem);
    expect(found.value.ends).toEqual(["0", String(999_999 / 360)]);
    expect(found.value.readings).toMatchObject({ name: "long.csv", rows: 1_000_000, low: 10, high: 16 });
    expect(found.value.readings.span).toBeCloseTo(9_999_990, 3);
    expect(told.at(-1)!.share).toBe(1);
    expect(told.length).toBeGreaterThan(10);
    const all = await desk.run(2, "drawSeries", {
      series: found.value.readings.series,
      from: 0,
      to: found.value.readings.span,
      bins: 100,
    });
    expect([Math.min(...all!.low), Math.max(...all!.high)]).toEqual([10, 16]);
    // Close up, one bin to a row.
    const close = await desk.run(3, "drawSeries", {
      series: found.value.readings.series,
      from: 5_000_000,
      to: 5_000_100,
      bins: 10,
    });
    expect([...close!.low].slice(0, 9)).toEqual(Array.from({ length: 9 }, (_, k) => 10 + ((500_000 + k) % 7)));
  }, 60_000);

  it("leaves nothing behind where it is stopped, or is wrong in a late line", async () => {
    const stopped = desk.run(4, "readRoom", { file, scale: "C" }, () => desk.stop(4));
    await expect(stopped).rejects.toBeInstanceOf(Stopped);
    const wrong = table(120_000, (i) => (i === 110_000 ? "x,y" : `${i / 360},10`));
    expect(await desk.run(5, "readRoom", { file: wrong, scale: "C" })).toEqual({
      ok: false,
      problem:
        "Line 110002: \u201cx\u201d is no time. Numbers (12.5), or dates that there are, like 2026-01-31 18:30, are understood.",
    });
    await settled();
    expect(await keys()).toEqual([]);
  }, 60_000);

  it("leaves nothing behind where the store refuses a part of it, and says so", async () => {
    const put = jest.spyOn(IDBObjectStore.prototype, "put").mockImplementation(() => {
      throw new DOMException("no room", "QuotaExceededError");
    });
    await expect(desk.run(6, "readRoom", { file, scale: "C" })).rejects.toThrow("The store of this browser is full");
    put.mockRestore();
    await settled();
    expect(await keys()).toEqual([]);
  }, 60_000);
});

describe("a chamber in a recorded room", () => {
  const series: RoomSeries = {
    name: "cellar.csv",
    seconds: Array.from({ length: 500 }, (_, i) => i * 900),
    temperatures: Array.from({ length: 500 }, (_, i) => celsius(Math.fround(12 + 8 * Math.sin(i / 20)))),
  };
  const written: ChamberRecord = { ...record, roomSeries: series };
  const read = async () => {
    const file = table(500, (i) => `${i / 4},${series.temperatures[i]}`);
    const found = await desk.run(7, "readRoom", { file, scale: "C" });
    if (!found.ok) throw new Error(found.problem);
    return setRecorded(found.value.readings)(written);
  };

  it("has the trial that it has with the readings written out in its record, and far from that of the daily swing", async () => {
    const away = await read();
    expect(away.roomSeries).toBeNull();
    const { trial } = await desk.run(8, "trial", { record: away, days: 3, scale: "C" });
    const whole = runTrial(trialOf(planOf(written), 3));
    expect(trial.metrics).toEqual(whole.metrics);
    expect(trial.trace.high.room).toEqual(whole.trace.high.room);
    expect(trial.metrics).not.toEqual(runTrial(trialOf(planOf(record), 3)).metrics);
  });

  it("whose readings are gone says so and runs nothing", async () => {
    const away = await read();
    const gone = { ...away, roomReadings: { ...away.roomReadings!, series: "elsewhere" } };
    await expect(desk.run(9, "trial", { record: gone, days: 1, scale: "C" })).rejects.toThrow(
      /readings of its recorded room, long.csv, are not in this browser/,
    );
    expect(await desk.run(10, "drawSeries", { series: "elsewhere", from: 0, to: 1, bins: 1 })).toBeNull();
  });
});
