import { axisOf, axisTicks, dayTicks, degrees } from "./axis";

describe("axes of the trace", () => {
  it("take in all values with a little room, on whole degrees of the scale", () => {
    expect(axisOf([18.2, 21.7], "C")).toEqual([17, 22]);
    expect(axisOf([0, 100], "F")).toEqual([21, 223]);
    const [low, high] = axisOf([20], "C");
    expect(low).toBeLessThan(20);
    expect(high).toBeGreaterThan(20);
  });
  it.each([
    [[0, 10], 5, [0, 2, 4, 6, 8, 10]],
    [[17, 22], 6, [17, 18, 19, 20, 21, 22]],
    [[-7, 41], 6, [0, 10, 20, 30, 40]],
    [[3, 130], 3, [50, 100]],
  ] as [[number, number], number, number[]][])("%j with room for %d", (axis, count, ticks) =>
    expect(axisTicks(axis, count)).toEqual(ticks),
  );
  it("mark midnights, thinned for long trials", () => {
    expect(dayTicks(2, 18)).toEqual([6, 30]);
    expect(dayTicks(7, 18)).toHaveLength(7);
    expect(dayTicks(30, 18).length).toBeLessThan(8);
    expect(dayTicks(14, 0)[0]).toBe(24);
  });
  it("write degrees with a true minus", () => expect(degrees(-5)).toBe("\u22125°"));
});
