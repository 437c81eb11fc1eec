import {
  attenuation,
  extractIn,
  gasGivenOff,
  gravityOf,
  hydrometerAt,
  kegPressure,
  platoOf,
  pressureAfter,
  primingSugar,
  refractometerGravity,
  residualCarbonation,
  suckBack,
  waterDensity,
} from "..";

describe("readings of gravity", () => {
  // CIPM table of water (Tanaka and others 2001).
  it.each([
    [4, 999.9749],
    [15, 999.1026],
    [20, 998.2067],
    [30, 995.6488],
    [40, 992.2152],
  ])("water at %d °C", (t, density) => expect(Math.abs(waterDensity(t) - density)).toBeLessThan(0.003));
  it("1.048 read at 30 °C on a glass made for 20 °C is 1.0507 (worked in the design's reference)", () => {
    expect(hydrometerAt(1.048, 30, 20)).toBeCloseTo(1.0507, 4);
    expect(hydrometerAt(1.048, 20, 20)).toBe(1.048);
    expect(hydrometerAt(1.048, 10, 20)).toBeLessThan(1.048);
  });
  it("a refractometer in wort that has not fermented gives its own gravity (ASBC polynomial), within 0.0025", () => {
    for (const gravity of [1.03, 1.048, 1.07]) {
      const brix = platoOf(gravity) * 1.04;
      expect(Math.abs(refractometerGravity(brix, brix) - gravity)).toBeLessThan(0.0025);
    }
  });
  it("… and after fermentation what extract and alcohol bend together", () => {
    // Independent: sucrose bends by 0.00144 a %, alcohol by 0.00062 (handbook values from memory): 0.43 of it.
    for (const [og, fg] of [
      [1.048, 1.01],
      [1.06, 1.012],
    ] as const) {
      const { realExtract, alcoholByMass } = attenuation(og, fg);
      const after = (realExtract + 0.43 * alcoholByMass) * 1.04;
      expect(Math.abs(refractometerGravity(platoOf(og) * 1.04, after) - fg)).toBeLessThan(0.003);
    }
  });
  it("20 L from 1.048 to 1.010 give 0.74 kg of CO2, 0.4 m³ (the design's reference)", () => {
    const fermented = (extractIn(1.048, 20) * (platoOf(1.048) - attenuation(1.048, 1.01).realExtract)) / platoOf(1.048);
    expect(Math.abs(fermented - 1.603)).toBeLessThan(0.03);
    expect(Math.abs(gasGivenOff(fermented) - 0.4)).toBeLessThan(0.02);
    expect(gravityOf(12)).toBeCloseTo(1.0484, 3);
  });
});

describe("carbonation", () => {
  it.each([
    [0, 1.71],
    [10, 1.2],
    [20, 0.861],
  ])("at %d °C %d volumes stay in it (the design's reference)", (t, volumes) =>
    expect(Math.abs(residualCarbonation(t) - volumes)).toBeLessThan(0.01),
  );
  it("about four grams of sugar a litre raise it by a volume (common practice, no source)", () => {
    const grams = primingSugar("sucrose", 1, residualCarbonation(20) + 1, 20);
    expect(grams).toBeGreaterThan(3.6);
    expect(grams).toBeLessThan(4.2);
    // Dextrose carries its water: some 15 % more of it.
    expect(primingSugar("dextrose", 19, 2.4, 20) / primingSugar("sucrose", 19, 2.4, 20)).toBeCloseTo(1.16, 2);
    expect(primingSugar("sucrose", 19, 0.5, 20)).toBe(0);
  });
  // The brewers' table: pounds at °F for volumes (values from memory), within half a pound.
  it.each([
    [40, 2.5, 12.3],
    [38, 2.2, 8.2],
    [50, 2.7, 19.5],
    [34, 2.5, 9],
  ])("a keg at %d °F for %d volumes stands at %d pounds", (f, volumes, pounds) =>
    expect(Math.abs(kegPressure(volumes, (f - 32) / 1.8) / 6894.757 - pounds)).toBeLessThan(0.6),
  );
  it("agrees with the gas that stays in under the air alone: no pressure there", () => {
    for (const t of [2, 10, 20]) expect(kegPressure(residualCarbonation(t) - 0.15, t)).toBeLessThan(8000);
    expect(kegPressure(0.5, 4)).toBe(0);
  });
  it("5 L of headspace cooled from 20 to 1 °C take in 0.32 L (gas law, the design's reference)", () => {
    expect(suckBack(5, 20, 1)).toBeCloseTo(0.324, 3);
    expect(suckBack(5, 1, 20)).toBe(0);
    expect(pressureAfter(0, 20, 1)).toBeCloseTo(-101_325 * 0.0648, -2);
  });
});
