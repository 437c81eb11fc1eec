import { addProbe, readProbe, splitController } from "../chamber";
import { applyEdits, type ChamberRecord, type Edit } from "../model";
import { celsius, kelvins } from "../quantity";
import { heaterOf, heldAt, meeting, plainTrial, planned, recordWith, settingsOf, steadyRoom } from "../testing/build";
import { planOf } from "./plan";
import { runKept, runTrial, stretchOf } from "./runTrial";
import { trialWith } from "./input";

const HOUR = 3600;
const edit = (section: string, field: string, value: unknown): Edit => ({ section, field, value }) as Edit;
const trialAt = (record: ChamberRecord, days = 4) => {
  const { chamber, settings } = planned(record);
  return runTrial(plainTrial(chamber, settings, days));
};
const held = [...heldAt(20), edit("stage", "low", celsius(19)), edit("stage", "high", celsius(21))];
const winter = (...edits: Edit[]) => recordWith(...steadyRoom(5), ...held, heaterOf(60), ...edits);
const summer = (...edits: Edit[]) => recordWith(...steadyRoom(32), ...held, ...edits);

describe("hours of grace", () => {
  // By hand: one heat capacity with a loss, T = T∞ + (T0 − T∞)·e^(−t/τ); the box settles to it after the fast nodes.
  it("a power cut in winter leaves about what the exponential decay of the whole box says", () => {
    const record = meeting(winter(), { kind: "powerCut", at: 48 * HOUR, lasting: 0 });
    const [grace] = trialAt(record).metrics.grace;
    expect(grace!.seconds).toBeGreaterThan(0);
    const capacity = 98_000 + 15_000 * 0.5;
    const most = (capacity / 1.75) * Math.log((19.9 - 5) / (19 - 5));
    expect(grace!.seconds!).toBeLessThan(most * 1.6);
    expect(grace!.seconds!).toBeGreaterThan(most * 0.1);
    expect(grace!.cold).toBe(true);
  });
  it("says so where the product holds to the end, and where it was outside already", () => {
    const calm = meeting(recordWith(...steadyRoom(20), ...held), { kind: "powerCut", at: 24 * HOUR, lasting: 0 });
    expect(trialAt(calm).metrics.grace[0]!.seconds).toBe(Infinity);
    const early = meeting(recordWith(...steadyRoom(20), ...heldAt(5)), { kind: "door", at: 60, lasting: 600 });
    expect(trialAt(early).metrics.grace[0]!.seconds).toBeNull();
  });
});

describe("each happening does what it says", () => {
  const at = 36 * HOUR;
  const after = (record: ChamberRecord, days = 4) => {
    const { trace } = trialAt(record, days);
    const bin = Math.floor(at / trace.width) + 1;
    const rest = (line: Float32Array) => Array.from(line.slice(bin));
    return {
      lowest: Math.min(...rest(trace.low.product)),
      highest: Math.max(...rest(trace.high.product)),
      heat: rest(trace.heat),
      cold: rest(trace.cold),
      alarm: rest(trace.alarm),
      air: { low: Math.min(...rest(trace.low.air)), high: Math.max(...rest(trace.high.air)) },
    };
  };
  it.each<[string, ChamberRecord, (r: ReturnType<typeof after>) => boolean]>([
    [
      "probe out in a cold room: the heater never rests",
      meeting(winter(), { kind: "probeOut", at, lasting: 0, to: "room" }),
      (r) => Math.min(...r.heat.slice(3)) > 0.99 && r.highest > 22,
    ],
    [
      "probe unplugged: both off and the alarm sounds",
      meeting(winter(), { kind: "probeFault", at, lasting: 0, fault: "open" }),
      (r) => Math.max(...r.heat) === 0 && r.alarm.every((a) => a > 0.99),
    ],
    [
      "a blind unit takes an open probe for cold and heats",
      meeting(winter(edit("unit", "atFault", "blind")), { kind: "probeFault", at, lasting: 0, fault: "open" }),
      (r) => Math.min(...r.heat) > 0.99,
    ],
    [
      "a blind unit takes a short for heat",
      meeting(summer(edit("unit", "atFault", "blind")), { kind: "probeFault", at, lasting: 0, fault: "short" }),
      (r) => r.cold.slice(2).every((c) => c > 0.99),
    ],
    [
      "a drifting probe carries the product with it",
      meeting(winter(), { kind: "probeDrift", at, lasting: 0, perDay: kelvins(2) }),
      (r) => r.lowest < 17,
    ],
    [
      "a heater with an electronic switch never comes back",
      meeting(winter(), { kind: "heaterStaysOff", at, lasting: 0 }),
      (r) => Math.max(...r.heat.slice(30)) === 0 && r.lowest < 15,
    ],
    [
      "a heater that cuts itself out",
      meeting(winter(), { kind: "heaterCutOut", at, lasting: 0 }),
      (r) => Math.max(...r.heat) === 0,
    ],
    [
      "a heat relay stuck on",
      meeting(winter(edit("cooler", "power", 0)), { kind: "relayStuck", at, lasting: 0, outlet: "heat", to: "on" }),
      (r) => r.highest > 23,
    ],
    [
      "a cold relay stuck on",
      meeting(summer(), { kind: "relayStuck", at, lasting: 0, outlet: "cold", to: "on" }),
      (r) => r.lowest < 12,
    ],
    [
      "a compressor that no longer cools runs and runs",
      meeting(summer(), { kind: "coldFails", at, lasting: 0 }),
      (r) => r.highest > 23 && r.cold.slice(20).every((c) => c > 0.99),
    ],
    [
      "a warm load warms the product",
      meeting(winter(edit("cooler", "power", 0)), {
        kind: "loadIn",
        at,
        volume: 0.02,
        temperature: celsius(60),
      }),
      (r) => r.highest > 22,
    ],
    [
      "an open door lets the winter in",
      meeting(winter(), { kind: "door", at, lasting: 2 * HOUR }),
      (r) => r.air.low < 12,
    ],
    [
      "a cold snap",
      meeting(winter(), { kind: "weather", at, lasting: 24 * HOUR, by: kelvins(-20) }),
      (r) => r.lowest < 18.9,
    ],
  ])("%s", (_, record, holds) => expect(holds(after(record))).toBe(true));

  it("a timer stops a long run; a thermostat in series keeps the body at its own limit", () => {
    expect(trialAt(winter(edit("heater", "timer", 1800))).metrics.usualHeat!.run).toBeLessThanOrEqual(1805);
    const cut = trialAt(winter(edit("heater", "ownThermostat", true), edit("heater", "ownThermostatAt", celsius(30))));
    const body = cut.trace.layers.find((l) => l.kind === "heater")!;
    expect(Math.max(...body.high)).toBeLessThan(31);
  });

  it("a fridge with electronic controls stays off after its first cut", () => {
    const { metrics } = trialAt(summer(edit("cooler", "staysOff", true)));
    expect(metrics.coldStarts).toBe(1);
    expect(metrics.whole.product.high).toBeGreaterThan(25);
  });
});

