import { applyEdits, type ChamberRecord, type Happening } from "../model";
import { celsius, kelvins } from "../quantity";
import { heaterOf, heldAt, meeting, probeAt, recordWith, steadyRoom, verdictsOn } from "../testing/build";
import { set } from "../testing/configurations";
import { randomChambers } from "../testing/randomChambers";
import { planOf, runTrial, trialOf } from "../trial";
import { calmStages, judge, whatIsNormal } from ".";

const HOUR = 3600;
const DAY = 24 * HOUR;
const DAYS = 5;
/** A probe in the air of a warm room's fridge beside a ferment in its strongest days: too warm by itself. */
const unseen = recordWith(
  set("product", "kind", "ale"),
  set("vessel", "volume", 0.06),
  set("vessel", "startTemperature", celsius(20)),
  set("stage", "low", celsius(18)),
  set("stage", "high", celsius(20)),
  probeAt("air"),
);
const winter = recordWith(...steadyRoom(5), ...heldAt(20), heaterOf(80));

type Met = Parameters<typeof meeting>[1];
const cut = (at: number, lasting: number): Met => ({ kind: "powerCut", at, lasting });
const door = (at: number, lasting: number): Met => ({ kind: "door", at, lasting });
const said = (record: ChamberRecord) => verdictsOn(record, DAYS);
const of = (record: ChamberRecord, id: string) => said(record).find((v) => v.id === id);

describe("what would be so without it", () => {
  it("a door open for a minute on the second day excuses nothing", () => {
    const before = of(unseen, "leaves-band")!;
    expect(before.severity).toBe("danger");
    expect(before.remedies.length).toBeGreaterThan(0);
    expect(of(meeting(unseen, door(DAY, 60)), "leaves-band")).toEqual(before);
  });

  it("is said unchanged of any chamber, whatever happens in its trial", () => {
    const happenings: Met[] = [
      door(DAY, 60),
      cut(2 * DAY, 8 * HOUR),
      { kind: "probeDrift", at: DAY, lasting: 0, perDay: kelvins(1) },
      { kind: "weather", at: DAY, lasting: 2 * DAY, by: kelvins(-8) },
    ];
    const serious = { found: 0, kept: 0 };
    randomChambers(24, 20_261_127).forEach((record, i) => {
      const plain = verdictsOn(record, 3);
      const met = verdictsOn(meeting(record, happenings[i % happenings.length]!), 3);
      for (const v of plain.filter((p) => p.severity !== "good")) {
        serious.found++;
        expect(met).toContainEqual(v);
        serious.kept++;
      }
    });
    expect(serious.found).toBeGreaterThan(20);
    expect(serious.kept).toBe(serious.found);
  });

  it("what is normal leaves happenings out, on the bench and on the card", () => {
    const met = meeting(winter, cut(2 * DAY, 12 * HOUR));
    const [plan, metPlan] = [planOf(winter), planOf(met)];
    const [trial, metTrial] = [plan, metPlan].map((p) => runTrial(trialOf(p, DAYS)));
    const normal = whatIsNormal({ plan, scale: "C" }, trial!.stages[0]!.metrics);
    expect(whatIsNormal({ plan: metPlan, scale: "C" }, calmStages(metPlan, metTrial!)[0]!.metrics)).toEqual(normal);
    // And there is something to leave out.
    expect(whatIsNormal({ plan: metPlan, scale: "C" }, metTrial!.stages[0]!.metrics)).not.toEqual(normal);
    expect(calmStages(plan, trial!)).toBe(trial!.stages);
  });
});

describe("what a happening does", () => {
  it("is named with its own grace, where the trial without it keeps to the band", () => {
    const found = of(meeting(winter, cut(2 * DAY, 12 * HOUR)), "taken-out")!;
    expect(found).toMatchObject({ title: "Power cut takes it out of its band", severity: "note", remedies: [] });
    expect(found.text).toMatch(/That follows what happens at day 3.*; it leaves .* of grace/);
    expect(of(winter, "taken-out")).toBeUndefined();
  });

  it("of two the one is named without which it would have kept to its band, though the other came later", () => {
    const cutAlone = of(meeting(winter, cut(2 * DAY, 16 * HOUR)), "taken-out")!;
    const both = of(meeting(winter, cut(2 * DAY, 16 * HOUR), door(2 * DAY + HOUR, 60)), "taken-out")!;
    expect(both.title).toBe("Power cut takes it out of its band");
    const grace = (text: string) => /at (day [^;]*);/.exec(text)![1];
    expect(grace(both.text)).toBe(grace(cutAlone.text));
    // Where each alone would be enough, none of them is to blame alone.
    const twice = of(meeting(winter, cut(2 * DAY, 30 * HOUR), cut(2 * DAY + HOUR, 29 * HOUR)), "taken-out")!;
    expect(twice.title).toBe("What happens takes it out of its band");
    expect(twice.text).not.toMatch(/grace/);
  });

  it("that makes worse what is wrong by itself is told besides, and the wrong stays", () => {
    const worse = meeting(unseen, { kind: "coldFails", at: DAY, lasting: 2 * DAY });
    const list = said(worse);
    expect(list.find((v) => v.id === "leaves-band")).toEqual(of(unseen, "leaves-band"));
    expect(list.find((v) => v.id === "taken-out")?.title).toMatch(/further out of its band|takes it out of its band/);
  });

  it("that brings something serious of another kind is not passed over, and told to come of it", () => {
    const stuck = meeting(winter, { kind: "relayStuck", at: DAY, lasting: 0, outlet: "heat", to: "on" });
    const fresh = said(stuck).filter((v) => !said(winter).some((w) => w.id === v.id));
    expect(fresh.length).toBeGreaterThan(0);
    for (const v of fresh.filter((f) => f.id !== "taken-out"))
      expect(v.text).toMatch(/Without what happens in this trial it is not so\.$/);
  });

  it("that comes to nothing leaves the verdicts as they are", () => {
    const harmless: Happening[] = meeting(winter, door(2 * DAY, 5)).happenings;
    const plan = planOf({ ...applyEdits(winter, []), happenings: harmless });
    expect(judge(plan, runTrial(trialOf(plan, DAYS)), "C")).toEqual(said(winter));
  });
});
