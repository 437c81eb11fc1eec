import { describe as describeChamber, jobEdits, jobs, newChamber, usualStages } from "../chamber";
import { applyEdits, type CabinetKind, type ChamberRecord, type Edit } from "../model";
import { LEAD } from "./forewarned";
import { trialOf } from "./input";
import { planOf } from "./plan";
import { runTrial } from "./runTrial";
import { todoList } from "./todo";

const edit = (section: string, field: string, value: unknown) => ({ section, field, value }) as Edit;
const HOUR = 3600;

function listed(job: string, box: CabinetKind, days: number, staged: boolean, ...edits: Edit[]) {
  const record: ChamberRecord = applyEdits(newChamber("warn", "Warn", "2026-01-01T00:00:00.000Z"), [
    ...jobEdits(
      jobs.find((j) => j.id === job)!,
      box,
    ),
    ...edits,
  ]);
  const plan = planOf(staged ? usualStages(describeChamber(record))!(record) : record);
  const trial = runTrial(trialOf(plan, days), 560);
  return { trial, tasks: todoList(plan, trial, "C") };
}

describe("what is said before it is too late", () => {
  it("the alarm of the probe in smoked food: from there it takes half an hour or a little more", () => {
    const { trial, tasks } = listed("smoke", "drum", 1, true);
    const task = tasks.find((t) => t.id === "v1-done-alarm")!;
    const degrees = Number(/to (\d+)/.exec("name" in task ? task.name : "")![1]);
    const core = trial.trace.figures.find((f) => f.name === "core")!.values;
    const at = (t: number) => core.findIndex((v) => v >= t) * trial.trace.width;
    expect(at(90) - at(degrees)).toBeGreaterThan(LEAD * 0.8);
    expect(at(90) - at(degrees)).toBeLessThan(LEAD * 2);
  });

  it("a fire's last half hour, and none where the charge outlasts the trial", () => {
    const { trial, tasks } = listed("smoke", "drum", 1, false, edit("heater", "fuel", 1.2), edit("stage", "ends", []));
    expect(trial.metrics.fuelOutAt).not.toBeNull();
    expect(trial.metrics.fuelOutAt! - tasks.find((t) => t.id === "fuel")!.at).toBeCloseTo(LEAD, 6);
    expect(listed("smoke", "drum", 0.5, false).tasks.some((t) => t.id === "fuel")).toBe(false);
  });

  // By hand: held at 27 °C, which is 80.6 °F, 1200 degree-hours above 60 °F are used up after 58.3 h.
  it("the last moment for pH 5.3, half an hour before the degree-hours are gone", () => {
    const { tasks } = listed(
      "sausage",
      "upright",
      4,
      false,
      edit("vessel", "startTemperature", 27),
      edit("stage", "low", 26.5),
      edit("stage", "high", 27.5),
      edit("room", "low", 27),
      edit("room", "high", 27),
    );
    const task = tasks.find((t) => t.id === "v1-ph-by")!;
    expect(Math.abs(task.at / HOUR - 57.8)).toBeLessThan(3);
  });

  it("a core that comes up slowly has a clock, one that is quickly through has none", () => {
    const thick = listed(
      "bath",
      "crock",
      0.5,
      false,
      edit("product", "thickness", 0.12),
      edit("vessel", "volume", 0.0015),
    );
    const clock = thick.tasks.find((t) => t.id === "v1-come-up")!;
    expect(clock.at).toBeCloseTo(5.5 * HOUR, 6);
    expect(listed("bath", "crock", 0.5, false).tasks.some((t) => t.id === "v1-come-up")).toBe(false);
  });
});
