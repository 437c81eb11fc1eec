/** @jest-environment node */
import { strToU8, zipSync } from "fflate";
import { CHAMBER_VERSION, type ChamberRecord } from "@/core/model";
import { recordWith } from "@/core/testing/build";
import { hollinMill } from "@/demo";
import { readBackup, writeBackup } from "./backup";
import { readRecord } from "./migrations";
import { lookInto } from "./pack";
import { firstPreferences } from "./preferences";

const NOW = "2026-11-01T10:00:00.000Z";
type Raw = Record<string, unknown>;
/** A file with these records, written as somebody else's program might. */
const file = (...records: unknown[]) =>
  JSON.stringify({ format: "gentle-crock-workshop", version: 3, exportedAt: NOW, records });
const raw = (change: (r: Raw) => void = () => undefined): Raw => {
  const record = JSON.parse(JSON.stringify({ ...recordWith(), name: "Attacked" })) as Raw;
  change(record);
  return record;
};
/** What a file with one good and one bad record gives: the good one whole, the bad one by name with its reason. */
const refused = (bad: unknown): string => {
  const read = readBackup(file({ ...recordWith(), id: "good" }, bad));
  if (!read.ok) throw new Error(read.problem);
  expect(read.value.chambers.map((c) => c.id)).toEqual(["good"]);
  expect(read.value.damaged).toHaveLength(1);
  return read.value.damaged[0]!.problem;
};

describe("what no record may be", () => {
  it.each<[string, (r: Raw) => void, RegExp]>([
    ["a box without room in it", (r) => (r.cabinet = { depth: { value: 0.1, origin: "typed" } }), /hardly any room/],
    ["a coldest above the warmest", (r) => (r.room = { low: { value: 39, origin: "typed" } }), /coldest is above/],
    [
      "a recorded room with columns of unequal length",
      (r) => (r.roomSeries = { name: "x", seconds: [0, 60, 120], temperatures: [20, 21] }),
      /^roomSeries › temperatures: There are 2 temperatures for 3 times/,
    ],
    [
      "a recorded room that goes back in time",
      (r) => (r.roomSeries = { name: "x", seconds: [0, 60, 60], temperatures: [20, 21, 22] }),
      /^roomSeries › seconds › 2: Each time has to be later/,
    ],
    [
      "two recorded rooms",
      (r) => {
        r.roomSeries = { name: "x", seconds: [0, 60], temperatures: [20, 21] };
        r.roomReadings = { series: "s", name: "x", rows: 2, span: 60, low: 20, high: 21 };
      },
      /^roomSeries: There are two recorded rooms/,
    ],
    [
      "a recorded room without readings beside it",
      (r) => (r.roomReadings = { series: "s", name: "x", rows: 2, span: 60, low: 20, high: 21 }),
      /not in this file/,
    ],
    ["a version of −1e308", (r) => (r.schemaVersion = -1e308), /of which version/],
    ["a version of 0", (r) => (r.schemaVersion = 0), /of which version/],
    ["half a version", (r) => (r.schemaVersion = 1.5), /of which version/],
    ["no version", (r) => delete r.schemaVersion, /of which version/],
    ["a version that is a word", (r) => (r.schemaVersion = "3"), /of which version/],
    ["a version to come", (r) => (r.schemaVersion = CHAMBER_VERSION + 1), /newer Gentle Crock/],
    ["a name that every object has", (r) => (r.id = "constructor"), /^id: This name is taken/],
    ["another that every object has", (r) => (r.id = "__proto__"), /^id: This name is taken/],
    ["the name of the preferences", (r) => (r.id = "preferences"), /^id: This name is that of the preferences/],
    ["a name that ends an address", (r) => (r.id = "a&at=box"), /^id: A name is made of letters/],
    ["an empty name", (r) => (r.id = ""), /^id: A name is made of letters/],
    [
      "settings of a controller that every object has",
      (r) => ((r.stages as Raw[])[0]!.settings = { toString: {} }),
      /settings › toString/,
    ],
    [
      "twenty thousand stages",
      (r) => (r.stages = Array.from({ length: 20_000 }, (_, i) => ({ id: `s${i}`, stage: {}, settings: {} }))),
      /^stages: /,
    ],
    ["a number beyond all numbers", (r) => (r.cabinet = { height: { value: 1e999, origin: "typed" } }), /^cabinet/],
  ])("%s", (_, change, reason) => {
    expect(refused(raw(change))).toMatch(reason);
  });

  it.each([null, 7, "record", [], {}, { kind: "chamber" }])("%j is no record at all", (bad) => {
    expect(refused(bad)).not.toBe("");
  });

  it("twins of one name: the first comes in, the second is refused by its own", () => {
    const read = readBackup(file({ ...recordWith(), name: "First" }, { ...recordWith(), name: "Second" }));
    expect(read.ok && read.value.chambers.map((c) => c.name)).toEqual(["First"]);
    expect(read.ok && read.value.damaged).toEqual([
      { name: "Second", problem: "another record of this file stands in its place" },
    ]);
  });

  it("one that is refused does not take the place of a good one", () => {
    const bad = raw((r) => (r.room = { low: { value: 39, origin: "typed" } }));
    const read = readBackup(file(bad, { ...recordWith(), name: "Good" }));
    expect(read.ok && read.value.chambers.map((c) => c.name)).toEqual(["Good"]);
  });

  it("a file of a version that is none is damaged, not newer", () => {
    for (const version of [-1e308, 0, 1.5, "3", null])
      expect(readBackup(JSON.stringify({ format: "gentle-crock-workshop", version, records: [] }))).toMatchObject({
        problem: expect.stringMatching(/damaged/) as string,
      });
  });

  it("what is refused is named shortly, whatever stands in its name", () => {
    const read = readBackup(
      file({ ...recordWith(), id: "good" }, { ...raw(), name: "x".repeat(1e5), id: "" }, { name: " " }),
    );
    expect(read.ok && read.value.damaged.map((d) => d.name)).toEqual(["x".repeat(60), "Record 3"]);
  });
});

