import { join } from "node:path";
import Ajv2020 from "ajv/dist/2020";
import { readFileSync } from "node:fs";
import { lifted, MissingStep, publishedSchema, recordKinds } from "@/core/model";
import { configurations } from "@/core/testing/configurations";
import { planOf, runTrial, trialOf } from "@/core/trial";
import { hollinMill } from "@/demo";
import { readBackup, writeBackup } from "./backup";
import { readRecord } from "./migrations";
import { firstPreferences } from "./preferences";

const NOW = "2026-11-01T10:00:00.000Z";
const records = [...hollinMill(), firstPreferences("en-GB", NOW)];

describe("backup", () => {
  it("reads back what it wrote", () => {
    const read = readBackup(writeBackup(records, NOW));
    expect(read.ok && [...read.value.chambers, ...read.value.others]).toEqual(records);
  });

  it.each(Object.entries(configurations))(
    "takes %s there and back, and it opens with the trial that it had",
    (_, make) => {
      const record = make();
      const read = readBackup(writeBackup([record], NOW));
      expect(read.ok && read.value.chambers).toEqual([record]);
      const published = JSON.parse(readFileSync("public/schema/workshop-4.json", "utf8")) as object;
      const valid = new Ajv2020({ strict: false, validateFormats: false }).compile(published);
      expect(valid(JSON.parse(writeBackup([record], NOW)))).toBe(true);
      const [again] = read.ok ? read.value.chambers : [];
      const [a, b] = [record, again!].map((r) => runTrial(trialOf(planOf(r), 2)));
      expect([b!.heat, b!.cold, b!.stages]).toEqual([a!.heat, a!.cold, a!.stages]);
    },
  );

  it("fits the published JSON Schema, by a validator that is not ours; the published file is the present one", () => {
    const published = JSON.parse(readFileSync("public/schema/workshop-4.json", "utf8")) as object;
    expect(published).toEqual(JSON.parse(JSON.stringify(publishedSchema())));
    const ajv = new Ajv2020({ strict: false, validateFormats: false });
    const valid = ajv.compile(published);
    expect(valid(JSON.parse(writeBackup(records, NOW)))).toBe(true);
    const broken = JSON.parse(writeBackup(records, NOW)) as { records: { name?: unknown }[] };
    broken.records[0]!.name = 7;
    expect(valid(broken)).toBe(false);
  });

  it.each([
    ["{ half a file", /not complete JSON/],
    ["[]", /no workshop backup/],
    ['{"format":"gentle-crock-workshop","version":5,"records":[]}', /newer Gentle Crock/],
    ['{"format":"gentle-crock-workshop","version":1,"records":[]}', /empty/],
    [
      '{"format":"gentle-crock-workshop","version":1,"records":[{"kind":"chamber"}]}',
      /Nothing in this file can be read/,
    ],
  ])("refuses %s with the reason", (text, reason) => {
    const read = readBackup(text);
    expect(!read.ok && read.problem).toMatch(reason);
  });

  it("reads what it can and names what is damaged", () => {
    const file = JSON.parse(writeBackup(records, NOW)) as { records: unknown[] };
    file.records.push({ ...records[0], name: "Half a cabinet", room: { low: "cold" } });
    const read = readBackup(JSON.stringify(file));
    expect(read.ok && read.value.chambers).toHaveLength(hollinMill().length);
    expect(read.ok && read.value.damaged).toEqual([
      { name: "Half a cabinet", problem: expect.stringContaining("room") },
    ]);
  });
});

