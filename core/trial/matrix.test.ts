import { integralsOf } from "./matrix";

const exponential = (a: Float64Array, n: number) => integralsOf(a, n, 1).power;

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
  it("its integrals are those of the textbook for one rate, however long the time is", () => {
    for (const [rate, time] of [
      [-0.003, 5],
      [-2, 30],
      [0.01, 7],
    ] as const) {
      const { once, twice } = integralsOf(Float64Array.of(rate), 1, time);
      const whole = Math.expm1(rate * time) / rate;
      expect(once[0]! / whole).toBeCloseTo(1, 13);
      // ∬ = (∫ − t)/rate; for a slow rate most of it cancels, so its series is taken: t²/2·(1 + x/3 + x²/12 + x³/60 ...).
      const x = rate * time;
      const exact =
        Math.abs(x) < 0.1
          ? ((time * time) / 2) * (1 + x / 3 + x ** 2 / 12 + x ** 3 / 60 + x ** 4 / 360 + x ** 5 / 2520)
          : (whole - time) / rate;
      expect(twice[0]! / exact).toBeCloseTo(1, 9);
    }
  });
  it.each([[NaN], [Infinity], [-Infinity], [1e300]])("of %d there is none, and it says so at once", (entry) => {
    expect(() => exponential(Float64Array.of(1, entry, 0, 1), 2)).toThrow(RangeError);
  });
});
