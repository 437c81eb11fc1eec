import { readFileSync } from "node:fs";
import { join } from "node:path";
import { changedDefaults, filled } from "../chamber";
import {
  applyEdits,
  chamberRecord,
  lifted,
  recordKinds,
  type ChamberRecord,
  type Edit,
  type RawRecord,
} from "../model";
import { hashOf } from "../testing/hash";
import { trialOf } from "./input";
import { planOf } from "./plan";
import { runTrial } from "./runTrial";

interface Kept {
  name: string;
  days: number;
  dt: number;
  hash: string;
  /** As it was stored then, version 2. */
  record: RawRecord;
}
/** With the defaults of its time, those too that have been corrected since. */
const asItWas = (record: ChamberRecord): ChamberRecord =>
  applyEdits(
    record,
    changedDefaults(record, filled(record)).map(({ at, then }) => ({ ...at, value: then }) as Edit),
  );

const kept = JSON.parse(readFileSync(join(__dirname, "../testing/data/trials-2.json"), "utf8")) as Kept[];

/** A scaffold while lists are made real: trials of every box, unit and happening as they were, to the last bit. */
describe("records of version 2 open with the trial that they had, to the last bit", () => {
  it.each(kept.map((k) => [k.name, k] as const))("%s", (_, { record, days, dt, hash }) => {
    const opened = chamberRecord.parse(lifted(record, recordKinds.chamber, 2));
    expect(hashOf(runTrial({ ...trialOf(planOf(asItWas(opened)), days, dt), plain: true }))).toBe(hash);
  });
});

describe("records of version 1", () => {
  const old = kept.filter(
    ({ record }) =>
      (record.happenings as unknown[]).length === 0 &&
      record.roomSeries === null &&
      Object.keys(record.thermal as object).length === 0,
  );
  it.each(old.slice(0, 40).map((k) => [k.name, k] as const))("%s", (_, { record, days, dt, hash }) => {
    const { roomSeries: _r, thermal: _t, happenings: _h, ...one } = record;
    const opened = chamberRecord.parse(lifted({ ...one, schemaVersion: 1 }, recordKinds.chamber, 1));
    expect(hashOf(runTrial({ ...trialOf(planOf(asItWas(opened)), days, dt), plain: true }))).toBe(hash);
  });
});
