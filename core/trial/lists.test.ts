import { applyEdits, type ChamberRecord } from "../model";
import { celsius, kelvins } from "../quantity";
import { heldAt, recordWith, tried } from "../testing/build";
import { changed, set, twoUnits } from "../testing/configurations";
import { trialOf } from "./input";
import { startRun } from "./run";
import { advance } from "./stepper";

const DAY = 86_400;
const room = [set("room", "low", celsius(11)), set("room", "high", celsius(24))];

describe("several controllers", () => {
  it("their order changes nothing: same switching, same temperatures, whoever is named first", () => {
    const record = twoUnits();
    const turned: ChamberRecord = { ...record, controllers: [...record.controllers].reverse() };
    const [a, b] = [record, turned].map((r) => tried(r, 3).trial);
    expect(a!.devices.slice(0, 2).every((d) => d.times.length > 4)).toBe(true);
    for (const { id, times } of a!.devices) expect(b!.devices.find((d) => d.id === id)!.times).toEqual(times);
    for (const m of a!.whole) {
      const other = b!.whole.find((o) => o.judged === m.judged)!;
      expect(other.whole).toEqual(m.whole);
      expect(other.energy).toEqual(m.energy);
    }
  });
  it("each reads, rounds and keys in on its own scale, whatever its neighbour does", () => {
    // In steps of 1 °F beside steps of 0.1 °C: a switching lies on the half step, where the display turns over.
    const { plan } = tried(twoUnits("F"), 1);
    const input = trialOf(plan, 3);
    const run = startRun(input);
    const [first, second] = plan.chamber.controllers;
    const seen = [new Set<number>(), new Set<number>()];
    const settled = DAY / input.dt;
    const turns: number[] = [];
    let was = false;
    const its = 1 << plan.chamber.heaters.findIndex((h) => second!.heat.includes(h.id));
    advance(run, run.steps, {
      sample({ shown, on: devices, x, step }) {
        if (step > settled) seen.forEach((s, c) => s.add(shown[c]!));
        const on = (devices & its) !== 0;
        if (on && !was && shown[1] !== undefined) turns.push(x[run.network.probes[1]!]! * 1.8 + 32);
        was = on;
      },
    });
    expect([first!.unit.scale, second!.unit.scale]).toEqual(["C", "F"]);
    // Displays count in their own steps: about 200 tenths of a °C, about 68 whole °F.
    for (const s of seen[0]!) expect(Math.abs(s - 200)).toBeLessThan(40);
    for (const s of seen[1]!) expect(Math.abs(s - 68)).toBeLessThan(8);
    const { switching, settings } = plan.stages[0]!.controls[1]!;
    expect((settings.setpoint * 1.8 + 32) % 1).toBeCloseTo(0, 9);
    expect(turns.length).toBeGreaterThan(1);
    // It calls as its display turns to a whole °F, which is half a degree above it on the way down.
    const turnsAt = switching.heatOn! * 1.8 + 32;
    expect(turnsAt - Math.floor(turnsAt)).toBeCloseTo(0.5, 9);
    for (const t of turns.slice(1)) expect(Math.abs(t - turnsAt)).toBeLessThan(0.01);
    const alone = tried(twoUnits("F"), 3).trial;
    const neighbour = tried(changed(twoUnits("F"), set("unit", "resolution", 0.5, "u1")), 3).trial;
    expect(neighbour.devices[0]!.times).not.toEqual(alone.devices[0]!.times);
  });
});

describe("each controller's own offset", () => {
  it("moves what its own display shows and where it switches, and nothing of its neighbour's", () => {
    const record = changed(twoUnits("C"), set("unit", "resolution", 0.1, "u2"));
    const shiftOf = (offset: number, controller: "u1" | "u2") => {
      const shifted = changed(record, set("settings", "offset", kelvins(offset), controller, "s1"));
      const { plan } = tried(shifted, 1);
      const input = trialOf(plan, 0.5);
      const run = startRun(input);
      const off = [0, 0];
      advance(run, run.steps, {
        sample: ({ shown, x }) =>
          [0, 1].forEach((c) => (off[c] = Math.max(off[c]!, Math.abs(shown[c]! / 10 - x[run.network.probes[c]!]!)))),
      });
      return [off, plan.stages[0]!.controls.map((c) => c.switching.heatOn!)] as const;
    };
    const [plain, points] = shiftOf(0, "u1");
    for (const o of plain) expect(o).toBeLessThan(0.06);
    const [second, secondPoints] = shiftOf(1.5, "u2");
    expect(second[0]).toBeLessThan(0.06);
    expect(second[1]).toBeGreaterThan(1.44);
    expect(secondPoints[0]).toBe(points[0]);
    expect(secondPoints[1]! - points[1]!).toBeCloseTo(-1.5, 6);
    expect(shiftOf(1.5, "u1")[0]![1]).toBeLessThan(0.06);
  });
});

describe("a list and a count", () => {
  // Statistics of the swing, not samples: n entries are n bodies and swing apart in phase by rounding only.
  it.each([
    ["still water", heldAt(20), 0.02],
    ["an ale", [] as ReturnType<typeof heldAt>, 0.02],
  ])("three entries and a count of three agree: %s", (_, edits, within) => {
    const base = recordWith(...room, ...edits, set("vessel", "volume", 0.008));
    const counted = tried(applyEdits(base, [set("vessel", "count", 3)]), 6).trial.metrics;
    const [v] = base.vessels;
    const listed = tried({ ...base, vessels: ["v1", "v2", "v3"].map((id) => ({ ...v!, id })) }, 6).trial;
    const one = listed.whole.find((m) => m.judged === "v1")!;
    expect(listed.whole.map((m) => m.judged)).toEqual(["v1", "v2", "v3"]);
    expect(Math.abs(one.heatDuty - counted.heatDuty)).toBeLessThan(within);
    expect(Math.abs(one.coldDuty - counted.coldDuty)).toBeLessThan(within);
    expect(
      Math.abs(one.energy.product / Math.max(1, counted.energy.product) - (counted.energy.product ? 1 : 0)),
    ).toBeLessThan(0.01);
    expect(Math.abs(one.settled!.productMean - counted.settled!.productMean)).toBeLessThan(0.15);
  });
});
