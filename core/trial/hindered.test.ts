import { addDevice, plugDevice } from "../chamber";
import type { ChamberRecord, Happening } from "../model";
import { celsius } from "../quantity";
import { heaterOf, heldAt, plainTrial, recordWith, settingsOf, steadyRoom } from "../testing/build";
import { changed, set } from "../testing/configurations";
import { planOf } from "./plan";
import { startRun } from "./run";
import { advance } from "./stepper";

const DT = 10;
interface Row {
  at: number;
  /** W into each heater, and into the air. */
  heaters: number[];
  air: number;
  /** Temperature of each heater's body, of the air where it has none, °C. */
  body: number[];
  /** Each cold body's own watts: defrost. */
  cold: number[];
  on: number;
  cooling: number;
  stirred: boolean;
  iceChanges: number[];
  heating: boolean;
}
/** What every device got at each step of a trial with these settings, keyed into every unit. */
function rows(record: ChamberRecord, hours: number, settings = settingsOf(20, 1, 1), ...happenings: object[]): Row[] {
  const { chamber } = planOf({
    ...record,
    happenings: happenings.map((h, i) => ({ id: `x${i}`, lasting: 0, ...h })) as Happening[],
  });
  const run = startRun(plainTrial(chamber, settings, hours / 24, DT));
  const seen: Row[] = [];
  const still = run.network.links.find((l) => l.a === run.network.air && l.b === run.network.lining)!.conductance;
  advance(run, run.steps, {
    sample({ step, u, x, on, mode, coolers, heating }) {
      const { at } = run;
      const wind = mode.network.links.find((l) => l.a === run.network.air && l.b === run.network.lining)!.conductance;
      seen.push({
        at: step * DT,
        heaters: chamber.heaters.map((_, h) => u[at.heater + h]!),
        air: u[at.air]!,
        body: run.network.heaters.map(({ node }) => x[node >= 0 ? node : run.network.air]!),
        cold: chamber.coolers.map((_, c) => u[at.cold + c]!),
        on,
        cooling: mode.cooling,
        // Still air that is far from its walls moves too, but never as a fan moves it.
        stirred: wind > still * 2,
        iceChanges: coolers.map((c) => c.iceChanges),
        heating,
      });
    },
  });
  return seen;
}
const cold = (...edits: Parameters<typeof recordWith>) =>
  recordWith(...steadyRoom(5), ...heldAt(17), heaterOf(40), set("probe", "place", "air"), ...edits);
const warm = (...edits: Parameters<typeof recordWith>) =>
  recordWith(...steadyRoom(30), ...heldAt(23), heaterOf(40), set("probe", "place", "air"), ...edits);
const kinds = (list: readonly number[][]) => [...new Set(list.map((l) => l.join(" ")))].sort();

