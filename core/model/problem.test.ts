import fc from "fast-check";
import {
  chamberRecord,
  problemOf,
  refusalOf,
  placeProblem,
  sayProblem,
  sectionShapes,
  applyEdits,
  EditRefused,
} from ".";
import type { Edit } from ".";
import { newChamber, tryEdits } from "../chamber";

const record = newChamber("p", "Problems", "2026-01-01T00:00:00.000Z");
const edit = (section: string, field: string, value: unknown) => ({ section, field, value }) as unknown as Edit;
const why = (...one: Parameters<typeof edit>) => {
  const tried = tryEdits(record, [edit(...one)]);
  return tried.ok ? null : tried.why;
};

describe("why a value is refused", () => {
  it.each([
    ["a height of 9 m", "cabinet", "height", 9, "tooHigh", 3],
    ["a differential below nothing", "settings", "heatingDifferential", -1, "tooLow", 0],
    ["half a vessel", "vessel", "count", 1.5, "notWhole", undefined],
    ["a kind that is none", "product", "kind", "soup", "notAChoice", undefined],
    ["a word for a number", "vessel", "volume", "much", "notANumber", undefined],
    ["a name of a hundred letters", "unit", "name", "x".repeat(100), "tooLong", 40],
    ["a field that is none", "unit", "colour", 1, "unknown", undefined],
    ["a number without an end", "room", "low", Infinity, "notANumber", undefined],
  ])("%s has a code, its place and its limit", (_, section, field, value, code, limit) => {
    const problem = why(section, field, value)!;
    expect(problem.code).toBe(code);
    expect(problem.at.slice(0, 2)).toEqual([section, field]);
    if (limit !== undefined) expect(problem).toHaveProperty("limit", limit);
  });

  it("is said in the unit of the field that shows it", () => {
    const problem = why("cabinet", "height", 9)!;
    expect(sayProblem(problem, (m) => `${m * 100} cm`)).toBe("No more than 300 cm.");
    expect(refusalOf(problem, (m) => `${(m / 0.0254).toFixed(0)} in`)).toBe("No more than 118 in.");
    expect(refusalOf(null)).toBeNull();
    expect(placeProblem(problem)).toBe("cabinet \u203a height: No more than 3.");
  });

  it("what contradicts something else keeps its own words", () => {
    expect(sayProblem(why("room", "low", 40)!)).toMatch(/coldest is above its warmest/);
  });

  it("a list that is too long, and a record with something missing, say so", () => {
    const stages = Array.from({ length: 500 }, (_, i) => ({ ...record.stages[0]!, id: `s${i}` }));
    const found = chamberRecord.safeParse({ ...record, stages }).error!.issues[0]!;
    expect(problemOf(found).code).toBe("tooMany");
    const { name: _, ...nameless } = record;
    expect(problemOf(chamberRecord.safeParse(nameless).error!.issues[0]!).code).toBe("missing");
  });

  // Whatever is put anywhere: never the words of the schema library, its signs, or a value that is no number.
  it("no field answers in the words of a schema", () => {
    const fields = Object.entries(sectionShapes).flatMap(([section, shape]) =>
      Object.keys(shape).map((field) => [section, field] as const),
    );
    const bad = fc.oneof(
      fc.double(),
      fc.string(),
      fc.constantFrom<unknown>(null, true, [], {}, NaN, Infinity, -1e308, 1e308, 0.5, "\u0000", [[]]),
    );
    fc.assert(
      fc.property(fc.constantFrom(...fields), bad, ([section, field], value) => {
        try {
          applyEdits(record, [edit(section, field, value)]);
        } catch (error) {
          if (!(error instanceof EditRefused)) throw error;
          expect(error.message).toMatch(/^[A-Z].*\.$/s);
          expect(error.message).not.toMatch(/expected|received|invalid|[<>]=|NaN|Infinity|undefined|null/i);
        }
      }),
      { seed: 20261127, numRuns: 3000 },
    );
  });
});
