import type { Happening } from "../model";
import { celsius } from "../quantity";
import { recordWith } from "../testing/build";
import { changed, set, twoUnits } from "../testing/configurations";
import { addDevice, addProbe, addVessel, describe as describeChamber } from "../chamber";
import {
  bindingOf,
  deviceMetrics,
  dutySince,
  energyBetween,
  gracesOf,
  imbalance,
  judgedName,
  layerLabel,
  pastBand,
  Range,
  startsWithin,
  timesWithin,
  usual,
  worstMoment,
  type EnergyAccount,
  type Metrics,
} from ".";

const HOUR = 3600;

describe("a device's starts and stops", () => {
  const times = [10, 30, 50, 90, 100, 110, 200];
  it.each<[string, number, number, number[]]>([
    ["all of them, the last run going on", 0, 300, [10, 30, 50, 90, 100, 110, 200]],
    ["a run that goes on into it counts from its beginning", 60, 105, [60, 90, 100]],
    ["one that stops at its beginning or starts at its end is outside", 30, 100, [50, 90]],
    ["one that stops at its end has no stop in it", 40, 90, [50]],
    ["all on", 60, 80, [60]],
    ["none", 120, 190, []],
  ])("within a stretch: %s", (_, from, to, expected) => expect(timesWithin(times, from, to)).toEqual(expected));

  it("are counted by their starts alone, the first moment in and the last out", () => {
    expect(startsWithin(times, 0, 300)).toBe(4);
    expect(startsWithin(times, 10, 50)).toBe(1);
    expect(startsWithin(times, 11, 51)).toBe(1);
    expect(startsWithin(times, 30, 40)).toBe(0);
  });

  it("share of the time on", () => {
    expect(dutySince([10, 30, 50], 0, 100)).toBeCloseTo(0.7, 12);
    expect(dutySince([10, 30, 50], 20, 60)).toBeCloseTo(0.5, 12);
    expect(dutySince([10, 30], 40, 60)).toBe(0);
    expect(dutySince([0], 50, 50)).toBe(0);
  });

  it("usual run and rest: the middle one of the whole ones after a moment; the run that is cut off does not count", () => {
    // Runs of 20, 5, 40 and one that goes on; rests of 20, 30 and 300 between them.
    const log = [10, 30, 50, 55, 85, 125, 425];
    expect(usual(log, 0, 1000)).toEqual({ run: 20, rest: 30 });
    // From 50 on: runs of 5 and 40, of which the longer stands in the middle; rests of 30 and 300.
    expect(usual(log, 40, 1000)).toEqual({ run: 40, rest: 300 });
    expect(usual(log, 400, 1000)).toEqual({ run: 575, rest: null });
    expect(usual(log, 426, 1000)).toBeNull();
    expect(usual([], 0, 1000)).toBeNull();
    // Numbers in order, not words in order.
    expect(usual([0, 9, 20, 120, 130, 141, 150], 0, 200)!.run).toBe(11);
  });

  it("what one device did", () => {
    expect(deviceMetrics("c1", [10, 30, 50, 55, 85, 125], 0, 200)).toEqual({
      id: "c1",
      starts: 3,
      duty: 65 / 200,
      busiestHour: { starts: 3, from: 10 },
      shortestRest: 20,
      longestRun: 40,
    });
    expect(deviceMetrics("c1", [], 0, 200)).toMatchObject({ starts: 0, duty: 0, shortestRest: null, longestRun: null });
    expect(deviceMetrics("c1", [0], 0, 2 * HOUR)).toMatchObject({ duty: 1, longestRun: 2 * HOUR, shortestRest: null });
  });
});

