import { clockOf, inDegrees, printClock, printMoment, readClock, writeClock } from ".";

afterEach(() => writeClock("24"));

describe("hours as people write them", () => {
  // Unicode CLDR: en-US, hi-IN and ar-EG write twelve hours, en-GB, de and ja twenty-four.
  it.each([
    ["en-US", "12"],
    ["hi-IN", "12"],
    ["ar-EG", "12"],
    ["en-GB", "24"],
    ["de", "24"],
    ["ja", "24"],
  ] as const)("%s has %s", (language, hours) => expect(clockOf(language)).toBe(hours));

  it.each([
    [0, "00:00", "12:00\u00a0am"],
    [9.5, "09:30", "9:30\u00a0am"],
    [12, "12:00", "12:00\u00a0pm"],
    [15.25, "15:15", "3:15\u00a0pm"],
    [23.999, "00:00", "12:00\u00a0am"],
  ])("%d h", (hours, full, half) => {
    expect(printClock(hours)).toBe(full);
    writeClock("12");
    expect(printClock(hours)).toBe(half);
    // What is written is read back.
    const read = readClock(half.replace("\u00a0", " "));
    expect(read.ok && read.value).toBeCloseTo(Math.round(hours * 60) / 60 === 24 ? 0 : hours, 1);
  });

  it("in moments too", () => {
    writeClock("12");
    expect(printMoment(3600, 18)).toBe("day 1, 7:00\u00a0pm");
  });
});

describe("words with temperatures in them", () => {
  it.each([
    [
      "{17} to {22} {°}, with its own heat",
      "17 to 22\u00a0°C, with its own heat",
      "63 to 72\u00a0°F, with its own heat",
    ],
    ["Rated at {-23} {°}", "Rated at \u221223\u00a0°C", "Rated at \u22129\u00a0°F"],
    ["no degrees", "no degrees", "no degrees"],
  ])("%s", (words, c, f) => {
    expect(inDegrees(words, "C")).toBe(c);
    expect(inDegrees(words, "F")).toBe(f);
  });
});
