import { readFileSync } from "node:fs";
import { join } from "node:path";
import type { ChamberRecord } from "../model";
import { hashOf } from "../testing/hash";
import { plainTrial } from "./input";
import { planOf } from "./plan";
import { runTrial } from "./runTrial";

interface Kept {
  name: string;
  days: number;
  dt: number;
  hash: string;
  record: ChamberRecord;
}
const kept = JSON.parse(readFileSync(join(__dirname, "../testing/data/trials-2.json"), "utf8")) as Kept[];

/** A scaffold while lists are made real: trials of every box, unit and happening as they were, to the last bit. */
describe("trials as they were before lists were real", () => {
  it.each(kept.map((k) => [k.name, k] as const))("%s", (_, { record, days, dt, hash }) => {
    const { chamber, settings } = planOf(record);
    expect(hashOf(runTrial(plainTrial(chamber, settings, days, dt)))).toBe(hash);
  });
});
