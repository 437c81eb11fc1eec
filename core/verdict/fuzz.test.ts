import fc from "fast-check";
import { tryEdits } from "../chamber";
import { probePlaces, productKinds, type Edit } from "../model";
import { celsius, kelvins } from "../quantity";
import { keyedIn, recordWith } from "../testing/build";
import { planFindings, planOf, runTrial, trialOf, unitsOf } from "../trial";
import { judge } from "./judge";

const edits = fc
  .record({
    kind: fc.constantFrom(...productKinds),
    place: fc.constantFrom(...probePlaces),
    roomLow: fc.double({ min: -25, max: 45, noNaN: true }),
    roomSpan: fc.double({ min: 0, max: 15, noNaN: true }),
    height: fc.double({ min: 0.6, max: 2.2, noNaN: true }),
    heater: fc.constantFrom(0, 25, 60, 299, 300, 2000),
    cooler: fc.constantFrom(0, 20, 70, 300),
    volume: fc.double({ min: 0.001, max: 0.15, noNaN: true }),
    start: fc.double({ min: -1, max: 95, noNaN: true }),
    low: fc.double({ min: -4, max: 80, noNaN: true }),
    width: fc.double({ min: 0.1, max: 9, noNaN: true }),
    error: fc.constantFrom(0, -3, 2.2),
    scale: fc.constantFrom("C" as const, "F" as const),
    resolution: fc.constantFrom(0.1, 1),
  })
  .map((r): Edit[] => [
    { section: "product", field: "kind", value: r.kind },
    { section: "probe", field: "place", value: r.place },
    { section: "probe", field: "error", value: kelvins(r.error) },
    { section: "room", field: "low", value: celsius(r.roomLow) },
    { section: "room", field: "high", value: celsius(r.roomLow + r.roomSpan) },
    { section: "cabinet", field: "height", value: r.height },
    { section: "heater", field: "power", value: r.heater },
    { section: "cooler", field: "power", value: r.cooler },
    { section: "vessel", field: "volume", value: r.volume },
    { section: "vessel", field: "startTemperature", value: celsius(r.start) },
    { section: "stage", field: "low", value: celsius(r.low) },
    { section: "stage", field: "high", value: celsius(r.low + r.width) },
    { section: "unit", field: "scale", value: r.scale },
    { section: "unit", field: "resolution", value: r.resolution },
  ]);

describe("any chamber that can be described", () => {
  it("gives a finite trial, a closed energy account, a rested compressor, and words without gaps", () => {
    fc.assert(
      fc.property(edits, (list) => {
        const tried = tryEdits(recordWith(), list);
        if (!tried.ok) throw new Error(tried.problem);
        const plan = planOf(tried.value);
        const trial = runTrial(trialOf(plan, 2, 10));
        const e = trial.metrics.energy;
        const flows =
          e.heater + Math.abs(e.product) + e.evaporated + Math.abs(e.cold) + Math.abs(e.lost) + Math.abs(e.vapour) + 1;
        expect(
          Math.abs(e.heater + e.product + e.vapour - e.evaporated - e.cold - e.lost - e.stored) / flows,
        ).toBeLessThan(1e-8);
        for (const line of [trial.trace.low.product, trial.trace.high.air])
          expect(line.every((t) => Number.isFinite(t))).toBe(true);
        if (trial.metrics.shortestRest !== null)
          expect(trial.metrics.shortestRest).toBeGreaterThanOrEqual(keyedIn(plan).compressorDelay);
        const heatOn = (t: number) => trial.heat.filter((s) => s <= t).length % 2 === 1;
        for (let i = 0; i < trial.cold.length; i += 2) expect(heatOn(trial.cold[i]!)).toBe(false);
        for (const scale of ["C", "F"] as const) {
          const words = [
            ...judge(plan, trial, scale).flatMap((v) => [v.title, v.text, ...v.remedies.map((r) => r.label)]),
            ...unitsOf(plan, plan.stages[0]!).flatMap((u) => planFindings(u, scale).map((f) => f.text)),
          ];
          for (const text of words) expect(text).not.toMatch(/NaN|Infinity|undefined|null/);
        }
      }),
      { numRuns: 60, seed: 20261125 },
    );
  });
});
