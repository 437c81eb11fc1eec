import { runKept, type TrialInput } from "../trial";

/** All numbers of something that differ by more than what is printed of any: by where they stand. */
export function apart(a: unknown, b: unknown, path: string, found: string[], within = 2e-6): string[] {
  if (found.length > 5) return found;
  if (typeof a === "number" && typeof b === "number") {
    // Traces are kept in single precision: its last digit may turn.
    // At the flat of an extreme the last digit of a state picks among steps, or among cycles that are alike.
    const least = /(low|high)At$/.test(path) ? 3600 : within;
    const near =
      Math.abs(a - b) <= Math.max(least, within * Math.abs(a)) || (Number.isNaN(a) && Number.isNaN(b)) || a === b;
    if (!near) found.push(`${path}: ${a} and ${b}`);
  } else if (a === null || b === null || typeof a !== "object" || typeof b !== "object") {
    if (a !== b) found.push(`${path}: ${String(a)} and ${String(b)}`);
  } else
    for (const key of new Set([...Object.keys(a), ...Object.keys(b)]))
      apart(a[key as never], b[key as never], `${path}.${key}`, found, within);
  return found;
}

/** A trial's end: what it shows and where its state stands, or that it left the ground. */
export function outcome(input: TrialInput) {
  try {
    const { trial, run } = runKept(input, 60);
    // The worst of all, and the inset around it, are choices among the rest: of two alike a last digit picks one.
    const { inset: _, metrics: _worst, ...rest } = trial;
    return { trial: rest, x: Array.from(run.state.x) };
  } catch (error) {
    return { trial: String(error), x: [] };
  }
}
