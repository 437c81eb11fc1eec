import * as z from "zod/mini";
import { placeProblem, problemOf, type Recipe } from "../model";
import { gravityOf } from "../product";
import { read, refuse, type Read } from "../quantity";

/**
 * BeerJSON, the open format for recipes (its published schema, version 2; names from memory): gravities and the steps of
 * a fermentation are taken, all else is left. Units are part of each value.
 */
const gravity = z.object({ unit: z.enum(["sg", "plato", "brix"]), value: z.number() });
const temperature = z.object({ unit: z.enum(["C", "F"]), value: z.number() });
const time = z.object({ unit: z.enum(["min", "hr", "day", "week", "sec", "month"]), value: z.number() });
const step = z.object({
  name: z.optional(z.string()),
  start_temperature: z.optional(temperature),
  end_temperature: z.optional(temperature),
  step_time: z.optional(time),
});
const recipe = z.object({
  name: z.string(),
  original_gravity: z.optional(gravity),
  final_gravity: z.optional(gravity),
  fermentation: z.optional(z.object({ fermentation_steps: z.array(step).check(z.maxLength(20)) })),
});
const file = z.object({ beerjson: z.object({ recipes: z.optional(z.array(z.unknown()).check(z.maxLength(200))) }) });

const seconds = { sec: 1, min: 60, hr: 3600, day: 86_400, week: 7 * 86_400, month: 30 * 86_400 } as const;
const inCelsius = ({ unit, value }: z.infer<typeof temperature>) => (unit === "C" ? value : (value - 32) / 1.8);
const inGravity = ({ unit, value }: z.infer<typeof gravity>) => (unit === "sg" ? value : gravityOf(value));

const LONGEST = 5_000_000;

function recipeOf({ name, original_gravity, final_gravity, fermentation }: z.infer<typeof recipe>): Recipe {
  return {
    name: name.trim().slice(0, 60) || "Recipe",
    originalGravity: original_gravity ? inGravity(original_gravity) : null,
    finalGravity: final_gravity ? inGravity(final_gravity) : null,
    steps: (fermentation?.fermentation_steps ?? []).map((s) => {
      const from = s.start_temperature ?? s.end_temperature;
      return {
        name: (s.name ?? "").trim().slice(0, 40),
        from: from ? inCelsius(from) : null,
        to: s.end_temperature ? inCelsius(s.end_temperature) : null,
        seconds: s.step_time ? s.step_time.value * seconds[s.step_time.unit] : null,
      };
    }),
  };
}

/** The recipes in a BeerJSON file; those that are not whole are refused by name. */
export function readRecipes(text: string): Read<{ recipes: Recipe[]; refused: string[] }> {
  if (text.length > LONGEST) return refuse("This file is far too long for a recipe.");
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return refuse("This is no BeerJSON file: it is not JSON at all.");
  }
  const whole = file.safeParse(raw);
  if (!whole.success) return refuse("This is no BeerJSON file: it has no recipes in it.");
  const found = { recipes: [] as Recipe[], refused: [] as string[] };
  for (const [i, entry] of (whole.data.beerjson.recipes ?? []).entries()) {
    const parsed = recipe.safeParse(entry);
    if (parsed.success) found.recipes.push(recipeOf(parsed.data));
    else found.refused.push(`Recipe ${i + 1}: ${placeProblem(problemOf(parsed.error.issues[0]!))}`);
  }
  if (found.recipes.length === 0) return refuse(found.refused[0] ?? "There is no recipe in this file.");
  return read(found);
}
