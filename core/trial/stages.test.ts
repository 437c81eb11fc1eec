import { addVessel } from "../chamber";
import type { ChamberRecord, Happening, StageEnd } from "../model";
import { celsius } from "../quantity";
import { heaterOf, heldAt, recordWith, steadyRoom, tried } from "../testing/build";
import { usualGrace } from "./grace";
import { after, changed, set, staged, twoUnits } from "../testing/configurations";
import { reversals } from "./events";
import { trialOf } from "./input";
import { planOf } from "./plan";
import { startRun } from "./run";
import { runKept, runTrial, stretchOf } from "./runTrial";
import { advance } from "./stepper";

const HOUR = 3600;
const DAY = 86_400;

/** What was seen at a step, written down plainly. */
interface Row {
  stage: number;
  finished: boolean;
  x: number[];
  /** °C on each display. */
  shown: number[];
  low: boolean[];
  high: boolean[];
  on: number;
  shift: number;
  /** Of the first vessel, °C. */
  product: number;
}

/**
 * The metrics of every stage and of every vessel by plain loops over the complete record of the run: nothing of tally,
 * metrics or switch log is used, but for the definition of a reversal.
 */
function byHand(record: ChamberRecord, days: number) {
  const plan = planOf(record);
  const input = trialOf(plan, days, 10);
  const run = startRun(input);
  const { chamber, dt } = input;
  const rows: Row[] = [];
  advance(run, run.steps, {
    sample({ program, x, shown, controls, on }) {
      rows.push({
        stage: program.stage,
        finished: program.finishedAt >= 0,
        x: Array.from(x.subarray(0, run.network.nodes.length)),
        shown: chamber.controllers.map(({ unit: { scale, resolution } }, c) =>
          scale === "C" ? shown[c]! * resolution : (shown[c]! * resolution - 32) / 1.8,
        ),
        low: controls.map((c) => c.lowAlarm),
        high: controls.map((c) => c.highAlarm),
        on,
        shift: program.shift,
        product: x[run.network.vessels[0]!]!,
      });
    },
  });
  const devices = [...chamber.heaters, ...chamber.coolers];
  const bits = (from: number, to: number) => ((1 << to) - 1) & ~((1 << from) - 1);
  const heats = bits(0, chamber.heaters.length);
  const colds = bits(chamber.heaters.length, devices.length);
  const judgedRows = rows.filter((r) => !r.finished);
  const stages = chamber.stages
    .map((stage, s) => ({ stage, first: judgedRows.findIndex((r) => r.stage === s), s }))
    .filter(({ first }) => first >= 0)
    .map(({ stage, first, s }) => {
      const own = judgedRows.filter((r) => r.stage === s);
      const share = (mask: number) => own.filter((r) => r.on & mask).length / own.length;
      const starts = (mask: number) =>
        own.filter((r, i) => r.on & mask && !((rows[first + i - 1]?.on ?? 0) & mask)).length;
      const things = chamber.vessels.map((vessel, v) => {
        const product = own.map((r) => r.x[run.network.vessels[v]!]!);
        const inBand = own.map((r, i) =>
          vessel.band
            ? product[i]! >= vessel.band.low && product[i]! <= vessel.band.high
            : product[i]! >= stage.low + r.shift && product[i]! <= stage.high + r.shift,
        );
        const arrival = inBand.indexOf(true);
        const settledFrom = arrival < 0 ? own.length : arrival + (12 * HOUR) / dt;
        const span = (list: number[], from = 0, to = list.length) =>
          from >= Math.min(to, list.length)
            ? null
            : [Math.min(...list.slice(from, to)), Math.max(...list.slice(from, to))];
        return {
          id: vessel.id,
          arrival: arrival < 0 ? null : arrival * dt,
          inBand: arrival < 0 ? 0 : inBand.slice(arrival).filter(Boolean).length / (own.length - arrival),
          whole: span(product),
          arrived: arrival < 0 ? null : span(product, arrival),
          arriving: arrival < 0 ? null : span(product, arrival, settledFrom),
          settled: span(product, settledFrom),
          mean:
            settledFrom >= own.length
              ? null
              : product.slice(settledFrom).reduce((a, b) => a + b, 0) / (own.length - settledFrom),
          air: span(own.map((r) => r.x[run.network.air]!)),
          lowSettled: own.slice(settledFrom).filter((r) => r.low.some(Boolean)).length * dt,
        };
      });
      return {
        id: stage.id,
        from: first * dt,
        seconds: own.length * dt,
        things,
        heatDuty: share(heats),
        coldDuty: share(colds),
        heatStarts: starts(heats),
        coldStarts: starts(colds),
        devices: devices.map((_, d) => ({ starts: starts(1 << d), duty: share(1 << d) })),
        low: own.filter((r) => r.low.some(Boolean)).length * dt,
        high: own.filter((r) => r.high.some(Boolean)).length * dt,
        controls: chamber.controllers.map((_, c) => ({
          low: own.filter((r) => r.low[c]).length * dt,
          high: own.filter((r) => r.high[c]).length * dt,
        })),
        readings: chamber.controllers.map((_, c) => [
          Math.min(...own.map((r) => r.shown[c]!)),
          Math.max(...own.map((r) => r.shown[c]!)),
        ]),
      };
    });
  return { plan, input, stages, trial: runTrial(input), rows };
}

