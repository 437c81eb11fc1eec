import * as odex from "odex";
import psychro from "psychrolib";
import fc from "fast-check";
import {
  copyAir,
  dewPoint,
  drain,
  freeze,
  humidityRatio,
  relativeHumidity,
  saturated,
  stepAir,
  stillAir,
  unaccounted,
  vapourIn,
  type AirWater,
  type Around,
} from ".";
import { tries } from "../testing/hard";

const { Solver } = "Solver" in odex ? odex : (odex as unknown as { default: typeof odex }).default;
psychro.SetUnitSystem(psychro.SI);
const PRESSURE = 101_325;

// psychrolib (ASHRAE Handbook of Fundamentals 2017, chapter 1), an independent set of equations.
describe("moist air against psychrolib", () => {
  it.each([
    [4, 0.8],
    [13, 0.75],
    [25, 0.6],
    [32, 0.9],
    [40, 0.3],
  ])("at %d °C and %d: dew point, humidity ratio, and density of the vapour", (t, humidity) => {
    expect(Math.abs(dewPoint(humidity, t) - psychro.GetTDewPointFromRelHum(t, humidity))).toBeLessThan(0.05);
    const ratio = psychro.GetHumRatioFromRelHum(t, humidity, PRESSURE);
    expect(Math.abs(humidityRatio(humidity, t) / ratio - 1)).toBeLessThan(0.003);
    const density = ratio / psychro.GetMoistAirVolume(t, ratio, PRESSURE);
    expect(Math.abs(vapourIn(humidity, t) / density - 1)).toBeLessThan(0.004);
  });

  it("below freezing it is the frost point", () => {
    expect(Math.abs(dewPoint(0.5, 2) - psychro.GetTDewPointFromRelHum(2, 0.5))).toBeLessThan(0.1);
    expect(dewPoint(0, 20)).toBe(-Infinity);
  });

  it("humidity and its density are each other's inverse, and above the dew point nothing is saturated", () => {
    for (const t of [-10, 0.5, 20, 45])
      for (const humidity of [0.1, 0.55, 0.99]) {
        expect(relativeHumidity(vapourIn(humidity, t), t)).toBeCloseTo(humidity, 12);
        if (dewPoint(humidity, t) > 0)
          expect(saturated(dewPoint(humidity, t)) / vapourIn(humidity, t)).toBeGreaterThan(0.9);
      }
  });
});

const around = (of: Partial<Around> = {}): Around => ({
  span: 60,
  volume: 0.25,
  breathing: 2e-5,
  room: 0.01,
  given: 0,
  wet: { conductance: new Float64Array(1), vapour: new Float64Array(1) },
  surfaces: { conductance: new Float64Array(2), vapour: new Float64Array(2) },
  humidifier: { most: 0, at: 0 },
  dehumidifier: { conductance: 0, vapour: 0, at: 0, most: Infinity },
  absorber: { conductance: 0, vapour: 0, holds: 0 },
  ...of,
});
const lists = (...values: number[]) => Float64Array.from(values);

/** The same equations as ordinary differential equations, written out once more. */
function exact(from: AirWater, a: Around, seconds: number): number[] {
  const solver = new Solver(2 + from.film.length);
  solver.absoluteTolerance = solver.relativeTolerance = 1e-10;
  solver.maxSteps = 1e7;
  const start = [from.vapour * 1e3, from.absorbed * 1e3, ...[...from.film].map((kg) => kg * 1e3)];
  // Grams: the solver's tolerance is then one in the size of what is there.
  const flow = (_t: number, [w = 0, taken = 0, ...films]: number[]): number[] => {
    const vapour = w / 1e3;
    let into = a.given + a.breathing * (a.room - vapour) + a.wet.conductance[0]! * (a.wet.vapour[0]! - vapour);
    const k = a.absorber.holds > 0 ? a.absorber.conductance * Math.max(0, 1 - taken / 1e3 / a.absorber.holds) : 0;
    const absorbs = vapour > a.absorber.vapour ? k * (vapour - a.absorber.vapour) : 0;
    into -= absorbs;
    const onto = films.map((film, j) => {
      const flux = a.surfaces.conductance[j]! * (vapour - a.surfaces.vapour[j]!);
      return flux > 0 || film > 0 ? flux : 0;
    });
    into -= onto.reduce((sum, f) => sum + f, 0);
    return [(into / a.volume) * 1e3, absorbs * 1e3, ...onto.map((f) => f * 1e3)];
  };
  return solver.solve(flow, 0, start, seconds).y.map((g) => g / 1e3);
}

