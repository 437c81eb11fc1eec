import * as z from "zod/mini";
import { addDevice } from "../chamber";
import { recordWith } from "../testing/build";
import { celsius, kelvins } from "../quantity";
import {
  applyEdits,
  chamberRecord,
  EditRefused,
  fill,
  preferencesRecord,
  PREFERENCES_VERSION,
  sectionShapes,
  sparse,
  storedValue,
  workshopRecord,
  type Edit,
} from ".";

describe("sparse records", () => {
  const schema = sparse({ a: z.number().check(z.minimum(0)), b: z.enum(["x", "y"]) });
  it("hold only what differs, each value with its origin", () => {
    expect(schema.parse({})).toEqual({});
    expect(schema.parse({ a: { value: 2, origin: "typed" } })).toEqual({ a: { value: 2, origin: "typed" } });
  });
  it.each([
    [{ a: 2 }],
    [{ a: { value: -1, origin: "typed" } }],
    [{ a: { value: 1, origin: "guessed" } }],
    [{ b: { value: "z", origin: "typed" } }],
    [{ c: { value: 1, origin: "typed" } }],
  ])("refuse %j", (raw) => expect(schema.safeParse(raw).success).toBe(false));

  it("lie over their defaults", () => {
    expect(fill({ a: 1, b: "x" }, { a: { value: 5 } })).toEqual({ a: 5, b: "x" });
    expect(fill({ a: 1 }, {})).toEqual({ a: 1 });
  });
});

describe("edits", () => {
  const edit: Edit = { section: "settings", field: "setpoint", value: celsius(19.5) };

  it("leave the record they are applied to alone", () => {
    const record = recordWith();
    const next = applyEdits(record, [edit]);
    expect(record.stages[0]!.settings).toEqual({});
    expect(storedValue(next, edit)).toEqual({ value: 19.5, origin: "typed" });
    expect(storedValue(applyEdits(record, [edit], "fitted"), edit)?.origin).toBe("fitted");
  });

  it.each<[string, Edit]>([
    ["a value outside of its range", { section: "room", field: "low", value: celsius(900) }],
    ["not a number", { section: "settings", field: "offset", value: kelvins(NaN) }],
    ["a vessel that is not there", { section: "vessel", field: "volume", id: "v4", value: 0.02 }],
  ])("refuse %s", (_, bad) => expect(() => applyEdits(recordWith(), [bad])).toThrow(EditRefused));

  it("of the wiring or of what hangs on it void what a meter has proved; symbols and a name do not", () => {
    const record = recordWith();
    const proved = {
      ...record,
      work: { ...record.work, done: ["lay", "proof:meter:0"], proofs: { "0": { plan: "x", readings: { a: 1 } } } },
    };
    const after = (edit: Edit) => applyEdits(proved, [edit]).work;
    expect(after({ section: "wiring", field: "fuse", value: 5 })).toMatchObject({ done: ["lay"], proofs: {} });
    expect(after({ section: "heater", field: "power", value: 500 }).proofs).toEqual({});
    expect(after({ section: "wiring", field: "symbols", value: "ansi" }).proofs).toEqual(proved.work.proofs);
    expect(after({ section: "room", field: "low", value: 5 as never }).proofs).toEqual(proved.work.proofs);
  });

  it("every field of every section can be edited and put back", () => {
    const record = addDevice("light")(addDevice("fan")(recordWith()));
    const samples: Record<string, unknown> = {
      kind: "upright",
      place: "air",
      scale: "F",
      startsAt: "2026-12-01T18:00",
      ends: [{ kind: "clock", hour: 7 }],
      away: [{ from: 0, to: 86_400 }],
    };
    for (const [section, shape] of Object.entries(sectionShapes))
      for (const [field, schema] of Object.entries(shape)) {
        const tries = [samples[field], 0, 1, 0.5, 20, "hold", 0.1].filter(
          (v) => (schema as z.ZodMiniType).safeParse(v).success,
        );
        const at = { section, field, value: tries[0] } as Edit;
        const set = applyEdits(record, [at]);
        expect(storedValue(set, at)?.value).toEqual(tries[0]);
        expect(chamberRecord.safeParse(set).success).toBe(true);
        expect(applyEdits(set, [{ ...at, value: undefined } as Edit])).toEqual(record);
      }
  });
});

describe("records", () => {
  it("are told apart by their kind", () => {
    const preferences = {
      id: "preferences",
      kind: "preferences",
      schemaVersion: PREFERENCES_VERSION,
      revision: 0,
      updatedAt: "2026-01-01T00:00:00.000Z",
      demo: false,
      scale: "C",
      system: "metric",
      theme: "auto",
      singleKeys: true,
      trialDays: 7,
      quickTrialDays: 1,
      currency: "",
      tariff: 0.3,
      carbon: 0,
      demoSeeded: false,
    };
    expect(workshopRecord.parse(preferences).kind).toBe("preferences");
    expect(workshopRecord.parse(recordWith()).kind).toBe("chamber");
    expect(preferencesRecord.safeParse({ ...preferences, trialDays: 8 }).success).toBe(false);
  });
  it.each([
    ["no name", { name: "  " }],
    ["a station that does not exist", { settled: ["kitchen"] }],
    ["no vessel", { vessels: [] }],
    ["a date in words", { updatedAt: "yesterday" }],
  ])("with %s are refused", (_, change) =>
    expect(chamberRecord.safeParse({ ...recordWith(), ...change }).success).toBe(false),
  );
});
