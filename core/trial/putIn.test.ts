import {
  addVessel,
  describe as describeChamber,
  jobEdits,
  jobs,
  newChamber,
  removeVessel,
  tryChange,
  usualStages,
} from "../chamber";
import { applyEdits, type CabinetKind, type ChamberRecord, type Edit } from "../model";
import { trialOf } from "./input";
import { planOf } from "./plan";
import { runTrial } from "./runTrial";
import { ensembleNow } from "../testing/ensembleNow";
import { shownOf } from "./ensemble";
import { todoList } from "./todo";

const edit = (section: string, field: string, value: unknown, id?: string) =>
  ({ section, field, value, ...(id ? { id } : {}) }) as Edit;
const HOUR = 3600;

const begun = (job: string, box: CabinetKind, ...edits: Edit[]): ChamberRecord =>
  applyEdits(newChamber("late", "Late", "2026-01-01T00:00:00.000Z"), [
    ...jobEdits(
      jobs.find((j) => j.id === job)!,
      box,
    ),
    ...edits,
  ]);
const two = (record: ChamberRecord, putIn: number, ...edits: Edit[]): ChamberRecord =>
  applyEdits(addVessel(record), [edit("vessel", "putIn", putIn, "v2"), ...edits]);

function go(record: ChamberRecord, days: number) {
  const plan = planOf(record);
  return { plan, trial: runTrial(trialOf(plan, days)) };
}
const layerOf = ({ trial }: ReturnType<typeof go>, index: number) =>
  trial.trace.layers.find((l) => l.kind === "vessel" && l.index === index)!;
const figureOf = ({ trial }: ReturnType<typeof go>, index: number, name: string) =>
  trial.trace.figures.find((f) => f.index === index && f.name === name)!.values;

describe("a vessel that is put in later", () => {
  const bath = begun("bath", "crock");
  const alone = go(bath, 0.5);
  const late = go(two(bath, 2 * HOUR), 0.5);
  const bins = late.trial.trace.bins;
  const bin = (hours: number) => Math.floor((hours * HOUR) / late.trial.trace.width);

  it("leaves what is there as it would be without it, until then; and colder right after", () => {
    const { low } = late.trial.trace;
    for (let i = 0; i < bin(2) - 1; i++) expect(low.air[i]!).toBeCloseTo(alone.trial.trace.low.air[i]!, 4);
    const after = Math.min(...low.air.slice(bin(2), bin(3)));
    expect(after).toBeLessThan(Math.min(...alone.trial.trace.low.air.slice(bin(2), bin(3))) - 0.2);
  });

  it("has no course before, and goes through its own from then on: as the first did, later", () => {
    const core = figureOf(late, 1, "core");
    const logs = figureOf(late, 1, "logs");
    for (let i = 0; i < bin(2) - 1; i++) {
      expect(core[i]).toBeNaN();
      expect(layerOf(late, 1).low[i]).toBeNaN();
    }
    expect(core[bin(2) + 1]!).toBeLessThan(12);
    const first = figureOf(late, 0, "logs").findIndex((v) => v >= 6.5);
    const second = logs.findIndex((v) => v >= 6.5);
    // The first waits for the bath to warm up; the second goes into a hot one.
    expect(second - first).toBeGreaterThan(bin(1));
    expect(second - first).toBeLessThan(bin(2.2));
    const { metrics } = late.trial.stages[0]!;
    const judged = metrics.find((m) => m.judged === "v2")!;
    expect(judged.putIn).toBe(2 * HOUR);
    expect(judged.timeToBand!).toBeGreaterThan(2 * HOUR);
    expect(metrics.find((m) => m.judged === "v1")!.putIn).toBe(0);
  });

  it("closes the account of energy all the same", () => {
    const { energy } = late.trial.metrics;
    const values = Object.values(energy).filter((v) => typeof v === "number");
    expect(values.every(Number.isFinite)).toBe(true);
  });

  it("never comes within a trial that ends before", () => {
    const never = go(two(bath, 20 * HOUR), 0.5);
    expect(never.trial.stages[0]!.metrics.map((m) => m.judged)).toEqual(["v1"]);
    expect(never.trial.whole.map((m) => m.judged)).toEqual(["v1"]);
    for (let i = 0; i < bins; i++) expect(never.trial.trace.low.air[i]!).toBeCloseTo(alone.trial.trace.low.air[i]!, 4);
  });

  it("has a span from then on", () => {
    const { figures } = ensembleNow(late.plan, shownOf(late.plan.chamber, late.trial));
    const range = figures.find((s) => s.index === 1 && s.name === "logs")!;
    expect(range.low[bin(1)]).toBeNaN();
    expect(range.high[bins - 1]!).toBeGreaterThanOrEqual(range.low[bins - 1]!);
  });

  it("is not the first one; the next in line is there from the beginning once that is taken out", () => {
    const refused = tryChange(bath, (r) => applyEdits(r, [edit("vessel", "putIn", HOUR)]));
    expect(refused).toMatchObject({ ok: false, problem: expect.stringMatching(/first vessel is in/) as unknown });
    const left = tryChange(two(bath, HOUR), removeVessel("v1"));
    expect(left.ok && describeChamber(left.value).vessels.map((v) => [v.id, v.putIn])).toEqual([["v2", 0]]);
  });
});

describe("a stage that waits for all vessels", () => {
  const staged = (record: ChamberRecord): ChamberRecord => {
    const tried = tryChange(record, usualStages(describeChamber(record))!);
    if (!tried.ok) throw new Error(tried.problem);
    return tried.value;
  };
  const record = staged(two(begun("bath", "crock"), 2 * HOUR));
  const { plan, trial } = go(record, 0.5);

  it("ends with the slowest, which the first alone would not", () => {
    expect(record.stages[0]!.stage.ends!.value[0]).toMatchObject({ observable: { of: "vessels", name: "logs" } });
    const [first] = record.stages;
    const ofFirst: ChamberRecord = {
      ...record,
      stages: [
        {
          ...first!,
          stage: {
            ...first!.stage,
            ends: {
              origin: "typed",
              value: [
                {
                  kind: "reaches",
                  observable: { of: "vessel", id: "v1", name: "logs" },
                  comparison: "atLeast",
                  value: 6.5,
                  heldFor: 0,
                },
              ],
            },
          },
        },
      ],
    };
    const sooner = go(ofFirst, 0.5).trial.finishedAt!;
    expect(trial.finishedAt! - sooner).toBeGreaterThan(HOUR);
    const done = figureOf({ plan, trial }, 1, "logs")[Math.floor(trial.finishedAt! / trial.trace.width)]!;
    expect(done).toBeGreaterThan(6.4);
  });

  it("is on the list with its moment", () => {
    const task = todoList(plan, trial, "C").find((t) => t.id === "v2-put-in");
    expect(task).toMatchObject({ at: 2 * HOUR, name: expect.stringMatching(/^Put in vessel 2, at 5/) as unknown });
  });

  it("names the first alone where the vessels hold different things", () => {
    const mixed = staged(two(begun("bath", "crock"), 0, edit("product", "kind", "hold", "v2")));
    expect(mixed.stages[0]!.stage.ends!.value[0]).toMatchObject({ observable: { of: "vessel", id: "v1" } });
  });
});
