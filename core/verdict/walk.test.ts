import { jobEdits, jobs, newChamber, tryEdits } from "../chamber";
import type { ChamberRecord } from "../model";
import { randomChambers } from "../testing/randomChambers";
import { walk } from "../testing/walk";
import { sameVerdict } from ".";

jest.setTimeout(240_000);

/** Never back where it was, and each step for good: what was cured is not there again with nothing in its place. */
function leadsOn(start: ChamberRecord): void {
  const { way, left, uncured } = walk(start);
  expect(new Set(way).size).toBe(way.length);
  // In order, or where no remedy cures any more: there the bench offers a search over all settings.
  if (!uncured) expect(left.filter((v, i) => left.findIndex((w) => sameVerdict(v, w)) === i).length).toBeLessThan(4);
}

describe("the first remedy that cures, pressed up to five times, never leads in a circle", () => {
  // A seeded share; the benchmark walks two hundred.
  it.each(randomChambers(40, 4242).map((record, i) => [i, record] as const))("random chamber %d", (_, record) =>
    leadsOn(record),
  );

  it.each(jobs.map((job) => [job.id, job] as const))("a new chamber for %s in a cold room", (_, job) => {
    const made = tryEdits(newChamber("a", "A", "2026-01-01T00:00:00.000Z"), [
      ...jobEdits(job, job.boxes[0]!),
      { section: "room", field: "low", value: 2 as never },
      { section: "room", field: "high", value: 9 as never },
    ]);
    if (!made.ok) throw new Error(made.problem);
    leadsOn(made.value);
  });
});
