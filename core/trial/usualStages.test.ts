import { describe as describeChamber, jobEdits, jobs, newChamber, tryEdits, usualStages } from "../chamber";
import { chamberRecord, productKinds, type Edit, type ProductKind } from "../model";
import { trialOf } from "./input";
import { planOf } from "./plan";
import { isQuick } from "./quick";
import { runTrial } from "./runTrial";

const DAY = 86_400;

/** A new chamber for a product in the box that it is usually in. */
function made(kind: ProductKind) {
  const job = jobs.find((j) =>
    jobEdits(j, j.boxes[0]!).some((e) => e.section === "product" && e.field === "kind" && e.value === kind),
  );
  const fresh = newChamber("a", "A", "2026-01-01T00:00:00.000Z");
  const box = job?.boxes[0] ?? "upright";
  const edits: Edit[] = job
    ? jobEdits(job, box)
    : [
        { section: "product", field: "kind", value: kind },
        { section: "vessel", field: "filling", value: "meat" },
        { section: "vessel", field: "volume", value: 0.002 },
      ];
  const tried = tryEdits(fresh, edits);
  if (!tried.ok) throw new Error(tried.problem);
  return tried.value;
}

describe("the usual stages of a product", () => {
  // Windows by which each has to be through its first stage, days (the reference's, or common practice, no source).
  it.each<[ProductKind, number, number, number]>([
    ["ale", 3, 2, 10],
    ["lager", 3, 6, 21],
    ["farmhouse", 3, 2, 12],
    ["tempeh", 1, 22 / 24, 40 / 24],
    ["honey", 1, 5, 10],
    ["sausage", 2, 10 / 24, 2],
    ["mash", 4, 15 / 1440, 0.2],
    ["bath", 1, 0.03, 0.3],
    ["smoke", 1, 8 / 24, 16 / 24],
    ["wholeMuscle", 2, 14, 20],
  ])("%s: %d stages, the first over after %d to %d days by what is waited for", (kind, count, soon, late) => {
    const before = made(kind);
    const record = usualStages(describeChamber(before))!(before);
    expect(chamberRecord.parse(record)).toEqual(record);
    expect(record.stages).toHaveLength(count);
    const plan = planOf(record);
    const { stages } = runTrial(trialOf(plan, isQuick(plan.chamber.cabinet.kind) ? 1 : 40));
    // It comes to every stage in turn.
    expect(stages.map((s) => s.id)).toEqual(record.stages.map((s) => s.id));
    const [first] = stages;
    expect(first!.endedBy).not.toBe("latest");
    expect(first!.dueAt! / DAY).toBeGreaterThan(soon);
    expect(first!.dueAt! / DAY).toBeLessThan(late);
  });
  it("are there for what has a course, and for nothing else", () => {
    const none = productKinds.filter((kind) => usualStages(describeChamber(made(kind))) === null);
    expect(none.join()).toBe("spontaneous,wine,cider,mead,serving,hold");
  });
});
