import Ajv2020 from "ajv/dist/2020";
import { readFileSync } from "node:fs";
import { publishedSchema } from "@/core/model";
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

  it("fits the published JSON Schema, by a validator that is not ours; the published file is the present one", () => {
    const published = JSON.parse(readFileSync("public/schema/workshop-2.json", "utf8")) as object;
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
    ['{"format":"gentle-crock-workshop","version":3,"records":[]}', /newer Gentle Crock/],
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
  // A record as the first version wrote it, field for field.
  it("of version 1 are lifted: nothing typed is lost, and what is new is empty", () => {
    const [now] = hollinMill();
    const { roomSeries: _s, thermal: _t, happenings: _h, ...old } = now!;
    const read = readRecord({ ...old, schemaVersion: 1, defaultsVersion: 1 });
    if (!read.ok) throw new Error(read.problem);
    expect(read.record).toEqual({ ...now, defaultsVersion: 1 });
    const backup = readBackup(
      JSON.stringify({ format: "gentle-crock-workshop", version: 1, records: [{ ...old, schemaVersion: 1 }] }),
    );
    expect(backup.ok && backup.value.chambers[0]!.room).toEqual(now!.room);
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
