import { celsius, kelvins } from "../quantity";
import { heaterOf, heldAt, recordWith, steadyRoom, tried } from "../testing/build";
import type { Trial } from "../trial";
import { judge } from "./judge";

/**
 * Where a verdict begins: the figures of a real trial moved across each limit, and nothing else. Limits: chasing from more
 * than three turns a day, a compressor from more than four starts an hour, a relay from more than eight an hour (common
 * practice, no source).
 */
const { plan, trial } = tried(recordWith(...steadyRoom(15), ...heldAt(20), heaterOf(60)), 3);
type Figures = Trial["stages"][number]["metrics"][number];
const judged = (change: (m: Figures) => Figures) => {
  const stages = trial.stages.map((s) => ({ ...s, metrics: s.metrics.map(change) }));
  const whole = trial.whole.map(change);
  return judge(plan, { ...trial, stages, whole, metrics: change(trial.metrics) }, "C");
};
const severityOf = (id: string, change: (m: Figures) => Figures) => judged(change).find((v) => v.id === id)?.severity;

describe("limits of severity", () => {
  it("the trial itself is calm", () => expect(judged((m) => m).map((v) => v.severity)).not.toContain("danger"));

  it.each([
    [3, undefined],
    [3.1, "danger"],
  ])("%d turns a day between heat and cold: %s", (perDay, severity) => {
    const turns = (m: Figures): Figures => ({ ...m, reversals: { count: 9, perDay, worstFrom: 1000 } });
    expect(severityOf("chasing", turns)).toBe(severity);
  });

  it.each([
    [4, undefined],
    [5, "warning"],
  ])("%d starts of the compressor within an hour: %s", (starts, severity) => {
    const busy = (m: Figures): Figures => ({
      ...m,
      devices: m.devices.map((d) => (d.id === "c1" ? { ...d, starts: 40, busiestHour: { starts, from: 7200 } } : d)),
    });
    expect(severityOf("short-cycling", busy)).toBe(severity);
  });

  it.each([
    [8, undefined],
    [8.1, "note"],
  ])("%d starts of the heater an hour: %s", (perHour, severity) => {
    const wearing = (m: Figures): Figures => ({
      ...m,
      devices: m.devices.map((d) => (d.id === "h1" ? { ...d, starts: (perHour * m.seconds) / 3600 } : d)),
    });
    expect(severityOf("relay-wears", wearing)).toBe(severity);
  });

  it.each([
    [0.09, undefined],
    [0.11, "warning"],
    [0.99, "warning"],
    [1.01, "danger"],
  ])("%d K past its band once it has settled, and hardly ever: %s", (past, severity) => {
    const { low } = plan.chamber.stages[0]!;
    const cold = (m: Figures): Figures => ({
      ...m,
      inBand: 0.99,
      settled: { ...m.settled!, product: { ...m.settled!.product, low: celsius(low - kelvins(past)) } },
    });
    expect(severityOf("leaves-band", cold)).toBe(severity);
  });
  it("a tenth of a kelvin past it for a tenth of the time is a danger too", () => {
    const { low } = plan.chamber.stages[0]!;
    const often =
      (inBand: number) =>
      (m: Figures): Figures => ({
        ...m,
        inBand,
        settled: { ...m.settled!, product: { ...m.settled!.product, low: celsius(low - kelvins(0.5)) } },
      });
    expect(severityOf("leaves-band", often(0.9))).toBe("warning");
    expect(severityOf("leaves-band", often(0.89))).toBe("danger");
  });
});
