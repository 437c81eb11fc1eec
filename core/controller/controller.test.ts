import fc from "fast-check";
import type { Settings, Unit } from "../model";
import { celsius, inScale, kelvins, roundTo, type Scale } from "../quantity";
import {
  bandOf,
  onOffNumbers,
  findingsOf,
  fitToUnit,
  genericUnit,
  parametersOf,
  noOutput,
  powerUp,
  resolutionOf,
  sentenceOf,
  settingsFor,
  stepOnOff,
  switchingOf,
  wishFor,
  wishedPoints,
  type ControlRequest,
  type OnOffNumbers,
} from ".";

const out = noOutput();
const step = (state: ReturnType<typeof powerUp>, numbers: OnOffNumbers, reading: number, dt: number) =>
  stepOnOff(state, numbers, reading, dt, out);

const ask = (low: number, high: number, target = (low + high) / 2, error = 0): ControlRequest => ({
  low: celsius(low),
  high: celsius(high),
  target: celsius(target),
  error: kelvins(error),
  margins: null,
});

const units = fc
  .record({
    scale: fc.constantFrom<Scale>("C", "F"),
    resolution: fc.constantFrom(0.1, 0.5, 1),
    smallest: fc.constantFrom(0.3, 1, 2),
    largest: fc.constantFrom(2.5, 10, 15),
    offset: fc.constantFrom(0.5, 5),
  })
  .map(({ scale, resolution, smallest, largest, offset }): Unit => ({
    ...genericUnit(scale),
    resolution,
    differentialLow: kelvins(smallest),
    differentialHigh: kelvins(largest),
    offsetLimit: kelvins(offset),
  }));

const asks = fc
  .record({
    low: fc.double({ min: -5, max: 80, noNaN: true }),
    width: fc.double({ min: 0.1, max: 25, noNaN: true }),
    where: fc.double({ min: 0, max: 1, noNaN: true }),
    error: fc.constantFrom(0, 0.3, -2, 3),
    margin: fc.constantFrom(0, 0.5, 1.7),
  })
  .map(({ low, width, where, error, margin }): ControlRequest => ({
    ...ask(low, low + width, low + where * width, error),
    margins: { heating: kelvins(margin), cooling: kelvins(margin / 2) },
  }));

/** Where a unit switches, found without its arithmetic: the true temperature is swept and the state machine is watched. */
function swept(settings: Settings, unit: Unit, error: number) {
  const counts = { ...onOffNumbers(settings, unit), delay: 0 };
  const reading = (t: number) => {
    const shown = inScale(celsius(t + error), unit.scale) + settings.offset * (unit.scale === "F" ? 1.8 : 1);
    return Math.round(roundTo(shown, unit.resolution) / unit.resolution);
  };
  const fine = 0.01;
  const from = settings.setpoint - settings.offset - error;
  const sweep = (direction: 1 | -1, on: (s: ReturnType<typeof powerUp>) => boolean): number => {
    const state = powerUp();
    for (let i = 0; i < 10_000; i++) {
      const t = from + direction * i * fine;
      step(state, counts, reading(t), 1);
      if (on(state)) return t;
    }
    return NaN;
  };
  return { heatOn: sweep(-1, (s) => s.callForHeat), coldOn: sweep(1, (s) => s.coldOutlet) };
}

