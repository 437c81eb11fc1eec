import type { Edit } from "../model";
import { celsius, kelvins } from "../quantity";
import { heaterOf, plainTrial, planned, probeAt, recordWith, steadyRoom } from "../testing/build";
import { recorder } from "../testing/replay";
import { runTrial } from "./runTrial";
import { startRun } from "./run";
import { advance } from "./stepper";

/**
 * The one-pass tally against plain loops over the complete record of the same run: nothing of the tally, of the
 * switch log or of the metrics is used to get the expected figures.
 */
function byHand(record: ReturnType<typeof recordWith>, days: number) {
  const { chamber, settings } = planned(record);
  const input = plainTrial(chamber, settings, days);
  const run = startRun(input);
  const seen = recorder(run.network.nodes.length);
  advance(run, run.steps, seen);
  const { dt } = input;
  const line = (node: number) => seen.x.map((x) => x[node]!);
  const product = line(run.network.vessels[0]!);
  const probe = line(run.network.probes[0]!);
  const air = line(run.network.air);
  const { low, high } = chamber.stages[0]!;
  const inBand = product.map((t) => t >= low && t <= high);
  const arrival = inBand.indexOf(true);
  // Twelve hours after arrival a fridge counts as settled (our choice, docs/sources.md).
  const settledFrom = arrival + (12 * 3600) / dt;
  const after = (list: number[], from: number) => list.slice(from);
  const cooling = seen.cooling.map(Boolean);
  const share = (on: boolean[]) => on.filter(Boolean).length / on.length;
  const starts = (on: boolean[]) => on.filter((now, i) => now && !on[i - 1]).length;
  const rests: number[] = [];
  let stop = -1;
  cooling.forEach((on, i) => {
    if (on && !cooling[i - 1] && stop >= 0) rests.push((i - stop) * dt);
    if (!on && cooling[i - 1]) stop = i;
  });
  const { error } = chamber.probes[0]!;
  const shown = probe.map((t) => Math.round((t + error) * 10 + 1e-9) / 10 + settings.offset);
  return {
    trial: runTrial(input),
    seconds: seen.x.length * dt,
    arrival: arrival * dt,
    inBand: share(inBand.slice(arrival)),
    productArrived: after(product, arrival),
    productSettled: after(product, settledFrom),
    probeSettled: after(probe, settledFrom),
    shownSettled: after(shown, settledFrom),
    air,
    heatDuty: share(seen.heating),
    coldDuty: share(cooling),
    coldDutyLastDay: share(cooling.slice(-86_400 / dt)),
    heatStarts: starts(seen.heating),
    coldStarts: starts(cooling),
    rests,
    highAlarm: shown.filter((t) => t >= settings.highAlarm - 1e-9).length * dt,
    lowAlarm: shown.filter((t) => t <= settings.lowAlarm + 1e-9).length * dt,
    heating: seen.heating,
  };
}

const swinging: Edit[] = [
  { section: "room", field: "low", value: celsius(12) },
  { section: "room", field: "high", value: celsius(27) },
];

const cases: [string, Edit[]][] = [
  ["an ale in a swinging room", swinging],
  [
    "a chase in the air",
    [
      ...steadyRoom(22),
      probeAt("air"),
      heaterOf(60),
      { section: "settings", field: "heatingDifferential", value: kelvins(0.3) },
    ],
  ],
  ["a probe that is off, with its offset", [...swinging, { section: "probe", field: "error", value: kelvins(1.3) }]],
  [
    "near alarms",
    [
      ...swinging,
      { section: "settings", field: "highAlarm", value: celsius(20) },
      { section: "settings", field: "lowAlarm", value: celsius(19) },
    ],
  ],
];

describe.each(cases)("metrics of %s", (_, edits) => {
  const expected = byHand(recordWith(...edits), 3);
  const { metrics, trace } = expected.trial;

  it("arrival and time in the band", () => {
    expect(metrics.seconds).toBe(expected.seconds);
    expect(metrics.timeToBand).toBe(expected.arrival);
    expect(metrics.inBand).toBeCloseTo(expected.inBand, 12);
  });

  it("ranges of product, probe, display and air", () => {
    expect(metrics.arrived!.product.low).toBeCloseTo(Math.min(...expected.productArrived), 12);
    expect(metrics.arrived!.product.high).toBeCloseTo(Math.max(...expected.productArrived), 12);
    expect(metrics.settled!.product.high).toBeCloseTo(Math.max(...expected.productSettled), 12);
    expect(metrics.settled!.probe.low).toBeCloseTo(Math.min(...expected.probeSettled), 12);
    expect(metrics.settled!.reading.low).toBeCloseTo(Math.min(...expected.shownSettled), 9);
    expect(metrics.settled!.reading.high).toBeCloseTo(Math.max(...expected.shownSettled), 9);
    expect(metrics.whole.air.high).toBeCloseTo(Math.max(...expected.air), 12);
    const mean = expected.productSettled.reduce((a, b) => a + b, 0) / expected.productSettled.length;
    expect(metrics.settled!.productMean).toBeCloseTo(mean, 10);
  });

  it("the moment of an extreme is the moment at which it stands", () => {
    const { high, highAt } = metrics.arrived!.product;
    expect(expected.productArrived[(highAt - expected.arrival) / 5]).toBeCloseTo(high, 12);
  });

  it("duty, starts and rests", () => {
    expect(metrics.heatDuty).toBeCloseTo(expected.heatDuty, 12);
    expect(metrics.coldDuty).toBeCloseTo(expected.coldDuty, 12);
    expect(metrics.coldDutyLastDay).toBeCloseTo(expected.coldDutyLastDay, 12);
    expect(metrics.heatStarts).toBe(expected.heatStarts);
    expect(metrics.coldStarts).toBe(expected.coldStarts);
    expect(metrics.shortestRest).toBe(expected.rests.length ? Math.min(...expected.rests) : null);
  });

  it("alarms", () => {
    expect(metrics.alarm.high).toBe(expected.highAlarm);
    expect(metrics.alarm.low).toBe(expected.lowAlarm);
  });

  it("the lane of heat holds every second of heat", () => {
    const seconds = trace.heat.reduce((sum, share) => sum + share * trace.width, 0);
    expect(seconds / expected.seconds).toBeCloseTo(expected.heatDuty, 3);
  });
});

describe("the settling time", () => {
  it.each([
    ["a fridge", "fridge", 12, 20],
    ["a kettle", "kettle", 1, 65],
  ] as const)("%s: the trial has a steady swing from its hours on, and not a step before", (_, kind, hours, at) => {
    const record = recordWith(
      { section: "cabinet", field: "kind", value: kind === "fridge" ? "upright" : "kettle" },
      ...steadyRoom(15),
      { section: "product", field: "kind", value: "hold" },
      { section: "vessel", field: "startTemperature", value: celsius(at) },
      { section: "stage", field: "low", value: celsius(at - 8) },
      { section: "stage", field: "high", value: celsius(at + 8) },
    );
    const { chamber, settings } = planned(record);
    const settledAfter = (seconds: number) =>
      runTrial(plainTrial(chamber, settings, seconds / 86_400, 5)).metrics.settled;
    expect(settledAfter(hours * 3600)).toBeNull();
    expect(settledAfter(hours * 3600 + 5)).not.toBeNull();
  });
});
