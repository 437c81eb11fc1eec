import { addController, addProbe, addVessel, plugDevice, seatProbe, splitController } from "../chamber";
import type { ChamberRecord } from "../model";
import { celsius, kelvins } from "../quantity";
import { heldAt, keyedIn, recordWith, steadyRoom } from "../testing/build";
import { after, changed, set, staged, twoBands, twoUnits, watcherBeside } from "../testing/configurations";
import { planFindings, planLike, planOf, planQuestions, planSentence, unitsOf } from ".";

const base = recordWith(...steadyRoom(12), ...heldAt(20));
const controls = (record: ChamberRecord, stage = 0) => planOf(record).stages[stage]!.controls;

describe("what hangs on each unit", () => {
  const none = { heater: false, cooler: false, compressor: false };
  it("of one that has both", () => {
    expect(controls(base)[0]!.plugged).toEqual({ heater: true, cooler: true, compressor: true });
    const bare = changed(base, plugDevice("h1", null), plugDevice("c1", null));
    expect(controls(bare)[0]!.plugged).toEqual(none);
    const off = changed(base, set("heater", "power", 0), set("cooler", "power", 0));
    expect(controls(off)[0]!.plugged).toEqual(none);
    const plate = changed(base, set("cooler", "kind", "peltier"));
    expect(controls(plate)[0]!.plugged).toEqual({ heater: true, cooler: true, compressor: false });
  });
  it("of two opposed ones each knows what the other switches, if it really can", () => {
    const split = changed(base, splitController("u1"));
    expect(controls(split).map((c) => c.plugged)).toEqual([
      { heater: true, cooler: false, compressor: false, heaterElsewhere: false, coolerElsewhere: true },
      { heater: false, cooler: true, compressor: true, heaterElsewhere: true, coolerElsewhere: false },
    ]);
    // One that only watches switches nothing, whatever hangs on it.
    const watched = changed(base, addController, plugDevice("h1", { controller: "u2", outlet: "heat" }));
    expect(controls(watched)[0]!.plugged).toMatchObject({ heater: false, heaterElsewhere: false });
  });
  it("heat of another for the same product is told to what cools it, and to nothing else", () => {
    const split = changed(base, splitController("u1"));
    const [heat, cold] = controls(split);
    expect(heat!.heatOfAnother).toBeNull();
    expect(cold!.heatOfAnother).toEqual({
      heatOff: heat!.settings.setpoint,
      heatOn: heat!.settings.setpoint - heat!.settings.heatingDifferential,
    });
    expect(controls(changed(split, plugDevice("h1", null)))[1]!.heatOfAnother).toBeNull();
    expect(controls(base)[0]!.heatOfAnother).toBeNull();
    // The one that cools another vessel with a band of its own has nothing to do with it.
    const apart = changed(
      split,
      addVessel,
      set("band", "low", celsius(4), "v2"),
      set("band", "high", celsius(8), "v2"),
      addProbe,
      seatProbe("p2", "v2"),
      (r) => ({ ...r, controllers: r.controllers.map((c, i) => (i === 1 ? { ...c, probes: ["p2"] } : c)) }),
    );
    const [first, second] = controls(apart);
    expect([first!.holds, second!.holds]).toEqual(["v1", "v2"]);
    expect(second!.heatOfAnother).toBeNull();
  });
});

describe("what a unit holds", () => {
  it("the vessel that its probe sits in, with that one's own band; else what the stage is for", () => {
    expect(controls(base)[0]!.holds).toBe("v1");
    const second = changed(twoBands(10, 14), addProbe, seatProbe("p2", "v2"), addController);
    expect(controls(second)[1]).toMatchObject({ holds: "v2", request: { low: 10, high: 14 } });
    expect(controls(second)[0]).toMatchObject({ holds: "v1", request: { low: 18, high: 22 } });
    const smoker = recordWith(set("cabinet", "kind", "drum"));
    expect(controls(smoker)[0]!.holds).toBe("air");
    const watched = changed(smoker, addController);
    expect(controls(watched)[1]!.holds).toBe("air");
    const units = controls(twoUnits());
    expect(units.map((c) => c.holds)).toEqual(["v1", "v2"]);
  });
  it("asks with its own probe's error, its stage's wish, and what the product gives off", () => {
    const record = changed(twoUnits(), set("probe", "error", kelvins(0.7), "p2"), set("stage", "wish", "tight"));
    expect(controls(record).map((c) => c.request.error)).toEqual([0, 0.7]);
    expect(controls(record)[0]!.request.wish).toBe("tight");
    expect(controls(record)[0]!.ownHeat).toBe(false);
    expect(controls(recordWith())[0]!.ownHeat).toBe(true);
  });
});

