import fc from "fast-check";
import { busiest, reversals, spansOf, SwitchLog } from "./events";

const HOUR = 3600;

describe("switch log", () => {
  it("keeps changes alone, starts and stops in turn", () => {
    const log = new SwitchLog();
    const moves = [false, true, true, false, false, true].map((on, i) => log.set(on, i * 10));
    expect(moves).toEqual([false, true, false, true, false, true]);
    expect(log.times).toEqual([10, 30, 50]);
    expect(log.starts).toBe(2);
  });
});

describe("runs and rests", () => {
  it.each([
    { times: [], runs: [], rests: [] },
    { times: [10], runs: [90], rests: [] },
    { times: [10, 30], runs: [20], rests: [] },
    { times: [10, 30, 55, 60], runs: [20, 5], rests: [25] },
    { times: [0, 5, 20], runs: [5, 80], rests: [15] },
  ])("of $times until 100", ({ times, runs, rests }) => {
    expect(spansOf(times, 100)).toEqual({ runs, rests });
  });

  it("add up to the whole time between the first start and the end, when the last run is still on", () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer({ min: 0, max: 9999 }), { minLength: 1, maxLength: 31 }), (raw) => {
        const times = [...raw].sort((a, b) => a - b);
        if (times.length % 2 === 0) times.pop();
        const { runs, rests } = spansOf(times, 10_000);
        const sum = [...runs, ...rests].reduce((a, b) => a + b, 0);
        expect(sum).toBe(10_000 - times[0]!);
      }),
    );
  });
});

describe("busiest window", () => {
  const starts = (...at: number[]) => at.flatMap((t) => [t, t + 1]);
  it.each([
    { at: [], starts: 0, from: 0 },
    { at: [100], starts: 1, from: 100 },
    { at: [0, 4000, 4100, 4200], starts: 3, from: 4000 },
    { at: [0, 3599], starts: 2, from: 0 },
    { at: [0, 3600], starts: 1, from: 0 },
  ])("of starts at $at", ({ at, starts: count, from }) => {
    expect(busiest(starts(...at), HOUR)).toEqual({ starts: count, from });
  });

  it("agrees with counting every window by hand", () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer({ min: 0, max: 20_000 }), { maxLength: 25 }), (raw) => {
        const at = [...raw].sort((a, b) => a - b);
        const byHand = Math.max(0, ...at.map((t) => at.filter((u) => u >= t && u < t + HOUR).length));
        expect(busiest(starts(...at), HOUR).starts).toBe(byHand);
      }),
    );
  });
});

describe("reversals", () => {
  const minutes = (...list: number[]) => list.map((m) => m * 60);
  it.each([
    { name: "heat alone", heat: minutes(0, 10, 40, 50), cold: [], found: [] },
    { name: "cold soon after heat", heat: minutes(0, 10), cold: minutes(30, 40), found: minutes(30) },
    {
      name: "heat soon after cold, and cold again",
      heat: minutes(60, 70),
      cold: minutes(30, 40, 90, 95),
      found: minutes(60, 90),
    },
    { name: "cold long after heat: that is the weather", heat: minutes(0, 10), cold: minutes(101, 110), found: [] },
    {
      name: "at ninety minutes it is still an answer",
      heat: minutes(0, 10),
      cold: minutes(100, 110),
      found: minutes(100),
    },
    {
      name: "a second later it is none",
      heat: minutes(0, 10),
      cold: [100 * 60 + 1, 110 * 60],
      found: [],
    },
    {
      name: "stop and start at one moment: the stop comes first",
      heat: minutes(0, 10),
      cold: minutes(10, 20),
      found: minutes(10),
    },
    {
      name: "heat twice between two colds counts once a turn",
      heat: minutes(20, 25, 40, 45),
      cold: minutes(0, 10, 60, 70),
      found: minutes(20, 60),
    },
  ])("$name", ({ heat, cold, found }) => expect(reversals(heat, cold)).toEqual(found));
});