describe("several heaters on one outlet", () => {
  const two = changed(cold(), addDevice("heater"), set("heater", "power", 25, "h2"));
  const both = changed(two, plugDevice("h2", { controller: "u1", outlet: "heat" }));
  it("get their own watts together, and nothing together; one on no outlet never", () => {
    const seen = rows(both, 6);
    expect(kinds(seen.map((r) => r.heaters))).toEqual(["0 0", "40 25"]);
    expect(seen[0]!.heaters).toEqual([40, 25]);
    expect(kinds(rows(two, 6).map((r) => r.heaters))).toEqual(["0 0", "40 0"]);
    expect(seen.every((r) => r.heating === r.heaters.some((w) => w > 0))).toBe(true);
    // One bit each: the heaters first.
    expect([...new Set(seen.map((r) => r.on & 3))].sort()).toEqual([0, 3]);
  });
  it("one with a timer of its own stops, the other goes on; by the second it is the other way round", () => {
    const timed = (id: string) => rows(changed(both, set("heater", "timer", 600, id)), 3, settingsOf(24, 1, 1));
    expect(
      timed("h1")
        .slice(59, 62)
        .map((r) => r.heaters),
    ).toEqual([
      [40, 25],
      [0, 25],
      [0, 25],
    ]);
    expect(timed("h2")[70]!.heaters).toEqual([40, 0]);
    expect(timed("h2")[70]!.on & 3).toBe(1);
  });
  it("a plain one that hangs on no outlet stays cold beside one with a thermostat", () => {
    const beside = changed(
      two,
      set("heater", "ownThermostat", true, "h1"),
      set("heater", "ownThermostatAt", celsius(30), "h1"),
    );
    const seen = rows(beside, 6).map((r) => r.heaters);
    expect(seen.every(([, other]) => other === 0)).toBe(true);
    expect([Math.min(...seen.map(([w]) => w!)), Math.max(...seen.map(([w]) => w!))]).toEqual([0, 40]);
  });
  it.each([
    ["bulb", 100, 45],
    ["bulb", 250, 45],
    ["lamp", 250, 60],
    ["tube", 120, 40],
  ])(
    "a %s of %i W with a thermostat of its own at %i °C cuts within its step and rests until it is 5 K cooler",
    (kind, power, cut) => {
      const record = changed(
        recordWith(...steadyRoom(15)),
        set("cabinet", "kind", "foam"),
        set("stage", "low", celsius(34)),
        set("stage", "high", celsius(36)),
        set("heater", "kind", kind),
        set("heater", "power", power),
        set("heater", "ownThermostat", true),
        set("heater", "ownThermostatAt", celsius(cut)),
      );
      const seen = rows(record, 6, settingsOf(36, 1, 1));
      const body = seen.map((r) => r.body[0]!);
      expect(Math.max(...body)).toBeLessThanOrEqual(cut + 1e-6);
      expect(Math.max(...body)).toBeGreaterThan(cut - 1e-6);
      // Where heat begins again the body has cooled to where the bimetal closes.
      const begins = seen.flatMap((r, k) => (k > 0 && r.heaters[0]! > 0 && seen[k - 1]!.heaters[0] === 0 ? [k] : []));
      for (const k of begins) expect(body[k]).toBeLessThanOrEqual(cut - 5 + 1e-6);
      expect(begins.length).toBeGreaterThan(1);
    },
  );
  it("a cut by its own thermostat holds for that one alone, from its moment on", () => {
    const seen = rows(both, 3, settingsOf(24, 1, 1), { kind: "heaterCutOut", which: "h2", at: 600 });
    expect(seen[59]!.heaters).toEqual([40, 25]);
    expect(seen[60]!.heaters).toEqual([40, 0]);
  });
});

describe("a relay that sticks", () => {
  const stuck = (outlet: "heat" | "cold", to: "on" | "off", at = 600) => ({
    kind: "relayStuck",
    which: "u1",
    at,
    outlet,
    to,
  });
  it("on: heat all the time, also where it is too warm, but not without power", () => {
    const seen = rows(warm(), 3, settingsOf(20, 1, 1), stuck("heat", "on"), {
      kind: "powerCut",
      at: 3600,
      lasting: 600,
    });
    expect(seen[59]!.heaters).toEqual([0]);
    expect(seen.slice(60, 360).every((r) => r.heaters[0] === 40)).toBe(true);
    expect(seen.slice(360, 420).every((r) => r.heaters[0] === 0 && r.cooling === 0)).toBe(true);
    expect(seen[430]!.heaters).toEqual([40]);
  });
  it("off: none, however cold it is; the other outlet goes on as it should", () => {
    const seen = rows(cold(), 2, settingsOf(24, 1, 1), stuck("heat", "off"));
    expect(seen[59]!.heaters).toEqual([40]);
    expect(seen.slice(60).every((r) => r.heaters[0] === 0)).toBe(true);
    const cools = rows(warm(), 3, settingsOf(20, 1, 1), stuck("heat", "off"));
    expect(cools.some((r) => r.cooling === 1)).toBe(true);
  });
  it("the cold one: on in the cold, off in the warm", () => {
    const on = rows(cold(), 2, settingsOf(10, 1, 1), stuck("cold", "on"));
    expect(on[59]!.cooling).toBe(0);
    expect(on.slice(60).every((r) => r.cooling === 1)).toBe(true);
    const off = rows(warm(), 2, settingsOf(20, 1, 1), stuck("cold", "off", 1200));
    expect(off.slice(30, 119).some((r) => r.cooling === 1)).toBe(true);
    expect(off.slice(120).every((r) => r.cooling === 0)).toBe(true);
  });
});