describe("the balance of water against the general solver odex", () => {
  const hour = (of: Partial<Around>, film: number[], vapour: number, span: number): [AirWater, number[]] => {
    const a = around({ ...of, span });
    const air = stillAir(vapour, 2, 1);
    air.film.set(film);
    const truth = exact(air, a, 3600);
    for (let s = 0; s < 3600; s += span) stepAir(air, a);
    return [air, truth];
  };
  const cases: [string, Partial<Around>, number[], number][] = [
    ["breathing alone", {}, [0, 0], 0.006],
    [
      "a cold plate that dries it",
      { surfaces: { conductance: lists(2e-3, 4e-3), vapour: lists(0.012, 0.004) } },
      [0, 0],
      0.011,
    ],
    [
      "a wet wall that moistens it while the plate takes",
      { surfaces: { conductance: lists(2e-3, 4e-3), vapour: lists(0.012, 0.004) } },
      [0.2, 0],
      0.006,
    ],
    [
      "a tray against an absorber",
      {
        wet: { conductance: lists(4e-4), vapour: lists(0.014) },
        absorber: { conductance: 2e-4, vapour: 0.001, holds: 0.01 },
      },
      [0, 0],
      0.008,
    ],
    ["what dries", { given: 1e-6, surfaces: { conductance: lists(1e-3, 0), vapour: lists(0.011, 0) } }, [0, 0], 0.009],
  ];
  // First order in the step: a tenth of it has to be ten times as near.
  it.each(cases)(
    "%s: an hour by minutes within 0.5 %, by seconds within 0.01 %, nearer by as much as the step is shorter",
    (_, of, film, vapour) => {
      const far = ([air, truth]: [AirWater, number[]]) =>
        Math.max(
          Math.abs(air.vapour - truth[0]!) / 0.01,
          Math.abs(air.absorbed - truth[1]!) / 0.01,
          ...[...air.film].map((kg, j) => Math.abs(kg - truth[2 + j]!) / 0.01),
        );
      const [coarse, fine] = [10, 1].map((span) => far(hour(of, film, vapour, span)));
      expect(far(hour(of, film, vapour, 60))).toBeLessThan(0.005);
      expect(fine).toBeLessThan(1e-4);
      expect(fine).toBeLessThan(0.15 * coarse! + 1e-9);
    },
  );

  it("whatever is in the box: nothing is lost to 1e-8, no film is below nothing, the air stays between what it touches", () => {
    const share = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(share, { minLength: 14, maxLength: 14 }),
        fc.array(fc.tuple(share, share, share), { minLength: 20, maxLength: 20 }),
        ([b, room, wet, wetAt, plate, dry, mist, given, film1, film2, takes, span, low, start] = [], turns) => {
          const a = around({
            span: 1 + 600 * span!,
            breathing: b! * 1e-3,
            room: 0.02 * room!,
            given: given! * 2e-6,
            wet: { conductance: lists(wet! * 2e-3), vapour: lists(0.02 * wetAt!) },
            humidifier: { most: mist! * 3e-5, at: 0.016 * low! },
            dehumidifier: { conductance: dry! * 1e-3, vapour: 0.0068, at: 0.016 * low! + 0.001, most: Infinity },
            absorber: { conductance: takes! * 1e-3, vapour: 0.001, holds: takes! * 0.05 },
          });
          const air = stillAir(0.02 * start!, 2, 1);
          air.film.set([film1! * 0.01, film2! * 0.01]);
          const before = copyAir(air);
          let moved = 0;
          let most = Math.max(air.vapour, a.room, a.wet.vapour[0]!, a.humidifier.at);
          for (const [lining, cold, iced] of turns) {
            a.surfaces = { conductance: lists(2e-3, plate! * 5e-3), vapour: lists(0.02 * lining, 0.01 * cold) };
            most = Math.max(most, 0.02 * lining, 0.01 * cold);
            const was = air.vapour;
            stepAir(air, a);
            freeze(air, 1, iced > 0.5 ? -5 : 5, a.span);
            drain(air, 1, 0.001);
            moved +=
              Math.abs(air.vapour - was) * a.volume + a.span * [...air.onto].reduce((s, f) => s + Math.abs(f), 0);
            expect(air.film.every((kg, j) => kg >= -1e-15 && air.ice[j]! >= -1e-15 && air.ice[j]! <= kg + 1e-15)).toBe(
              true,
            );
            expect(air.vapour).toBeGreaterThanOrEqual(-1e-12);
            // What is given by a law of its own may fog it; nothing else takes it beyond what it touches.
            if (given === 0) expect(air.vapour).toBeLessThanOrEqual(most * (1 + 1e-9));
          }
          expect(Math.abs(unaccounted(before, air, a.volume))).toBeLessThanOrEqual(1e-8 * Math.max(moved, 1e-4));
          expect(air.absorbed).toBeLessThanOrEqual(a.absorber.holds + 1e-12);
        },
      ),
      { numRuns: tries(150, 3000), seed: 20261127 },
    );
  });

  it("a humidifier holds the air where it is to, as long as it can, and a dehumidifier from the other side", () => {
    const cold = { conductance: lists(0, 4e-3), vapour: lists(0, 0.004) };
    const held = stillAir(0.005, 2, 1);
    for (let i = 0; i < 60; i++) stepAir(held, around({ surfaces: cold, humidifier: { most: 3e-5, at: 0.009 } }));
    expect(held.vapour).toBeCloseTo(0.009, 12);
    const weak = stillAir(0.005, 2, 1);
    for (let i = 0; i < 60; i++) stepAir(weak, around({ surfaces: cold, humidifier: { most: 1e-5, at: 0.009 } }));
    // It gives its most, and the plate and the room take it: 4e-3·(w − 0.004) = 1e-5 + 2e-5·(0.01 − w).
    expect(weak.vapour).toBeCloseTo((1e-5 + 2e-5 * 0.01 + 4e-3 * 0.004) / (4e-3 + 2e-5), 7);
    const wet = { conductance: lists(1e-3), vapour: lists(0.014) };
    const dried = stillAir(0.012, 2, 1);
    for (let i = 0; i < 60; i++)
      stepAir(dried, around({ wet, dehumidifier: { conductance: 5e-3, vapour: 0.0068, at: 0.01, most: Infinity } }));
    expect(dried.vapour).toBeCloseTo(0.01, 12);
    expect(dried.dehumidified).toBeGreaterThan(0);
    expect(dried.humidified).toBe(0);
  });

  it("water freezes on a cold plate and gives its heat of melting back when it thaws", () => {
    const air = stillAir(0.005, 1, 0);
    air.film[0] = 0.02;
    let heat = 0;
    for (let i = 0; i < 600; i++) heat += 60 * freeze(air, 0, -8, 60);
    expect(air.ice[0]).toBeCloseTo(0.02, 12);
    // CRC Handbook: 333.6 kJ/kg.
    expect(heat).toBeCloseTo(0.02 * 333_600, 3);
    drain(air, 0, 0);
    expect(air.film[0]).toBe(0.02);
    for (let i = 0; i < 600; i++) heat += 60 * freeze(air, 0, 4, 60);
    expect(heat).toBeCloseTo(0, 6);
    drain(air, 0, 0.005);
    expect(air.film[0]).toBeCloseTo(0.005, 12);
    expect(air.drained).toBeCloseTo(0.015, 12);
  });
});
