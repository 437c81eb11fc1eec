import fc from "fast-check";
import { diastaseLost, hmfFormed, invertaseLost, modelOf, productDefaults, reserveOf } from "..";
import { feel, HOUR } from "../testing/feel";

// White 1964 and Bogdanov: half-lives in days, and when HMF reaches 40 mg/kg (values from memory).
const table: [t: number, diastase: number, invertase: number, hmf: [number, number]][] = [
  [10, 12_600, 9600, [10 * 365, 20 * 365]],
  [20, 1480, 820, [2 * 365, 4 * 365]],
  [30, 200, 83, [182, 365]],
  [40, 31, 9.6, [30, 61]],
  [50, 5.38, 1.28, [5, 10]],
  [60, 1.05, 4.7 / 24, [1, 2]],
  [70, 5.3 / 24, 47 / 1440, [6 / 24, 20 / 24]],
  [80, 1.2 / 24, 8.6 / 1440, [0, 1]],
];

describe("what heat costs honey", () => {
  it.each(table)("at %d °C", (t, diastase, invertase, [soon, late]) => {
    expect(Math.abs(Math.LN2 / diastaseLost(t) / diastase - 1)).toBeLessThan(0.06);
    expect(Math.abs(Math.LN2 / invertaseLost(t) / invertase - 1)).toBeLessThan(0.06);
    // Within a factor of two of the published span.
    const days = 40 / hmfFormed(t);
    expect(days).toBeGreaterThan(soon / 2);
    expect(days).toBeLessThan(late * 2);
  });
  // Worked out independently for the design's reference: 24 h.
  it.each([
    [45, 0.053, 0.18, 2.5],
    [50, 0.12, 0.42, 5.3],
  ])("a day at %d °C", (t, diastase, invertase, hmf) => {
    expect(1 - Math.exp(-diastaseLost(t))).toBeCloseTo(diastase, 2);
    expect(1 - Math.exp(-invertaseLost(t))).toBeCloseTo(invertase, 1);
    expect(Math.abs(hmfFormed(t) - hmf)).toBeLessThan(0.15);
  });
  it("a pail kept for 14 days at 43 °C loses 41 % of its diastase and gains 26 mg/kg", () => {
    const product = { ...productDefaults("honey"), hmf: 0, diastase: 100 };
    const model = modelOf(product);
    const state = model.start(product, { volume: 0.019, mass: 27 }, 43);
    const out = { watts: 0, drying: 0 };
    for (let h = 0; h < 14 * 24; h++) model.step(state, product, feel(43), h * HOUR, HOUR, out);
    expect(state.diastase!).toBeCloseTo(59, 0);
    expect(state.invertase!).toBeCloseTo(0.16, 1);
    expect(Math.abs(state.hmf! - 26)).toBeLessThan(1.5);
  });
  it("more time or more heat never lowers HMF nor saves an enzyme, and what dissolves takes its heat once", () => {
    const product = productDefaults("honey");
    const model = modelOf(product);
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: 70, noNaN: true }), { minLength: 2, maxLength: 40 }), (course) => {
        const state = model.start(product, { volume: 0.001, mass: 1.4 }, 20);
        const out = { watts: 0, drying: 0 };
        let [hmf, diastase, joules] = [state.hmf!, state.diastase!, 0];
        for (const t of course) {
          model.step(state, product, feel(t), 0, 6 * HOUR, out);
          expect(state.hmf!).toBeGreaterThanOrEqual(hmf);
          expect(state.diastase!).toBeLessThanOrEqual(diastase);
          [hmf, diastase] = [state.hmf!, state.diastase!];
          joules += out.watts * 6 * HOUR;
        }
        // 10 to 25 kJ/kg of wholly set honey; this one is set by less than half.
        expect(joules).toBeLessThanOrEqual(0);
        expect(joules).toBeGreaterThanOrEqual(-25e3 * 1.4);
      }),
      { numRuns: 60 },
    );
  });
});

// A walk through a year, day by day: the pail that is bottled from is never empty while another is not clear yet.
it.each([
  [27, 10, 8],
  [27, 40, 8],
  [12, 30, 9],
])("pails of %d kg, %d kg a week, clear after %d days: never dry", (pail, week, days) => {
  const { lasts, putInAfter, atOnce } = reserveOf(pail, week / 7, days);
  expect(lasts).toBeCloseTo((pail / week) * 7, 9);
  // Pail n is put in as pail n − atOnce is opened (or so long after it), and opened once clear.
  const opened: number[] = [];
  for (let n = 0; n < 40; n++) {
    const into = n < atOnce ? -days : opened[n - atOnce]! + (atOnce === 1 ? putInAfter : 0);
    const wanted = n === 0 ? 0 : opened[n - 1]! + lasts;
    expect(into + days).toBeLessThanOrEqual(wanted + 1e-9);
    opened.push(wanted);
  }
});