const power: Happening = { kind: "powerCut", id: "cut", at: 2.2 * DAY, lasting: 5 * HOUR };
const alarms = [
  set("unit", "alarms", "absolute", "u1"),
  set("unit", "alarms", "absolute", "u2"),
  set("settings", "lowAlarm", celsius(17.5), "u1", "s1"),
  set("settings", "lowAlarm", celsius(18.6), "u2", "s1"),
  set("settings", "lowAlarm", celsius(16.8), "u1", "s2"),
  set("settings", "highAlarm", celsius(20.2), "u2", "s2"),
  set("settings", "lowAlarm", celsius(21.5), "u2", "s3"),
];
const cases: [string, () => ChamberRecord, number][] = [
  [
    "two units on two vessels, in three stages of which the last one ends, through a power cut",
    () => ({
      ...changed(
        staged(
          twoUnits(),
          { band: [18, 20], ends: [after(30 * HOUR)] },
          { band: [19, 21], ends: [after(40 * HOUR)] },
          { band: [20, 22], ends: [after(50 * HOUR)] },
        ),
        ...alarms,
      ),
      // The second one comes when all is over, and would leave its mark on every extreme.
      happenings: [power, { ...power, id: "late", at: 5.2 * DAY, lasting: 19 * HOUR }],
    }),
    6,
  ],
  [
    "one unit for two vessels, the second with a band of its own that it only comes into on its way, up in steps",
    () =>
      changed(
        staged(
          recordWith(...steadyRoom(12), ...heldAt(14), heaterOf(120)),
          { band: [15, 17], ends: [after(36 * HOUR)] },
          { band: [19, 21], more: { rampBy: 1, rampEvery: 6 * HOUR } },
        ),
        addVessel,
        set("vessel", "volume", 0.009, "v2"),
        set("band", "low", celsius(17.5), "v2"),
        set("band", "high", celsius(18.5), "v2"),
      ),
    5,
  ],
];

