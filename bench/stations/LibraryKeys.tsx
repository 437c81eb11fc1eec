"use client";

import { BookMarked, FileDown } from "lucide-react";
import Link from "next/link";
import { useState } from "react";
import { programOf, takeRecipe } from "@/core/chamber";
import type { Recipe } from "@/core/model";
import { ferments } from "@/core/product";
import { FileKey } from "@/parts/common";
import { keepProgram, sayRefused } from "@/workshop";
import { useActions, useChamber } from "../context";

/** Keeps the stages in the library, or takes those of a recipe. */
export function LibraryKeys() {
  const { chamber, record } = useChamber();
  const { change } = useActions();
  const [kept, setKept] = useState(false);
  const [said, setSaid] = useState<string | null>(null);
  const [recipes, setRecipes] = useState<Recipe[]>([]);
  const take = (recipe: Recipe) => {
    const why = change(takeRecipe(recipe), `recipe ${recipe.name}`);
    if (why) sayRefused(why);
    setRecipes([]);
    setSaid(
      why
        ? null
        : `The gravities and ${recipe.steps.length} steps of \u201c${recipe.name}\u201d stand here now: a degree each way around each. Undo takes them out again.`,
    );
  };
  const read = async (file: File) => {
    setSaid(null);
    const { readRecipes } = await import("@/core/formats");
    const found = readRecipes(await file.text());
    if (!found.ok) setSaid(`${file.name}: ${found.problem}`);
    else if (found.value.recipes.length === 1) take(found.value.recipes[0]!);
    else setRecipes(found.value.recipes);
  };
  return (
    <>
      {(chamber.stages.length > 1 || chamber.stages[0]!.ends.length > 0) && (
        <button
          type="button"
          className="key"
          onClick={() => {
            keepProgram(programOf(chamber, record.name));
            setKept(true);
          }}
        >
          <BookMarked size={16} aria-hidden /> Keep these stages in the library
        </button>
      )}
      <Link href="/programs" className="key">
        Take others from the library
      </Link>
      {ferments(chamber.vessels[0]!.product) && (
        <FileKey label="A recipe, BeerJSON" accept=".json,application/json" onFile={(file) => void read(file)}>
          <FileDown size={16} aria-hidden /> Take a recipe (BeerJSON)
        </FileKey>
      )}
      {kept && (
        <span role="status">
          Kept.{" "}
          <Link href="/programs" className="underline underline-offset-4">
            Look at the library
          </Link>
        </span>
      )}
      {said && <span role="status">{said}</span>}
      {recipes.length > 0 && (
        <span className="flex flex-wrap items-center gap-2">
          Which one?
          {recipes.map((r, i) => (
            <button key={i} type="button" className="key" onClick={() => take(r)}>
              {r.name}
            </button>
          ))}
        </span>
      )}
    </>
  );
}
