import fc from "fast-check";
import * as odex from "odex";
import { addStage, describe as describeChamber } from "../chamber";
import { aroundAt } from "../climate";
import type { ChamberRecord, StageEnd } from "../model";
import { HEAT_OF_FERMENTATION } from "../product";
import { celsius, kelvins } from "../quantity";
import {
  heaterOf,
  heldAt,
  keyedIn,
  plainTrial,
  probeAt,
  recordWith,
  settingsOf,
  steadyRoom,
  tried,
} from "../testing/build";
import { after, changed, eightStages, set, staged } from "../testing/configurations";
import { apart } from "../testing/sameTrial";
import { imbalance } from "./energy";
import { trialOf } from "./input";
import { planOf } from "./plan";
import { runTrial } from "./runTrial";
import { startRun } from "./run";
import { advance } from "./stepper";

const { Solver } = "Solver" in odex ? odex : (odex as unknown as { default: typeof odex }).default;
const HOUR = 3600;
const DAY = 86_400;
const room = [
  { section: "room" as const, field: "low" as const, value: celsius(11) },
  { section: "room" as const, field: "high" as const, value: celsius(24) },
];
const reaches = (
  value: number,
  more: Partial<Extract<StageEnd, { kind: "reaches" }>> = {},
): Extract<StageEnd, { kind: "reaches" }> => ({
  kind: "reaches",
  observable: { of: "vessel", id: "v1", name: "temperature" },
  comparison: "atLeast",
  value,
  heldFor: 0,
  ...more,
});
/** When each stage that a trial came to began, s. */
const begun = (record: ChamberRecord, days: number, dt?: number) =>
  tried(record, days, dt).trial.stages.map((s) => s.metrics[0]!.from);

describe("a program cut into equal stages", () => {
  const whole = recordWith(...room, ...heldAt(20), probeAt("air"));
  it("switches as the whole one does, wherever it is cut", () => {
    const one = tried(whole, 4).trial;
    expect(one.heat.length + one.cold.length).toBeGreaterThan(20);
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 95 }), fc.integer({ min: 1, max: 59 }), (hours, minutes) => {
        const cut = staged(whole, { band: [18, 22], ends: [after(hours * HOUR + minutes * 60)] }, { band: [18, 22] });
        const two = tried(cut, 4).trial;
        expect([two.heat, two.cold]).toEqual([one.heat, one.cold]);
        // Cut elsewhere it leaps elsewhere: the last digits may differ.
        expect(apart(two.trace.low.product, one.trace.low.product, "product", [])).toEqual([]);
        expect(apart(two.whole[0]!.energy, one.metrics.energy, "energy", [], 1e-9)).toEqual([]);
      }),
      { numRuns: 8, seed: 3 },
    );
  });
  it("shares its starts, seconds and joules out among its stages, and none twice", () => {
    const { trial } = tried(eightStages(9), 4);
    const parts = trial.stages.map((s) => s.metrics[0]!);
    const sum = (of: (m: (typeof parts)[number]) => number) => parts.reduce((total, m) => total + of(m), 0);
    expect(parts).toHaveLength(8);
    expect(trial.stages.map((s) => [s.dueAt, s.endedBy])).toEqual([
      ...[1, 2, 3, 4, 5, 6, 7].map((n) => [n * 9 * HOUR, 0]),
      [null, null],
    ]);
    expect(sum((m) => m.seconds)).toBe(4 * DAY);
    expect(sum((m) => m.heatStarts)).toBe(trial.metrics.heatStarts);
    expect(sum((m) => m.energy.heater)).toBeCloseTo(trial.metrics.energy.heater, 0);
    expect(Math.max(...parts.map((m) => m.whole.product.high))).toBe(trial.metrics.whole.product.high);
    expect(imbalance(trial.metrics.energy)).toBeLessThan(1e-8);
  });
});

