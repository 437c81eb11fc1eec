import fc from "fast-check";
import { namesAbove } from "./names";

describe("names above the points of a picture", () => {
  it("a lone name stands above its point", () => {
    expect(namesAbove([{ name: "now", x: 100, y: 120 }])).toEqual([{ name: "now", x: 100, y: 120, top: 102 }]);
  });
  it("names of one point are joined, in their order", () => {
    const [only, ...more] = namesAbove([
      { name: "now", x: 100, y: 120 },
      { name: "middle", x: 102, y: 119 },
    ]);
    expect(only!.name).toBe("now, middle");
    expect(more).toEqual([]);
  });
  it("at the top of the picture a name gives way downwards, never out of it", () => {
    const names = namesAbove([
      { name: "edge", x: 100, y: 15 },
      { name: "best", x: 110, y: 15 },
    ]);
    for (const { top } of names) expect(top).toBeGreaterThanOrEqual(22);
    expect(Math.abs(names[0]!.top - names[1]!.top)).toBeGreaterThanOrEqual(14);
  });
  it("four of them under each other at the top all find a place", () => {
    const ys = [15, 33, 103, 38];
    const tops = namesAbove(ys.map((y, i) => ({ x: 50, y, name: ["best", "now", "middle", "edge"][i]! })))
      .map((p) => p.top)
      .sort((a, b) => a - b);
    for (let i = 1; i < 4; i++) expect(tops[i]! - tops[i - 1]!).toBeGreaterThanOrEqual(14);
  });
  it("never covers another name, wherever four points lie", () => {
    const point = fc.record({ x: fc.integer({ min: 50, max: 320 }), y: fc.integer({ min: 15, max: 200 }) });
    fc.assert(
      fc.property(point, point, point, point, (...points) => {
        const placed = namesAbove(points.map((p, i) => ({ ...p, name: ["best", "now", "middle", "edge"][i]! })));
        placed.forEach((a, i) =>
          placed.slice(i + 1).forEach((b) => {
            const [left, right] = a.x <= b.x ? [a, b] : [b, a];
            const overlap = right.x < left.x + left.name.length * 7.5 && Math.abs(a.top - b.top) < 14;
            expect(overlap).toBe(false);
          }),
        );
        expect(
          placed
            .flatMap((p) => p.name.split(", "))
            .sort()
            .join(),
        ).toBe("best,edge,middle,now");
      }),
      { numRuns: 1000 },
    );
  });
});
