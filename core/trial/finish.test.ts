import { describe as describeChamber, jobEdits, jobs, newChamber, usualStages } from "../chamber";
import { applyEdits, type CabinetKind, type ChamberRecord, type Edit } from "../model";
import { isAttended, localSeconds } from "../program";
import { trialOf } from "./input";
import { planBack, type BackPlanned } from "./finish";
import { chance } from "../quantity";
import { coarse, drawnChamber } from "../testing/draws";
import { tries } from "../testing/hard";
import { lateDeviations } from "./paces";
import { planOf } from "./plan";
import { runTrial } from "./runTrial";
import { doneAt } from "./todo";

const edit = (section: string, field: string, value: unknown) => ({ section, field, value }) as Edit;
const DAY = 86_400;
const SEED = Number(process.env.HARD_SEED ?? 20261201);

function programOf(job: string, box: CabinetKind, ...edits: Edit[]): ChamberRecord {
  const fresh = newChamber("back", "Back", "2026-01-01T00:00:00.000Z");
  const record = applyEdits(fresh, [
    ...jobEdits(
      jobs.find((j) => j.id === job)!,
      box,
    ),
    ...edits,
  ]);
  return usualStages(describeChamber(record))!(record);
}

function drive(steps: Generator<undefined, BackPlanned>): BackPlanned {
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
}

describe("a program planned backwards from its finish", () => {
  const attended = [edit("program", "attendedFrom", 7), edit("program", "attendedTo", 22)];
  it.each([
    [
      "an ale around two days away",
      programOf(
        "ale",
        "upright",
        ...attended,
        edit("program", "startsAt", "2026-03-01T18:00"),
        edit("program", "away", [{ from: 12 * DAY, to: 14 * DAY }]),
      ),
      "2026-03-20T20:00",
    ],
    ["honey in a warm box", programOf("honey", "warmBox", ...attended), "2026-03-20T20:00"],
    ["tempeh in a foam box", programOf("tempeh", "foam", ...attended), "2026-03-20T12:00"],
  ])("%s: its slow case is ready in time, stages and bands as they were", (_says, record, finishBy) => {
    const plan = planOf(record);
    const back = drive(planBack(plan, finishBy));
    if (!back.ok) throw new Error(back.problem);
    const { startsAt, away, lateDone, usualDone, late, usual } = back.plan;
    const spare = localSeconds(finishBy) - localSeconds(startsAt) - lateDone;
    expect(spare).toBeGreaterThanOrEqual(0);
    // Not days too early either: the last evening or morning on which somebody is there.
    expect(spare).toBeLessThan(1.5 * DAY);
    expect(usualDone).toBeLessThan(lateDone);
    expect(late.map((s) => s.id)).toEqual(usual.map((s) => s.id));
    late.forEach((s, i) => expect(s.to).toBeGreaterThanOrEqual(usual[i]!.to - 1));
    const hour = (localSeconds(startsAt) % DAY) / 3600;
    expect(isAttended({ ...plan.chamber.program, away }, hour, 0)).toBe(true);
    // Days away stand where they stood on the calendar.
    const begun = plan.chamber.program.startsAt;
    if (begun)
      expect(away.map((a) => a.from + localSeconds(startsAt))).toEqual(
        plan.chamber.program.away.map((a) => a.from + localSeconds(begun)),
      );
  });

  /** Every job that has usual stages and comes to an end, in its first box. */
  const all = jobs.filter((j) => !["serve", "hold", "wine", "cider", "mead", "spontaneous"].includes(j.id));
  const some = process.env.HARD ? all : all.filter((j) => ["ale", "tempeh", "smoke", "bath"].includes(j.id));
  it.each(some.map((j) => [j.id, j.boxes[0]!] as const))(
    "%s in a %s: 85 of 100 draws of product, box, room, thickness and power together are in time",
    (id, box) => {
      const plan = planOf(programOf(id, box, ...attended));
      const finishBy = "2026-06-20T20:00";
      const back = drive(planBack(plan, finishBy));
      if (!back.ok) throw new Error(back.problem);
      const { startsAt, away, lateDone } = back.plan;
      const draws = tries(10, 100);
      const random = chance(SEED);
      let inTime = 0;
      for (let i = 0; i < draws; i++) {
        const drawn = drawnChamber({ ...plan.chamber, program: { ...plan.chamber.program, startsAt, away } }, random);
        const days = Math.ceil(lateDone / DAY) + 1;
        const done = doneAt(
          drawn,
          runTrial({ ...trialOf({ ...plan, chamber: drawn }, days, coarse(box)), lean: true }),
        );
        if (done !== null && localSeconds(startsAt) + done <= localSeconds(finishBy)) inTime++;
      }
      if (process.env.HARD)
        process.stdout.write(`planned backwards, ${id} in a ${box}: ${inTime} of ${draws} in time\n`);
      expect(inTime).toBeGreaterThanOrEqual(0.85 * draws);
    },
  );

  it("says what it wants where it cannot: an end, or dates for the days away", () => {
    const fresh = newChamber("back", "Back", "2026-01-01T00:00:00.000Z");
    const open = drive(planBack(planOf(fresh), "2026-03-20T20:00"));
    expect(open).toMatchObject({ ok: false, problem: expect.stringContaining("never ends") as string });
    const away = programOf("ale", "upright", edit("program", "away", [{ from: DAY, to: 2 * DAY }]));
    expect(drive(planBack(planOf(away), "2026-03-20T20:00"))).toMatchObject({
      ok: false,
      problem: expect.stringContaining("Say first when it begins") as string,
    });
  });
});

// Normal deviates of 0.90, 0.9487 and 0.9655: Abramowitz and Stegun, table 26.1 (values from memory).
it.each([
  [1, 1.2816],
  [2, 1.632],
  [3, 1.818],
])("of %d products each is taken late enough for nine of ten of all", (n, z) => {
  expect(Math.abs(lateDeviations(n) - z)).toBeLessThan(2e-3);
});