describe("a stage that ends by a temperature", () => {
  // Reference: the general solver odex over conductances written out once more, the heater on all the time.
  const record = staged(
    recordWith(
      ...steadyRoom(11),
      ...heldAt(12),
      heaterOf(120),
      set("cooler", "kind", "none"),
      set("heater", "timer", 0),
      // The law of films has a check of its own.
      set("thermal", "filmGrows", 0),
    ),
    { band: [40, 44], ends: [reaches(19)] },
    { band: [18, 22] },
  );
  const exact = (): number => {
    const plan = planOf(record);
    const input = trialOf(plan, 2, 10);
    const { network, state } = startRun(input);
    const solver = new Solver(network.nodes.length);
    solver.absoluteTolerance = solver.relativeTolerance = 1e-11;
    solver.maxSteps = 1e6;
    const [{ node: heater }] = network.heaters as unknown as [{ node: number }];
    const f = (t: number, y: number[]) => {
      const flow = network.nodes.map((node, i) => node.toRoom * (aroundAt(input.chamber, t, input.startHour) - y[i]!));
      for (const { a, b, conductance } of network.links) {
        flow[a]! += conductance * (y[b]! - y[a]!);
        flow[b]! -= conductance * (y[b]! - y[a]!);
      }
      flow[heater]! += network.heaters[0]!.power;
      flow[network.air]! += network.fanHeat;
      return flow.map((q, i) => q / network.nodes[i]!.capacity);
    };
    const product = (t: number) =>
      solver.solve(f, 0, Array.from(state.x.subarray(0, network.nodes.length)), t).y[network.vessels[0]!]!;
    let [low, high] = [0, 2 * DAY];
    while (high - low > 0.01) {
      const middle = (low + high) / 2;
      if (product(middle) >= 19) high = middle;
      else low = middle;
    }
    return high;
  };
  it.each([5, 10])("ends within one step of %d s of the exact crossing", (dt) => {
    const at = exact();
    const [, second] = begun(record, 2, dt);
    expect(at).toBeGreaterThan(2 * HOUR);
    expect(second! - at).toBeGreaterThan(-1e-3 * dt);
    expect(second! - at).toBeLessThanOrEqual(dt);
  });
  it("held for an hour it ends an hour later, and by a probe or a display as they see it", () => {
    const [, second] = begun(record, 2);
    const held = staged(record, { band: [40, 44], ends: [reaches(19, { heldFor: HOUR })] });
    expect(begun(held, 2)[1]).toBe(second! + HOUR);
    const shown = staged(record, {
      band: [40, 44],
      ends: [reaches(19, { observable: { of: "controller", id: "u1", name: "temperature" } })],
    });
    const probe = staged(record, {
      band: [40, 44],
      ends: [reaches(19, { observable: { of: "probe", id: "p1", name: "temperature" } })],
    });
    const [byDisplay, byProbe] = [begun(shown, 2)[1]!, begun(probe, 2)[1]!];
    // A display of 0.1 shows 19.0 from 18.95 on.
    expect(byDisplay).toBeLessThan(byProbe);
    expect(byProbe - byDisplay).toBeLessThan(HOUR);
  });
  it("by the air: the box is warm long before its contents; by the room: once a day", () => {
    const by = (of: "air" | "room", more: Partial<Extract<StageEnd, { kind: "reaches" }>>) => {
      const end = reaches(19, { observable: { of, id: "", name: "temperature" }, ...more });
      return begun(changed(staged(record, { band: [40, 44], ends: [end] }), ...(of === "room" ? room : [])), 2)[1]!;
    };
    expect(by("air", {})).toBeLessThan(begun(record, 2)[1]! / 2);
    const cool = by("room", { comparison: "atMost", value: 15 });
    const outside = (t: number) => aroundAt(changedRoom, t, 18);
    const changedRoom = planOf(changed(record, ...room)).chamber;
    expect(outside(cool + 5)).toBeLessThan(15);
    expect(outside(cool - 60)).toBeGreaterThan(15);
  });
});