describe("settings from a band", () => {
  // Common practice, no source: a band from 70 to 90 °F becomes setpoint 80 with 10 each way.
  it("70 to 90 °F becomes setpoint 80 with 10 each way", () => {
    const unit = genericUnit("F");
    const f = (t: number) => celsius((t - 32) / 1.8);
    const settings = settingsFor({ ...ask(0, 0), low: f(70), high: f(90), target: f(80) }, unit);
    expect(inScale(settings.setpoint, "F")).toBeCloseTo(80, 9);
    expect(settings.heatingDifferential * 1.8).toBeCloseTo(10, 9);
    expect(settings.coolingDifferential * 1.8).toBeCloseTo(10, 9);
    expect(settings.compressorDelay).toBe(300);
  });

  // Common practice, no source: reads 3 low, enter +3.
  it("a probe that reads 3 low asks for an offset of +3", () => {
    expect(settingsFor(ask(18, 20, 19, -3), genericUnit("C")).offset).toBe(3);
  });

  it("goes back to the band within the unit's resolution", () => {
    fc.assert(
      fc.property(asks, units, (asked, unit) => {
        const step = resolutionOf(unit);
        const wished = wishFor(asked);
        const settings = fitToUnit(wished, unit);
        const clamped = findingsOf(asked, wished, settings, unit).some((f) => f.id === "cannot-set");
        if (clamped) return;
        const band = bandOf(settings, unit);
        // Where a margin is wider than its side of the band, both go off elsewhere than at the target.
        const { heating, cooling } = asked.margins!;
        if (heating <= asked.target - asked.low && cooling <= asked.high - asked.target)
          expect(Math.abs(band.target - asked.target)).toBeLessThanOrEqual(step / 2 + 1e-6);
        expect(Math.abs(band.low - bandOf(wished, unit).low)).toBeLessThanOrEqual(step + 1e-6);
        expect(Math.abs(band.high - bandOf(wished, unit).high)).toBeLessThanOrEqual(step + 1e-6);
      }),
    );
  });

  // Worked out by hand: 1.3 K below and 0.4 K above have to fit between 18.5 and 20.5.
  it("a margin that is wider than its side of the band moves both off the target, as little as will do", () => {
    const points = (heating: number, cooling: number, low = 18.5, high = 20.5) =>
      wishedPoints({ ...ask(low, high, 19.5), margins: { heating: kelvins(heating), cooling: kelvins(cooling) } });
    expect(points(1.3, 0.4)).toEqual({ heatOn: 18.5, heatOff: 19.8, coldOn: 20.5, coldOff: 19.8 });
    const { heatOn, heatOff, coldOn } = points(0.4, 1.5);
    expect([heatOn, heatOff, coldOn].map((t) => Number(t.toFixed(9)))).toEqual([18.5, 19, 20.5]);
    // Wider than the band altogether: off at the target, or past both ends by the same where all room is at one side.
    expect(points(1.8, 1.2).heatOff).toBe(19.5);
    const past = points(1.8, 0.4);
    expect(18.5 - past.heatOn).toBeCloseTo(past.coldOn - 20.5, 9);
    // Never so far that heat goes off below the band, or cold above it: neither would ever bring it there.
    expect(points(2.5, 0.4).heatOff).toBe(20.5);
    expect(points(0.4, 2.5).heatOff).toBe(18.5);
  });

  it("a device that nothing calls for moves nobody to the end of the band", () => {
    const request = { ...ask(18.5, 20.5, 19.5), margins: { heating: kelvins(0), cooling: kelvins(1.9) } };
    expect(wishedPoints(request).heatOff).toBeCloseTo(18.6, 9);
    const winter = wishedPoints({ ...request, called: { heat: true, cold: false } });
    expect(winter).toEqual({ heatOn: 18.5, heatOff: 19.5, coldOn: 21.4, coldOff: 19.5 });
  });

  it("is settled: fitting what was fitted changes nothing, and every value is on the unit's grid", () => {
    fc.assert(
      fc.property(asks, units, (asked, unit) => {
        const once = settingsFor(asked, unit);
        const twice = fitToUnit(once, unit);
        for (const field of Object.keys(once) as (keyof Settings)[]) expect(twice[field]).toBeCloseTo(once[field], 9);
        const degrees = inScale(once.setpoint, unit.scale) / unit.resolution;
        expect(Math.abs(degrees - Math.round(degrees))).toBeLessThan(1e-6);
      }),
    );
  });
});

describe("findings", () => {
  it("appear if and only if the switching leaves the band by more than the resolution, or a wish cannot be set", () => {
    let seen = 0;
    fc.assert(
      fc.property(asks, units, (asked, unit) => {
        const wished = wishFor(asked);
        const settings = fitToUnit(wished, unit);
        const found = findingsOf(asked, wished, settings, unit);
        const step = resolutionOf(unit);
        const at = swept(settings, unit, asked.error);
        const slack = 0.02; // the sweep's own step
        const under = asked.low - step - at.heatOn;
        const over = at.coldOn - asked.high - step;
        if (Math.abs(under) > slack) expect(found.some((f) => f.id === "heat-leaves-band")).toBe(under > 0);
        if (Math.abs(over) > slack) expect(found.some((f) => f.id === "cold-leaves-band")).toBe(over > 0);
        const unset = parametersOf(unit).filter((field) => {
          const half = field === "compressorDelay" ? 30 : step / 2;
          return Math.abs(settings[field] - wished[field]) > half + 1e-6;
        });
        expect(
          found
            .filter((f) => f.id === "cannot-set")
            .map((f) => f.field)
            .sort(),
        ).toEqual(unset.sort());
        if (found.length) seen++;
      }),
      { numRuns: 400 },
    );
    expect(seen).toBeGreaterThan(20);
  });

  it("name the nearest that can be set", () => {
    const unit = { ...genericUnit("C"), setpointHigh: celsius(50) };
    const asked = ask(60, 64);
    const wished = wishFor(asked);
    const [first] = findingsOf(asked, wished, fitToUnit(wished, unit), unit);
    expect(first).toMatchObject({ id: "cannot-set", field: "setpoint" });
    expect(first!.text).toMatch(/nearest is 50\.0/);
  });

  it("a one-degree Fahrenheit unit switches where its rounding says", () => {
    const unit = { ...genericUnit("F"), resolution: 1 };
    const settings = settingsFor(ask(18, 22), unit);
    const at = switchingOf(settings, unit, kelvins(0));
    const brute = swept(settings, unit, 0);
    expect(Math.abs(at.heatOn! - brute.heatOn)).toBeLessThan(0.02);
    expect(Math.abs(at.coldOn! - brute.coldOn)).toBeLessThan(0.02);
  });
});