describe("a stretch looked at again", () => {
  it("agrees with the trial that it is cut from, happenings and noise included", () => {
    const record = meeting(winter(edit("probe", "noise", 0.05), edit("probe", "step", 0.0625)), {
      kind: "door",
      at: 30 * HOUR,
      lasting: 1200,
    });
    const { chamber, settings } = planned(record);
    const kept = runKept(plainTrial(chamber, settings, 4), 4 * 24);
    const again = stretchOf(kept, 28 * HOUR, 36 * HOUR, 8);
    for (let i = 0; i < 8; i++) {
      expect(again.low.air[i]).toBeCloseTo(kept.trial.trace.low.air[28 + i]!, 5);
      expect(again.high.reading[i]).toBeCloseTo(kept.trial.trace.high.reading[28 + i]!, 5);
      expect(again.heat[i]).toBeCloseTo(kept.trial.trace.heat[28 + i]!, 6);
    }
    expect(stretchOf(kept, 30 * HOUR, 30 * HOUR + 1200, 40).low.air.slice(-1)[0]).toBeLessThan(15);
  });
});

describe("two opposed units", () => {
  const split = (record: ChamberRecord) => splitController("u1")(record);
  it("run heat and cold at once where their numbers overlap, and not where they do not", () => {
    const run = (cold: number) => {
      const { chamber } = planOf(split(recordWith(...steadyRoom(20), ...held, heaterOf(120))));
      const settings = [[settingsOf(20, 0.5, 0.5), settingsOf(cold, 0.5, 0.5)]];
      const { heat, cold: colds } = runTrial(trialWith(chamber, settings, 2));
      const on = (times: number[], t: number) => times.filter((s) => s <= t).length % 2 === 1;
      return Array.from({ length: 2000 }, (_, i) => i * 86).some((t) => on(heat, t) && on(colds, t));
    };
    expect(run(18)).toBe(true);
    expect(run(21)).toBe(false);
  });

  it("the one for cold can read a probe of its own: it knows what the first does not feel", () => {
    const own = (probe: string) => {
      const record = addProbe(split(recordWith(...steadyRoom(26), ...held, edit("probe", "place", "waterBottle"))));
      const moved = applyEdits(record, [{ section: "probe", field: "place", id: "p2", value: "air" }]);
      const { chamber } = planOf(readProbe("u2", probe)(moved));
      const settings = [[settingsOf(18, 0.5, 0.5), settingsOf(20, 0.5, 0.5)]];
      return runTrial(trialWith(chamber, settings, 3)).metrics.coldStartsPerDay;
    };
    expect(own("p2")).toBeGreaterThan(2 * own("p1"));
  });
});