describe("a stage that ends by the product's progress", () => {
  const beer = (end: StageEnd) =>
    staged(
      recordWith(...steadyRoom(18), set("product", "kind", "ale")),
      { band: [18, 20], ends: [end] },
      { band: [19, 21] },
    );
  const gravity = reaches(1.02, {
    observable: { of: "vessel", id: "v1", name: "gravity" },
    comparison: "atMost",
  });
  it("ends within one product step of the exact crossing: the course again by odex, over the trial's own temperatures", () => {
    const record = beer(gravity);
    const { plan, trial } = tried(record, 7);
    const found = trial.stages[1]!.metrics[0]!.from;
    const input = trialOf(plan, 7);
    const run = startRun(input);
    const core: number[] = [];
    advance(run, Math.ceil((found + HOUR) / input.dt), {
      sample: ({ x }) => void core.push(x[run.network.vessels[0]!]!),
    });
    const { originalGravity, finalGravity } = plan.chamber.vessels[0]!.product;
    const wanted = (originalGravity - 1.02) / (originalGravity - finalGravity);
    // Lag 0.5 d and growth 2.6 a day at 20 °C, Q10 2.3 (docs/sources.md): y = [lag gone, ln(done/(1 − done))].
    const speed = (t: number) => {
      const at = Math.min(core.length - 1.001, t / input.dt);
      const low = Math.floor(at);
      const temperature = core[low]! + (at - low) * (core[low + 1]! - core[low]!);
      return 2.3 ** ((temperature - 20) / 10) / DAY;
    };
    const crosses = (f: (t: number) => number, y0: number, from: number, to: number): number => {
      const solver = new Solver(1);
      solver.absoluteTolerance = solver.relativeTolerance = 1e-9;
      solver.maxSteps = 1e6;
      let y = [y0];
      for (let t = from; ; t += 60) {
        const next = solver.solve((s) => [f(s)], t, y, t + 60).y;
        if (next[0]! >= to) return t + (60 * (to - y[0]!)) / (next[0]! - y[0]!);
        y = next;
      }
    };
    const begins = crosses((t) => speed(t) / 0.5, 0, 0, 1);
    const logit = (p: number) => Math.log(p / (1 - p));
    const exact = crosses((t) => 2.6 * speed(t), logit(0.01), begins, logit(wanted));
    expect(HEAT_OF_FERMENTATION).toBeGreaterThan(0);
    expect(Math.abs(found - exact)).toBeLessThanOrEqual(300 + input.dt);
  });
  it("two days of a steady gravity are two days longer, and the second vessel is asked where it is meant", () => {
    const [, plain] = begun(beer(gravity), 10);
    const [, held] = begun(beer({ ...gravity, heldFor: 2 * DAY }), 10);
    expect(held! - plain!).toBeCloseTo(2 * DAY, 6);
    const two = changed(
      beer(gravity),
      (r) => ({ ...r, vessels: [...r.vessels, { ...r.vessels[0]!, id: "v2" }] }),
      set("product", "kind", "lager", "v2"),
      set("stage", "ends", [{ ...gravity, observable: { of: "vessel", id: "v2", name: "gravity" } }], "s1"),
    );
    expect(begun(two, 10)[1]! - plain!).toBeGreaterThan(6 * HOUR);
  });
});

describe("attendance", () => {
  const program = (attended: boolean) =>
    changed(
      staged(
        recordWith(...room, ...heldAt(20)),
        { band: [18, 22], ends: [after(20 * HOUR)] },
        { band: [14, 16], ends: [after(DAY)] },
        { band: [18, 22] },
      ),
      set("program", "byHand", true),
      set("program", "attendedFrom", 8),
      set("program", "attendedTo", 20),
      ...(attended ? [] : [set("program", "away", [{ from: 10 * HOUR, to: 3.6 * DAY }])]),
    );
  it("the same program attended and away gives different days", () => {
    // Begun at 18:00: 20 h later it is 14:00, somebody is there; away until 8:24 of the fourth day.
    expect(begun(program(true), 6)).toEqual([0, 20 * HOUR, 44 * HOUR]);
    expect(tried(program(false), 6).trial.stages[0]!.dueAt).toBe(20 * HOUR);
    const away = begun(program(false), 6);
    expect(away[1]).toBe(Math.round(3.6 * DAY));
    expect(away[2]).toBe(Math.round(4.6 * DAY));
    const { trial: here } = tried(program(true), 6);
    const { trial: gone } = tried(program(false), 6);
    expect(here.metrics.timeToBand).not.toBeNull();
    expect(here.stages[1]!.metrics[0]!.whole.product.low).toBeLessThan(16);
    expect(here.stages[1]!.metrics[0]!.from).toBeLessThan(gone.stages[1]!.metrics[0]!.from);
    expect(here.cold.slice(0, 6)).not.toEqual(gone.cold.slice(0, 6));
  });
});

