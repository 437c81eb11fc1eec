import { applyEdits, type ChamberRecord, type StageEnd } from "../model";
import { meeting, recordWith } from "../testing/build";
import { changed, set, staged, twoUnits } from "../testing/configurations";
import {
  addController,
  addDevice,
  addProbe,
  addStage,
  addVessel,
  describe as describeChamber,
  dropAllHappenings,
  dropHappening,
  freshId,
  newHappening,
  plugDevice,
  putHappening,
  readProbe,
  removeController,
  removeDevice,
  removeProbe,
  removeStage,
  removeVessel,
  seatProbe,
  splitController,
  standDevice,
  tryChange,
  whichOf,
} from ".";

const ids = (list: readonly { id: string }[]) => list.map((e) => e.id);
const reaching = (of: "vessel" | "probe" | "controller" | "air" | "room", id: string): StageEnd => ({
  kind: "reaches",
  observable: { of, id, name: "temperature" },
  comparison: "atLeast",
  value: 20,
  heldFor: 0,
});
/** Two vessels, two probes, two units, two heaters, and a first stage that ends by any of what is given. */
const two = (...ends: StageEnd[]): ChamberRecord => staged(twoUnits(), { band: [18, 22], ends }, { band: [18, 22] });
const waits = (r: ChamberRecord) => r.stages[0]!.stage.ends!.value;

describe("names of new entries", () => {
  it.each<[string, string[], string, string]>([
    ["the first", [], "v", "v1"],
    ["behind the last", ["v1", "v2"], "v", "v3"],
    ["others that only end in the letter do not count", ["xv", "yv"], "v", "v1"],
    ["one that is taken is passed over", ["v2"], "v", "v3"],
    ["several that are taken", ["v1", "v3", "v4"], "v", "v5"],
  ])("%s", (_, taken, letter, expected) => {
    expect(
      freshId(
        taken.map((id) => ({ id })),
        letter,
      ),
    ).toBe(expected);
  });
});

describe("what an entry takes with it when it goes", () => {
  it("a vessel: what waits for it; its probes and devices find another place, and other ends stay", () => {
    const ends = [reaching("vessel", "v2"), reaching("vessel", "v1"), reaching("air", "v2"), reaching("room", "v2")];
    const before = changed(two(...ends, { kind: "after", seconds: 60 }), standDevice("h1", "v1"));
    const r = changed(before, removeVessel("v2"));
    expect(ids(r.vessels)).toEqual(["v1"]);
    expect(waits(r)).toEqual([...ends.slice(1), { kind: "after", seconds: 60 }]);
    expect(r.probes.map((p) => p.in)).toEqual(["v1", "v1"]);
    expect(r.devices.map((d) => ("at" in d ? d.at : "none"))).toEqual(
      before.devices.map((d) => ("at" in d ? (d.at === "v2" ? null : d.at) : "none")),
    );
    expect(r.devices.find((d) => d.id === "h1")).toMatchObject({ at: "v1" });
    expect(changed(r, removeVessel("v1"))).toEqual(r);
  });

  it("a probe: what waits for it; one that a unit reads stays, and so does the last", () => {
    const third = changed(two(reaching("probe", "p2")), addProbe, set("probe", "place", "air", "p3"));
    const ends = [reaching("probe", "p3"), reaching("vessel", "p3"), reaching("probe", "p1")];
    const waiting: ChamberRecord = {
      ...third,
      stages: third.stages.map((s, i) =>
        i > 0 ? s : { ...s, stage: { ...s.stage, ends: { value: ends, origin: "typed" } } },
      ),
    };
    const r = removeProbe("p3")(waiting);
    expect(ids(r.probes)).toEqual(["p1", "p2"]);
    // An end that waits for something else that happens to bear the same name is none of its business.
    expect(waits(r)).toEqual(ends.slice(1));
    expect(removeProbe("p2")(waiting)).toBe(waiting);
    const one = recordWith();
    expect(removeProbe("p1")(one)).toBe(one);
  });

  it("a unit: what waits for its display, its settings, what happens to it; the last stays", () => {
    const ends = [reaching("controller", "u2"), reaching("controller", "u1")];
    const before = meetingAt(two(...ends));
    expect(before.happenings.map((h) => "which" in h && h.which)).toEqual(["u1", "u2"]);
    const r = changed(before, removeController("u2"));
    expect(ids(r.controllers)).toEqual(["u1"]);
    expect(waits(r)).toEqual([ends[1]]);
    expect(r.happenings.map((h) => "which" in h && h.which)).toEqual(["u1"]);
    expect(r.stages.map((s) => Object.keys(s.settings))).toEqual([["u1"], []]);
    expect(removeController("u1")(r)).toBe(r);
  });

  it("a device: its plug and what happens to it, nothing else", () => {
    const before = meeting(two(reaching("vessel", "v1")), {
      kind: "heaterCutOut",
      at: 60,
      lasting: 60,
    } as never);
    expect(before.happenings).toMatchObject([{ which: "h1" }]);
    const r = changed(before, removeDevice("h1"));
    expect(r.controllers.map((c) => c.heat)).toEqual([[], ["h2"]]);
    expect(r.happenings).toEqual([]);
    expect(ids(r.devices)).not.toContain("h1");
    expect(waits(r)).toHaveLength(1);
    const cold = changed(recordWith(), removeDevice("c1"));
    expect(cold.controllers[0]).toMatchObject({ heat: ["h1"], cold: [] });
  });

  it("a stage; the last stays", () => {
    const r = changed(two(), removeStage("s1"));
    expect(ids(r.stages)).toEqual(["s2"]);
    expect(removeStage("s2")(r)).toBe(r);
  });

  function meetingAt(r: ChamberRecord): ChamberRecord {
    return {
      ...r,
      happenings: ["u1", "u2"].map((which, i) => ({
        kind: "relayStuck",
        id: `h${i}`,
        at: 60 * i,
        lasting: 60,
        which,
        outlet: "heat",
        to: "on",
      })),
    };
  }
});

