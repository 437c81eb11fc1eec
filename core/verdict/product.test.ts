import { describe as describeChamber, usualStages } from "../chamber";
import type { ChamberRecord, Edit } from "../model";
import { celsius } from "../quantity";
import { recordWith, steadyRoom, verdictsOn } from "../testing/build";
import { planOf, runTrial, trialOf } from "../trial";
import { judge } from ".";

const set = (section: string, field: string, value: unknown): Edit => ({ section, field, value }) as Edit;
const band = (low: number, high: number, start: number): Edit[] => [
  set("stage", "low", celsius(low)),
  set("stage", "high", celsius(high)),
  set("vessel", "startTemperature", celsius(start)),
];
const kind = (value: string) => set("product", "kind", value);
const bath = (low: number, thickness: number, start = 5): Edit[] => [
  set("cabinet", "kind", "crock"),
  set("cabinet", "fan", true),
  set("heater", "kind", "immersion"),
  set("heater", "power", 1000),
  set("vessel", "form", "piece"),
  set("vessel", "filling", "meat"),
  set("vessel", "volume", 0.0004),
  kind("bath"),
  set("product", "thickness", thickness),
  ...band(low, low + 2, start),
  ...steadyRoom(20),
];
const sausage = (low: number, pace: number): Edit[] => [
  kind("sausage"),
  set("product", "pace", pace),
  set("vessel", "filling", "meat"),
  set("vessel", "volume", 0.002),
  ...band(low, low + 2, low + 1),
  ...steadyRoom(low),
];
const honey = (low: number): Edit[] => [
  set("cabinet", "kind", "warmBox"),
  set("cabinet", "fan", true),
  kind("honey"),
  set("vessel", "filling", "honey"),
  set("vessel", "volume", 0.001),
  ...band(low, low + 2, low),
  ...steadyRoom(20),
];

// Each with a chamber that has it and one that has not.
describe("what a product says of a trial", () => {
  it.each<[id: string, severity: string, has: Edit[], hasNot: Edit[], days: number]>([
    // 95 °F for longer than 28.6 h (Good Manufacturing Practices) fails; at the usual pace it is through in half a day.
    ["limit-degreeHours", "danger", sausage(34, 0.2), sausage(34, 1), 4],
    ["no-limit-known", "warning", sausage(11, 1), sausage(24, 1), 4],
    ["too-cool-to-kill", "warning", bath(50, 0.025), bath(58, 0.025), 1],
    // FSIS: through 54.4 °C within 6 h, 4 advised. A frozen lump of 14 cm is not.
    ["limit-comeUp", "danger", bath(58, 0.16, -18), bath(58, 0.04, -18), 1],
    ["slow-come-up", "warning", bath(58, 0.085), bath(58, 0.03), 1],
    // Codex 12-1981: 40 mg/kg. At 60 °C it is there within days, at 40 °C not within weeks.
    // Food Code 3-501.19: raw and moist, four hours out of the cold in all; salted through, none are counted.
    ["limit-warmRaw", "danger", [...sausage(12, 1), kind("wholeMuscle")], [...sausage(2, 1), kind("wholeMuscle")], 4],
    [
      "limit-warmRaw",
      "danger",
      [...sausage(12, 1), kind("wholeMuscle")],
      [...sausage(12, 1), kind("wholeMuscle"), set("product", "salted", "even")],
      4,
    ],
    // Souring temperature for a week, its pH reached on the second day (common practice, no source).
    ["limit-warmAfter", "danger", sausage(25, 1), sausage(14, 1), 7],
    [
      "limit-warmHeld",
      "danger",
      [...sausage(20, 1), kind("hold"), set("product", "holds", "moist")],
      [...sausage(20, 1), kind("hold"), set("product", "holds", "keeps")],
      1,
    ],
    // A course that somebody types may be of food that nothing holds back; wine is sour.
    [
      "limit-warmHeld",
      "danger",
      [...sausage(20, 1), kind("wine"), set("product", "holds", "moist")],
      [...sausage(20, 1), kind("wine")],
      1,
    ],
    // 15 kg lie in 60 L; the basket of a usual drum holds about 9 kg (estimate).
    [
      "basket-full",
      "note",
      [set("cabinet", "kind", "drum"), kind("smoke"), set("heater", "fuel", 15)],
      [set("cabinet", "kind", "drum"), kind("smoke"), set("heater", "fuel", 7)],
      1,
    ],
    [
      "held-unknown",
      "note",
      [...sausage(20, 1), kind("hold")],
      [...sausage(20, 1), kind("hold"), set("product", "holds", "noFood")],
      1,
    ],
    ["limit-hmf", "warning", honey(60), honey(40), 5],
    ["limit-diastase", "warning", honey(60), honey(40), 5],
    ["not-ready", "note", sausage(24, 1), honey(40), 4],
  ])("%s is %s", (id, severity, has, hasNot, days) => {
    const found = (record: ChamberRecord) => verdictsOn(record, days, 10).find((v) => v.id === id);
    expect(found(recordWith(...has))?.severity).toBe(severity);
    expect(found(recordWith(...hasNot))).toBeUndefined();
    expect(found(recordWith(...has))!.text).not.toMatch(/NaN|undefined|Infinity/);
  });
});

it("a stage whose end is there as it begins is judged by nothing", () => {
  const base = recordWith(...sausage(24, 1), set("product", "startPh", 5.2));
  const record = usualStages(describeChamber(base))!(base);
  const plan = planOf(record);
  const trial = runTrial(trialOf(plan, 7, 10));
  expect(trial.stages[0]!.to).toBe(trial.stages[0]!.from);
  for (const v of judge(plan, trial, "C")) {
    expect(v.stage).not.toBe("s1");
    expect(v.text).not.toMatch(/NaN|Infinity/);
  }
});
