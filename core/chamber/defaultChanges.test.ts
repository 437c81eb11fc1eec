import { readFileSync } from "node:fs";
import { join } from "node:path";
import {
  applyEdits,
  chamberRecord,
  DEFAULTS_VERSION,
  lifted,
  recordKinds,
  type ChamberRecord,
  type RawRecord,
} from "../model";
import { celsius, kelvins } from "../quantity";
import { asMade, changedDefaults, defaultLog, keepDefaults, takeDefaults, type DefaultChange } from "./defaultChanges";
import { describe as describeChamber, filled } from "./describe";
import { newChamber } from "./newRecord";

/** A chamber as it was made with the first version of the defaults; nothing in it is typed. */
const old: ChamberRecord = { ...newChamber("old", "Old", "2026-01-01T00:00:00.000Z"), defaultsVersion: 1 };

describe("defaults that have changed", () => {
  it("go up to the present version", () => {
    expect(Math.max(...defaultLog.map((c) => c.since))).toBe(DEFAULTS_VERSION);
  });

  // The figures stand in the chamber as that version of the application filled it in (its own code, run once).
  it("stay as they were in a chamber that was made with them", () => {
    const chamber = describeChamber(old);
    expect(chamber.heaters[0]!.power).toBe(40);
    expect(chamber.controllers[0]!.unit.setpointHigh).toBe(110);
    const fresh = describeChamber({ ...old, defaultsVersion: DEFAULTS_VERSION });
    expect(fresh.heaters[0]!.power).toBe(25);
    expect(fresh.controllers[0]!.unit.setpointHigh).toBe(150);
  });

  it("are told with what they were and are, but not where the person has said a value", () => {
    expect(changedDefaults(old, filled(old)).map(({ label, then, now }) => [label, then, now])).toEqual([
      ["Power of the heater", 40, 25],
      ["Highest setpoint of the unit", 110, 150],
      // 18 W/K, and 2.2 and 1.3 W/K on the bucket of 0.493 m² (docs/sources.md); then the film and what is radiated.
      ["Between air and inner lining", 18, expect.closeTo(2.25 * 3.5, 9)],
      ["From air to the product", expect.closeTo(2.2 / 0.4932, 3), 2.25],
      ["From inner lining to the product", expect.closeTo(1.3 / 0.4932, 3), expect.closeTo(5.14, 2)],
      ["Loss through the wall", expect.closeTo(1.65, 9), expect.closeTo(1.79, 2)],
      ["Films that grow with the difference", 0, 0.25],
    ]);
    const said = applyEdits(old, [
      { section: "heater", field: "power", value: 60 },
      { section: "thermal", field: "airToLining", value: 12 },
    ]);
    expect(changedDefaults(said, filled(said)).map((c) => c.field)).toEqual([
      "setpointHigh",
      "filmToAir",
      "filmToLining",
      "liningToRoom",
      "filmGrows",
    ]);
    expect(describeChamber(said).heaters[0]!.power).toBe(60);
  });

  it("are taken in one step, or kept as values of one's own in one step", () => {
    expect(describeChamber(takeDefaults(old)).heaters[0]!.power).toBe(25);
    const kept = keepDefaults(changedDefaults(old, filled(old)))(old);
    expect(describeChamber(kept).heaters[0]!.power).toBe(40);
    expect(changedDefaults(kept, filled(kept))).toEqual([]);
    expect(kept.controllers[0]!.unit.setpointHigh).toEqual({ value: 110, origin: "typed" });
  });

  it("the films of still air hid a danger: the new ones are in force at once in a chamber that is older", () => {
    expect(describeChamber(old).thermal.filmToAir).toBe(2.25);
    expect(
      changedDefaults(old, filled(old))
        .filter((c) => c.danger)
        .map((c) => c.field),
    ).toEqual(["airToLining", "filmToAir", "filmToLining"]);
    const drum = applyEdits(old, [{ section: "cabinet", field: "kind", value: "drum" }]);
    expect(changedDefaults(drum, filled(drum)).filter((c) => c.danger)).toEqual([]);
  });

  it("that hid a danger are in force at once, and told", () => {
    const log: DefaultChange[] = [
      {
        since: 99,
        section: "probe",
        field: "share",
        label: "Share of the probe",
        why: "It was taken for better fixed than it is.",
        danger: true,
        was: () => 1,
        print: String,
      },
    ];
    expect(asMade(old, filled, log)).toBe(old);
    const told = changedDefaults(old, filled(old), log);
    expect(told.map(({ danger, then, now }) => [danger, then, now])).toEqual([[true, 1, 0.85]]);
    expect(keepDefaults(told)(old).probes[0]!.probe).toEqual({});
  });

  it("are found in each entry of a list", () => {
    const two: ChamberRecord = {
      ...old,
      devices: [...old.devices, { id: "h2", device: "heater", at: null, heater: {} }],
      controllers: [{ ...old.controllers[0]!, heat: ["h1", "h2"] }],
    };
    expect(changedDefaults(two, filled(two)).map((c) => c.at.id)).toEqual(["h1", "h2", "u1"]);
    expect(describeChamber(two).heaters.map((h) => h.power)).toEqual([40, 40]);
  });

  it("of a backup of the first release: opened today it is as it was made", () => {
    const file = JSON.parse(readFileSync(join(__dirname, "../../workshop/released/backup-1.json"), "utf8")) as {
      records: RawRecord[];
    };
    const record = chamberRecord.parse(lifted(file.records[0]!, recordKinds.chamber, 1));
    expect(record.defaultsVersion).toBe(1);
    const chamber = describeChamber(record);
    expect(chamber.controllers[0]!.unit.setpointHigh).toBe(celsius(110));
    expect(kelvins(chamber.heaters[0]!.power)).toBeGreaterThanOrEqual(40);
  });
});
