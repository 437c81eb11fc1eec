import { tryEdits } from "../chamber";
import type { ChamberRecord, Edit, SectionName } from "../model";
import { celsius, printDuration } from "../quantity";
import { heaterOf, probeAt, recordWith, steadyRoom } from "../testing/build";
import { advance, planOf, runTrial, startRun, trialOf } from "../trial";
import { judge, weigh, whatIsNormal, type Verdict } from ".";

const DAYS = 6;

function verdictsOn(record: ChamberRecord): Verdict[] {
  const plan = planOf(record);
  return judge(plan, runTrial(trialOf(plan, DAYS)), "C");
}
const set = (section: SectionName, field: string, value: unknown): Edit => ({ section, field, value }) as Edit;
const hold = set("product", "kind", "hold");
const narrow = [
  hold,
  set("stage", "low", celsius(19.5)),
  set("stage", "high", celsius(20.5)),
  set("vessel", "startTemperature", celsius(20)),
];
const differentials = (d: number) => [
  set("settings", "heatingDifferential", d),
  set("settings", "coolingDifferential", d),
];

/** Each rule on a real trial that it fires on, and on one that it does not. */
/** By hand, 1.5 m high: fourteen of 5 cm lie with 5 cm over each, (1.5 − 0.05) / 0.1. */
const traysOf = (count: number) => [
  set("vessel", "form", "tray"),
  set("vessel", "bodyWidth", 0.4),
  set("vessel", "bodyHeight", 0.05),
  set("vessel", "count", count),
];
const cases: [id: string, firing: Edit[], silent: Edit[]][] = [
  [
    "never-arrives",
    [...steadyRoom(2), heaterOf(0), set("vessel", "startTemperature", celsius(5)), hold],
    [...steadyRoom(2)],
  ],
  ["heater-too-weak", [...steadyRoom(2), heaterOf(20), hold], [...steadyRoom(2), hold]],
  ["heater-barely", [...steadyRoom(0), heaterOf(40), hold], [...steadyRoom(15), heaterOf(40), hold]],
  [
    "cold-too-weak",
    [...steadyRoom(34), set("cooler", "power", 10), set("vessel", "startTemperature", celsius(19.5))],
    [...steadyRoom(34)],
  ],
  [
    "chasing",
    [...narrow, ...steadyRoom(22), heaterOf(60), probeAt("air"), ...differentials(0.3)],
    [...narrow, ...steadyRoom(22), heaterOf(60), probeAt("air"), ...differentials(3)],
  ],
  [
    "may-chase",
    [...steadyRoom(22), heaterOf(60), probeAt("air"), ...differentials(1.8)],
    [...steadyRoom(22), heaterOf(60), probeAt("air"), ...differentials(3.2)],
  ],
  [
    "leaves-band",
    [...narrow, ...steadyRoom(8), heaterOf(60), ...differentials(2)],
    [...narrow, ...steadyRoom(8), heaterOf(60)],
  ],
  [
    "lives-at-one-end",
    [hold, ...steadyRoom(5), set("stage", "low", celsius(16)), set("stage", "high", celsius(24))],
    [...narrow, ...steadyRoom(20)],
  ],
  [
    "short-cycling",
    [...narrow, ...steadyRoom(33), probeAt("air"), heaterOf(0), ...differentials(0.3)],
    [...narrow, ...steadyRoom(33)],
  ],
  ["delay-too-short", [set("settings", "compressorDelay", 0)], []],
  ["air-too-hot", [hold, ...steadyRoom(5), heaterOf(1000), probeAt("dryWell")], [hold, ...steadyRoom(5), heaterOf(60)]],
  [
    "air-unseen",
    [hold, ...steadyRoom(5), heaterOf(180), probeAt("dryWell"), ...differentials(1.5)],
    [...narrow, ...steadyRoom(18)],
  ],
  ["alarm-blind", [set("settings", "lowAlarm", celsius(0)), set("settings", "highAlarm", celsius(90))], []],
  ["alarm-nagging", [set("settings", "lowAlarm", celsius(19.3))], []],
  ["outside-packet", [set("stage", "high", celsius(25))], []],
  ["offset-wrong", [set("probe", "error", 2), set("settings", "offset", 0)], [set("probe", "error", 2)]],
  ["slow-arrival", [set("vessel", "startTemperature", celsius(5)), heaterOf(26), ...steadyRoom(8)], []],
  ["does-not-fit", [set("vessel", "volume", 0.12)], []],
  ["trays-too-close", traysOf(15), traysOf(14)],
  ["near-freezing", [hold, ...steadyRoom(15), set("stage", "low", celsius(-1)), set("stage", "high", celsius(1))], []],
];

