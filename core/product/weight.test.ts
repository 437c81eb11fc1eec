import fc from "fast-check";
import { lossOf, printFigure, weighsAfter } from ".";

// By hand: (620 − 541)/620 = 0.12742.
it("620 g that have become 541 g have lost 12.7 %, not 13; and back", () => {
  expect(printFigure(lossOf(620, 541), "loss", "C")).toBe("12.7\u00a0%");
  expect(weighsAfter(620, lossOf(620, 541))).toBeCloseTo(541, 9);
  expect(printFigure(lossOf(500, 512), "loss", "C")).toBe("\u22122.4\u00a0%");
});

it("both ways are each other's inverse", () =>
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 1e5, noNaN: true }),
      fc.double({ min: -1, max: 0.99, noNaN: true }),
      (w, share) => {
        expect(Math.abs(lossOf(w, weighsAfter(w, share)) - share)).toBeLessThan(1e-9);
      },
    ),
    { seed: 7 },
  ));