describe.each(cases)("stages by hand: %s", (_, record, days) => {
  const { stages, trial, plan } = byHand(record(), days);
  it("begin, last and arrive as they do", () => {
    expect(trial.stages.map((s) => [s.id, s.from, s.to - s.from])).toEqual(
      stages.map((s) => [s.id, s.from, s.seconds]),
    );
    expect(trial.stages.map((s) => s.metrics.map((m) => [m.judged, m.from, m.seconds, m.timeToBand]))).toEqual(
      stages.map((s) => s.things.map((t) => [t.id, s.from, s.seconds, t.arrival])),
    );
  });
  it("their extremes, shares and means are those of every single step", () => {
    stages.forEach((s, i) =>
      s.things.forEach((t, j) => {
        const m = trial.stages[i]!.metrics[j]!;
        // Landed on and looked at on the way a state differs by its last digits.
        const rounded = (e: readonly number[] | null) => e && e.map((v) => Math.round(v * 1e9) / 1e9);
        const pair = (e: { low: number; high: number } | null | undefined) => rounded(e ? [e.low, e.high] : null);
        expect(pair(m.whole.product)).toEqual(rounded(t.whole));
        expect(pair(m.whole.air)).toEqual(rounded(t.air));
        expect(pair(m.arrived?.product)).toEqual(rounded(t.arrived));
        expect(pair(m.arriving)).toEqual(rounded(t.arriving));
        expect(pair(m.settled?.product)).toEqual(rounded(t.settled));
        expect(m.inBand).toBeCloseTo(t.inBand, 12);
        if (t.mean !== null) expect(m.settled!.productMean).toBeCloseTo(t.mean, 9);
        expect(m.stage).toBe(s.id);
      }),
    );
    // Each is shown by the display of what holds it.
    const shownBy = (id: string) =>
      Math.max(
        0,
        plan.chamber.controllers.findIndex((c) => plan.chamber.probes.find((p) => p.id === c.probes[0])!.in === id),
      );
    stages.forEach((s, i) =>
      trial.stages[i]!.metrics.forEach((m) => {
        const [low, high] = s.readings[shownBy(m.judged)]!;
        expect(m.whole.reading.low).toBeCloseTo(low!, 9);
        expect(m.whole.reading.high).toBeCloseTo(high!, 9);
      }),
    );
  });
  it("devices: starts and shares of time of each, and of heat and cold together", () => {
    stages.forEach((s, i) => {
      const [m] = trial.stages[i]!.metrics;
      expect([m!.heatStarts, m!.coldStarts]).toEqual([s.heatStarts, s.coldStarts]);
      expect(m!.coldStartsPerDay).toBeCloseTo(s.coldStarts / (s.seconds / DAY), 9);
      expect(m!.heatDuty).toBeCloseTo(s.heatDuty, 9);
      expect(m!.coldDuty).toBeCloseTo(s.coldDuty, 9);
      s.devices.forEach((d, k) => {
        expect(m!.devices[k]!.starts).toBe(d.starts);
        expect(m!.devices[k]!.duty).toBeCloseTo(d.duty, 9);
      });
      const turns = reversals(trial.heat, trial.cold).filter((t) => t >= s.from && t < s.from + s.seconds);
      expect(m!.reversals.count).toBe(turns.length);
      expect(m!.reversals.perDay).toBeCloseTo(turns.length / (s.seconds / DAY), 9);
    });
  });
  it("alarms: of each unit, and of any", () => {
    stages.forEach((s, i) => {
      const all = trial.stages[i]!.metrics;
      expect([all[0]!.alarm.low, all[0]!.alarm.high]).toEqual([s.low, s.high]);
      expect(all[0]!.controls.map((c) => [c.lowAlarm, c.highAlarm])).toEqual(s.controls.map((c) => [c.low, c.high]));
      all.forEach((m, j) => expect(m.alarm.lowSettled).toBe(s.things[j]!.lowSettled));
    });
  });
  it("the whole program: from its first arrival on all of it counts, the ways between its bands too", () => {
    trial.whole.forEach((m) => {
      const parts = trial.stages.map((s) => s.metrics.find((o) => o.judged === m.judged)!);
      expect(m.stage).toBeNull();
      expect(m.seconds).toBe(parts.reduce((all, p) => all + p.seconds, 0));
      expect(m.whole.product.low).toBe(Math.min(...parts.map((p) => p.whole.product.low)));
      expect(m.whole.product.high).toBe(Math.max(...parts.map((p) => p.whole.product.high)));
      const first = parts.findIndex((p) => p.timeToBand !== null);
      const since = parts.slice(first);
      expect(m.timeToBand).toBe(since[0]!.from - parts[0]!.from + since[0]!.timeToBand!);
      const inside = since.reduce((all, p) => all + p.inBand * (p.seconds - (p.timeToBand ?? p.seconds)), 0);
      const counted = since.reduce((all, p) => all + p.seconds, 0) - since[0]!.timeToBand!;
      expect(m.inBand).toBeCloseTo(inside / counted, 9);
      expect(m.settled).toBeNull();
      for (const name of ["heater", "lost", "stored", "cold"] as const)
        expect(m.energy[name]).toBeCloseTo(
          parts.reduce((all, p) => all + p.energy[name], 0),
          3,
        );
      expect(m.controls.map((c) => c.lowAlarm)).toEqual(
        m.controls.map((_, c) => parts.reduce((all, p) => all + p.controls[c]!.lowAlarm, 0)),
      );
      expect(m.runOn.heat).toBe(Math.max(...parts.map((p) => p.runOn.heat)));
    });
  });
});

