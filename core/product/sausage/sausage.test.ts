import fc from "fast-check";
import psychrolib from "psychrolib";
import {
  balancedWater,
  brineActivity,
  cureDose,
  degreeHours,
  degreeHoursAllowed,
  dosesFor,
  judgeDegreeHours,
  molalAt,
  nitriteFrom,
  projected,
  rimWater,
  starterDose,
  surfaceGives,
  sausageActivity,
  dryingRate,
} from ".";
import { cardinal, modelOf, productDefaults } from "..";
import { feel, HOUR } from "../testing/feel";

const c = (f: number) => (f - 32) / 1.8;

// Good Manufacturing Practices for Fermented Dry and Semi-Dry Sausage Products: longest hours at a constant temperature.
describe("degree-hours", () => {
  it.each([
    [75, 80],
    [80, 60],
    [85, 48],
    [90, 33.3],
    [95, 28.6],
    [100, 25],
    [105, 20],
    [110, 18],
  ])("at %d °F: %d h", (f, hours) => {
    expect(degreeHoursAllowed(c(f)) / degreeHours(c(f), 1)).toBeCloseTo(hours, 1);
  });
  const steps = (...parts: [f: number, hours: number][]) => {
    let at = 0;
    return parts.flatMap(([f, hours]) => {
      const from = at;
      at += hours;
      return [[from, c(f)] as const, [at, c(f)] as const];
    });
  };
  // Worked examples of the same practice, constant and changing; the ramps by hand.
  it.each<[string, (readonly [number, number])[], number, boolean]>([
    ["80 °F for 50 h", steps([80, 50]), 1000, true],
    ["95 °F for 30 h", steps([95, 30]), 1050, false],
    ["75, 85, 95 °F for 12, 12, 16 h", steps([75, 12], [85, 12], [95, 16]), 1040, false],
    [
      "70 to 100 °F over 10 h, then 14 h",
      [
        [0, c(70)],
        [10, c(100)],
        [24, c(100)],
      ],
      810,
      true,
    ],
    [
      "50 to 80 °F over 6 h: only what lies above 60",
      [
        [0, c(50)],
        [6, c(80)],
      ],
      40,
      true,
    ],
    [
      "24 °C for 72 h",
      [
        [0, 24],
        [72, 24],
      ],
      1094.4,
      true,
    ],
  ])("%s", (_, course, sum, passes) => {
    const judged = judgeDegreeHours(course);
    if (judged.verdict === "no limit known") throw new Error("judged nothing");
    expect(judged.sum).toBeCloseTo(sum, 1);
    expect(judged.verdict === "passes").toBe(passes);
  });
  it("below 15.6 °C there is no limit known, which is no pass", () => {
    expect(
      judgeDegreeHours([
        [0, 12],
        [400, 12],
      ]),
    ).toEqual({ verdict: "no limit known" });
  });
});

describe("souring", () => {
  // Worked out independently for the design's reference: pH 5.3 after 23, 16, 12 h, in
  // whole hours and from another guess of the first pH.
  it.each([
    [24, 23],
    [29, 16],
    [35, 12],
  ])("at %d °C pH 5.3 after %d h", (t, hours) => {
    const product = productDefaults("sausage");
    const model = modelOf(product);
    const state = model.start(product, { volume: 0.001, mass: 1 }, t);
    const out = { watts: 0, drying: 0 };
    let minutes = 0;
    while (state.safe === 0 && minutes < 6000) {
      model.step(state, product, feel(t), minutes * 60, 60, out);
      minutes++;
    }
    expect(Math.abs(minutes / 60 - hours)).toBeLessThan(1.5);
  });
  it("is fastest at its best temperature and stands still outside of its range", () => {
    const range = [5, 38, 46] as const;
    expect(cardinal(38, range)).toBeCloseTo(1, 9);
    expect(cardinal(5, range)).toBe(0);
    expect(cardinal(46, range)).toBe(0);
    for (let t = 6; t < 38; t++) expect(cardinal(t + 1, range)).toBeGreaterThan(cardinal(t, range));
  });
});

describe("drying", () => {
  // Robinson and Stokes, Electrolyte Solutions: water activity of NaCl (values from memory).
  it.each([
    [1, 0.967],
    [3, 0.893],
    [6, 0.76],
  ])("a brine of %d mol/kg has an activity of %d", (molal, activity) => {
    expect(Math.abs(brineActivity(molal) - activity)).toBeLessThan(0.0015);
    expect(molalAt(brineActivity(molal))).toBeCloseTo(molal, 9);
  });
  // By hand: 2.8 % salt, 60 % water; 30 and 40 % loss.
  it("30 % lost is 0.946 and not yet shelf-stable, 40 % is 0.917", () => {
    expect(sausageActivity(0.028, 0.3)).toBeCloseTo(0.946, 3);
    expect(sausageActivity(0.028, 0.2)).toBeCloseTo(0.917, 2);
  });
  it("comes to rest where its own activity is the air's humidity", () => {
    expect(sausageActivity(0.028, balancedWater(0.028, 0.75))).toBeCloseTo(0.75, 9);
  });
  // Three weights by hand: 1000, 880, 800 g at day 0, 5, 10 lead to 640 g at 0.08109 a day, 700 g on day 22.1.
  it("three weights lead to an end, or to none", () => {
    const { final, rate } = projected(1000, 880, 800)!;
    expect(final).toBeCloseTo(640, 6);
    expect(rate / 5).toBeCloseTo(0.08109, 5);
    expect(Math.log((1000 - final) / (700 - final)) / (rate / 5)).toBeCloseTo(22.1, 1);
    expect(projected(1000, 900, 800)).toBeNull();
    expect(projected(1000, 900, 780)).toBeNull();
  });
  it("ready within 14 to 45 days at cellar humidity, and never past its balance", () => {
    const product = productDefaults("sausage");
    const model = modelOf(product);
    const state = model.start(product, { volume: 0.001, mass: 1 }, 12);
    const out = { watts: 0, drying: 0 };
    let hours = 0;
    while (product.water - state.water! < product.targetLoss && hours < 3000) {
      model.step(state, product, { ...feel(12), humidity: 0.75 }, hours * HOUR, HOUR, out);
      hours++;
    }
    expect(hours / 24).toBeGreaterThan(14);
    expect(hours / 24).toBeLessThan(45);
    for (let i = 0; i < 3000; i++) model.step(state, product, { ...feel(12), humidity: 0.75 }, 0, HOUR, out);
    expect(state.water!).toBeGreaterThanOrEqual(balancedWater(product.salt, 0.75) - 1e-9);
  });
});

