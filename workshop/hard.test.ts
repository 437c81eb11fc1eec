import fc from "fast-check";
import { CHAMBER_VERSION, type ChamberRecord } from "@/core/model";
import { configurations } from "@/core/testing/configurations";
import { blows, notFinite, struck } from "@/core/testing/mutate";
import { LeftGround, planOf, runTrial, trialOf, type Plan, type Trial } from "@/core/trial";
import { hollinMill } from "@/demo";
import { readBackup } from "./backup";
import { readRecord } from "./migrations";

/** `npm run hard` asks for all; verify for a seeded share. */
const RUNS = Number(process.env.HARD_BACKUPS ?? 150);
const SEED = Number(process.env.HARD_SEED ?? 20_261_126);
/** Longest that a file may take to be looked into, and a chamber to be worked out, ms. */
const LONGEST = 2000;
jest.setTimeout(2 * 3600_000);

const chambers = [...hollinMill(), ...Object.values(configurations).map((make, i) => ({ ...make(), id: `set-${i}` }))];
const NOW = "2026-11-01T10:00:00.000Z";

function within<T>(work: () => T): T {
  const begun = performance.now();
  const result = work();
  // Of a machine that is busy elsewhere twice as long is no news; what hangs hangs for good.
  expect(performance.now() - begun).toBeLessThan(5 * LONGEST);
  return result;
}

/** A short trial; null where it ends with that it has left the ground of the model. */
function trialOrNone(plan: Plan): Trial | null {
  try {
    return runTrial(trialOf(plan, 0.05, 60), 20);
  } catch (error) {
    if (error instanceof LeftGround) return null;
    throw error;
  }
}

describe(`${RUNS} damaged backups, seed ${SEED}`, () => {
  it("none hangs, none brings a record in by halves, none gives a number that is none", () => {
    let whole = 0;
    let refused = 0;
    fc.assert(
      fc.property(fc.nat(chambers.length - 1), blows, (which, all) => {
        const good: ChamberRecord = { ...chambers[which]!, id: "good" };
        const bad = struck({ ...chambers[which]!, id: "bad" }, all);
        const text = JSON.stringify({
          format: "gentle-crock-workshop",
          version: 3,
          exportedAt: NOW,
          records: [good, bad],
        });
        const read = within(() => readBackup(text));
        if (!read.ok) throw new Error(read.problem);
        const [first, ...rest] = read.value.chambers;
        expect(first).toEqual(good);
        if (rest.length + read.value.others.length === 0) {
          refused++;
          expect(read.value.damaged).toHaveLength(1);
          expect(read.value.damaged[0]!.problem).not.toBe("");
          return;
        }
        whole++;
        for (const record of rest) {
          // As it was, or not at all; one that a blow has made an older form of is lifted. The store reads what it would hold.
          const older = (bad as { schemaVersion?: unknown }).schemaVersion !== CHAMBER_VERSION;
          if (!older) expect(record).toEqual(JSON.parse(JSON.stringify(bad)));
          expect(readRecord(record)).toEqual({ ok: true, record });
          const plan = within(() => planOf(record));
          expect(notFinite(plan.stages.map((s) => s.controls.map((c) => [c.settings, c.switching])))).toEqual([]);
          const trial = within(() => trialOrNone(plan));
          // It may leave what can be computed, and says so.
          if (!trial) continue;
          const { energy, whole: seen } = trial.metrics;
          expect([record.id, notFinite([energy, seen.product, seen.air, trial.trace.low])]).toEqual([record.id, []]);
        }
      }),
      { numRuns: RUNS, seed: SEED, endOnFailure: true },
    );
    // A blow that changes nothing of weight comes through, one that does is refused: both kinds are tried.
    expect(whole).toBeGreaterThan(RUNS / 20);
    expect(refused).toBeGreaterThan(RUNS / 5);
  });
});