describe("what comes after the end of a program", () => {
  const { trial, rows, input } = byHand(cases[0]![1](), 6);
  it("is shown and no longer judged", () => {
    expect(trial.finishedAt).toBe(120 * HOUR);
    expect(trial.stages.at(-1)!.to).toBe(120 * HOUR);
    expect(trial.stages.map((s) => [s.dueAt, s.endedBy])).toEqual([
      [30 * HOUR, 0],
      [70 * HOUR, 0],
      [120 * HOUR, 0],
    ]);
    expect(trial.whole[0]!.seconds).toBe(120 * HOUR);
    const last = rows.slice((120 * HOUR) / input.dt);
    expect(last.some((r) => r.on)).toBe(true);
    const coldest = Math.min(...last.map((r) => r.product));
    expect(trial.stages.at(-1)!.metrics[0]!.whole.product.low).toBeGreaterThan(coldest + 1);
    // Its switching goes on in the trace and in the log of the devices.
    expect(trial.heat.some((t) => t > 120 * HOUR)).toBe(true);
  });
  it("a happening belongs to the stage in which it comes, at its first moment too", () => {
    const graces = trial.stages.map((s) => s.metrics[0]!.grace.map((g) => g.id));
    expect(graces).toEqual([[], ["cut"], ["late"]]);
    expect(trial.whole[0]!.grace.map((g) => g.id)).toEqual(["cut", "late"]);
    const at = (t: number) =>
      tried({ ...cases[0]![1](), happenings: [{ ...power, at: t }] }, 6).trial.stages.map(
        (s) => s.metrics[0]!.grace.length,
      );
    expect(at(30 * HOUR)).toEqual([0, 1, 0]);
    expect(at(30 * HOUR - 1)).toEqual([1, 0, 0]);
    expect(at(0)).toEqual([1, 0, 0]);
    // What comes when all is over still belongs to the last one, which could not hold it.
    expect(at(130 * HOUR)).toEqual([0, 0, 1]);
  });
});

describe("fuel", () => {
  it("is shared out among the stages, and what burns after the end of the program is not counted", () => {
    const drum = (...ends: StageEnd[]) =>
      staged(
        recordWith(set("cabinet", "kind", "drum")),
        { band: [100, 110], ends: [after(2 * HOUR)] },
        { band: [115, 125], ends },
      );
    const open = tried(drum(), 0.5).trial;
    const parts = open.stages.map((s) => s.metrics[0]!.fuelBurned);
    expect(parts.every((kg) => kg > 0.1)).toBe(true);
    expect(open.metrics.fuelBurned).toBeCloseTo(parts[0]! + parts[1]!, 9);
    const ended = tried(drum(after(3 * HOUR)), 0.5).trial;
    expect(ended.metrics.fuelBurned).toBeLessThan(open.metrics.fuelBurned * 0.7);
    // Burned kilograms give 29 MJ each, of which 85 in a hundred come out as heat.
    expect(ended.metrics.energy.fire / (29e6 * 0.85)).toBeCloseTo(ended.metrics.fuelBurned, 3);
  });
});

describe("when a fire's fuel is used up", () => {
  it("is the moment by which its usable share has burned", () => {
    const record = recordWith(
      set("cabinet", "kind", "drum"),
      set("heater", "fuel", 1.5),
      set("stage", "low", 110),
      set("stage", "high", 125),
    );
    const { fuelOutAt } = tried(record, 1).trial.metrics;
    expect(fuelOutAt).toBeGreaterThan(HOUR);
    const burned = (until: number) => tried(record, until / DAY).trial.metrics.fuelBurned / 1.5;
    expect(burned(fuelOutAt! + 60)).toBeCloseTo(0.9, 2);
    expect(burned(fuelOutAt! - 600)).toBeLessThan(0.9 - 0.005);
  });
});

describe("a chase in one stage", () => {
  it("is told of that one alone", () => {
    const record = changed(
      staged(
        recordWith(...steadyRoom(22), ...heldAt(20), heaterOf(60), set("probe", "place", "air")),
        { band: [18, 22], ends: [after(2 * DAY)] },
        { band: [18, 22] },
      ),
      set("settings", "heatingDifferential", 0.3, "u1", "s1"),
      set("settings", "coolingDifferential", 0.3, "u1", "s1"),
      set("settings", "heatingDifferential", 6, "u1", "s2"),
      set("settings", "coolingDifferential", 1.5, "u1", "s2"),
    );
    const { stages, metrics } = tried(record, 4).trial;
    const [chasing, calm] = stages.map((s) => s.metrics[0]!.reversals);
    expect(chasing!.perDay).toBeGreaterThan(5);
    expect(calm!.count).toBeLessThanOrEqual(1);
    expect(metrics.reversals.count).toBe(chasing!.count + calm!.count);
  });
});

