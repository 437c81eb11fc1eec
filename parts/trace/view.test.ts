import fc from "fast-check";
import { isWhole, keepWithin, NARROWEST, panned, zoomed } from "./view";

const END = 7 * 86_400;
const views = fc
  .tuple(fc.double({ min: 0, max: END, noNaN: true }), fc.double({ min: 0, max: END, noNaN: true }))
  .map(([a, b]) => keepWithin({ from: Math.min(a, b), to: Math.max(a, b) }, END));

describe("the view of a chart", () => {
  it("stays within the trial, never narrower than ten minutes, whatever is done to it", () => {
    fc.assert(
      fc.property(
        views,
        fc.double({ min: 0.05, max: 20, noNaN: true }),
        fc.double({ min: -1e6, max: 1e6, noNaN: true }),
        (v, factor, by) => {
          for (const next of [zoomed(v, factor, (v.from + v.to) / 2, END), panned(v, by, END)]) {
            expect(next.from).toBeGreaterThanOrEqual(-1e-6);
            expect(next.to).toBeLessThanOrEqual(END + 1e-6);
            expect(next.to - next.from).toBeGreaterThanOrEqual(NARROWEST - 1e-6);
          }
        },
      ),
    );
  });
  it("zooms around a moment that keeps its place", () => {
    const next = zoomed({ from: 0, to: 1000 * 60 }, 0.5, 250 * 60, END);
    expect((250 * 60 - next.from) / (next.to - next.from)).toBeCloseTo(0.25, 9);
  });
  it("knows when it is the whole, and a short trial is never wider than it is", () => {
    expect(isWhole(zoomed({ from: 100, to: 5000 }, 1e6, 300, END), END)).toBe(true);
    expect(keepWithin({ from: -50, to: 900 }, 300)).toEqual({ from: 0, to: 300 });
  });
});
