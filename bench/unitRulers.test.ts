import { tryEdits } from "@/core/chamber";
import { onOffNumbers, noOutput, outletsOf, powerUp, stepOnOff } from "@/core/controller";
import { unitKinds, type ChamberRecord, type Edit, type Unit } from "@/core/model";
import { celsius } from "@/core/quantity";
import { recordWith } from "@/core/testing/build";
import { planOf, unitsOf, type Plan, type UnitPlan } from "@/core/trial";
import { rulerOf } from "./rulerOf";

const set = (section: string, field: string, value: unknown): Edit => ({ section, field, value }) as Edit;

type Case = [string, Edit[]];
const cases: Case[] = unitKinds.flatMap((kind): Case[] =>
  kind === "cutIn" || kind === "cutOut" || kind === "twoLimits"
    ? (["heat", "cool"] as const).map((outlet) => [
        `${kind}, ${outlet}`,
        [set("unit", "kind", kind), set("unit", "outlet", outlet)],
      ])
    : [[kind, [set("unit", "kind", kind)]]],
);

/** Readings, °C, at which the unit's outlets close and open on a slow ramp up or down. */
function sweep({ controller: { unit }, control: { settings } }: UnitPlan, from: number, to: number) {
  const state = powerUp(false);
  const numbers = onOffNumbers(settings, unit);
  const out = noOutput();
  const seen = { heatOn: NaN, heatOff: NaN, coldOn: NaN, coldOff: NaN };
  let [heat, cold] = [false, false];
  const perDegree = 1 / unit.resolution;
  const by = from < to ? 1 : -1;
  for (let reading = Math.round(from * perDegree); by * (to * perDegree - reading) >= 0; reading += by) {
    stepOnOff(state, numbers, reading, 3600, out);
    const [h, c] = [out.heat > 0, out.cold > 0];
    if (h && !heat) seen.heatOn = reading / perDegree;
    if (!h && heat) seen.heatOff = reading / perDegree;
    if (c && !cold) seen.coldOn = reading / perDegree;
    if (!c && cold) seen.coldOff = reading / perDegree;
    [heat, cold] = [h, c];
  }
  return seen;
}

const shown = (plan: Plan) => {
  const [stagePlan] = plan.stages;
  return { plan, stagePlan: stagePlan!, unitPlan: unitsOf(plan, stagePlan!)[0]! };
};

/** A ruler whose moves are applied, as the bench does. */
function ruler(record: ChamberRecord) {
  let now = record;
  const data = () =>
    rulerOf(shown(planOf(now)), "C", (edits) => {
      const tried = tryEdits(now, edits);
      if (!tried.ok) return tried.why;
      now = tried.value;
      return null;
    });
  return {
    plan: () => shown(planOf(now)).unitPlan,
    mark: (id: string) => data().marks.find((m) => m.id === id),
    ids: () => data().marks.map((m) => m.id),
    unit: (): Unit => planOf(now).chamber.controllers[0]!.unit,
  };
}

describe.each(cases)("the ruler of a unit: %s", (_, edits) => {
  const r = ruler(recordWith(...edits));

  it("has a mark for each outlet that there is, and none for one that is not", () => {
    const { heat, cold } = outletsOf(r.unit());
    expect(r.ids().includes("heatOn")).toBe(heat);
    expect(r.ids().includes("coldOn")).toBe(cold);
  });

  it("its marks stand where the unit switches when its reading goes up and down slowly", () => {
    const up = sweep(r.plan(), 0, 40);
    const down = sweep(r.plan(), 40, 0);
    const { heat, cold } = outletsOf(r.unit());
    if (heat) {
      expect(r.mark("heatOn")!.value).toBeCloseTo(down.heatOn, 6);
      expect(r.mark("setpoint")!.value).toBeCloseTo(up.heatOff, 6);
    }
    if (cold) expect(r.mark("coldOn")!.value).toBeCloseTo(up.coldOn, 6);
    if (cold && !heat) expect(r.mark("setpoint")!.value).toBeCloseTo(down.coldOff, 6);
  });

  it("a mark that is moved takes the unit's switching with it", () => {
    const own = ruler(recordWith(...edits));
    for (const id of ["heatOn", "coldOn"]) {
      const mark = own.mark(id);
      if (!mark) continue;
      const to = celsius(Math.round((mark.value + (id === "heatOn" ? -0.4 : 0.4)) * 10) / 10);
      expect(mark.onMove!(to, "drag:1")).toBeNull();
      const { heatOn } = sweep(own.plan(), 40, 0);
      const { coldOn } = sweep(own.plan(), 0, 40);
      expect(id === "heatOn" ? heatOn : coldOn).toBeCloseTo(to, 6);
    }
  });
});
