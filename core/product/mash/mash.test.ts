import * as odex from "odex";
import { modelOf, productDefaults } from "..";
import { feel } from "../testing/feel";
import { alphaHalfLife, betaHalfLife } from ".";
import { boilOff, heatingTime, strikeTemperature, wortChilled } from "./water";

// Balances worked out independently for the design's reference.
it.each([
  [3, 20, 67, 73.42],
  [2.5, 20, 65, 72.38],
])("strike water: %d L/kg, malt at %d, wanted %d", (ratio, malt, wanted, strike) => {
  expect(strikeTemperature(wanted, malt, ratio)).toBeCloseTo(strike, 2);
});
it("23 kg by 47 K with 2 kW at 90 % take 41.9 min; each net kilowatt boils off 1.595 kg an hour", () => {
  expect(heatingTime(23, 47, 2000, 0.9) / 60).toBeCloseTo(41.9, 1);
  expect(boilOff(1300, 300)).toBeCloseTo(1.595, 3);
  expect(boilOff(200, 300)).toBe(0);
});
// The reference's estimates, from mashes that work.
it.each([
  [60, 60],
  [65, 16],
  [70, 4],
])("beta-amylase at %d °C halves in %d min", (t, minutes) => expect(betaHalfLife(t)).toBeCloseTo(minutes, 9));
it.each([
  [70, 90],
  [72, 30],
  [76, 8],
])("alpha-amylase at %d °C halves in %d min", (t, minutes) => expect(alphaHalfLife(t)).toBeCloseTo(minutes, 9));

/** Conversion minute by minute at a held temperature. */
function mashAt(t: number, minutes: number) {
  const product = productDefaults("mash");
  const model = modelOf(product);
  const state = model.start(product, { volume: 0.025, mass: 25 }, t);
  const out = { watts: 0, drying: 0 };
  const converted = Array.from({ length: minutes }, (_, i) => {
    model.step(state, product, feel(t), i * 60, 60, out);
    return state.converted!;
  });
  return { converted, fermentable: state.fermentable! / state.converted!, state };
}

// Half-life forms against their closed solution at one temperature: c = 1 − exp(−v·∫a dt), a = 2^(−t/h).
it.each([62, 66, 70])("at %d °C conversion goes by its closed form", (t) => {
  const open = Math.min(1, (t - 58) / 7);
  const speed = 0.08 * 2 ** ((t - 65) / 7) * open;
  const h = alphaHalfLife(t) / Math.LN2;
  const { converted } = mashAt(t, 60);
  converted.forEach((c, i) => {
    const worked = h * -Math.expm1(-(i + 1) / h);
    expect(Math.abs(c - -Math.expm1(-speed * worked))).toBeLessThan(0.01);
  });
});
it("is converted in 45 to 90 min at 66 °C, not at all where starch stays shut; hotter is less fermentable", () => {
  const minutes = mashAt(66, 120).converted.findIndex((c) => c >= 0.98);
  expect(minutes).toBeGreaterThan(40);
  expect(minutes).toBeLessThan(90);
  expect(mashAt(50, 120).converted.at(-1)).toBe(0);
  expect(mashAt(63, 90).fermentable).toBeGreaterThan(mashAt(70, 90).fermentable + 0.08);
});
// Common practice, no source: a mash at 72 °C is thin and sweet sooner than one at 66, and ferments less.
it("at 72 °C extract comes faster than at 66 and ferments less; alpha lives for tens of minutes, beta does not", () => {
  const [hot, usual] = [mashAt(72, 90), mashAt(66, 90)];
  for (const share of [0.5, 0.9, 0.98])
    expect(hot.converted.findIndex((c) => c >= share)).toBeLessThan(usual.converted.findIndex((c) => c >= share));
  expect(hot.fermentable).toBeLessThan(usual.fermentable - 0.05);
  const twenty = mashAt(72, 20).state;
  expect(twenty.alpha).toBeGreaterThan(0.5);
  expect(twenty.beta).toBeLessThan(0.05);
});

// The same three rates put to a general solver, while the mash is heated through its rests.
it("half-lives and conversion against the general ODE solver odex, over a ramp from 60 to 76 °C", () => {
  const { Solver } = "Solver" in odex ? odex : (odex as unknown as { default: typeof odex }).default;
  const at = (minutes: number) => 60 + (16 * minutes) / 60;
  const product = productDefaults("mash");
  const model = modelOf(product);
  const state = model.start(product, { volume: 0.02, mass: 20 }, 60);
  const out = { watts: 0, drying: 0 };
  for (let m = 0; m < 60; m += 0.25) model.step(state, product, feel(at(m + 0.125)), 0, 15, out);
  const solver = new Solver(3);
  solver.absoluteTolerance = solver.relativeTolerance = 1e-8;
  const solved = solver.solve(
    (m, [alpha, beta, converted]) => {
      const t = at(m);
      const open = Math.min(1, Math.max(0, (t - 58) / 7));
      return [
        (-Math.LN2 / alphaHalfLife(t)) * alpha!,
        (-Math.LN2 / betaHalfLife(t)) * beta!,
        (1 - converted!) * 0.08 * 2 ** ((t - 65) / 7) * open * alpha!,
      ];
    },
    0,
    [1, 1, 0],
    60,
  ).y;
  expect(Math.abs(state.alpha! - solved[0]!)).toBeLessThan(2e-3);
  expect(Math.abs(state.beta! - solved[1]!)).toBeLessThan(2e-3);
  expect(Math.abs(state.converted! - solved[2]!)).toBeLessThan(3e-3);
});

describe("wort chilled by a coil", () => {
  // The coil cut into many pieces one behind the other, each with its own balance, put to the general solver.
  it("against a coil of 200 pieces in the general ODE solver odex", () => {
    const { Solver } = "Solver" in odex ? odex : (odex as unknown as { default: typeof odex }).default;
    const [flow, coil, pieces] = [6 / 60_000, 500, 200];
    const taken = (t: number) => {
      let water = 12;
      for (let i = 0; i < pieces; i++) water += ((coil / pieces) * (t - water)) / (flow * 4.186e6 + coil / pieces / 2);
      return flow * 4.186e6 * (water - 12);
    };
    const { seconds } = wortChilled({ volume: 0.023, from: 98, to: 20 }, { t: 12, flow }, coil);
    const solver = new Solver(1);
    solver.absoluteTolerance = solver.relativeTolerance = 1e-8;
    const end = solver.solve((_s, [t]) => [-taken(t!) / (0.023 * 4.186e6)], 0, [98], seconds!).y[0]!;
    expect(Math.abs(end - 20)).toBeLessThan(0.05);
  });
  it("says where it never gets: water as warm as what is wanted; needs no time where it is there", () => {
    const wort = { volume: 0.02, from: 98, to: 18 };
    expect(wortChilled(wort, { t: 18, flow: 1e-4 }, 500).seconds).toBeNull();
    expect(wortChilled({ ...wort, to: 98 }, { t: 12, flow: 1e-4 }, 500)).toMatchObject({ seconds: 0, water: 0 });
    // More water is quicker and wasted more.
    const [slow, fast] = [4e-5, 4e-4].map((flow) => wortChilled(wort, { t: 12, flow }, 500));
    expect(fast!.seconds!).toBeLessThan(slow!.seconds!);
    expect(fast!.water).toBeGreaterThan(slow!.water);
  });
});
