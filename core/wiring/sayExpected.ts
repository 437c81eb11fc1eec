import type { Interval } from "./ohms";
import { EARTH_OHMS, type Asks } from "./reading";

const ohms = (x: number): string =>
  x >= 1e6
    ? `${Math.round(x / 1e6)} MΩ`
    : x >= 1e4
      ? `${Math.round(x / 1000)} kΩ`
      : `${x < 100 ? Number(x.toPrecision(2)) : Math.round(x)} Ω`;

/** What a sound wiring shows, in words; `intervals`: one for each way in which a plug may stand in the wall. */
export function sayExpected(asks: Asks, intervals: readonly Interval[]): string {
  const { low, high } = intervals[0]!;
  switch (asks) {
    case "joined":
      return "has to beep";
    case "ohms":
      return `at most ${EARTH_OHMS} Ω, leads taken off`;
    case "apart":
      if (low >= 1e6) return "no reading";
      return high > 1e6 ? `${ohms(low)} or more, or no reading` : `${ohms(low)} to ${ohms(high)}`;
    case "volts": {
      const one = (i: Interval) =>
        i.low < 30 && i.high < 60
          ? `at most ${Math.round(i.high)} V`
          : `${Math.round(i.low)} to ${Math.round(i.high)} V`;
      return [...new Set(intervals.map(one))].join(", or turned ");
    }
  }
}
