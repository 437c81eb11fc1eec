import { celsius } from "../quantity";
import {
  attenuation,
  extractMass,
  fermentationHeat,
  freezingPoint,
  gravityOf,
  lotOf,
  peakOwnHeat,
  platoOf,
  productDefaults,
  startFerment,
  stepFerment,
} from ".";

describe("gravity", () => {
  // ASBC polynomial; values computed independently for the design's reference.
  it.each([
    [1.01, 2.561],
    [1.04, 9.994],
    [1.048, 11.912],
    [1.06, 14.741],
    [1.08, 19.331],
    [1.1, 23.769],
  ])("%d is %d °P, and back", (gravity, plato) => {
    expect(Math.abs(platoOf(gravity) - plato)).toBeLessThan(0.002);
    expect(Math.abs(gravityOf(platoOf(gravity)) - gravity)).toBeLessThan(2e-5);
  });

  // Balling, worked examples of the design's reference.
  it.each([
    [1.048, 1.01, 4.251, 0.643, 5.02],
    [1.06, 1.012, 5.179, 0.649, 6.38],
    [1.08, 1.016, 6.836, 0.646, 8.59],
    [1.1, 1.02, 8.46, 0.644, 10.85],
  ])("%d to %d leaves %d % real extract", (og, fg, extract, real, alcohol) => {
    const a = attenuation(og, fg);
    expect(Math.abs(a.realExtract - extract)).toBeLessThan(0.002);
    expect(Math.abs(a.realAttenuation - real)).toBeLessThan(0.001);
    expect(Math.abs(a.alcoholByVolume - alcohol)).toBeLessThan(0.01);
  });
});

const daysTo = (share: number, kind: "ale" | "lager", t: number): number => {
  const state = startFerment();
  let minutes = 0;
  while (state.done < share) {
    stepFerment(state, kind, t, 60);
    minutes++;
  }
  return minutes / 1440;
};

it.each(["ale", "lager", "farmhouse", "hold"] as const)("%s has no typed curve before anybody types one", (kind) => {
  expect(productDefaults(kind).heatCurve).toEqual([]);
});

describe("the course of a fermentation", () => {
  // Closed form at a steady temperature, written out anew: a lag of 0.5 d at 20 °C, then the logistic
  // p = 1/(1 + 99·e^(−k·t)) from 1 %, both faster by 2.3 for 10 K (docs/sources.md).
  const exact = (k20: number, t: number, days: number) => {
    const speed = 2.3 ** ((t - 20) / 10);
    const since = days - 0.5 / speed;
    return since <= 0 ? 0.01 : 1 / (1 + 99 * Math.exp(-k20 * speed * since));
  };
  it.each<["ale" | "lager" | "farmhouse", number, number, number]>([
    ["ale", 2.6, 20, 60],
    ["ale", 2.6, 20, 20_000],
    ["ale", 2.6, 14, 3600],
    ["lager", 2.0, 9, 60],
    ["farmhouse", 1.6, 27, 7200],
  ])("%s of rate %d a day at %d °C in steps of %d s", (kind, k20, t, dt) => {
    const state = startFerment();
    let fermented = 0;
    for (let s = dt; s < 12 * 86_400; s += dt) {
      fermented += stepFerment(state, kind, t, dt);
      expect(state.done).toBeCloseTo(exact(k20, t, s / 86_400), 9);
    }
    expect(fermented).toBeCloseTo(state.done - 0.01, 9);
  });
});

describe("fermentation", () => {
  it("20 L from 1.048 to 1.010 hold 1.603 kg of extract and give 940 kJ (±1 %)", () => {
    const product = { ...productDefaults("ale"), originalGravity: 1.048, finalGravity: 1.01 };
    const fermented = extractMass(0.02, 1.048) * attenuation(1.048, 1.01).realAttenuation;
    expect(Math.abs(fermented / 1.603 - 1)).toBeLessThan(0.01);
    expect(Math.abs(fermentationHeat(product, 0.02) / 940e3 - 1)).toBeLessThan(0.01);
    expect(Math.abs(peakOwnHeat(product, lotOf({ volume: 0.02 }), celsius(20)) - 7.1)).toBeLessThan(0.1);
  });

  it("acceptance range 6: 23 L of 12 °P at 65 % give 1.10 MJ, peak 6.5 to 7.5 W where 10 to 90 % take 48 h", () => {
    const og = gravityOf(12);
    let fg = og;
    while (attenuation(og, fg).realAttenuation < 0.65) fg -= 1e-5;
    const product = { ...productDefaults("ale"), originalGravity: og, finalGravity: fg };
    expect(Math.abs(fermentationHeat(product, 0.023) / 1.1e6 - 1)).toBeLessThan(0.01);
    // The temperature at which 10 to 90 % take 48 h is found, then the peak is read off the stepped course.
    let t = 14;
    while (daysTo(0.9, "ale", t) - daysTo(0.1, "ale", t) > 2) t += 0.05;
    const state = startFerment();
    let peak = 0;
    for (let minute = 0; minute < 14_400; minute++)
      peak = Math.max(peak, (stepFerment(state, "ale", t, 60) * fermentationHeat(product, 0.023)) / 60);
    expect(peak).toBeGreaterThan(6.5);
    expect(peak).toBeLessThan(7.5);
  });

  // Closed form of our own course, computed independently for the design's reference.
  it.each([
    ["ale", 18, 4.45],
    ["ale", 20, 3.76],
    ["lager", 10, 10.9],
    ["lager", 11, 10.0],
    ["lager", 12, 9.2],
  ] as const)("%s at %d °C is 98 %% done after %d days", (kind, t, days) => {
    expect(Math.abs(daysTo(0.98, kind, t) - days)).toBeLessThan(0.06);
  });

  it("does not depend on the step", () => {
    const [fine, coarse] = [startFerment(), startFerment()];
    for (let i = 0; i < 7200; i++) stepFerment(fine, "ale", 19, 30);
    for (let i = 0; i < 60; i++) stepFerment(coarse, "ale", 19, 3600);
    expect(fine.done).toBeCloseTo(coarse.done, 10);
  });

  it("a held product gives no heat", () => {
    expect(fermentationHeat(productDefaults("hold"), 0.05)).toBe(0);
    expect(stepFerment(startFerment(), "hold", 30, 3600)).toBe(0);
  });

  // Rule from memory: ABV 5.0 freezes at about −2.3 °C.
  it("a beer of 5 % freezes near −2.3 °C", () => {
    const product = { ...productDefaults("ale"), originalGravity: 1.048, finalGravity: 1.01 };
    expect(Math.abs(freezingPoint(product) + 2.3)).toBeLessThan(0.15);
  });
});
