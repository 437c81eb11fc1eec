import { addVessel, jobEdits, jobs } from "../chamber";
import type { ChamberRecord, Edit, StageEnd } from "../model";
import { recordWith } from "../testing/build";
import { after, changed, staged } from "../testing/configurations";
import { eachEdge, edgeChambers } from "../testing/edges";
import { tries } from "../testing/hard";
import { wordsOf } from "../testing/wordsOf";
import { LeftGround } from "../trial";

const SEED = Number(process.env.HARD_SEED ?? 20261201);

/** What no sentence may hold: a number that is none, or the sign that stands in its place. */
const NONE = /NaN|Infinity|undefined|\bnull\b|\[object|(?:^|[\s\u00a0(])\?(?=[\s\u00a0.,;)]|$)/;

function flawsOf(record: ChamberRecord, days = 1, dt = 20): string[] {
  try {
    return wordsOf(record, days, "F", dt).filter((text) => NONE.test(text));
  } catch (error) {
    return error instanceof LeftGround ? [] : [String(error)];
  }
}

describe("no sentence tells what is no number", () => {
  it("of every edge of every field", () => {
    // A third of them in verify, another one with each seed.
    const mine = (_: unknown, i: number) => process.env.HARD !== undefined || i % 3 === SEED % 3;
    const flaws = [...eachEdge(process.env.HARD !== undefined)]
      .filter(mine)
      .flatMap(({ name, record }) => flawsOf(record).map((f) => `${name}: ${f}`));
    expect(flaws).toEqual([]);
  });

  it("of chambers with three fields at an edge", () => {
    const flaws = [...edgeChambers(tries(40, 1000), 3, SEED)].flatMap(({ name, record }) =>
      flawsOf(record).map((f) => `${name}: ${f}`),
    );
    expect(flaws).toEqual([]);
  });

  const hand: StageEnd[] = [];
  const band = [18, 22] as const;
  const at = (section: string, field: string, value: unknown, id?: string) =>
    ({ section, field, value, ...(id ? { id } : {}) }) as Edit;
  it.each([
    ...jobs.map((job): [string, ChamberRecord] => [
      `${job.id}, two stages that end by hand`,
      staged(recordWith(...jobEdits(job, job.boxes[0]!)), { band, ends: hand }, { band: [24, 30], ends: hand }),
    ]),
    [
      "an end dated before the start",
      changed(
        staged(
          recordWith(at("program", "startsAt", "2026-03-10T18:00")),
          { band, ends: [after(3600)] },
          { band, ends: hand },
        ),
        at("stage", "ends", [{ kind: "date", at: "2026-03-01T18:00" }], "s1"),
      ),
    ],
    ...jobs.flatMap((job) => {
      const record = changed(recordWith(...jobEdits(job, job.boxes[0]!)), addVessel);
      return [3, 5].map((days): [string, ChamberRecord] => [
        `${job.id}, a second vessel put in after ${days} days of three`,
        changed(record, at("vessel", "putIn", days * 86_400, "v2")),
      ]);
    }),
    ...jobs.map((job): [string, ChamberRecord] => [
      `${job.id} in air without any water`,
      recordWith(...jobEdits(job, job.boxes[0]!), at("moisture", "room", 0)),
    ]),
  ])("%s", (_name, record) => expect(flawsOf(record, 3)).toEqual([]));
});
