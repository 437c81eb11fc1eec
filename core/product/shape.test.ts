import { productKinds } from "../model";
import { celsius } from "../quantity";
import { feel, HOUR } from "./testing/feel";
import {
  evaporationHeat,
  hasOwnHeat,
  lotOf,
  modelOf,
  peakHeatOf,
  productDefaults,
  productObservable,
  signs,
  signsOf,
  type ProductState,
} from ".";

const lot = lotOf({ volume: 0.02 });

/** Runs a product at a steady temperature in steps of a minute: its heat, J, and the most that it gave, W. */
function runAt(kind: (typeof productKinds)[number], t: number, hours: number, state?: ProductState, from = 0) {
  const product = productDefaults(kind);
  const model = modelOf(product);
  const own = state ?? model.start(product, lot, t);
  const out = { watts: 0, drying: 0 };
  let joules = 0;
  let most = 0;
  for (let s = from; s < hours * HOUR; s += 60) {
    model.step(own, product, feel(t), s + 30, 60, out);
    joules += out.watts * 60;
    most = Math.max(most, out.watts);
  }
  return { state: own, joules, most, product };
}

describe.each(productKinds)("%s, as every product", (kind) => {
  it("has a model of its own kind, with what the shape asks for", () => {
    const product = productDefaults(kind);
    const model = modelOf(product);
    expect(model.kinds).toContain(kind);
    expect(product.kind).toBe(kind);
    expect(model.hazards(product)[0]!.at).toBeLessThanOrEqual(0);
    for (const { name, of } of model.observables) {
      expect(productObservable(product, name)!.name).toBe(name);
      expect(Number.isFinite(of(model.start(product, lot, 19), product))).toBe(true);
    }
  });
  it("its state is plain data: written down and read again it goes on as if nothing had been", () => {
    const whole = runAt(kind, 19, 100);
    const half = runAt(kind, 19, 50);
    const again = JSON.parse(JSON.stringify(half.state)) as ProductState;
    expect(runAt(kind, 19, 100, again, 50 * HOUR).state).toEqual(whole.state);
  });
  it("never gives more heat than its height at that temperature", () => {
    const { most, product } = runAt(kind, 20, 400);
    expect(most).toBeLessThanOrEqual(peakHeatOf({ count: 1, product, volume: 0.02 }, celsius(20)) + 1e-3);
    expect(most > 0).toBe(hasOwnHeat(product));
  });
});

describe("a beer through the shape", () => {
  // 586.6 kJ/kg of fermented extract (brewing textbooks, value from memory): 20 L of 1.048 to 1.011, worked by hand from
  // 11.91 °P and 64.4 % real attenuation: 20·0.9982·1.048·0.1191·0.63·586.6 kJ, 4 %.
  it("gives its heat once, whatever the steps", () => {
    const { joules, state, product } = runAt("ale", 20, 600);
    expect(joules / 921e3).toBeGreaterThan(0.96);
    expect(joules / 921e3).toBeLessThan(1.04);
    const gravity = productObservable(product, "gravity")!;
    expect(gravity.of(state, product)).toBeCloseTo(product.finalGravity, 3);
    expect(gravity.of(modelOf(product).start(product, lot, 20), product)).toBeCloseTo(product.originalGravity, 3);
  });
});

describe("evaporation", () => {
  // Saturation pressure of water, kPa: steam tables (IAPWS-IF97, values from memory).
  const pressure = { 10: 1.228, 20: 2.339, 30: 4.247, 40: 7.384 } as const;
  const vessel = { evaporation: 100, evaporationAt: celsius(40), count: 2 };
  const dry = { air: 20, humidity: 0 };
  it.each([10, 20, 30] as const)("into dry air at a skin of %d °C it goes with the vapour pressure there", (t) => {
    const share = evaporationHeat(vessel, t, dry, dry) / 200;
    expect(share / (pressure[t] / pressure[40])).toBeGreaterThan(0.985);
    expect(share / (pressure[t] / pressure[40])).toBeLessThan(1.015);
  });
  it("is the rated heat at its own temperature and in its own air, no more above it, nothing where none is rated", () => {
    const air = { air: 30, humidity: 0.5 };
    expect(evaporationHeat(vessel, 40, air, air)).toBeCloseTo(200, 9);
    expect(evaporationHeat(vessel, 90, dry, dry)).toBe(200);
    expect(evaporationHeat({ ...vessel, evaporation: 0 }, 40, dry, dry)).toBe(0);
  });
  // Dalton by the same steam tables: (7.384 − φ·4.247) against (7.384 − 0.5·4.247), the air at 30 °C.
  it.each([
    [0.2, (7.384 - 0.2 * 4.247) / (7.384 - 0.5 * 4.247)],
    [0.8, (7.384 - 0.8 * 4.247) / (7.384 - 0.5 * 4.247)],
  ])("goes with the humidity of the air around: at %d", (humidity, share) => {
    const heat = evaporationHeat(vessel, 40, { air: 30, humidity }, { air: 30, humidity: 0.5 });
    expect(heat / 200 / share).toBeGreaterThan(0.985);
    expect(heat / 200 / share).toBeLessThan(1.015);
  });
  it("ends where the air holds as much as the surface gives, and never becomes a gain", () => {
    expect(evaporationHeat(vessel, 10, { air: 30, humidity: 0.9 }, dry)).toBe(0);
  });
});

describe("what is seen of a product", () => {
  it("every sign is of a figure that the product has, and they come in their order as it comes along", () => {
    for (const kind of productKinds) {
      const product = productDefaults(kind);
      const model = modelOf(product);
      const own = signs[kind] ?? [];
      for (const { figure } of own)
        expect([kind, model.observables.map((o) => o.name)]).toEqual([kind, expect.arrayContaining([figure])]);
      // Each figure goes from nothing to all of it, or down from 6 to 4, in a hundred hours.
      const course = (name: string) =>
        Float32Array.from({ length: 101 }, (_, h) => (name === "pH" ? 6 - h / 50 : name === "steady" ? h : h / 100));
      const seen = signsOf(product, course, { from: 0, width: 3600 });
      expect(seen).toHaveLength(own.length);
      expect(signsOf(product, () => undefined, { from: 0, width: 3600 })).toEqual([]);
    }
  });
  it("what is so from the start is nothing that comes", () => {
    const honey = productDefaults("honey");
    expect(signsOf(honey, () => new Float32Array(5).fill(0.6), { from: 0, width: 60 })).toEqual([]);
  });
});