describe("an alarm after the end of a program", () => {
  it("stands in the trace, and in no figure", () => {
    const record: ChamberRecord = {
      ...changed(
        staged(recordWith(...steadyRoom(12), ...heldAt(20)), { band: [18, 22], ends: [after(20 * HOUR)] }),
        set("unit", "alarms", "absolute"),
        set("settings", "lowAlarm", celsius(17.5), "u1", "s1"),
      ),
      happenings: [{ kind: "heaterCutOut", id: "a", which: "h1", at: 21 * HOUR, lasting: 0 }],
    };
    const { trace, metrics } = tried(record, 4).trial;
    // At its start the display is low for some minutes; what the cut does comes too late to be counted.
    expect(metrics.alarm.low).toBe(tried({ ...record, happenings: [] }, 4).trial.metrics.alarm.low);
    const late = Math.ceil((24 * HOUR) / trace.width);
    expect(Array.from(trace.alarm.slice(late)).filter((share) => share > 0).length).toBeGreaterThan(20);
  });
});

describe("a stage that is due and waits for somebody", () => {
  it("is said to be due though nobody has come by the end of the trial", () => {
    const record = changed(
      staged(
        recordWith(...steadyRoom(12), ...heldAt(20)),
        { band: [18, 22], ends: [after(20 * HOUR)] },
        { band: [14, 16] },
      ),
      set("program", "byHand", true),
      set("program", "attendedFrom", 8),
      set("program", "attendedTo", 20),
      set("program", "away", [{ from: 10 * HOUR, to: 20 * DAY }]),
    );
    const { stages } = tried(record, 3).trial;
    expect(stages.map((s) => [s.id, s.dueAt, s.endedBy])).toEqual([["s1", 20 * HOUR, 0]]);
  });
  it("an end that was nearly there in one stage begins anew in the next", () => {
    const held = {
      kind: "reaches" as const,
      observable: { of: "air" as const, id: "", name: "temperature" },
      comparison: "atLeast" as const,
      value: 10,
    };
    const record = staged(
      recordWith(...steadyRoom(12), ...heldAt(20)),
      { band: [18, 22], ends: [{ ...held, heldFor: 9 * HOUR }, after(8 * HOUR)] },
      { band: [18, 22], ends: [{ ...held, heldFor: 3 * HOUR }] },
      { band: [18, 22] },
    );
    const { stages } = tried(record, 2).trial;
    expect(stages.map((s) => [s.from / HOUR, s.endedBy])).toEqual([
      [0, 1],
      [8, 0],
      [11, null],
    ]);
  });
});

describe("hours of grace of each failure", () => {
  it("of the power, of each heater and of each cooler that an outlet switches, in its own stage, at the worse of two moments", () => {
    const { plan, trial } = tried(twoUnits(), 3);
    const [metrics] = trial.stages[0]!.metrics;
    const found = usualGrace(plan, metrics!);
    expect(found.map((f) => [f.kind, f.which])).toEqual([
      ["powerCut", ""],
      ["heaterCutOut", "h1"],
      ["heaterCutOut", "h2"],
    ]);
    const begin = metrics!.timeToBand! + 12 * HOUR;
    const alone = [0, 12 * HOUR].map((later) => {
      const cut: Happening = { kind: "powerCut", id: "a", at: begin + later, lasting: 0 };
      const days = (begin + later) / DAY + 4;
      return tried({ ...twoUnits(), happenings: [cut] }, days, 10).trial.stages[0]!.metrics[0]!.grace[0]!.seconds!;
    });
    expect(alone[0]).not.toBe(alone[1]);
    expect(found[0]!.seconds).toBe(Math.min(...alone));
    expect(found[0]!.cold).toBe(true);
    // The two stand in the same air: either heater alone keeps both.
    expect(found.slice(1).map((f) => f.seconds)).toEqual([Infinity, Infinity]);
    expect(usualGrace(plan, { ...metrics!, timeToBand: null }).map((f) => f.seconds)).toEqual([null, null, null]);
    const both = tried(recordWith(...steadyRoom(20), ...heldAt(20)), 2);
    expect(usualGrace(both.plan, both.trial.stages[0]!.metrics[0]!).map((f) => f.which)).toEqual(["", "h1", "c1"]);
  });
});

describe("a stretch looked at again", () => {
  it("in several stages and with two units it is the same as the trial, bin by bin", () => {
    const kept = runKept(trialOf(planOf(cases[0]![1]()), 6, 10), 144);
    const { trace } = kept.trial;
    const again = stretchOf(kept, 0, 6 * DAY, 144);
    expect(again.low.product).toEqual(trace.low.product);
    expect(again.high.air).toEqual(trace.high.air);
    const part = stretchOf(kept, 2 * DAY, 3 * DAY, 24);
    expect(Array.from(part.low.product)).toEqual(Array.from(trace.low.product.slice(48, 72)));
    expect(Array.from(part.high.probe)).toEqual(Array.from(trace.high.probe.slice(48, 72)));
  });
});