describe("what the application writes", () => {
  it("is read again whole: demo, preferences and all", () => {
    const records = [...hollinMill(), firstPreferences("en-GB", NOW)];
    const read = readBackup(writeBackup(records, NOW));
    expect(read.ok && read.value.damaged).toEqual([]);
    for (const record of records) expect(readRecord(record)).toEqual({ ok: true, record });
  });
  it("keeps the name of a chamber that stands in an address", () => {
    const record: ChamberRecord = { ...recordWith(), id: "Az09_-" };
    expect(readRecord(record).ok).toBe(true);
  });
});

describe("what comes in is bounded as it is unpacked", () => {
  const drive = async <R>(steps: Generator<Promise<unknown> | undefined, R, unknown>): Promise<R> => {
    let step = steps.next();
    while (!step.done) step = steps.next(await step.value);
    return step.value;
  };
  /** What is said of a file, how long it took, ms, and how much more memory stood in use. */
  const looked = async (content: string | Uint8Array) => {
    const before = process.memoryUsage.rss();
    const begun = performance.now();
    const found = await drive(lookInto(new Blob([content as BlobPart])));
    return {
      problem: found.ok ? "" : found.problem,
      took: performance.now() - begun,
      memory: (process.memoryUsage.rss() - before) / 2 ** 20,
    };
  };

  it("a small archive of much text is not unpacked", async () => {
    const bomb = zipSync({ "workshop.json": new Uint8Array(2 ** 27).fill(32) }, { level: 9 });
    expect(bomb.length).toBeLessThan(300_000);
    const { problem, took, memory } = await looked(bomb);
    expect(problem).toMatch(/no workshop backup, or is damaged/);
    expect(took).toBeLessThan(2000);
    expect(memory).toBeLessThan(300);
  });

  it("readings that shrink as no readings do are not unpacked", async () => {
    const series = [{ id: "s", columns: [{ name: "Room", unit: "degC" }], blocks: 1 }];
    const chamber = { ...recordWith(), roomReadings: { series: "s", name: "x", rows: 2, span: 60, low: 20, high: 21 } };
    const text = JSON.stringify({
      format: "gentle-crock-workshop",
      version: 4,
      exportedAt: NOW,
      records: [chamber],
      series,
    });
    const bomb = zipSync({ "workshop.json": strToU8(text), "series/s/0.bin": new Uint8Array(160_000) }, { level: 9 });
    expect((await looked(bomb)).problem).toMatch(/missing or cannot be read/);
  });

  it.each([
    [
      "five million nothings",
      file(...[]).replace("[]", `[${"null,".repeat(5_000_000)}null]`),
      /more entries than any workshop/,
    ],
    ["five million lists in lists", `${"[".repeat(5_000_000)}`, /more entries than any workshop/],
    [
      "20,000 chambers",
      file(...Array.from({ length: 20_000 }, (_, i) => ({ id: `c${i}` }))),
      /20,000 records; a workshop has no more than 2,000/,
    ],
    [
      "a key that changes every object",
      file(recordWith()).replace('"records":[{', '"records":[{"__proto__":{"polluted":1},'),
      /__proto__/,
    ],
    [
      "the same, in disguise",
      file(recordWith()).replace('"records":[{', '"records":[{"\\u005f_proto__":{"polluted":1},'),
      /__proto__/,
    ],
  ])("%s", async (_name, text, words) => {
    const { problem, took, memory } = await looked(text);
    expect(problem).toMatch(words);
    expect(took).toBeLessThan(2000);
    expect(memory).toBeLessThan(300);
    expect(({} as Raw).polluted).toBeUndefined();
  });

  it.each<[string, (r: Raw) => void, RegExp]>([
    ["stations settled a million times", (r) => (r.settled = Array(1_000_000).fill("box")), /^settled/],
    [
      "a hundred thousand names of terminals",
      (r) => ((r.work as Raw).names = Object.fromEntries(Array.from({ length: 100_000 }, (_, i) => [`n${i}`, "x"]))),
      /^work › names: No more than 400/,
    ],
    [
      "a hundred thousand readings of a meter",
      (r) =>
        ((r.work as Raw).proofs = {
          0: { plan: "p", readings: Object.fromEntries(Array.from({ length: 100_000 }, (_, i) => [`n${i}`, 1])) },
        }),
      /^work › proofs › 0 › readings: No more than 400/,
    ],
  ])("%s", (_, change, reason) => expect(refused(raw(change))).toMatch(reason));
});