describe("records", () => {
  const kept = (
    JSON.parse(readFileSync(join(__dirname, "../core/testing/data/trials-2.json"), "utf8")) as { record: object }[]
  ).map((k) => k.record as Record<string, unknown>);

  it("of version 2 are lifted, every one that the project keeps, and a backup of them restores", () => {
    // They were all made from one; in a file each has a name of its own.
    const records = kept.map((r, i) => ({ ...r, id: `kept-${i}` }));
    const read = readBackup(JSON.stringify({ format: "gentle-crock-workshop", version: 2, records }));
    expect(read.ok && read.value.damaged).toEqual([]);
    expect(read.ok && read.value.chambers).toHaveLength(kept.length);
  });

  it("of version 1 too: nothing typed is lost, and what is new is empty", () => {
    const { roomSeries: _s, thermal: _t, happenings: _h, ...old } = kept[0]!;
    const read = readRecord({ ...old, schemaVersion: 1, defaultsVersion: 1 });
    if (!read.ok || read.record.kind !== "chamber") throw new Error("not lifted");
    expect(read.record.room).toEqual(old.room);
    expect(read.record.vessels[0]!.product).toEqual((old.vessels as { product: object }[])[0]!.product);
    expect(read.record).toMatchObject({ happenings: [], roomSeries: null, program: {}, job: null });
    const backup = readBackup(
      JSON.stringify({ format: "gentle-crock-workshop", version: 1, records: [{ ...old, schemaVersion: 1 }] }),
    );
    expect(backup.ok && backup.value.chambers[0]!.room).toEqual(old.room);
  });

  it.each([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11])(
    "of the released form %i are restored from a backup as it was made then, whole",
    (version) => {
      const text = readFileSync(join(__dirname, "released", `backup-${version}.json`), "utf8");
      const file = JSON.parse(text) as { records: { id: string; name?: string; room?: unknown; settled?: unknown }[] };
      const read = readBackup(text);
      if (!read.ok) throw new Error(read.problem);
      expect(read.value.damaged).toEqual([]);
      const back = [...read.value.chambers, ...read.value.others];
      expect(back.map((r) => r.id)).toEqual(file.records.map((r) => r.id));
      // What every form has in common came through as it was.
      for (const [i, { name, room, settled }] of file.records.entries())
        if (room !== undefined) expect(back[i]).toMatchObject({ name, room, settled });
      for (const chamber of read.value.chambers) expect(planOf(chamber).stages.length).toBeGreaterThan(0);
    },
  );

  it("of form 10 keep the names of terminals, ask protection anew that was only said to be there, and no old reading counts", () => {
    const read = readBackup(readFileSync(join(__dirname, "released", "backup-10.json"), "utf8"));
    if (!read.ok) throw new Error(read.problem);
    const [larder, curing] = read.value.chambers;
    expect(larder!.work).toEqual({
      done: ["rules", "lay"],
      proofs: {},
      names: { "unit.1": "L", "unit.heat-in": "A1", "1:unit.2": "N" },
      photo: expect.stringMatching(/^data:image/) as unknown,
    });
    expect(larder!.wiring.residual).toBeUndefined();
    expect(larder!.wiring.cutOut?.value).toBe("yes");
    expect(curing!.wiring).toMatchObject({ residual: { value: "none" }, cutOut: { value: "no" } });
    expect(curing!.work.names).toEqual({ "unit.heat-out": "4" });
  });

  it("of every kind have a step from each version to the next, and one that is missing is an error", () => {
    for (const kind of Object.values(recordKinds))
      expect(Object.keys(kind.steps).map(Number)).toEqual(Array.from({ length: kind.version - 1 }, (_, i) => i + 1));
    expect(() => lifted({}, { steps: { 1: (r) => r }, version: 3 }, 1)).toThrow(MissingStep);
  });

  it("of a kind that is not known here yet are left as they are", () => {
    expect(readRecord({ kind: "run", schemaVersion: 1, id: "x" })).toMatchObject({ ok: false, left: true });
    expect(readRecord({ kind: "constructor", schemaVersion: 1, id: "x" })).toMatchObject({ ok: false, left: true });
    expect(readRecord({ schemaVersion: 1, id: "x" })).toEqual({
      ok: false,
      problem: expect.stringMatching(/kind/) as unknown,
    });
  });

  it("that are damaged are named and not thrown over", () => {
    const { settings: _gone, unit: _unit, ...half } = kept[0]!;
    const read = readRecord(half);
    expect(!read.ok && read.problem).toMatch(/damaged/);
  });

  it("that speak of what is not there are refused, with the place", () => {
    const [chamber] = hollinMill();
    const lost = { ...chamber!, controllers: [{ ...chamber!.controllers[0]!, probes: ["p9"] }] };
    const read = readRecord(lost);
    expect(!read.ok && read.problem).toMatch(/controllers › 0 › probes › 0: There is no probe \u201cp9\u201d/);
    const twice = { ...chamber!, controllers: [...chamber!.controllers, { ...chamber!.controllers[0]!, id: "u2" }] };
    const again = readRecord(twice);
    expect(!again.ok && again.problem).toMatch(/plugged in twice/);
  });

  it("of a newer version are not touched", () => {
    const read = readRecord({ ...records[0], schemaVersion: 99 });
    expect(!read.ok && read.problem).toMatch(/newer/);
  });
  it("with unknown fields are refused rather than trimmed", () => {
    expect(readRecord({ ...records[0], surprise: 1 }).ok).toBe(false);
  });
});

describe("first preferences", () => {
  it.each([
    ["en-US", "F", "customary"],
    ["en-GB", "C", "metric"],
    ["de", "C", "metric"],
  ])("%s begins with °%s", (locale, scale, system) =>
    expect(firstPreferences(locale, NOW)).toMatchObject({ scale, system }),
  );
});
