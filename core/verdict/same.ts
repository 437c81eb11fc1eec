import type { Remedy, Verdict } from "./types";

/** Tells verdicts of one trial apart: what they say, and of what. */
export const verdictKey = ({ id, about }: Pick<Verdict, "id" | "about">): string => (about ? `${id}:${about}` : id);

/** Whether two verdicts say the same of the same thing. */
export const sameVerdict = (a: Pick<Verdict, "id" | "about">, b: Pick<Verdict, "id" | "about">): boolean =>
  a.id === b.id && a.about === b.about;

/** Whether two remedies want different values of the same thing: only one of them can be kept. */
export function excludes(a: Remedy, b: Remedy): boolean {
  return a.edits.some((x) =>
    b.edits.some(
      (y) =>
        x.section === y.section &&
        x.field === y.field &&
        x.id === y.id &&
        x.stage === y.stage &&
        JSON.stringify(x.value) !== JSON.stringify(y.value),
    ),
  );
}