describe("the surface of what dries", () => {
  const air = { t: 12, humidity: 0.8, film: 5 };
  const piece = { water: 0.6, salt: 0.028, radius: 0.025, pace: 1 };
  it("gives to the air what comes from within, whatever the air", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.6, max: 0.95, noNaN: true }),
        fc.double({ min: 2, max: 20, noNaN: true }),
        fc.double({ min: 0.3, max: 0.7, noNaN: true }),
        (humidity, film, water) => {
          const rim = rimWater({ ...piece, water }, { ...air, humidity, film });
          expect(rim).toBeLessThanOrEqual(water);
          if (rim > water - 1e-4) return;
          const within = dryingRate(piece.radius) * (water - rim);
          const gives = surfaceGives(piece.radius, sausageActivity(piece.salt, rim), { ...air, humidity, film });
          // Where salt has drawn water from the air to its balance nothing is given: never more comes than is taken.
          expect(Math.abs(within - gives)).toBeLessThan(3e-6 * dryingRate(piece.radius) + 0.02 * within);
        },
      ),
    );
  });
  // A wet surface that only its evaporation cools is a wet bulb (ASHRAE Handbook by psychrolib): the same law of mass.
  it("evaporates as the wet bulb asks, within a tenth", () => {
    psychrolib.SetUnitSystem(psychrolib.SI);
    const [dryBulb, humidity, film] = [14, 0.7, 8];
    const ratio = psychrolib.GetHumRatioFromRelHum(dryBulb, humidity, 101_325);
    const wetBulb = psychrolib.GetTWetBulbFromHumRatio(dryBulb, ratio, 101_325);
    const vapourAround = (humidity * psychrolib.GetSatVapPres(dryBulb)) / psychrolib.GetSatVapPres(wetBulb);
    const squareMetres = 2 / (1050 * 0.025);
    const taken = (film * (dryBulb - wetBulb)) / 2.47e6;
    const given = surfaceGives(0.025, 1, { t: wetBulb, humidity: vapourAround, film }) / squareMetres;
    expect(Math.abs(given / taken - 1)).toBeLessThan(0.1);
  });
  it("is drier, and the drying hardly quicker, the drier and the windier the air: a hard rim", () => {
    const gap = (humidity: number, film: number) =>
      sausageActivity(0.028, 0.6) - sausageActivity(0.028, rimWater(piece, { t: 12, humidity, film }));
    expect(gap(0.75, 5)).toBeGreaterThan(gap(0.85, 5) + 0.05);
    expect(gap(0.8, 12)).toBeGreaterThan(gap(0.8, 5));
    const speed = (film: number) => 0.6 - rimWater(piece, { t: 12, humidity: 0.75, film });
    expect(speed(20) / speed(5)).toBeLessThan(1.1);
  });
  it("takes nothing from air that is moister than it", () => {
    expect(rimWater(piece, { t: 12, humidity: 0.99, film: 5 })).toBeCloseTo(0.6, 5);
  });
});

it("starter by the packet: 25 g for 100 kg are 1.6 g for 6.4 kg, by hand", () => {
  expect(starterDose(6.4, 25, 100)).toBeCloseTo(1.6, 9);
});

// 9 CFR 424.21: 2.5 g/kg of a 6.25 % cure is 156 mg/kg; by hand for the others.
describe("cure", () => {
  it.each([
    [2.5, 0.0625, 156.25],
    [2.5, 0.005, 12.5],
    [25, 0.0625, 1562.5],
  ])("%d g/kg of a cure of %d", (dose, strength, nitrite) => {
    expect(nitriteFrom(dose, strength)).toBeCloseTo(nitrite, 6);
  });
  it("is dosed from weighed mass and the strength on the label, and not without one", () => {
    expect(cureDose(1, 0.0625)).toBeCloseTo(2.496, 3);
    expect(cureDose(4, 0.0625)).toBeCloseTo(9.984, 3);
    expect(cureDose(1, 0)).toBeNull();
    // 5 kg at 2.8 % salt, 1 % sugar, by hand: 140 g of salt in all, 12.48 g of a 6.25 % cure, 128.3 g beside it.
    const doses = dosesFor(5, { salt: 0.028, sugar: 0.01, cureStrength: 0.0625 });
    expect(doses.salt).toBeCloseTo(140, 9);
    expect(doses.sugar).toBeCloseTo(50, 9);
    expect(doses.cure).toBeCloseTo(12.48, 2);
    expect(doses.plainSalt).toBeCloseTo(128.3, 1);
    // One of 0.5 % would have to be 156 g: more than all the salt.
    expect(dosesFor(5, { salt: 0.028, sugar: 0.01, cureStrength: 0.005 })).toMatchObject({
      cure: null,
      problem: "too weak",
    });
  });
});
