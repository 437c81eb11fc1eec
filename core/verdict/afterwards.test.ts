import { applyEdits, type Edit, type Happening } from "../model";
import { recordWith } from "../testing/build";
import { planOf, runTrial, trialOf } from "../trial";
import { judge } from ".";

const edit = (section: string, field: string, value: unknown) => ({ section, field, value }) as Edit;
const DAY = 86_400;

function verdicts(days: number, happenings: Happening[], ...edits: Edit[]) {
  const plan = planOf({ ...applyEdits(recordWith(), edits), happenings });
  return judge(plan, runTrial(trialOf(plan, days)), "C").filter((v) => v.id.startsWith("after-"));
}
const stuckHot = (at: number, lasting: number): Happening =>
  ({ id: "x", kind: "relayStuck", which: "u1", outlet: "heat", to: "on", at, lasting }) as Happening;
const cut = (at: number, lasting: number): Happening => ({ id: "x", kind: "powerCut", at, lasting }) as Happening;

const honey = [
  edit("product", "kind", "honey"),
  edit("cabinet", "kind", "warmBox"),
  edit("cabinet", "fan", true),
  edit("stage", "low", 40),
  edit("stage", "high", 44),
  edit("vessel", "filling", "setHoney"),
  edit("vessel", "form", "jar"),
  edit("vessel", "volume", 0.001),
  edit("vessel", "startTemperature", 35),
];

describe("after something has happened: keep, test, throw out", () => {
  it("says nothing where nothing happens, and how much of the limit a stuck heater costs honey where it does", () => {
    expect(verdicts(3, [], ...honey)).toEqual([]);
    const short = verdicts(3, [stuckHot(DAY, 2 * 3600)], ...honey).filter((v) => v.id === "after-hmf");
    const long = verdicts(3, [stuckHot(DAY, 40 * 3600)], edit("heater", "power", 250), ...honey);
    const hmf = long.find((v) => v.id === "after-hmf")!;
    // More heat never costs less: from nothing worth a word, or a note, to the limit itself.
    expect(short.every((v) => v.severity === "note" && /keep it/.test(v.title))).toBe(true);
    expect(hmf.severity).toBe("warning");
    expect(hmf.title).toMatch(/test it|throw it out/);
    expect(hmf.text).toMatch(/HMF: at most 40.mg\/kg, Codex/);
  });
  // FSIS on power cuts: above 40 °F two hours to keep, four at the most (from memory).
  it.each([
    [1, /keep it|^$/, "note"],
    [60, /throw it out/, "danger"],
  ])("food kept cold through a cut of %d h", (hours, says, severity) => {
    const found = verdicts(
      7,
      [cut(4 * DAY, hours * 3600)],
      edit("product", "kind", "hold"),
      edit("stage", "low", 1),
      edit("stage", "high", 4),
      edit("vessel", "volume", 0.003),
      edit("vessel", "startTemperature", 3),
      edit("room", "low", 20),
      edit("room", "high", 25),
    );
    expect(found.map((v) => v.title).join()).toMatch(says);
    for (const v of found) expect(v.severity).toBe(severity);
  });
  it("a sausage that sours is not saved by a cut: its degree-hours go on", () => {
    const sausage = [
      edit("product", "kind", "sausage"),
      edit("vessel", "filling", "meat"),
      edit("stage", "low", 24),
      edit("stage", "high", 27),
      edit("vessel", "startTemperature", 24),
    ];
    const [found] = verdicts(4, [stuckHot(0, 30 * 3600)], ...sausage).filter((v) => v.id === "after-degreeHours");
    if (found) expect(found.text).toMatch(/degree-hours used up to pH 5\.3/);
    expect(verdicts(4, [], ...sausage)).toEqual([]);
  });
  it("a beer that a cut leaves cold is kept, and one that is warm too; nothing is said of an hour", () => {
    const cold = [edit("room", "low", 6), edit("room", "high", 9), edit("vessel", "startTemperature", 19)];
    const after = (hours: number, ...edits: Edit[]) => verdicts(6, [cut(2 * DAY, hours * 3600)], ...edits);
    expect(after(60, ...cold).find((v) => v.id === "after-range-cold")?.text).toMatch(/below 17.*slows down/);
    expect(after(1, ...cold)).toEqual([]);
    const stuck = verdicts(
      6,
      [stuckHot(2 * DAY, 30 * 3600)],
      edit("cooler", "kind", "none"),
      edit("heater", "power", 120),
    );
    expect(stuck.find((v) => v.id === "after-range-warm")?.title).toMatch(/keep it/);
  });
  it("salted meat is raw while it lies cold, whatever dries warm after it", () => {
    const stage = (id: string, low: number, high: number, ends: unknown[]) => ({
      id,
      stage: {
        low: { value: low, origin: "typed" },
        high: { value: high, origin: "typed" },
        ends: { value: ends, origin: "typed" },
      },
      settings: {},
    });
    const base = applyEdits(recordWith(), [
      edit("product", "kind", "wholeMuscle"),
      edit("vessel", "filling", "meat"),
      edit("vessel", "volume", 0.003),
      edit("vessel", "startTemperature", 3),
      edit("room", "low", 18),
      edit("room", "high", 22),
    ]);
    const after = (at: number) => {
      const record = {
        ...base,
        stages: [stage("s1", 1, 4, [{ kind: "after", seconds: 4 * DAY }]), stage("s2", 11, 14, [])],
        happenings: [cut(at, 40 * 3600)],
      } as typeof base;
      const plan = planOf(record);
      return judge(plan, runTrial(trialOf(plan, 7)), "C").filter((v) => v.id === "after-cold");
    };
    expect(after(DAY).map((v) => v.severity)).toEqual(["danger"]);
    // In the stage that is warm anyway a cut is no matter of cold food.
    expect(after(4.5 * DAY)).toEqual([]);
  });
});
