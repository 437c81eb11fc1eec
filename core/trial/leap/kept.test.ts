import { readFileSync } from "node:fs";
import { join } from "node:path";
import { changedDefaults, filled } from "../../chamber";
import {
  applyEdits,
  chamberRecord,
  lifted,
  recordKinds,
  type ChamberRecord,
  type Edit,
  type RawRecord,
} from "../../model";
import { apart, outcome } from "../../testing/sameTrial";
import { trialOf, type TrialInput } from "../input";
import { planOf } from "../plan";

interface Kept {
  name: string;
  days: number;
  dt: number;
  /** As it was stored then, version 2. */
  record: RawRecord;
}
/** With the defaults of its time, those too that have been corrected since. */
const asItWas = (record: ChamberRecord): ChamberRecord =>
  applyEdits(
    record,
    changedDefaults(record, filled(record)).map(({ at, then }) => ({ ...at, value: then }) as Edit),
  );

/** Every box, unit and happening once, as records of version 2. */
const kept = JSON.parse(readFileSync(join(__dirname, "../../testing/data/trials-2.json"), "utf8")) as Kept[];
const opened = (record: RawRecord, version: number): ChamberRecord =>
  asItWas(chamberRecord.parse(lifted(record, recordKinds.chamber, version)));
const inputOf = (record: ChamberRecord, { days, dt }: Kept): TrialInput => trialOf(planOf(record), days, dt);

describe("records of version 2 open, and their trials leap to what the plain loop shows", () => {
  it.each(kept.map((k) => [k.name, k] as const))("%s", (_, k) => {
    const input = inputOf(opened(k.record, 2), k);
    const [plain, leapt] = [outcome({ ...input, plain: true }), outcome(input)];
    expect(apart(plain, leapt, "", [])).toEqual([]);
  });
});

describe("records of version 1 open to the trial that they had in version 2", () => {
  const old = kept.filter(
    ({ record }) =>
      (record.happenings as unknown[]).length === 0 &&
      record.roomSeries === null &&
      Object.keys(record.thermal as object).length === 0,
  );
  it.each(old.slice(0, 40).map((k) => [k.name, k] as const))("%s", (_, k) => {
    const { roomSeries: _r, thermal: _t, happenings: _h, ...one } = k.record;
    const [first, second] = [opened({ ...one, schemaVersion: 1 }, 1), opened(k.record, 2)];
    expect(outcome(inputOf(first, k))).toEqual(outcome(inputOf(second, k)));
  });
});
