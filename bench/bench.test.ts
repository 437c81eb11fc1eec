import { tryEdits } from "@/core/chamber";
import { refusalOf, type ChamberRecord, type Edit } from "@/core/model";
import { kelvins } from "@/core/quantity";
import { planOf, unitsOf, type Plan } from "@/core/trial";
import type { Verdict } from "@/core/verdict";
import { hollinMill } from "@/demo/hollinMill";
import { rulerOf } from "./rulerOf";
import { nextStation, stateOf } from "./stations";

const record = hollinMill()[0]!;
const verdict = (station: Verdict["station"], severity: Verdict["severity"]): Verdict => ({
  id: "v",
  station,
  severity,
  title: "t",
  text: "t",
  moment: null,
  remedies: [],
  stage: null,
  about: null,
});

describe("the path of stations", () => {
  it("a warning outweighs a settled mark, a note does not", () => {
    expect(stateOf("job", record, [])).toBe("settled");
    expect(stateOf("job", record, [verdict("job", "warning")])).toBe("warning");
    expect(stateOf("job", record, [verdict("job", "note")])).toBe("settled");
    expect(stateOf("settings", record, [])).toBe("untouched");
  });
  it("the next station is the first in the order of the work that is not settled", () => {
    expect(nextStation(record, [])).toBe("wiring");
    expect(nextStation(record, [verdict("box", "danger")])).toBe("box");
    const all: ChamberRecord = { ...record, settled: ["job", "box", "heat", "wiring", "probe", "settings"] };
    expect(nextStation(all, [])).toBeNull();
  });
});

const shown = (plan: Plan) => {
  const [stagePlan] = plan.stages;
  return { plan, stagePlan: stagePlan!, unitPlan: unitsOf(plan, stagePlan!)[0]! };
};

/** A ruler whose moves are applied to a record, as the bench does. */
function ruler(start: ChamberRecord, scale: "C" | "F" = "C") {
  let now = start;
  const apply = (edits: Edit[]) => {
    const tried = tryEdits(now, edits);
    if (!tried.ok) return tried.why;
    now = tried.value;
    return null;
  };
  const data = () => rulerOf(shown(planOf(now)), scale, apply);
  return {
    data,
    plan: () => planOf(now),
    move: (id: string, value: number) => data().marks.find((m) => m.id === id)!.onMove!(value, "drag:1"),
    value: (id: string) => data().marks.find((m) => m.id === id)?.value,
  };
}

describe("the marks of the ruler", () => {
  it.each([
    ["setpoint", 24.2],
    ["heatOn", 23.1],
    ["coldOn", 24.9],
    ["lowAlarm", 20.1],
    ["highAlarm", 27.3],
    ["low", 22.1],
    ["high", 25.6],
    ["target", 24.1],
  ])("%s goes where it is put", (id, value) => {
    const r = ruler(record);
    expect(r.move(id, value)).toBeNull();
    expect(r.value(id)).toBeCloseTo(value, 6);
  });

  it("heat cannot come on above the setpoint, nor cold below it; the reason is said", () => {
    const r = ruler(record);
    expect(r.move("heatOn", 25)).toMatch(/its side of where it goes off/);
    expect(r.move("coldOn", 20)).toMatch(/its side of where it goes off/);
    expect(refusalOf(r.move("low", 26))).toMatch(/below the warmest/);
  });

  it("moving the setpoint carries the switching with it", () => {
    const r = ruler(record);
    const before = r.value("coldOn")! - r.value("setpoint")!;
    r.move("setpoint", 24.5);
    expect(r.value("coldOn")! - r.value("setpoint")!).toBeCloseTo(before, 9);
  });

  it("a device that is not there has no mark; a probe that is off shows the truth at the setpoint", () => {
    const edits: Edit[] = [
      { section: "cooler", field: "power", value: 0 },
      { section: "settings", field: "offset", value: kelvins(1) },
    ];
    const tried = tryEdits(record, edits);
    if (!tried.ok) throw new Error(tried.problem);
    const r = ruler(tried.value);
    expect(r.value("coldOn")).toBeUndefined();
    expect(r.value("true")).toBeCloseTo(r.value("setpoint")! - 1, 9);
  });

  it("all temperatures lie within the overview", () => {
    const { overview, marks, zones } = ruler(record).data();
    const ends = [
      ...marks.map((m) => m.value),
      ...zones.filter((z) => z.kind === "room").flatMap((z) => [z.from, z.to]),
    ];
    for (const t of ends) {
      expect(t).toBeGreaterThan(overview[0]);
      expect(t).toBeLessThan(overview[1]);
    }
  });

  it("steps in tenths of what is shown", () => {
    expect(ruler(record).data().step).toBeCloseTo(0.1, 9);
    expect(ruler(record, "F").data().step).toBeCloseTo(0.1 / 1.8, 9);
  });
});
