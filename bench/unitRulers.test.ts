import { tryEdits } from "@/core/chamber";
import { machinesOf, outletsOf, powerUp, stepUnit } from "@/core/controller";
import { unitKinds, type ChamberRecord, type Edit, type Unit } from "@/core/model";
import { celsius } from "@/core/quantity";
import { recordWith } from "@/core/testing/build";
import { planOf, type Plan } from "@/core/trial";
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
function sweep({ settings, chamber: { unit } }: Plan, from: number, to: number) {
  const machines = machinesOf(settings, unit).map(() => powerUp(false));
  const counts = machinesOf(settings, unit);
  const seen = { heatOn: NaN, heatOff: NaN, coolOn: NaN, coolOff: NaN };
  let [heat, cold] = [false, false];
  const perDegree = 1 / unit.resolution;
  const by = from < to ? 1 : -1;
  for (let reading = Math.round(from * perDegree); by * (to * perDegree - reading) >= 0; reading += by) {
    machines.forEach((m, i) => stepUnit(m, counts[i]!, reading, 3600));
    const [h, c] = [machines.some((m) => m.heating), machines.some((m) => m.compressor)];
    if (h && !heat) seen.heatOn = reading / perDegree;
    if (!h && heat) seen.heatOff = reading / perDegree;
    if (c && !cold) seen.coolOn = reading / perDegree;
    if (!c && cold) seen.coolOff = reading / perDegree;
    [heat, cold] = [h, c];
  }
  return seen;
}

/** A ruler whose moves are applied, as the bench does. */
function ruler(record: ChamberRecord) {
  let now = record;
  const data = () =>
    rulerOf(planOf(now), "C", (edits) => {
      const tried = tryEdits(now, edits);
      if (!tried.ok) return tried.problem;
      now = tried.value;
      return null;
    });
  return {
    plan: () => planOf(now),
    mark: (id: string) => data().marks.find((m) => m.id === id),
    ids: () => data().marks.map((m) => m.id),
    unit: (): Unit => planOf(now).chamber.unit,
  };
}

describe.each(cases)("the ruler of a unit: %s", (_, edits) => {
  const r = ruler(recordWith(...edits));

  it("has a mark for each outlet that there is, and none for one that is not", () => {
    const { heat, cold } = outletsOf(r.unit());
    expect(r.ids().includes("heatOn")).toBe(heat);
    expect(r.ids().includes("coolOn")).toBe(cold);
  });

  it("its marks stand where the unit switches when its reading goes up and down slowly", () => {
    const up = sweep(r.plan(), 0, 40);
    const down = sweep(r.plan(), 40, 0);
    const { heat, cold } = outletsOf(r.unit());
    if (heat) {
      expect(r.mark("heatOn")!.value).toBeCloseTo(down.heatOn, 6);
      expect(r.mark("setpoint")!.value).toBeCloseTo(up.heatOff, 6);
    }
    if (cold) expect(r.mark("coolOn")!.value).toBeCloseTo(up.coolOn, 6);
    if (cold && !heat) expect(r.mark("setpoint")!.value).toBeCloseTo(down.coolOff, 6);
    if (r.unit().kind === "pair") expect(r.mark("coolOff")!.value).toBeCloseTo(down.coolOff, 6);
  });

  it("a mark that is moved takes the unit's switching with it", () => {
    const own = ruler(recordWith(...edits));
    for (const id of ["heatOn", "coolOn"]) {
      const mark = own.mark(id);
      if (!mark) continue;
      const to = celsius(Math.round((mark.value + (id === "heatOn" ? -0.4 : 0.4)) * 10) / 10);
      expect(mark.onMove!(to, "drag:1")).toBeNull();
      const { heatOn } = sweep(own.plan(), 40, 0);
      const { coolOn } = sweep(own.plan(), 0, 40);
      expect(id === "heatOn" ? heatOn : coolOn).toBeCloseTo(to, 6);
    }
  });
});