describe("fans and lights", () => {
  const withFan = changed(cold(), addDevice("fan"), set("fan", "power", 7, "f1"));
  it("a fan with a plug of its own blows and warms all the time, but not without power", () => {
    const seen = rows(withFan, 2, undefined, { kind: "powerCut", at: 600, lasting: 600 });
    expect([0, 59, 60, 119, 120].map((s) => [seen[s]!.air, seen[s]!.stirred])).toEqual([
      [7, true],
      [7, true],
      [0, false],
      [0, false],
      [7, true],
    ]);
  });
  it("on an outlet it follows it: wind and warmth come and go with the heat", () => {
    const seen = rows(changed(withFan, plugDevice("f1", { controller: "u1", outlet: "heat" })), 6);
    expect(kinds(seen.map((r) => [r.heaters[0]!, r.air, Number(r.stirred)]))).toEqual(["0 0 0", "40 7 1"]);
  });
  it("a light warms and does not blow; two of them add up", () => {
    const lit = changed(
      withFan,
      addDevice("light"),
      set("light", "power", 11, "l1"),
      plugDevice("f1", { controller: "u1", outlet: "cold" }),
    );
    const seen = rows(lit, 3);
    expect(kinds(seen.map((r) => [r.air, Number(r.stirred)]))).toEqual(["11 0"]);
    const all = rows(changed(withFan, addDevice("light"), set("light", "power", 11, "l1")), 1);
    expect(kinds(all.map((r) => [r.air, Number(r.stirred)]))).toEqual(["18 1"]);
  });
});

describe("several coolers", () => {
  const two = changed(warm(), addDevice("cooler"), set("cooler", "power", 50, "c2"));
  it("on one outlet cool together; one on none never does; one that fails runs in vain", () => {
    const both = changed(two, plugDevice("c2", { controller: "u1", outlet: "cold" }));
    const masks = (record: ChamberRecord, ...h: object[]) =>
      [...new Set(rows(record, 4, settingsOf(20, 1, 1), ...h).map((r) => r.cooling))].sort();
    expect(masks(both)).toEqual([0, 3]);
    expect(masks(two)).toEqual([0, 1]);
    const failing = rows(both, 4, settingsOf(20, 1, 1), { kind: "coldFails", which: "c2", at: 0 });
    expect(new Set(failing.map((r) => r.cooling))).toEqual(new Set([0, 1]));
    // It draws its power and counts its starts all the same: bits of the coolers stand above those of the heaters.
    expect(new Set(failing.map((r) => r.on >> 1))).toEqual(new Set([0, 3]));
    const own = changed(
      both,
      set("cooler", "ownThermostat", true, "c2"),
      set("cooler", "ownThermostatAt", celsius(19), "c2"),
    );
    expect(masks(own)).toEqual(expect.arrayContaining([0, 1, 3]));
  });
  it("a defrost heats the cold body while the plug is live, and only then", () => {
    const frost = changed(
      warm(),
      set("cooler", "defrostEvery", 1800),
      set("cooler", "defrostFor", 600),
      set("cooler", "defrostPower", 90),
    );
    const seen = rows(frost, 4);
    const defrosting = seen.filter((r) => r.cold[0]! > 0);
    expect(defrosting.length).toBeGreaterThan(10);
    expect(defrosting.every((r) => r.cold[0] === 90 && r.cooling === 0)).toBe(true);
    expect(seen.filter((r) => r.cooling === 1).every((r) => r.cold[0] === 0)).toBe(true);
  });
});

describe("fresh ice", () => {
  const box = recordWith(
    ...steadyRoom(25),
    ...heldAt(20),
    set("cooler", "kind", "ice"),
    set("cooler", "iceMass", 2),
    set("cooler", "iceEvery", 3600),
  );
  const changes = (record: ChamberRecord, ...h: object[]) => {
    const seen = rows(record, 5, undefined, ...h);
    return seen.filter((r, i) => i > 0 && r.iceChanges[0]! > seen[i - 1]!.iceChanges[0]!).map((r) => r.at);
  };
  it("comes in each time that it is due, and not where it is forgotten or never asked for", () => {
    const due = changes(box);
    expect(due).toHaveLength(5);
    due.forEach((at, i) => expect(Math.abs(at - 3600 * (i + 1))).toBeLessThanOrEqual(DT));
    const forgotten = changes(box, { kind: "iceForgotten", which: "c1", at: 5400, lasting: 4500 });
    // Forgotten at the second hour, it comes as soon as somebody thinks of it again.
    expect(forgotten.map((at) => Math.round(at / 100))).toEqual([36, 99, 135, 171]);
    expect(changes(changed(box, set("cooler", "iceEvery", 0)))).toEqual([]);
  });
});