describe("what is put in", () => {
  it("a stage stands behind the one that it is asked for, which from then on ends after a day", () => {
    const r = changed(two(), addStage("s1"));
    expect(ids(r.stages)).toEqual(["s1", "s3", "s2"]);
    expect(r.stages[1]).toMatchObject({ stage: {}, settings: {} });
    const lone = changed(recordWith(), addStage("s1"));
    expect(lone.stages[0]!.stage.ends).toEqual({ value: [{ kind: "after", seconds: 86_400 }], origin: "typed" });
    const typed = two({ kind: "after", seconds: 60 });
    expect(waits(changed(typed, addStage("s1")))).toEqual([{ kind: "after", seconds: 60 }]);
  });

  it("a vessel like the last one, without its band; a probe in the first vessel; a unit that watches by the last probe", () => {
    const base = changed(recordWith(), set("vessel", "volume", 0.011), set("band", "low", 18, "v1"));
    const r = changed(base, addVessel, addProbe, addController);
    expect(r.vessels[1]).toEqual({ ...base.vessels[0], id: "v2", band: {} });
    expect(r.probes[1]).toEqual({ id: "p2", in: "v1", probe: {} });
    expect(r.controllers[1]).toMatchObject({ id: "u2", probes: ["p2"], heat: [], cold: [] });
    expect(r.controllers[1]!.unit.kind).toEqual({ value: "watch", origin: "typed" });
    expect(r.controllers[1]!.unit.scale).toBeUndefined();
    const inF = changed(recordWith(set("unit", "scale", "F")), addController);
    expect(inF.controllers[1]!.unit.scale!.value).toBe("F");
  });

  it("devices by their own letters, at no vessel and on no outlet; a plug goes out of one before it goes into another", () => {
    const r = changed(recordWith(), addDevice("heater"), addDevice("cooler"), addDevice("fan"), addDevice("light"));
    expect(ids(r.devices)).toEqual(["h1", "c1", "h2", "c2", "f1", "l1"]);
    expect(r.devices[2]).toMatchObject({ device: "heater", at: null });
    expect(r.controllers[0]).toMatchObject({ heat: ["h1"], cold: ["c1"] });
    const plugged = changed(r, plugDevice("h2", { controller: "u1", outlet: "heat" }));
    expect(plugged.controllers[0]!.heat).toEqual(["h1", "h2"]);
    const moved = changed(two(), plugDevice("h1", { controller: "u2", outlet: "heat" }));
    expect(moved.controllers.map((c) => c.heat)).toEqual([[], ["h2", "h1"]]);
    expect(plugDevice("h1", null)(moved).controllers.map((c) => c.heat)).toEqual([[], ["h2"]]);
  });

  it("a probe is seated and read, a device stands, each by its own name only", () => {
    const r = changed(two(), seatProbe("p1", "v2"), readProbe("u1", "p2"), standDevice("h1", "v2"));
    expect(r.probes.map((p) => p.in)).toEqual(["v2", "v2"]);
    expect(r.controllers.map((c) => c.probes[0])).toEqual(["p2", "p2"]);
    expect(standDevice("h1", null)(r).devices.find((d) => d.id === "h1")).toMatchObject({ at: null });
    const fan = changed(recordWith(), addDevice("fan"));
    expect(standDevice("f1", "v1")(fan)).toEqual(fan);
  });

  it("a unit of two outlets becomes two of one, which keep its settings and its probe", () => {
    const base = changed(recordWith(), set("settings", "setpoint", 20, "u1", "s1"));
    const r = changed(base, splitController("u1"));
    expect(r.controllers).toMatchObject([
      {
        id: "u1",
        heat: ["h1"],
        cold: [],
        probes: ["p1"],
        unit: { kind: { value: "cutOut" }, outlet: { value: "heat" } },
      },
      {
        id: "u2",
        heat: [],
        cold: ["c1"],
        probes: ["p1"],
        unit: { kind: { value: "cutOut" }, outlet: { value: "cool" } },
      },
    ]);
    expect(r.stages[0]!.settings.u2).toEqual(base.stages[0]!.settings.u1);
    expect(changed(recordWith(), splitController("u1")).stages[0]!.settings).toEqual({});
    expect(splitController("u9")(base)).toBe(base);
    const between = changed(two(), splitController("u1"));
    expect(ids(between.controllers)).toEqual(["u1", "u3", "u2"]);
  });

  it("a happening comes in, is changed in its place, and goes", () => {
    const base = recordWith();
    const { stages } = describeChamber(base);
    const door = newHappening("door", "a", 60, describeChamber(base), stages[0]!);
    const one = putHappening(door)(base);
    const both = putHappening({ ...door, id: "b" })(one);
    expect(ids(both.happenings)).toEqual(["a", "b"]);
    const later = putHappening({ ...door, at: 120 })(both);
    expect(later.happenings.map((h) => h.at)).toEqual([120, 60]);
    expect(ids(dropHappening("a")(later).happenings)).toEqual(["b"]);
    expect(dropAllHappenings(later).happenings).toEqual([]);
  });

  it("is refused with a reason where it would contradict itself, and then nothing is changed", () => {
    const shallow = tryChange(recordWith(), (r) => applyEdits(r, [set("cabinet", "height", 0.1)]));
    expect(shallow.ok ? "" : shallow.problem).toMatch(/high|height|inside|room/i);
    const empty = tryChange(recordWith(), (r) => ({ ...r, stages: [] }));
    expect(empty.ok ? "" : empty.problem).toMatch(/at least 1 of the stages/);
    const fine = tryChange(recordWith(), addVessel);
    expect(fine.ok && fine.value.vessels).toHaveLength(2);
  });
});

describe("what a happening can happen to", () => {
  it("only what is of its kind", () => {
    const r = changed(
      twoUnits(),
      set("heater", "kind", "charcoal", "h2"),
      addDevice("cooler"),
      set("cooler", "kind", "ice", "c2"),
      plugDevice("c2", { controller: "u1", outlet: "cold" }),
    );
    const chamber = describeChamber(r);
    expect(whichOf("setpoint", chamber)).toEqual(["u1", "u2"]);
    expect(whichOf("relayStuck", chamber)).toEqual(["u1", "u2"]);
    expect(whichOf("probeDrift", chamber)).toEqual(["p1", "p2"]);
    expect(whichOf("heaterCutOut", chamber)).toEqual(["h1"]);
    expect(whichOf("fuelOut", chamber)).toEqual(["h2"]);
    expect(whichOf("iceForgotten", chamber)).toEqual(["c2"]);
    expect(whichOf("door", chamber)).toEqual([]);
  });
});
