import type { Happening, RoomSeries } from "../model";
import { celsius, kelvins } from "../quantity";
import { aroundAt, isDaily, roomTemperature, recordedTemperature, weatherAt } from ".";

const HOUR = 3600;
const DAY = 24 * HOUR;
const room = {
  low: celsius(10),
  high: celsius(20),
  warmestHour: 15,
  monthly: kelvins(0),
  winter: kelvins(0),
  summer: kelvins(0),
};

describe("a recorded room", () => {
  const series: RoomSeries = { name: "x", seconds: [0, 100, 300], temperatures: [10, 20, 0].map(celsius) };
  // Straight lines between the points, worked by hand.
  it.each([
    [-5, 10],
    [0, 10],
    [50, 15],
    [100, 20],
    [200, 10],
    [300, 0],
    [9999, 0],
  ])("at %d s is %d °C", (at, t) => expect(recordedTemperature(series, at)).toBeCloseTo(t, 12));
});

describe("season and weather", () => {
  it("the season moves the mean by its amount in thirty days and leaves the swing alone", () => {
    const autumn = { ...room, monthly: kelvins(-6) };
    for (const at of [0, 5 * HOUR, 17 * HOUR])
      expect(roomTemperature(autumn, at + 30 * DAY, 18) - roomTemperature(room, at + 30 * DAY, 18)).toBeCloseTo(
        -6 * (1 + at / (30 * DAY)),
        9,
      );
  });
  const snap: Happening = { id: "a", kind: "weather", at: DAY, lasting: DAY, by: kelvins(-8) };
  it.each([
    [0, 0],
    [DAY, 0],
    [DAY + 3 * HOUR, -4],
    [DAY + 6 * HOUR, -8],
    [DAY + 12 * HOUR, -8],
    [2 * DAY - 3 * HOUR, -4],
    [2 * DAY, 0],
    [3 * DAY, 0],
  ])("a cold snap of a day, with fronts of six hours: at %d s %d K", (at, by) =>
    expect(weatherAt([snap], at)).toBeCloseTo(by, 9),
  );
  it("two add up; a short one never reaches its full depth twice", () => {
    expect(weatherAt([snap, { ...snap, id: "b" }], DAY + 12 * HOUR)).toBeCloseTo(-16, 9);
    const short: Happening = { ...snap, lasting: 4 * HOUR };
    expect(weatherAt([short], DAY + 2 * HOUR)).toBeCloseTo(-8, 9);
    expect(weatherAt([short], DAY + HOUR)).toBeCloseTo(-4, 9);
  });
  it("is laid over swing and series alike, and only a plain day repeats", () => {
    const around = { room, recorded: null, happenings: [snap] };
    expect(aroundAt(around, DAY + 12 * HOUR, 3)).toBeCloseTo(20 - 8, 9);
    expect(isDaily(around)).toBe(false);
    expect(isDaily({ ...around, happenings: [] })).toBe(true);
    expect(isDaily({ ...around, happenings: [], room: { ...room, monthly: kelvins(1) } })).toBe(false);
  });
});
