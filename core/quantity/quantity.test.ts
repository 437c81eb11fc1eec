import fc from "fast-check";
import {
  celsius,
  differenceFromScale,
  differenceInScale,
  fromScale,
  inScale,
  kelvins,
  measures,
  printClock,
  printDifference,
  printDuration,
  printMeasure,
  printMoment,
  printTemperature,
  readClock,
  readDifference,
  readDuration,
  readMeasure,
  readTemperature,
  roundTo,
  stepsOf,
  warmer,
  type Temperature,
  type TemperatureDifference,
} from ".";

const scales = fc.constantFrom("C" as const, "F" as const);

describe("scales", () => {
  // Fixed points by definition of the Fahrenheit scale; −40 is where both meet; 37 °C is 98.6 °F.
  it.each([
    [0, 32],
    [100, 212],
    [-40, -40],
    [37, 98.6],
    [20, 68],
  ])("%d °C is %d °F", (c, f) => {
    expect(inScale(celsius(c), "F")).toBeCloseTo(f, 10);
    expect(fromScale(f, "F")).toBeCloseTo(c, 10);
  });

  it("a difference of 2 °C is 3.6 °F, not 35.6", () => {
    expect(differenceInScale(kelvins(2), "F")).toBeCloseTo(3.6, 12);
    expect(printDifference(kelvins(2), "F")).toBe("3.6\u00a0°F");
    const read = readDifference("3.6 F", "C");
    expect(read.ok && read.value).toBeCloseTo(2, 12);
  });

  it("the compiler keeps the two apart", () => {
    // These lines compile only as long as the types are distinct: `tsc` is the check, the values are incidental.
    type Mixed = Temperature extends TemperatureDifference ? true : false;
    const mixed: Mixed = false;
    expect(mixed).toBe(false);
    expect(warmer(celsius(20), kelvins(2))).toBe(22);
  });

  it("goes there and back", () => {
    fc.assert(
      fc.property(fc.double({ min: -60, max: 400, noNaN: true }), scales, (t, scale) => {
        expect(fromScale(inScale(celsius(t), scale), scale)).toBeCloseTo(t, 9);
        expect(differenceFromScale(differenceInScale(kelvins(t), scale), scale)).toBeCloseTo(t, 9);
      }),
    );
  });
});

describe("reading and printing", () => {
  it.each([
    ["68F", "C", 20],
    ["68 °F", "C", 20],
    ["20 °C", "F", 20],
    ["20,5", "C", 20.5],
    [" -1.5 ", "C", -1.5],
    ["\u22121.5", "C", -1.5],
    [".5c", "F", 0.5],
    ["293.15 K", "C", 20],
    ["68 degrees Fahrenheit", "C", 20],
  ] as const)("%s is understood", (text, scale, expected) => {
    const read = readTemperature(text, scale);
    expect(read.ok && read.value).toBeCloseTo(expected, 9);
  });

  it.each([
    ["", /Type a number/],
    ["warm", /does not start with a number/],
    ["20 liters", /not a temperature scale/],
    ["1,200.5", /more than one decimal mark/],
    ["-500", /colder than/],
    ["-3 K", /below 0 K/],
  ])("%s is refused with a reason", (text, reason) => {
    const read = readTemperature(text, "C");
    expect(read.ok).toBe(false);
    expect(!read.ok && read.problem).toMatch(reason);
  });

  it("printing a temperature or a difference and reading it is the identity at the resolution", () => {
    const resolutions = fc.constantFrom(0.1, 0.5, 1);
    fc.assert(
      fc.property(
        fc.double({ min: -50, max: 300, noNaN: true }),
        scales,
        scales,
        resolutions,
        (t, scale, assumed, res) => {
          const back = readTemperature(printTemperature(celsius(t), scale, res), assumed);
          expect(back.ok && inScale(back.value, scale)).toBeCloseTo(roundTo(inScale(celsius(t), scale), res), 9);
          const difference = readDifference(printDifference(kelvins(t), scale, res, true), assumed);
          expect(difference.ok && differenceInScale(difference.value, scale)).toBeCloseTo(
            roundTo(differenceInScale(kelvins(t), scale), res),
            9,
          );
        },
      ),
    );
  });

  it("a measure printed in any system reads back", () => {
    const kinds = fc.constantFrom(...Object.values(measures));
    const systems = fc.constantFrom("metric" as const, "customary" as const);
    fc.assert(
      fc.property(kinds, systems, fc.integer({ min: 0, max: 4000 }), (measure, system, n) => {
        const unit = measure[system];
        const si = n * unit.inSI;
        const back = readMeasure(printMeasure(si, measure, system), measure, system);
        expect(back.ok && back.value).toBeCloseTo(si, 9);
      }),
    );
  });

  // International inch and US liquid gallon: exact by definition.
  it("knows the units", () => {
    const volume = readMeasure("5 gal", measures.volume, "metric");
    expect(volume.ok && volume.value).toBeCloseTo(0.018927, 6);
    const length = readMeasure('60"', measures.length, "metric");
    expect(length.ok && length.value).toBeCloseTo(1.524, 9);
    const wrong = readMeasure("5 kg", measures.volume, "metric");
    expect(!wrong.ok && wrong.problem).toMatch(/not a unit of volume/);
  });

  it.each([
    ["1h15", 4500],
    ["90 min", 5400],
    ["5", 300],
    ["45 s", 45],
    ["1.5 h", 5400],
    ["2 d", 172_800],
  ])("a span of %s", (text, seconds) => {
    const read = readDuration(text);
    expect(read.ok && read.value).toBe(seconds);
  });

  it.each([
    ["15", 15],
    ["15:30", 15.5],
    ["3 pm", 15],
    ["12 am", 0],
    ["24", 0],
  ])("a clock time of %s", (text, hours) => {
    const read = readClock(text);
    expect(read.ok && read.value).toBe(hours);
    expect(readClock(printClock(hours))).toEqual({ ok: true, value: hours });
  });

  it.each(["25", "9:75", "13 pm", "noon"])("%s is no clock time", (text) => expect(readClock(text).ok).toBe(false));

  it("prints spans and moments in words", () => {
    expect(printDuration(420)).toBe("7\u00a0min");
    expect(printDuration(12_000)).toBe("3\u00a0h\u00a020\u00a0min");
    expect(printDuration(190_000)).toBe("2\u00a0d\u00a05\u00a0h");
    expect(printMoment(33_000, 18)).toBe("day 2, 03:10");
  });
});

describe("rounding", () => {
  it("rounds halves up, as displays do, without binary tails", () => {
    expect(roundTo(18.45, 0.1)).toBe(18.5);
    expect(roundTo(-0.04, 0.1)).toBe(0);
    expect(stepsOf(0.3, 0.1)).toBe(3);
    fc.assert(
      fc.property(fc.integer({ min: -5000, max: 5000 }), fc.constantFrom(0.1, 0.2, 0.5, 1), (n, res) =>
        expect(stepsOf(n * res, res)).toBe(n),
      ),
    );
  });
});
