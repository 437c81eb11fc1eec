import psychrolib from "psychrolib";
import { modelOf, productDefaults, saturation } from "..";
import { feel } from "../testing/feel";
import { EVAPORATION, leaves, surfaceOf } from ".";

// Saturation pressure, kPa: steam tables (IAPWS-IF97, values from memory).
it.each([
  [20, 2.339],
  [40, 7.384],
  [60, 19.95],
  [80, 47.41],
])("at %d °C water has %d kPa", (t, kPa) => expect(Math.abs(saturation(t) / 1000 / kPa - 1)).toBeLessThan(0.02));

// The balance h(Ta−Ts) + εσ(Tw⁴−Ts⁴) = f·hm·L(ρs−ρ∞), solved independently for the design's reference: h 12, ε 0.9,
// 107 °C, 0.01 kg of water a kg of air.
it.each([
  [1, 41],
  [0.3, 58],
  [0.2, 64],
  [0.15, 69],
  [0.1, 74],
])("a surface of which %d is wet rests at %d °C", (wet, t) => {
  const vapour = (101_325 * 0.01) / (0.622 + 0.01);
  const pit = { air: 107, vapour, film: 12, wet };
  expect(Math.abs(surfaceOf(pit, 0, 20).surface - t)).toBeLessThan(1.5);
  expect(leaves(t, pit)).toBeGreaterThan(0);
});

describe("against psychrolib (ASHRAE Handbook, Fundamentals)", () => {
  psychrolib.SetUnitSystem(psychrolib.SI);
  it.each([10, 25, 40, 60, 90])("saturation at %d °C, within two per cent", (t) => {
    expect(Math.abs(saturation(t) / psychrolib.GetSatVapPres(t) - 1)).toBeLessThan(0.02);
  });
  // A wholly wet surface that only the air warms, without radiation, comes to rest at its wet bulb: what is left between
  // is the film's own (heat against mass, and its air taken as dense as a hot pit's): one kelvin in a room, 3.5 in a pit.
  it.each([
    [25, 0.5],
    [13, 0.75],
    [60, 0.08],
    [107, 0.00783],
    [121, 0.0048],
  ])("the wet bulb of %d °C and %d", (air, relative) => {
    const ratio = psychrolib.GetHumRatioFromRelHum(air, relative, 101_325);
    const wetBulb = psychrolib.GetTWetBulbFromHumRatio(air, ratio, 101_325);
    const pit = { air, vapour: (101_325 * ratio) / (0.622 + ratio), film: 12, wet: 1 };
    let [low, high] = [-5, air];
    while (high - low > 1e-6) {
      const t = (low + high) / 2;
      if (pit.film * (air - t) > EVAPORATION * leaves(t, pit)) low = t;
      else high = t;
    }
    expect(Math.abs(low - wetBulb)).toBeLessThan(air > 50 ? 3.5 : 1);
  });
});

/** Hours until a core is done, and what it lost, in a pit of one temperature. */
function smoked(wrapAt: number, air = 121) {
  const product = { ...productDefaults("smoke"), wrapAt: wrapAt as never };
  const model = modelOf(product);
  const state = model.start(product, { volume: 0.0046, mass: 4.8 }, 5);
  const out = { watts: 0, drying: 0 };
  const pit = { ...feel(air), film: 12, vapour: 1500 };
  const core: number[] = [];
  for (let m = 0; m < 40 * 60 && state.t0! < product.doneAt; m++) {
    model.step(state, product, pit, m * 60, 60, out);
    core.push(state.t0!);
  }
  return { hours: core.length / 60, lost: state.lost!, core };
}

it("4.8 kg are at 90 °C after 8 to 16 h, through a stall that wrapping ends", () => {
  const bare = smoked(0);
  expect(bare.hours).toBeGreaterThan(8);
  expect(bare.hours).toBeLessThan(16);
  const wrapped = smoked(68);
  expect(wrapped.hours).toBeLessThan(bare.hours - 0.5);
  expect(wrapped.lost).toBeLessThan(bare.lost);
});
