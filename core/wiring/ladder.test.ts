import { planWith, random, randomPlan } from "../testing/wirings";
import { crossingsOf, rungsOf } from "./ladder";

const two = { heat: 60, cold: 90, motor: true, heatOhms: null } as const;

describe("the rungs of a ladder", () => {
  // By hand: the earth of the upper outlet crosses the lower rung, and the drive of the lower relay the upper one.
  it("of two outlets stand under the unit, with two crossings", () => {
    const plan = planWith({}, two);
    expect(rungsOf(plan)).toEqual(["unit", "heat", "cold"]);
    expect(crossingsOf(plan, ["unit", "heat", "cold"])).toBe(2);
    expect(crossingsOf(plan, ["heat", "unit", "cold"])).toBe(2);
    expect(crossingsOf(plan, ["cold", "heat", "unit"])).toBe(4);
  });
  it("are never worse than any other order, and a small change moves nothing that stays", () => {
    const next = random(5);
    for (let n = 0; n < 60; n++) {
      const plan = randomPlan(next);
      const order = rungsOf(plan);
      const least = crossingsOf(plan, order);
      for (let k = 0; k < 30; k++) {
        const other = [...order].sort(() => next() - 0.5);
        if (!plan.wiring.secondCord || other[other.length - 1] === "cold")
          expect(crossingsOf(plan, other)).toBeGreaterThanOrEqual(least);
      }
      const pilots = { ...plan, wiring: { ...plan.wiring, pilots: !plan.wiring.pilots, fuse: 13, metalBox: true } };
      expect(rungsOf(pilots)).toEqual(order);
      const supplied = { ...plan, wiring: { ...plan.wiring, supply: plan.wiring.supply > 0 ? 0 : 20 } };
      const kept = (list: readonly string[]) => list.filter((r) => r !== "supply");
      expect(kept(rungsOf(supplied))).toEqual(kept(order));
    }
  });
});
