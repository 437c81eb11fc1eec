import Papa from "papaparse";
import { describe as describeChamber, tryChange } from "../chamber";
import { partsCsv } from "../formats";
import type { Edit } from "../model";
import { recordWith } from "../testing/build";
import { addPart, costOf, electricityOf, partLines, partsNeeded, removePart, sayPart } from ".";

const edit = (section: string, field: string, value: unknown) => ({ section, field, value }) as Edit;
const lines = (record: ReturnType<typeof recordWith>) => partLines(partsNeeded(describeChamber(record)), record.parts);

describe("the parts of a chamber", () => {
  it("follow from it: a fridge, a heater with its cut-out, a unit, a board, a bucket", () => {
    const keys = lines(recordWith()).map((l) => l.key);
    expect(keys).toEqual(["box", "board", "heater-h1", "cut-out-h1", "unit-u1", "vessel-v1", "residual"]);
    const foam = lines(recordWith(edit("cabinet", "kind", "foam"), edit("vessel", "form", "tray")));
    expect(foam.find((l) => l.key === "foam")).toMatchObject({ unit: "sheets" });
    expect(foam.some((l) => l.key === "box")).toBe(false);
    const drum = lines(recordWith(edit("cabinet", "kind", "drum"), edit("heater", "fuel", 6)));
    expect(drum.find((l) => l.key === "fuel-h1")).toMatchObject({ quantity: 6, unit: "kg", eachBatch: true });
  });
  it("keep a price and what is owned by their keys, whatever else is changed; one's own come and go", () => {
    let record = recordWith();
    const say = (key: string, by: Parameters<typeof sayPart>[1]) => {
      const tried = tryChange(
        record,
        sayPart(
          lines(record).find((l) => l.key === key)!,
          by,
        ),
      );
      if (!tried.ok) throw new Error(tried.problem);
      record = tried.value;
    };
    say("box", { owned: true });
    say("heater-h1", { price: 12.5 });
    say("heater-h1", { price: 14 });
    say("vessel-v1", { price: 20 });
    const again = {
      ...record,
      vessels: record.vessels.map((v) => ({ ...v, vessel: { count: { value: 2, origin: "typed" as const } } })),
    };
    // By hand: 14 for the heater, two buckets of 20; the box is there.
    expect(costOf(lines(again))).toMatchObject({ once: 54, batch: 0 });
    const own = tryChange(again, addPart);
    if (!own.ok) throw new Error(own.problem);
    const [added] = own.value.parts.slice(-1);
    expect(lines(own.value).at(-1)).toMatchObject({ own: true, name: "Something else" });
    const gone = tryChange(own.value, removePart(added!.id));
    expect(gone.ok && lines(gone.value).some((l) => l.own)).toBe(false);
    expect(tryChange(own.value, sayPart(lines(own.value).at(-1)!, { price: -1 }))).toMatchObject({ ok: false });
  });
  it("come out as a table that another reader takes apart again", () => {
    const table = Papa.parse<Record<string, string>>(partsCsv(lines(recordWith())), { header: true });
    expect(table.errors).toEqual([]);
    expect(table.data.map((r) => r.part)).toEqual(lines(recordWith()).map((l) => l.name));
  });
  // By hand: 3.6 MJ in two days are half a kWh a day, 182.5 in a year; at 0.3 that is 54.75, at 0.4 kg 73 kg.
  it("electricity by the day and the year", () => {
    const e = electricityOf(3.6e6, 2, 0.3, 0.4);
    expect([e.perDay, e.perYear, e.costPerYear, e.carbonPerYear].map((v) => Number(v.toFixed(6)))).toEqual([
      0.5, 182.5, 54.75, 73,
    ]);
  });
});
