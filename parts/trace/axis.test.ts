import { axisOf, axisTicks, degrees, timeTick, timeTicks } from "./axis";

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
  it("leave out what is no temperature, and never run on without end", () => {
    expect(axisOf([18.2, NaN, 1e20, -Infinity, 21.7], "C")).toEqual([17, 22]);
    expect(axisOf([NaN], "C")).toEqual([-1, 2]);
    for (const axis of [
      [-1e20, 1e20],
      [0, Infinity],
      [NaN, NaN],
      [-300, 3000],
    ] as [number, number][])
      for (const count of [0.5, 2, 9]) expect(axisTicks(axis, count).length).toBeLessThanOrEqual(count + 1);
    expect(timeTicks(0, Infinity, 18, 700)).toEqual([]);
    expect(timeTicks(0, NaN, 18, 700)).toEqual([]);
  });
  it("mark midnights over days and clock times within one, thinned so that labels have room", () => {
    expect(timeTicks(0, 48, 18, 160)).toEqual([6, 30]);
    expect(timeTicks(0, 168, 18, 750)).toHaveLength(7);
    expect(timeTicks(0, 720, 18, 750).length).toBeLessThan(11);
    expect(timeTicks(0, 3, 18, 600).map((h) => timeTick(h, 18, 3))).toEqual([
      "18:00",
      "18:30",
      "19:00",
      "19:30",
      "20:00",
      "20:30",
      "21:00",
    ]);
    expect(timeTick(30, 18, 168)).toBe("day 3");
    for (const span of [0.2, 1, 5, 30, 400, 1440])
      expect(timeTicks(2, 2 + span, 18, 700).length).toBeLessThanOrEqual(700 / 56 + 1);
  });
  it("have three labels at least on a phone, whatever the length", () => {
    for (const days of [0.25, 0.5, 1, 3, 7, 14, 30])
      expect([days, timeTicks(0, days * 24, 18, 250).length >= 3]).toEqual([days, true]);
  });
  it("name the days by the calendar once it is known when they begin", () => {
    // 2026-01-31 was a Saturday; the sixth hour after 18:00 is the Sunday.
    expect(timeTick(6, 18, 168, "2026-01-31T18:00")).toBe("Sun 1");
    expect(timeTick(30, 18, 168, "2026-01-31T18:00")).toBe("Mon 2");
    expect(timeTick(8, 18, 24, "2026-01-31T18:00")).toBe("02:00");
  });
  it("write degrees with a true minus", () => expect(degrees(-5)).toBe("\u22125°"));
});
