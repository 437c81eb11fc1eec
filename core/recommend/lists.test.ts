import { contradictions, describe as describeChamber, tryEdits } from "../chamber";
import type { ChamberRecord } from "../model";
import { celsius, kelvins } from "../quantity";
import { tried, verdictsOn } from "../testing/build";
import {
  after,
  changed,
  configurations,
  eightStages,
  set,
  staged,
  twoBands,
  twoUnits,
  watcherBeside,
} from "../testing/configurations";
import { imbalance, runTrial, trialOf, planOf } from "../trial";
import { recommend, type Recommendation, type RecommendOptions } from ".";
import { apart } from "../testing/sameTrial";

const names = Object.keys(configurations) as (keyof typeof configurations)[];

describe("the trial of every list", () => {
  it.each(names)("%s", (name) => {
    const record = configurations[name]();
    const { plan, trial } = tried(record, 3);
    expect(contradictions(plan.chamber)).toEqual([]);
    expect(trial.stages.map((s) => s.id)).toEqual(record.stages.map((s) => s.id));
    for (const { metrics } of trial.stages) {
      expect(metrics.map((m) => m.judged)).toEqual(trial.whole.map((m) => m.judged));
      for (const m of metrics) expect(m.controls.map((c) => c.id)).toEqual(record.controllers.map((c) => c.id));
    }
    expect(imbalance(trial.metrics.energy)).toBeLessThan(1e-8);
    expect([...trial.trace.low.product].every(Number.isFinite)).toBe(true);
    // Plain data: what a worker is handed is what it gets, and the plan gives the same trial from there.
    const carried = structuredClone(trialOf(planOf(record), 3));
    expect(runTrial(carried).heat).toEqual(trial.heat);
    expect(JSON.parse(JSON.stringify(plan.chamber))).toEqual(plan.chamber);
  });
  it("a watcher switches nothing: the trial beside it is the one without it", () => {
    const record = watcherBeside();
    const alone: ChamberRecord = {
      ...record,
      controllers: record.controllers.slice(0, 1),
      stages: record.stages.map((s) => ({ ...s, settings: { u1: s.settings.u1 ?? {} } })),
    };
    const [a, b] = [tried(record, 3).trial, tried(alone, 3).trial];
    expect([a.heat, a.cold]).toEqual([b.heat, b.cold]);
    expect(apart(a.metrics.energy, b.metrics.energy, "energy", [], 1e-12)).toEqual([]);
    expect(a.metrics.controls[1]!.lowAlarm).toBeGreaterThan(0);
  });
  it("two vessels are judged by two bands, and the one that fares worse binds", () => {
    const { trial } = tried(twoBands(23.5, 24.5), 3);
    const [first, second] = trial.whole;
    expect(first!.inBand).toBeGreaterThan(0.99);
    expect(second!.timeToBand).toBeNull();
    expect(trial.metrics.judged).toBe("v2");
    expect(tried(twoBands(), 3).trial.whole[1]!.inBand).toBeGreaterThan(0.9);
  });
});

