import { exponential } from "./matrix";

describe("the matrix exponential", () => {
  // Closed forms: a diagonal, and a rotation by a right angle (Golub and Van Loan, Matrix Computations, ch. 9.3).
  it("of a diagonal is that of its entries, of a rotation its sine and cosine", () => {
    const diagonal = exponential(Float64Array.of(-3, 0, 0, 0.5), 2);
    expect(diagonal[0]).toBeCloseTo(Math.exp(-3), 14);
    expect(diagonal[3]).toBeCloseTo(Math.exp(0.5), 14);
    expect([diagonal[1], diagonal[2]]).toEqual([0, 0]);
    const turn = exponential(Float64Array.of(0, -Math.PI / 2, Math.PI / 2, 0), 2);
    [0, -1, 1, 0].forEach((value, i) => expect(turn[i]).toBeCloseTo(value, 12));
    expect(exponential(Float64Array.of(-800), 1)[0]).toBeLessThan(1e-300);
  });
  it.each([[NaN], [Infinity], [-Infinity], [1e300]])("of %d there is none, and it says so at once", (entry) => {
    expect(() => exponential(Float64Array.of(1, entry, 0, 1), 2)).toThrow(RangeError);
  });
});