describe("hours of grace", () => {
  const power = (at: number, id = "a"): Happening => ({ kind: "powerCut", id, at, lasting: 60 });
  // Comes in at step 10, leaves by the cold end at 40, comes in at 60, leaves by the warm end at 100.
  const seen = { crossings: [10, 40, 60, 100], byCold: [0, 1, 0, 0] as (0 | 1)[] };
  it("from the happening to the next crossing out of the band, and by which end", () => {
    const graces = gracesOf([power(100), power(250), power(300, "b"), power(600), power(2000)], seen, 5);
    expect(graces.map(({ seconds, cold }) => [seconds, cold])).toEqual([
      [100, true],
      [null, false],
      [200, false],
      [null, false],
      [null, false],
    ]);
    expect(graces[2]).toMatchObject({ id: "b", kind: "powerCut", at: 300 });
  });
  it("at the moment at which it comes in it is in; without an end where it stays; not asked for a changed setpoint", () => {
    expect(gracesOf([power(50)], seen, 5)[0]).toMatchObject({ seconds: 150, cold: true });
    expect(gracesOf([power(49)], seen, 5)[0]).toMatchObject({ seconds: null, cold: false });
    expect(gracesOf([power(60)], { crossings: [10], byCold: [0] }, 5)[0]).toMatchObject({
      seconds: Infinity,
      cold: false,
    });
    expect(gracesOf([{ kind: "setpoint", id: "s", at: 60, which: "u1", to: celsius(20) }], seen, 5)).toEqual([]);
  });
});

describe("energy", () => {
  const none: EnergyAccount = {
    heater: 0,
    fire: 0,
    product: 0,
    evaporated: 0,
    fan: 0,
    defrost: 0,
    vapour: 0,
    brought: 0,
    cold: 0,
    lost: 0,
    stored: 0,
    cooler: 0,
    melted: 0,
  };
  it("what is missing, as a share of all flows in whichever direction, ten kilojoules at the least", () => {
    const flows = { ...none, heater: 100e3, product: 20e3, evaporated: 5e3, fan: 4e3, defrost: 3e3, brought: -8e3 };
    const balanced = { ...flows, cold: 60e3, lost: -30e3 };
    const stored = 100e3 + 20e3 - 5e3 + 4e3 + 3e3 - 8e3 - 60e3 + 30e3;
    expect(imbalance({ ...balanced, stored })).toBe(0);
    const all = 10e3 + 100e3 + 20e3 + 5e3 + 4e3 + 3e3 + 8e3 + 60e3 + 30e3;
    expect(imbalance({ ...balanced, stored: stored + 2400 })).toBeCloseTo(2400 / all, 12);
    expect(imbalance({ ...none, stored: 100 })).toBeCloseTo(0.01, 12);
    // What a cooler draws and what has melted are no flows of the box.
    expect(imbalance({ ...balanced, stored, cooler: 9e6, melted: 9e6 })).toBe(0);
  });
  it("between two accounts: each flow by itself", () => {
    const later = { ...none, heater: 7, lost: -3, melted: 2 };
    expect(energyBetween({ ...none, heater: 5, lost: 1 }, later)).toEqual({ ...none, heater: 2, lost: -4, melted: 2 });
  });
});

describe("the one that binds", () => {
  const metrics = (judged: string, low: number, high: number, inBand = 1) =>
    ({ judged, inBand, arrived: { product: { low, high } } }) as unknown as Metrics;
  const band = { low: 18, high: 22 };
  it("is past its band by the larger of both sides, zero inside, without end where it never got there", () => {
    expect(pastBand(metrics("a", 19, 21), band)).toBe(0);
    expect(pastBand(metrics("a", 17, 21), band)).toBe(1);
    expect(pastBand(metrics("a", 17.5, 24), band)).toBe(2);
    expect(pastBand({ ...metrics("a", 19, 21), arrived: null }, band)).toBe(Infinity);
  });
  it("fares worst against its own band; of equals the one that was outside for longer", () => {
    const a = metrics("a", 17, 21);
    const b = metrics("b", 16.5, 21);
    expect(bindingOf([a, b], () => band)).toBe(b);
    expect(bindingOf([a, b], (id) => (id === "b" ? { low: 16, high: 22 } : band))).toBe(a);
    const c = metrics("c", 19, 21, 0.9);
    expect(bindingOf([metrics("d", 19, 21, 0.95), c, metrics("e", 19, 21, 1)], () => band)).toBe(c);
  });
});

