import { describe as describeChamber, usualStages } from "../chamber";
import type { Edit } from "../model";
import { celsius, kelvins } from "../quantity";
import { recordWith } from "../testing/build";
import { trialOf } from "./input";
import { keyingTasks } from "./keying";
import { planOf } from "./plan";
import { runTrial } from "./runTrial";

const set = (section: string, field: string, value: unknown, id?: string): Edit =>
  ({ section, field, value, ...(id ? { id } : {}) }) as Edit;
const DAY = 86_400;

function tasksOf(days: number, ...edits: Edit[]) {
  const ale = recordWith(
    set("product", "kind", "ale"),
    set("room", "low", celsius(12)),
    set("room", "high", celsius(18)),
  );
  const staged = usualStages(describeChamber(ale))!(ale);
  const record = edits.reduce((r, e) => {
    const s = r.stages.map((one) =>
      one.id === e.id ? { ...one, stage: { ...one.stage, [e.field]: { value: e.value, origin: "typed" } } } : one,
    );
    return { ...r, stages: s } as typeof r;
  }, staged);
  const plan = planOf(record);
  const trial = runTrial(trialOf(plan, days));
  return { plan, trial, tasks: keyingTasks(plan, trial, "C") };
}

describe("what has to be keyed in by hand over a program", () => {
  it("is everything at first, then what differs, at the moment at which each stage begins in the trial", () => {
    const { trial, tasks, plan } = tasksOf(20);
    expect(tasks.map((t) => t.stageName)).toEqual(["Ferment", "Diacetyl rest", "Crash"]);
    expect(tasks.map((t) => t.at)).toEqual(trial.stages.map((s) => s.from));
    expect(tasks[0]!.numbers.length).toBeGreaterThan(3);
    const setpoints = plan.stages.map((s) => `${s.controls[0]!.settings.setpoint.toFixed(1)}\u00a0°C`);
    tasks.forEach((t, i) =>
      expect(t.numbers.find((n) => n.label === "Setpoint")?.value).toBe(
        setpoints[i] === setpoints[i - 1] ? undefined : setpoints[i],
      ),
    );
    // A compressor delay that stays is keyed in once.
    expect(tasks.slice(1).some((t) => t.numbers.some((n) => n.label === "Compressor delay"))).toBe(false);
    expect(new Set(tasks.map((t) => t.id)).size).toBe(tasks.length);
  });
  it("a crash by four degrees a day is a task a day, and none while nobody is there", () => {
    const { tasks } = tasksOf(
      30,
      set("stage", "rampBy", kelvins(4), "s3"),
      set("stage", "rampEvery", DAY, "s3"),
      set("stage", "ends", [], "s3"),
    );
    const crash = tasks.filter((t) => t.stageName === "Crash");
    // From 20 to 2 °C in steps of 4 K: five times.
    expect(crash.length).toBeGreaterThanOrEqual(4);
    expect(crash.length).toBeLessThanOrEqual(6);
    crash.slice(1).forEach((t, i) => expect((t.at - crash[i]!.at) / DAY).toBeCloseTo(1, 2));
    for (const t of crash.slice(1)) expect(t.numbers.map((n) => n.label)).toContain("Setpoint");
  });
  it("a stage that the trial does not come to has none", () => {
    expect(tasksOf(1).tasks.map((t) => t.stageName)).toEqual(["Ferment"]);
  });
});
