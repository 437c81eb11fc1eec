import { beginStages, jobEdits, jobs, newChamber, tryEdits } from "../chamber";
import type { CabinetKind, Edit } from "../model";
import { chance } from "../quantity";
import { coarse, drawnChamber } from "../testing/draws";
import { tries } from "../testing/hard";
import { ensembleNow } from "../testing/ensembleNow";
import { shownOf, type Ensemble } from "./ensemble";
import { trialOf } from "./input";
import { design, factorAt, fewMembers, membersOf } from "./members";
import { normalAt } from "./paces";
import type { Plan } from "./planWith";
import { planOf } from "./plan";
import { runTrial, type Trial } from "./runTrial";
import { doneAt } from "./todo";

const SEED = Number(process.env.HARD_SEED ?? 20261201);

function made(id: string, box: CabinetKind, ...edits: Edit[]): Plan {
  const job = jobs.find((j) => j.id === id)!;
  const tried = tryEdits(newChamber("a", "A", "2026-01-01T00:00:00.000Z"), [...jobEdits(job, box), ...edits]);
  if (!tried.ok) throw new Error(tried.problem);
  return planOf(beginStages("C")(tried.value));
}

const ensembleOf = (plan: Plan, trial: Trial): Ensemble => ensembleNow(plan, shownOf(plan.chamber, trial));

describe("what is drawn", () => {
  // Abramowitz and Stegun, table 26.1 (values from memory).
  it.each([
    [0.5, 0],
    [0.9, 1.2816],
    [0.95, 1.6449],
    [0.05, -1.6449],
  ])("the normal deviate of %d is %d", (share, z) => expect(Math.abs(normalAt(share) - z)).toBeLessThan(1e-3));

  // Eight stretched ones end where nine of ten do; of 39 two at either end lie beyond.
  it.each([
    ["eight", [-1, -0.6, -0.3, -0.1, 0.1, 0.3, 0.6, 1].map((z) => 1.645 * z)],
    ["39", Array.from({ length: 39 }, (_, k) => normalAt((k + 0.5) / 39))],
  ])("every unknown has the same %s values, and no two of the first go together", (_, values) => {
    const table = design(10, values);
    const columns = table[0]!.map((_, c) => table.map((row) => row[c]!));
    const square = columns[0]!.reduce((sum, z) => sum + z * z, 0);
    columns.forEach((column, c) => {
      expect([...column].sort((a, b) => a - b)).toEqual([...columns[0]!].sort((a, b) => a - b));
      columns
        .slice(0, Math.min(4, c))
        .forEach((other) =>
          expect(Math.abs(other.reduce((sum, z, i) => sum + z * column[i]!, 0) / square)).toBeLessThan(0.4),
        );
    });
    expect(design(10, values)).toEqual(table);
  });

  it("a factor stands at the end of its span at nine of ten, and at one as is usual", () => {
    expect(factorAt([0.5, 1.5], 1.645)).toBeCloseTo(1.5, 9);
    expect(factorAt([0.5, 1.5], -1.645)).toBeCloseTo(0.5, 9);
    expect(factorAt([0.5, 1.5], 0)).toBe(1);
  });

  it("nothing that a person typed moves, and neither does a recorded room", () => {
    const plan = made("ale", "upright", { section: "thermal", field: "liningToRoom", value: 3 });
    const members = membersOf(plan.chamber);
    expect(members).toHaveLength(39);
    // Abramowitz and Stegun, table 26.1: nine of ten lie within 1.645 (from memory).
    const beyond = members.filter((m) => Math.abs(m.loss) > 1.6449).length;
    expect(beyond).toBe(4);
    expect(Math.max(...fewMembers(plan.chamber).map((m) => m.loss))).toBeCloseTo(1.645, 0);
    expect(new Set(members.map((m) => JSON.stringify(m))).size).toBe(39);
  });
});

describe("between when and when it is ready", () => {
  it.each([
    ["ale", "upright", 12],
    ["tempeh", "foam", 4],
    ["honey", "warmBox", 12],
    ["bath", "crock", 1],
    ["smoke", "drum", 1],
    ["mash", "kettle", 1],
  ] as const)("%s in a %s: the usual course lies within, its end is the trial’s own", (id, box, days) => {
    const plan = made(id, box);
    const trial = runTrial(trialOf(plan, days));
    const { ready, figures, trials } = ensembleOf(plan, trial);
    expect(trials).toBe(40);
    const [range] = ready;
    expect(ready).toHaveLength(1);
    expect(range!.usual).toBe(doneAt(plan.chamber, trial));
    expect(range!.soon!).toBeLessThan(range!.usual!);
    expect(range!.late!).toBeGreaterThan(range!.usual!);
    for (const { index, name, low, high } of figures) {
      const usual = trial.trace.figures.find((f) => f.index === index && f.name === name)!.values;
      const way = Math.max(...usual) - Math.min(...usual) || 1;
      usual.forEach((v, i) => {
        expect(low[i]!).toBeLessThanOrEqual(high[i]!);
        // By longer steps: a twentieth of the whole way.
        expect(v).toBeGreaterThan(low[i]! - 0.05 * way);
        expect(v).toBeLessThan(high[i]! + 0.05 * way);
      });
    }
  });

  // Against plain draws that know nothing of the ensemble: a slow ale is a trial of its own, not late by days.
  const covered = [
    ["ale", "upright", 12],
    ["smoke", "drum", 1],
    ["tempeh", "foam", 3],
    ["honey", "warmBox", 8],
    ["sausage", "upright", 7],
    ["mash", "kettle", 1],
  ] as const;
  it.each(process.env.HARD ? covered : covered.slice(0, 2))(
    "of %s in a %s holds most of a hundred plain draws, and its ends are reached by some",
    (id, box, days) => {
      const plan = made(id, box);
      const [range] = ensembleOf(plan, runTrial(trialOf(plan, days))).ready;
      const random = chance(SEED);
      const draws = tries(12, 100);
      const done = Array.from({ length: draws }, () => {
        const chamber = drawnChamber(plan.chamber, random);
        const input = trialOf({ ...plan, chamber }, Math.ceil((2 * range!.late!) / 86_400), coarse(box));
        return doneAt(chamber, runTrial({ ...input, lean: true })) ?? Infinity;
      });
      const within = done.filter((t) => t >= range!.soon! && t <= range!.late!).length;
      if (process.env.HARD) process.stdout.write(`ready between, ${id} in a ${box}: ${within} of ${draws} within\n`);
      expect(within).toBeGreaterThanOrEqual(0.8 * draws);
      expect(Math.max(...done)).toBeGreaterThan(range!.usual! * 1.05);
    },
  );

  it("says nothing of when where nothing is waited for, and speaks of each vessel where no program ends", () => {
    const held = made("hold", "upright");
    expect(ensembleOf(held, runTrial(trialOf(held, 1))).ready).toEqual([]);
    const wine = made("wine", "upright");
    const { ready } = ensembleOf(wine, runTrial(trialOf(wine, 3)));
    expect(ready.map((r) => r.index)).toEqual([0]);
  });
});