describe("where to look first", () => {
  const at = (more: Partial<Metrics>) =>
    worstMoment(
      {
        reversals: { count: 0, perDay: 0, worstFrom: null },
        arrived: { product: { low: 19, high: 21, lowAt: 100, highAt: 200 } },
        busiestHour: { starts: 0, from: 0 },
        seconds: 1000,
        settled: { product: { low: 19, high: 21, lowAt: 300, highAt: 400 } },
        ...more,
      } as unknown as Metrics,
      { low: 18, high: 22 },
    );
  const product = (low: number, high: number) =>
    ({ arrived: { product: { low, high, lowAt: 100, highAt: 200 } } }) as unknown as Partial<Metrics>;
  it("at a chase, an hour into its three; at fewer than that a day it is none", () => {
    expect(at({ reversals: { count: 9, perDay: 3.1, worstFrom: 5000 } })).toBe(5000 + 3600);
    expect(at({ reversals: { count: 9, perDay: 3, worstFrom: 5000 } })).toBe(400);
    expect(at({ reversals: { count: 9, perDay: 4, worstFrom: null } })).toBe(400);
  });
  it("at the furthest excursion, at the busiest hour, at the warmest moment, in the middle of what never arrived", () => {
    expect(at(product(17, 22.5))).toBe(100);
    expect(at(product(17.8, 23))).toBe(200);
    expect(at({ ...product(18, 22), busiestHour: { starts: 2, from: 7200 } })).toBe(7200 + 1800);
    expect(at({ busiestHour: { starts: 1, from: 7200 } })).toBe(400);
    expect(at({ settled: null })).toBe(200);
    expect(at({ arrived: null })).toBe(500);
  });
});

describe("extremes that are gathered", () => {
  it("each with its first moment; two together as if one had seen all", () => {
    const range = (...seen: [number, number][]) => {
      const r = new Range();
      for (const [value, time] of seen) r.add(value, time);
      return r;
    };
    const a = range([5, 1], [3, 2], [3, 3], [9, 4], [9, 5]);
    expect(a).toMatchObject({ low: 3, lowAt: 2, high: 9, highAt: 4 });
    expect(a.with(range([2, 9], [4, 10]))).toMatchObject({ low: 2, lowAt: 9, high: 9, highAt: 4 });
    expect(a.with(new Range())).toMatchObject({ low: 3, high: 9 });
    expect(new Range().with(a)).toMatchObject({ low: 3, lowAt: 2 });
  });
});

describe("lines in words", () => {
  it("each further line by its kind, numbered where there are several", () => {
    const one = describeChamber(recordWith());
    const many = describeChamber(changed(twoUnits(), addProbe, addDevice("cooler")));
    const label = (kind: string, index: number, chamber = one) => layerLabel({ kind, index } as never, chamber);
    const inBox = (kind: string) => describeChamber(recordWith(set("cabinet", "kind", kind)));
    expect(label("lining", 0)).toBe("inner wall");
    expect(label("lining", 0, inBox("crock"))).toBe("crock");
    expect(label("lining", 0, inBox("kettle"))).toBe("steel");
    expect(label("heater", 0)).toBe("heater body");
    expect(label("heater", 1, many)).toBe("heater body 2");
    expect(label("heater", 0, inBox("brick"))).toBe(
      inBox("brick").heaters[0]!.kind === "charcoal" ? "fire bed" : "heater body",
    );
    expect(label("heater", 0, describeChamber(recordWith(set("heater", "kind", "charcoal"))))).toBe("fire bed");
    expect(label("cold", 0)).toBe("evaporator");
    expect(label("cold", 0, describeChamber(recordWith(set("cooler", "kind", "ice"))))).toBe("ice");
    expect(label("cold", 0, describeChamber(recordWith(set("cooler", "kind", "peltier"))))).toBe("plate");
    expect(label("vessel", 1, many)).toBe("vessel 2");
    expect(label("vessel", 0, describeChamber(recordWith(set("stage", "of", "air"))))).toBe("food 1");
    expect(label("shell", 0)).toBe("product\u2019s skin");
    expect(label("shell", 1, describeChamber(changed(recordWith(), addVessel)))).toBe("skin of vessel 2");
    expect(label("watch", 1, many)).toBe("probe 2");
    expect(label("watch", 2, many)).toBe("probe 3, watching");
    expect(label("load", 0)).toBe("load 1");
  });
  it("what is judged", () => {
    const list = [{ id: "v1" }, { id: "v2" }];
    expect(judgedName("air", list)).toBe("air");
    expect(judgedName("v1", list.slice(0, 1))).toBe("product");
    expect(judgedName("v2", list)).toBe("vessel 2");
  });
});