describe("the two-outlet unit", () => {
  const counts: OnOffNumbers = {
    ...onOffNumbers(settingsFor(ask(19, 21), genericUnit("C")), genericUnit("C")),
    heatOn: 190,
    heatOff: 200,
    coldOn: 210,
    coldOff: 200,
    lowAlarm: 150,
    highAlarm: 250,
    delay: 300,
  };

  it("never commands heat and cold together and never starts the compressor within its delay", () => {
    const readings = fc.array(fc.tuple(fc.integer({ min: 150, max: 250 }), fc.constantFrom(1, 5, 60, 400)), {
      minLength: 50,
      maxLength: 400,
    });
    fc.assert(
      fc.property(readings, fc.integer({ min: 0, max: 30 }), fc.integer({ min: 0, max: 30 }), (steps, heat, cool) => {
        const own = { ...counts, heatOn: 200 - heat, coldOn: 200 + cool };
        const state = powerUp();
        let now = 0;
        let stopped = 0;
        for (const [reading, dt] of steps) {
          const was = state.coldOutlet;
          now += dt;
          step(state, own, reading, dt);
          expect(state.callForHeat && (state.coldOutlet || state.callForCold)).toBe(false);
          if (!was && state.coldOutlet) expect(now - stopped).toBeGreaterThanOrEqual(own.delay);
          if (was && !state.coldOutlet) stopped = now;
        }
      }),
    );
  });

  it("heats from one differential below up to the setpoint", () => {
    const state = powerUp();
    const heating = [200, 191, 190, 195, 199, 200, 195].map((reading) => {
      step(state, counts, reading, 5);
      return state.callForHeat;
    });
    expect(heating).toEqual([false, false, true, true, true, false, false]);
  });

  it("waits after power-up, and forgets the call when the reading comes back by itself", () => {
    const state = powerUp();
    step(state, counts, 215, 100);
    expect([state.callForCold, state.coldOutlet]).toEqual([true, false]);
    step(state, counts, 200, 100);
    expect(state.callForCold).toBe(false);
    step(state, counts, 215, 100);
    expect(state.coldOutlet).toBe(true);
  });

  it("sounds its absolute alarms at the limits", () => {
    const state = powerUp();
    step(state, counts, 150, 5);
    expect([state.lowAlarm, state.highAlarm]).toEqual([true, false]);
    step(state, counts, 250, 5);
    expect([state.lowAlarm, state.highAlarm]).toEqual([false, true]);
  });
});

describe("the sentence", () => {
  it("says what switches where, in either scale", () => {
    const settings = settingsFor(ask(18.5, 20, 19), genericUnit("C"));
    const plugged = { heater: true, cooler: true };
    const text = sentenceOf(settings, genericUnit("C"), plugged).join(" ").replaceAll("\u00a0", " ");
    expect(text).toContain("At 18.5 °C and below the heater comes on; it goes off at 19.0 °C.");
    expect(text).toContain(
      "At 20.0 °C and above the fridge comes on, once it has rested 5 min; it goes off at 19.0 °C.",
    );
    expect(sentenceOf(settings, genericUnit("C"), plugged, "F").join(" ")).toContain("65.3\u00a0°F");
    expect(sentenceOf(settings, genericUnit("C"), { heater: false, cooler: true })[0]).toMatch(/no heater/);
  });
});
