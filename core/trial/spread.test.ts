import { jobEdits, jobs, newChamber, tryEdits } from "../chamber";
import { applyEdits, type Edit } from "../model";
import { trialOf } from "./input";
import { planOf } from "./plan";
import { runTrial } from "./runTrial";
import { ensembleNow } from "../testing/ensembleNow";
import { shownOf, type FigureRange } from "./ensemble";
import { paceBy, readAgainst } from "./spread";

function tried(id: string, box: (typeof jobs)[number]["boxes"][number], days: number) {
  const job = jobs.find((j) => j.id === id)!;
  const made = tryEdits(newChamber("a", "A", "2026-01-01T00:00:00.000Z"), jobEdits(job, box));
  if (!made.ok) throw new Error(made.problem);
  const plan = planOf(made.value);
  const trial = runTrial(trialOf(plan, days));
  return { record: made.value, plan, trial };
}

/** The ranges of a trial's figures. */
function rangesOf(plan: ReturnType<typeof planOf>, trial: ReturnType<typeof runTrial>): FigureRange[] {
  return ensembleNow(plan, shownOf(plan.chamber, trial)).figures;
}

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
    const read = readAgainst(chamber, usual.trial, rangesOf(usual.plan, usual.trial), reading)!;
    // Its own heat moves its temperature a little with its pace.
    expect(Math.abs(paceBy(chamber, usual.trial, reading)! / pace - 1)).toBeLessThan(0.06);
    // Another pace within its span is nothing odd.
    expect(figure[bin]!).toBeGreaterThanOrEqual(read.low - 1e-3);
    expect(figure[bin]!).toBeLessThanOrEqual(read.high + 1e-3);
  });
  it("says nothing of what no pace gives, and of a moment beyond the trial", () => {
    const { plan, trial } = tried("ale", "upright", 5);
    const spreads = rangesOf(plan, trial);
    const gravity = { vessel: "v1", name: "gravity", at: 3 * 86_400 };
    expect(paceBy(plan.chamber, trial, { ...gravity, value: 1.2 })).toBeNull();
    expect(readAgainst(plan.chamber, trial, spreads, { ...gravity, at: 9 * 86_400, value: 1.02 })).toBeNull();
    expect(readAgainst(plan.chamber, trial, spreads, { ...gravity, vessel: "v9", value: 1.02 })).toBeNull();
  });
});