describe("verdicts speak of the entry that they are about", () => {
  const about = (record: ChamberRecord, days = 3) => verdictsOn(record, days);
  it.each(names)("%s: as it is, nothing in it is in danger", (name) =>
    expect(about(configurations[name]()).filter((v) => v.severity === "danger")).toEqual([]),
  );
  it("a watcher whose alarm stands within the band is named, and the controller is not", () => {
    const loud = changed(watcherBeside(), set("settings", "highAlarm", celsius(18.5), "u2", "s1"));
    const found = about(loud).filter((v) => v.title.toLowerCase().includes("alarm"));
    expect(found.length).toBeGreaterThan(0);
    expect(new Set(found.map((v) => v.about))).toEqual(new Set(["u2"]));
  });
  it("the second unit's missing device is named with its unit", () => {
    const record = twoUnits();
    const unplugged = {
      ...record,
      controllers: record.controllers.map((c) => ({ ...c, heat: c.id === "u2" ? [] : c.heat })),
    };
    expect(about(unplugged).some((v) => v.about === "u2" || v.about === "h2")).toBe(true);
    expect(about(record).some((v) => v.id === "not-plugged-in")).toBe(false);
  });
  it("two bands that no one box can hold are said to be so; two that it can are not", () => {
    const ids = (low: number, high: number) => about(twoBands(low, high)).map((v) => v.id);
    expect(ids(28, 30)).toContain("bands-apart");
    expect(ids(17.5, 22.5)).not.toContain("bands-apart");
    const cold = about(twoBands(23.5, 24.5));
    expect(cold.some((v) => v.about === "v2" && v.severity !== "good")).toBe(true);
  });
  it("a vessel with a band of its own that a later stage leaves behind is no loose probe: it is named as it is", () => {
    const record = staged(twoBands(), { band: [18, 22], ends: [after(2 * 86_400)] }, { band: [8, 11] });
    const found = about(record, 6);
    expect(found.map((v) => v.id)).not.toContain("probe-loose");
    expect(found.find((v) => v.id === "bands-apart")).toMatchObject({ stage: "s2", about: "v2" });
    expect(found.find((v) => v.id === "leaves-band")).toMatchObject({ about: "v2", severity: "danger" });
  });
  it("the sixth of eight stages that cannot be held is the one that is named; every other is as it was", () => {
    const hot = changed(
      eightStages(),
      set("stage", "low", celsius(45), "s6"),
      set("stage", "high", celsius(48), "s6"),
      set("stage", "low", celsius(20.5), "s7"),
      set("stage", "high", celsius(24.5), "s7"),
    );
    const bad = about(hot).filter((v) => v.severity === "danger" || v.severity === "warning");
    expect(bad.map((v) => v.stage)).toContain("s6");
    for (const early of ["s1", "s2", "s3", "s4", "s5"]) expect(bad.map((v) => v.stage)).not.toContain(early);
  });
});

const find = (record: ChamberRecord, options: Partial<RecommendOptions> = {}): Recommendation => {
  const search = recommend(record, { probe: false, heater: false, ...options });
  for (let step = search.next(); ; step = search.next()) if (step.done) return step.value;
};
/** Every edit of a recommendation, applied as a person would. */
const taken = (record: ChamberRecord, { best }: Recommendation): ChamberRecord => {
  const done = tryEdits(record, best!.edits);
  if (!done.ok) throw new Error(done.problem);
  return done.value;
};

describe("the search is for the entry that is asked about, and leaves the others alone", () => {
  it("a controller beside a watcher", () => {
    const record = watcherBeside();
    const found = find(record);
    expect(found.controllers).toEqual(["u1"]);
    expect(taken(record, found).stages[0]!.settings.u2).toEqual(record.stages[0]!.settings.u2);
  });
  it("the second of two units, in its own scale", () => {
    const record = twoUnits();
    const found = find(record, { controller: "u2" });
    expect(found.controllers).toEqual(["u2"]);
    const kept = taken(record, found);
    expect(kept.stages[0]!.settings.u1).toEqual(record.stages[0]!.settings.u1);
    const { settings } = planOf(kept).stages[0]!.controls[1]!;
    expect((settings.setpoint * 1.8 + 32) % 1).toBeCloseTo(0, 9);
  });
  it("two vessels with two bands: the answer holds in both, by a trial of both", () => {
    const record = twoBands(19.5, 22.5);
    const found = find(record);
    expect(found.best).not.toBeNull();
    const { trial } = tried(taken(record, found), 6);
    for (const m of trial.whole) expect(m.inBand).toBeGreaterThan(0.99);
    // Bands that lie apart: nothing does, and the vessel that binds is named.
    expect(find(twoBands(28, 30))).toMatchObject({ best: null, binding: { judged: expect.stringMatching(/^v[12]$/) } });
  });
  it("the sixth of eight stages, in its own settings", () => {
    const record = eightStages();
    const found = find(record, { stage: "s6" });
    const kept = taken(record, found);
    expect(Object.keys(kept.stages[5]!.settings.u1!).length).toBeGreaterThan(0);
    for (const i of [0, 1, 2, 3, 4, 6, 7]) expect(kept.stages[i]!.settings).toEqual(record.stages[i]!.settings);
    const { setpoint } = planOf(kept).stages[5]!.controls[0]!.settings;
    const { stages } = describeChamber(kept);
    expect(setpoint).toBeGreaterThan(stages[5]!.low - 0.5);
    expect(setpoint).toBeLessThan(stages[5]!.high + kelvins(0.5));
  });
});
