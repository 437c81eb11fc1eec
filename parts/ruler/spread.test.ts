import fc from "fast-check";
import { spread } from "./spread";

describe("labels along a line", () => {
  it("stay where they are when there is room", () => {
    expect(spread([10, 50, 90], [20, 20, 20], 0, 100)).toEqual([10, 50, 90]);
  });

  it("share a crowded place evenly", () => {
    expect(spread([50, 50, 50], [20, 20, 20], 0, 100)).toEqual([30, 50, 70]);
  });

  it("never overlap, never leave the line when they fit, and keep their order", () => {
    const labels = fc.array(fc.tuple(fc.integer({ min: -50, max: 550 }), fc.integer({ min: 10, max: 60 })), {
      minLength: 1,
      maxLength: 8,
    });
    fc.assert(
      fc.property(labels, (list) => {
        const sorted = [...list].sort((a, b) => a[0] - b[0]);
        const sizes = sorted.map(([, size]) => size);
        const placed = spread(
          sorted.map(([at]) => at),
          sizes,
          0,
          500,
        );
        placed.forEach((middle, i) => {
          expect(middle - sizes[i]! / 2).toBeGreaterThanOrEqual(-1e-6);
          expect(middle + sizes[i]! / 2).toBeLessThanOrEqual(500 + 1e-6);
          if (i > 0) expect(middle - placed[i - 1]!).toBeGreaterThanOrEqual((sizes[i]! + sizes[i - 1]!) / 2 - 1e-6);
        });
      }),
    );
  });
});