describe("ramps", () => {
  it("settings and band go step by step, and the last step is no longer than what is left", () => {
    const record = changed(
      staged(
        recordWith(...steadyRoom(10), ...heldAt(12), heaterOf(300)),
        { band: [11, 13], ends: [after(6 * HOUR)], more: { target: celsius(12) } },
        { band: [15.5, 17.5], more: { target: celsius(16.5), rampBy: kelvins(2), rampEvery: 12 * HOUR } },
      ),
    );
    const { plan, trial } = tried(record, 4);
    const spans = trial.bands;
    expect(spans.map(({ from, low }) => [from / HOUR, Math.round(low * 10) / 10])).toEqual([
      [0, 11],
      [6, 13],
      [18, 15],
      [30, 15.5],
    ]);
    // What is keyed in for the second stage stands once the way is done; before, so much lower.
    const product = trial.trace.high.product;
    const at = (hours: number) => product[Math.floor((hours * HOUR) / trial.trace.width)]!;
    expect(keyedIn(plan, 1).setpoint).toBeGreaterThan(15);
    expect(at(17)).toBeLessThan(15.2);
    expect(at(17)).toBeGreaterThan(13);
    expect(at(29)).toBeLessThan(17.2);
    expect(at(80)).toBeGreaterThan(15.5);
  });
  it("an empty ramp jumps", () => {
    const record = staged(
      recordWith(...steadyRoom(10), ...heldAt(12)),
      { band: [11, 13], ends: [after(6 * HOUR)] },
      { band: [15, 17] },
    );
    expect(tried(record, 2).trial.bands).toHaveLength(2);
  });
});

describe("programs and settings given by hand", () => {
  it("what is keyed in for a stage holds in that stage and in no other", () => {
    const chamber = describeChamber(
      staged(
        recordWith(...steadyRoom(10), ...heldAt(20)),
        { band: [18, 22], ends: [after(2 * DAY)] },
        { band: [18, 22] },
      ),
    );
    const input = plainTrial(chamber, settingsOf(20, 0.5, 0.5), 4);
    const later = runTrial({ ...input, settings: [[settingsOf(20, 0.5, 0.5)], [settingsOf(15, 0.5, 0.5)]] });
    expect(later.stages.map((s) => s.metrics[0]!.whole.product.low > 19)).toEqual([true, false]);
  });
  it("a stage's own alarm sounds in it alone", () => {
    const base = staged(
      recordWith(...steadyRoom(10), ...heldAt(20)),
      { band: [18, 22], ends: [after(DAY)] },
      { band: [18, 22] },
    );
    const alarmed = changed(
      base,
      set("unit", "alarms", "absolute"),
      set("settings", "lowAlarm", celsius(35), "u1", "s2"),
      set("settings", "lowAlarm", celsius(-40), "u1", "s1"),
    );
    const [first, second] = tried(alarmed, 2).trial.stages.map((s) => s.metrics[0]!.alarm.low);
    expect(first).toBe(0);
    expect(second).toBeGreaterThan(0.9 * DAY);
  });
  it("addStage puts one behind another, and the first one then ends", () => {
    expect(begun(addStage("s1")(recordWith()), 3)).toEqual([0, DAY]);
  });
});
