import { describe as describeChamber, newChamber, takeRecipe, tryChange } from "../chamber";
import { readRecipes } from ".";

// Written by hand after the published schema of the format, in its own units.
const text = JSON.stringify({
  beerjson: {
    version: 2.06,
    recipes: [
      {
        name: "Rye saison",
        type: "all grain",
        original_gravity: { unit: "plato", value: 12 },
        final_gravity: { unit: "sg", value: 1.006 },
        fermentation: {
          name: "Saison",
          fermentation_steps: [
            { name: "Primary", start_temperature: { unit: "F", value: 68 }, step_time: { unit: "week", value: 1 } },
            {
              name: "Rise",
              start_temperature: { unit: "C", value: 20 },
              end_temperature: { unit: "C", value: 26 },
              step_time: { unit: "day", value: 6 },
            },
            { name: "Cold", start_temperature: { unit: "C", value: 2 } },
          ],
        },
      },
      { type: "all grain" },
    ],
  },
});

describe("a recipe in an open format", () => {
  it("brings its gravities and the steps of its fermentation", () => {
    const read = readRecipes(text);
    if (!read.ok) throw new Error(read.problem);
    const [recipe] = read.value.recipes;
    expect(recipe!.originalGravity).toBeCloseTo(1.0484, 3);
    expect(recipe!.steps.map((s) => [s.name, s.from && Math.round(s.from), s.to, s.seconds])).toEqual([
      ["Primary", 20, null, 7 * 86_400],
      ["Rise", 20, 26, 6 * 86_400],
      ["Cold", 2, null, null],
    ]);
    expect(read.value.refused).toEqual([expect.stringMatching(/Recipe 2: name/) as string]);
    const tried = tryChange(newChamber("a", "A", "2026-01-01T00:00:00.000Z"), takeRecipe(recipe!));
    if (!tried.ok) throw new Error(tried.problem);
    const { stages, vessels } = describeChamber(tried.value);
    expect(vessels[0]!.product.finalGravity).toBe(1.006);
    expect(stages.map((s) => [s.name, s.low, s.high, s.rampBy])).toEqual([
      ["Primary", 19, 21, 0],
      ["Rise", 25, 27, 1],
      ["Cold", 1, 3, 0],
    ]);
    expect(stages.map((s) => s.ends.length)).toEqual([1, 1, 0]);
  });
  it.each([
    ["<RECIPES/>", /not JSON/],
    ["{}", /no recipes/],
    [JSON.stringify({ beerjson: { recipes: [{}] } }), /Recipe 1/],
    [JSON.stringify({ beerjson: { recipes: [] } }), /no recipe/],
  ])("says what is wrong with %s", (broken, says) => {
    const read = readRecipes(broken);
    expect(read.ok ? "" : read.problem).toMatch(says);
  });
  it("is refused whole where a step cannot be held", () => {
    const hot = text.replace('"value":26', '"value":260');
    const read = readRecipes(hot);
    if (!read.ok) throw new Error(read.problem);
    expect(tryChange(newChamber("a", "A", "2026-01-01T00:00:00.000Z"), takeRecipe(read.value.recipes[0]!)).ok).toBe(
      false,
    );
  });
});
