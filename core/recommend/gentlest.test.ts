import { describe as describeChamber, jobEdits, jobs, newChamber, usualStages } from "../chamber";
import { applyEdits } from "../model";
import { gentlest, type Gentlest } from ".";

const fresh = newChamber("g", "G", "2026-01-01T00:00:00.000Z");
const jars = applyEdits(
  fresh,
  jobEdits(
    jobs.find((j) => j.id === "honey")!,
    "foam",
  ),
);
const record = usualStages(describeChamber(jars))!(jars);
const DAY = 86_400;

function drive(within: number): Gentlest {
  const steps = gentlest(record, within);
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
}

it("the more time there is, the cooler it is held and the less it costs; in time in its slow case; too little is said", () => {
  const found = [4, 9].map((days) => {
    const f = drive(days * DAY);
    if (!f.ok) throw new Error(f.problem);
    expect(f.lateDone).toBeLessThanOrEqual(days * DAY);
    return f;
  });
  expect(found[1]!.low).toBeLessThan(found[0]!.low);
  const lost = (f: (typeof found)[number]) => {
    const diastase = f.costs.find((c) => c.label === "diastase")!;
    return diastase.start - diastase.end;
  };
  expect(lost(found[1]!)).toBeLessThanOrEqual(lost(found[0]!));
  expect(drive(0.2 * DAY)).toMatchObject({ ok: false, problem: expect.stringContaining("Begin sooner") as string });
});
