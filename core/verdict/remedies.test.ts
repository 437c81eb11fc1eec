import { tries } from "../testing/hard";
import type { Edit } from "../model";
import { kelvins } from "../quantity";
import { randomChambers } from "../testing/randomChambers";
import { remedyShare } from "../testing/remedyShare";
import { excludes } from ".";

jest.setTimeout(240_000);

describe("remedies offered as a cure", () => {
  it("keep their word in a longer trial of another lot of chambers, in at least 95 of 100", () => {
    const share = remedyShare(randomChambers(tries(30, 150), 20_261_125), 3, 5);
    expect(share.offered).toBeGreaterThan(30);
    // The list is what a failing run shows.
    expect([share.kept / share.offered >= 0.95, share.broken]).toEqual([true, expect.any(Array)]);
  });
});

describe("remedies that exclude each other", () => {
  const remedy = (id: string, ...edits: Edit[]) => ({ id, label: id, edits });
  const differential = (value: number): Edit => ({
    section: "settings",
    field: "heatingDifferential",
    value: kelvins(value),
  });
  const place = (value: "air" | "strapped", id = "p1"): Edit => ({ section: "probe", field: "place", id, value });
  it.each([
    ["other values of one number", remedy("a", differential(1)), remedy("b", differential(2)), true],
    ["the same value", remedy("a", differential(1)), remedy("b", differential(1)), false],
    ["different things", remedy("a", differential(1)), remedy("b", place("strapped")), false],
    ["different probes", remedy("a", place("air")), remedy("b", place("strapped", "p2")), false],
    ["the same probe", remedy("a", place("air")), remedy("b", place("strapped")), true],
    [
      "one number in different stages",
      remedy("a", { ...differential(1), stage: "s1" }),
      remedy("b", { ...differential(2), stage: "s2" }),
      false,
    ],
  ])("%s", (_, a, b, expected) => {
    expect(excludes(a, b)).toBe(expected);
    expect(excludes(b, a)).toBe(expected);
  });
});