describe("verdicts on real trials", () => {
  it.each(cases)("%s fires where it should and nowhere else", (id, firing, silent) => {
    const found = verdictsOn(recordWith(...firing));
    expect(found.map((v) => v.id)).toContain(id);
    expect(verdictsOn(recordWith(...silent)).map((v) => v.id)).not.toContain(id);
    const verdict = found.find((v) => v.id === id)!;
    expect(verdict.text).toMatch(/\d/);
    expect(verdict.text).not.toMatch(/NaN|Infinity|undefined/);
  });

  it("an alarm does not nag where the product does leave its band: it tells the truth", () => {
    const found = verdictsOn(
      recordWith(
        ...narrow,
        ...steadyRoom(8),
        heaterOf(60),
        ...differentials(2),
        set("settings", "lowAlarm", celsius(19)),
      ),
    );
    expect(found.map((v) => v.id)).toContain("leaves-band");
    expect(found.map((v) => v.id)).not.toContain("alarm-nagging");
  });

  it("comes with what hurts most first, and says what is normal when all is well", () => {
    const bad = verdictsOn(recordWith(...steadyRoom(2), heaterOf(20), set("settings", "compressorDelay", 0)));
    expect(bad[0]!.severity).toBe("danger");
    const good = verdictsOn(recordWith());
    expect(good.map((v) => v.id)).toEqual(["all-well"]);
    expect(good[0]!.text).toMatch(/display wanders from/);
  });
});

describe("remedies", () => {
  const remedied: [string, Edit[]][] = [
    ["chasing", cases.find(([id]) => id === "chasing")![1]],
    ["heater-too-weak", [...steadyRoom(2), heaterOf(20), hold]],
    ["delay-too-short", [set("settings", "compressorDelay", 0)]],
    ["alarm-blind", [set("settings", "lowAlarm", celsius(0))]],
    ["offset-wrong", [set("probe", "error", 2), set("settings", "offset", 0)]],
    ["air-too-hot", [hold, ...steadyRoom(5), heaterOf(1000), probeAt("dryWell")]],
    ["leaves-band", [...narrow, ...steadyRoom(8), heaterOf(60), ...differentials(2)]],
  ];
  it.each(remedied)("%s has one that cures it, found by running it", (id, edits) => {
    const record = recordWith(...edits);
    const all = verdictsOn(record);
    const effects = weigh(
      record,
      all.find((v) => v.id === id)!,
      all,
      DAYS,
      "C",
    );
    expect(effects.some((e) => e.cures && !e.harms)).toBe(true);
    for (const effect of effects) expect(effect.text).toMatch(/Then/);
  });
});

describe("of the remedies that a verdict offers", () => {
  it.each(cases)("%s: at least one cures it, by a trial run here", (id, firing) => {
    const record = recordWith(...firing);
    const { remedies } = verdictsOn(record).find((v) => v.id === id)!;
    const cured = remedies.filter(({ edits }) => {
      const changed = tryEdits(record, edits);
      if (!changed.ok) throw new Error(changed.problem);
      return !verdictsOn(changed.value).some((v) => v.id === id);
    });
    if (remedies.length > 0) expect(cured).not.toEqual([]);
  });
});

describe("what is normal", () => {
  it("is silent where nothing settles", () => {
    const plan = planOf(recordWith(...steadyRoom(2), heaterOf(0), set("vessel", "startTemperature", celsius(5)), hold));
    expect(whatIsNormal({ plan, scale: "C" }, runTrial(trialOf(plan, 2)).stages[0]!.metrics)).toEqual([]);
  });

  it("announces an alarm that sounds on the way, with how long: as long as a plain count of the steps says", () => {
    const cold = recordWith(...steadyRoom(12), heaterOf(60), set("vessel", "startTemperature", celsius(8)), hold);
    const plan = planOf(cold);
    const trial = runTrial(trialOf(plan, 5));
    const said = whatIsNormal({ plan, scale: "C" }, trial.stages[0]!.metrics).join(" ");
    const { alarm } = trial.stages[0]!.metrics[0]!;
    expect(alarm.lowSettled).toBe(0);
    const input = trialOf(plan, 5);
    const run = startRun(input);
    let steps = 0;
    advance(run, run.steps, { sample: ({ controls }) => void (steps += Number(controls[0]!.lowAlarm)) });
    expect(steps).toBeGreaterThan(100);
    expect(said).toContain(`Before it has settled the low alarm sounds for ${printDuration(steps * input.dt)}`);
    // Where box and product begin within the band no alarm is spoken of.
    const warm = planOf(
      recordWith(...steadyRoom(19), heaterOf(60), set("vessel", "startTemperature", celsius(20)), hold),
    );
    const calm = runTrial(trialOf(warm, 3)).stages[0]!.metrics;
    expect(whatIsNormal({ plan: warm, scale: "C" }, calm).join(" ")).not.toMatch(/alarm/);
  });
});
