import type * as z from "zod/mini";

/** Where in a record or a body something stands. */
type Path = readonly (string | number)[];

/**
 * Why something cannot be stored: what is wrong, where, and the value that it is about. It is made into a sentence where
 * it is shown, in the units of the field that it is shown at. Limits are in SI (°C, K, m, m³, s, W).
 */
export type Problem =
  | { code: "tooLow" | "tooHigh" | "tooLong" | "tooMany" | "tooFew"; at: Path; limit: number }
  | { code: "notANumber" | "notWhole" | "notAChoice" | "notADate" | "missing" | "unknown" | "unfit"; at: Path }
  /** Parts that do not fit together, or something that the schema says in words of its own. */
  | { code: "contradiction" | "noSuch"; at: Path; text: string };

/** The problem behind an issue of the schema library. */
export function problemOf(issue: z.core.$ZodIssue): Problem {
  const at = issue.path.filter((p) => typeof p !== "symbol");
  switch (issue.code) {
    case "too_big":
    case "too_small": {
      const limit = Number(issue.code === "too_big" ? issue.maximum : issue.minimum);
      const big = issue.code === "too_big";
      if (issue.origin === "string") return big ? { code: "tooLong", at, limit } : { code: "missing", at };
      if (issue.origin === "array") return { code: big ? "tooMany" : "tooFew", at, limit };
      return { code: big ? "tooHigh" : "tooLow", at, limit };
    }
    case "invalid_type":
      if (issue.expected === "int") return { code: "notWhole", at };
      if (issue.expected === "number") return { code: "notANumber", at };
      // The value itself is not handed on with the issue; only its sentence tells a missing one.
      return { code: issue.message.endsWith("received undefined") ? "missing" : "unfit", at };
    case "invalid_value":
      return { code: "notAChoice", at };
    case "unrecognized_keys":
      return { code: "unknown", at: [...at, ...issue.keys.slice(0, 1)] };
    case "invalid_format":
      if (issue.format !== "regex") return { code: "notADate", at };
      return { code: "contradiction", at, text: issue.message };
    case "custom":
      return { code: "contradiction", at, text: issue.message };
    default:
      return { code: "unfit", at };
  }
}

/** What a list is called, by the last name on the way to it. */
const listOf = ({ at }: Problem): string => {
  const name = at.filter((p) => typeof p === "string").at(-1) ?? "";
  return { controllers: "units", heatCurve: "points", away: "spans of days away" }[name] ?? (name || "entries");
};

const plain = (limit: number): string => String(limit);

/**
 * One sentence that says what is wrong and how to mend it.
 * @param say how the field that shows it writes a value, with its unit
 */
export function sayProblem(problem: Problem, say: (value: number) => string = plain): string {
  switch (problem.code) {
    case "tooLow":
      return `No less than ${say(problem.limit)}.`;
    case "tooHigh":
      return `No more than ${say(problem.limit)}.`;
    case "tooLong":
      return `Keep it to ${problem.limit} letters or fewer.`;
    case "tooMany":
      return `There can be ${problem.limit} ${listOf(problem)} at the most. Take one out first.`;
    case "tooFew":
      return `There has to be at least ${problem.limit} of the ${listOf(problem)}.`;
    case "notANumber":
      return "This has to be a number.";
    case "notWhole":
      return "This has to be a whole number.";
    case "notAChoice":
      return "This is none of the choices that there are.";
    case "notADate":
      return "This has to be a date, like 2026-01-31, with its time where one is asked for.";
    case "missing":
      return "Something has to stand here.";
    case "unknown":
      return "Nothing of this name is known here.";
    case "unfit":
      return "This does not fit here.";
    default:
      return problem.text;
  }
}

/** The same of what an edit came to: nothing, where it was stored. */
export const refusalOf = (refused: string | Problem | null, say?: (value: number) => string): string | null =>
  refused === null || typeof refused === "string" ? refused : sayProblem(refused, say);

/** The same for a file or a call: first where it stands. */
export function placeProblem(problem: Problem, otherwise = "the record"): string {
  return `${problem.at.join(" \u203a ") || otherwise}: ${sayProblem(problem)}`;
}
