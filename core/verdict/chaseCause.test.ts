import type { ChamberRecord, Edit } from "../model";
import { celsius } from "../quantity";
import { heaterOf, probeAt, recordWith, steadyRoom } from "../testing/build";
import { planOf, runTrial, trialOf } from "../trial";
import { casesOf, judge } from "./judge";
import { causeOfChase, type Chase } from "./chaseCause";

const set = (section: string, field: string, value: unknown): Edit => ({ section, field, value }) as Edit;
const narrow = [
  set("product", "kind", "hold"),
  set("stage", "low", celsius(19.5)),
  set("stage", "high", celsius(20.5)),
];
const apart = (d: number) => [set("settings", "heatingDifferential", d), set("settings", "coolingDifferential", d)];
const caseOf = (record: ChamberRecord) => {
  const plan = planOf(record);
  const [c] = casesOf({ plan, trial: runTrial(trialOf(plan, 5)), scale: "C", calm: null }, "judged");
  return c!;
};
const chaseOn = (record: ChamberRecord): Chase => {
  const c = caseOf(record);
  expect(c.trial.metrics.reversals.perDay).toBeGreaterThan(3);
  return causeOfChase(c);
};
const perDay = (record: ChamberRecord) => caseOf(record).trial.metrics.reversals.perDay;

describe("the cause of a chase, each checked by taking it away", () => {
  it("a noisy probe", () => {
    const noisy = [...narrow, ...steadyRoom(20), heaterOf(60), probeAt("strapped"), ...apart(0.5)];
    const record = recordWith(...noisy, set("probe", "noise", 0.3));
    const chase = chaseOn(record);
    expect(chase.cause).toBe("noise");
    // Three standard deviations, by the definition of the figure.
    expect(chase.text).toMatch(/jumps by 0\.9\s°C/);
    expect(perDay(recordWith(...noisy))).toBeLessThan(3);
  });

  it("a slow probe", () => {
    const slow = [...narrow, ...steadyRoom(20), heaterOf(60), probeAt("air"), ...apart(0.8)];
    const chase = chaseOn(recordWith(...slow));
    expect(chase.cause).toBe("lag");
    expect(chase.text).toMatch(/3\smin late/);
    expect(perDay(recordWith(...slow, set("probe", "lag", 15)))).toBeLessThan(3);
  });

  it("residual cold of a chest freezer, which a quick probe does not cure", () => {
    const chest = [set("cabinet", "kind", "chest"), ...steadyRoom(18), heaterOf(40), probeAt("air"), ...apart(0.3)];
    const chase = chaseOn(recordWith(...chest));
    expect(chase.cause).toBe("residual-cold");
    expect(perDay(recordWith(...chest, set("probe", "lag", 15)))).toBeGreaterThan(3);
  });

  it("the product's own heat, where the room itself would never call for cold", () => {
    const beer = [...steadyRoom(18), heaterOf(40), probeAt("air"), ...apart(1)];
    const chase = chaseOn(recordWith(...beer));
    expect(chase.ownHeat).toBe(true);
    expect(chase.text).toMatch(/own heat that calls the cold/);
    expect(perDay(recordWith(...beer, set("product", "kind", "hold")))).toBeLessThanOrEqual(3);
    // In a room about the target the devices chase without it.
    const still = [...narrow, ...steadyRoom(20), heaterOf(60), probeAt("air"), ...apart(0.3)];
    expect(chaseOn(recordWith(...still)).ownHeat).toBe(false);
  });

  it("residual heat of a heavy heater", () => {
    const heavy = [
      ...narrow,
      ...steadyRoom(18),
      heaterOf(600),
      probeAt("bare"),
      set("probe", "lag", 15),
      ...apart(0.4),
    ];
    expect(chaseOn(recordWith(...heavy)).cause).toBe("residual-heat");
  });

  it("stands in the verdict, with the moment", () => {
    const c = caseOf(recordWith(...narrow, ...steadyRoom(20), heaterOf(60), probeAt("air"), ...apart(0.5)));
    const verdict = judge(c.plan, c.trial, "C").find((v) => v.id === "chasing")!;
    expect(verdict.text).toContain(causeOfChase(c).text);
    expect(verdict.moment).not.toBeNull();
  });
});
