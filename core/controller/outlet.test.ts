import fc from "fast-check";
import { freshOutlet, outletOf, stepOutlet, type Outlet } from ".";

/** Shares of power that an outlet gives, step by step. */
const given = (outlet: Outlet, share: (i: number) => number, steps: number, dt: number): number[] => {
  const state = freshOutlet();
  return Array.from({ length: steps }, (_, i) => stepOutlet(state, share(i), outlet, dt));
};
const mean = (list: number[]) => list.reduce((a, b) => a + b, 0) / list.length;

describe("an outlet that switches a share", () => {
  it("a relay is live for its share of the window, from its beginning, and dead for the rest", () => {
    const steps = given(outletOf("relay"), () => 0.3, 60, 1);
    expect(steps.slice(0, 30)).toEqual([...Array<number>(9).fill(1), ...Array<number>(21).fill(0)]);
    expect(steps.slice(30)).toEqual(steps.slice(0, 30));
  });
  it("gives the share on average, whatever it is and however its pulse falls on the steps", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.04, max: 0.96, noNaN: true }), fc.constantFrom(1, 2, 5), (share, dt) => {
        expect(mean(given(outletOf("relay"), () => share, 60 / dt, dt))).toBeCloseTo(share, 9);
      }),
    );
  });
  it("makes no pulse and no pause shorter than its shortest: less than half of one is none", () => {
    const relay: Outlet = { by: "relay", window: 30, shortestPulse: 2 };
    expect(mean(given(relay, () => 0.9 / 30, 30, 1))).toBe(0);
    expect(mean(given(relay, () => 1.1 / 30, 30, 1)) * 30).toBeCloseTo(2, 9);
    expect(mean(given(relay, () => 28.9 / 30, 30, 1)) * 30).toBeCloseTo(28, 9);
    expect(mean(given(relay, () => 29.1 / 30, 30, 1))).toBe(1);
  });
  it("keeps the share that a window began with, and takes the next one up at its end", () => {
    const steps = given(outletOf("relay"), (i) => (i < 5 ? 0.5 : 0.1), 60, 1);
    expect(mean(steps.slice(0, 30))).toBeCloseTo(0.5, 9);
    expect(mean(steps.slice(30))).toBeCloseTo(0.1, 9);
  });
  it("a power stage follows at once, and so does a window too short for the steps", () => {
    expect(given(outletOf("power"), (i) => i / 10, 4, 5)).toEqual([0, 0.1, 0.2, 0.3]);
    expect(given(outletOf("solidState"), () => 0.37, 3, 10)).toEqual([0.37, 0.37, 0.37]);
    expect(given(outletOf("solidState"), () => 0.37, 10, 1)).toEqual([
      1,
      1,
      1,
      expect.closeTo(0.7, 9),
      0,
      0,
      0,
      0,
      0,
      0,
    ]);
  });
});