describe("what is typed for a stage", () => {
  const three = staged(
    base,
    { band: [18, 22], ends: [after(60)] },
    { band: [18, 22], ends: [after(60)] },
    { band: [18, 22] },
  );
  it("a delay and an offset stand in the unit from then on; a setpoint is the stage's own", () => {
    const typed = changed(
      three,
      set("settings", "compressorDelay", 420, "u1", "s1"),
      set("settings", "setpoint", celsius(21), "u1", "s1"),
      set("settings", "compressorDelay", 540, "u1", "s3"),
    );
    const plan = planOf(typed);
    expect([0, 1, 2].map((s) => keyedIn(plan, s).compressorDelay)).toEqual([420, 420, 540]);
    expect([0, 1, 2].map((s) => keyedIn(plan, s).setpoint)).toEqual([21, 20, 20]);
    const later = planOf(changed(three, set("settings", "offset", kelvins(0.4), "u1", "s2")));
    expect([0, 1, 2].map((s) => keyedIn(later, s).offset)).toEqual([0, 0.4, 0.4]);
  });
});

describe("what is said of a plan", () => {
  it("questions of a unit with all that it knows of room, plugs, products and neighbours; none of one in the room", () => {
    const of = (record: ChamberRecord, index = 0) => {
      const plan = planOf(record);
      return planQuestions(unitsOf(plan, plan.stages[0]!)[index]!, plan.chamber, "C").map((q) => q.id);
    };
    expect(of(base)).toEqual([]);
    expect(of(changed(base, set("settings", "compressorDelay", 0, "u1", "s1")))).toEqual(["no-delay"]);
    expect(of(changed(base, set("settings", "lowAlarm", celsius(2), "u1", "s1")))).toEqual(["alarm-late"]);
    const heats = changed(base, set("cooler", "kind", "none"), set("room", "high", celsius(30)));
    expect(of(heats)).toEqual(["warmer-room"]);
    expect(of(changed(heats, set("product", "kind", "ale")))).toEqual([]);
    const split = changed(base, splitController("u1"), set("settings", "setpoint", celsius(17), "u2", "s1"));
    expect(of(split, 1)).toContain("units-fight");
    expect(of(changed(split, set("probe", "place", "room")), 1)).toEqual([]);
  });
  it("findings of what switches, none of what only watches; the sentence in the asked scale", () => {
    const plan = planOf(changed(watcherBeside(), set("settings", "heatingDifferential", kelvins(5), "u1", "s1")));
    const [unit, watcher] = unitsOf(plan, plan.stages[0]!);
    expect(planFindings(unit!, "C").map((f) => f.id)).toEqual(["heat-leaves-band"]);
    expect(planFindings(watcher!, "C")).toEqual([]);
    // Nor of an alarm that it could not be set to: nothing hangs on it.
    const short = planOf(
      changed(
        watcherBeside(),
        set("unit", "setpointLow", celsius(18), "u2"),
        set("unit", "setpointLow", celsius(18), "u1"),
      ),
    );
    const [first, second] = unitsOf(short, short.stages[0]!);
    expect(planFindings(first!, "C").map((f) => f.id)).toContain("cannot-set");
    expect(planFindings(second!, "C")).toEqual([]);
    expect(planSentence(unit!, "F")[0]).toMatch(/°F/);
    expect(planSentence(watcher!, "C")[0]).toMatch(/only watches/);
  });
  it("a plan like another takes its groundwork, and is none where stages or units are others", () => {
    const known = planOf(base);
    const moved = changed(base, set("stage", "low", celsius(17)));
    const like = planLike(moved, known)!;
    expect(like.stages[0]!.groundwork).toEqual(known.stages[0]!.groundwork);
    expect(like.stages[0]!.controls[0]!.request.low).toBe(17);
    expect(planLike(changed(base, addController), known)).toBeNull();
    expect(planLike(staged(base, { band: [18, 22], ends: [after(60)] }, { band: [18, 22] }), known)).toBeNull();
  });
});
