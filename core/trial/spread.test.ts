import { jobEdits, jobs, newChamber, tryEdits } from "../chamber";
import { applyEdits, type Edit } from "../model";
import { trialOf } from "./input";
import { planOf } from "./plan";
import { isQuick } from "./quick";
import { runTrial } from "./runTrial";
import { paceBy, readAgainst, readyRanges, spreadOf } from "./spread";

function tried(id: string, box: (typeof jobs)[number]["boxes"][number], days: number, ...more: Edit[]) {
  const job = jobs.find((j) => j.id === id)!;
  const made = tryEdits(newChamber("a", "A", "2026-01-01T00:00:00.000Z"), [...jobEdits(job, box), ...more]);
  if (!made.ok) throw new Error(made.problem);
  const plan = planOf(made.value);
  const trial = runTrial(trialOf(plan, days));
  const spreads = spreadOf(plan.chamber, trial);
  return { record: made.value, plan, trial, spreads, ready: readyRanges(plan.chamber, trial.trace, spreads) };
}

describe("what a product can be", () => {
  it.each([
    ["ale", "upright", 12],
    ["tempeh", "foam", 4],
    ["honey", "warmBox", 20],
    ["bath", "crock", 1],
    ["smoke", "drum", 1],
    ["mash", "kettle", 1],
  ] as const)("%s: the usual course lies within its span, and it is ready in between", (id, box, days) => {
    const { plan, trial, spreads, ready } = tried(id, box, days);
    for (const { index, name, slow, fast } of spreads) {
      const usual = trial.trace.figures.find((f) => f.index === index && f.name === name)!.values;
      usual.forEach((v, i) => {
        const [low, high] = [Math.min(slow[i]!, fast[i]!), Math.max(slow[i]!, fast[i]!)];
        // The same course in longer steps and at the middle of each bin: a fiftieth of the whole way.
        const way = Math.max(...usual) - Math.min(...usual) || 1;
        if (name === "fermentable" || name === "past") return;
        expect(v).toBeGreaterThan(low - 0.06 * way);
        expect(v).toBeLessThan(high + 0.06 * way);
      });
    }
    const [range] = ready;
    // In whole bins of the trace.
    expect(range!.soon!).toBeLessThanOrEqual(range!.usual!);
    expect(range!.usual!).toBeLessThanOrEqual(range!.late!);
    expect(range!.soon!).toBeLessThan(range!.late!);
    expect(isQuick(plan.chamber.cabinet.kind) ? range!.late! / 3600 : 24).toBeLessThanOrEqual(24);
  });

  // Closed form: at one temperature every time of a beer's course goes with the inverse of its pace (docs/sources.md).
  it("a beer of another pace is as late as its span says", () => {
    const { plan, trial } = tried("ale", "upright", 20);
    const slow = applyEdits(tried("ale", "upright", 1).record, [
      { section: "product", field: "pace", value: 0.6 } as Edit,
    ]);
    const at = (days: number, of: typeof slow) => {
      const { trace } = runTrial(trialOf(planOf(of), days));
      const progress = trace.figures.find((f) => f.name === "progress")!.values;
      return progress.findIndex((v) => v >= 0.98) * trace.width;
    };
    const spreads = spreadOf(plan.chamber, trial);
    const guess = spreads.find((s) => s.name === "progress")!.slow.findIndex((v) => v >= 0.98) * trial.trace.width;
    // A slower beer is a little colder too, since its heat comes slower: a twentieth.
    expect(Math.abs(guess / at(20, slow) - 1)).toBeLessThan(0.05);
  });

  it("what only holds has no course, and what is not reached has no date", () => {
    expect(tried("hold", "upright", 1).ready).toEqual([]);
    const { ready } = tried("lager", "upright", 3);
    expect(ready).toEqual([{ index: 0, soon: null, usual: null, late: null }]);
  });
});

describe("a reading against the course", () => {
  it.each([
    ["ale", "upright", 8, "gravity", 0.8],
    ["honey", "warmBox", 10, "clear", 1.3],
    ["sausage", "upright", 2, "pH", 1.25],
  ] as const)("%s: one of a course at another pace gives that pace back", (kind, box, days, name, pace) => {
    const job = jobs.find((j) => j.id === kind);
    const edits = job
      ? jobEdits(job, box)
      : ([
          { section: "product", field: "kind", value: kind },
          { section: "stage", field: "low", value: 24 },
          { section: "stage", field: "high", value: 27 },
        ] as Edit[]);
    const record = applyEdits(newChamber("a", "A", "2026-01-01T00:00:00.000Z"), edits);
    const run = (at: number) => {
      const plan = planOf(applyEdits(record, [{ section: "product", field: "pace", value: at }]));
      return { plan, trial: runTrial(trialOf(plan, days)) };
    };
    const [usual, other] = [run(1), run(pace)];
    const figure = other.trial.trace.figures.find((f) => f.name === name)!.values;
    const bin = Math.floor(figure.length * (kind === "sausage" ? 0.18 : 0.3));
    const at = (bin + 0.5) * other.trial.trace.width;
    const reading = { vessel: "v1", name, at, value: figure[bin]! };
    const { chamber } = usual.plan;
    const read = readAgainst(chamber, usual.trial, spreadOf(chamber, usual.trial), reading)!;
    // Its own heat moves its temperature a little with its pace.
    expect(Math.abs(paceBy(chamber, usual.trial, reading)! / pace - 1)).toBeLessThan(0.06);
    expect((read.usual - figure[bin]!) * (read.slow - read.usual) * (pace - 1)).toBeGreaterThanOrEqual(0);
  });
  it("says nothing of what no pace gives, and of a moment beyond the trial", () => {
    const { plan, trial, spreads } = tried("ale", "upright", 5);
    const gravity = { vessel: "v1", name: "gravity", at: 3 * 86_400 };
    expect(paceBy(plan.chamber, trial, { ...gravity, value: 1.2 })).toBeNull();
    expect(readAgainst(plan.chamber, trial, spreads, { ...gravity, at: 9 * 86_400, value: 1.02 })).toBeNull();
    expect(readAgainst(plan.chamber, trial, spreads, { ...gravity, vessel: "v9", value: 1.02 })).toBeNull();
  });
});
