import type { Circuit } from "./circuit";

/** Which terminals are one piece of metal: union-find over all conductors, whatever their resistance. */
export function joinedIn({ conductors }: Pick<Circuit, "conductors">): (a: string, b: string) => boolean {
  const parent = new Map<string, string>();
  const root = (t: string): string => {
    const up = parent.get(t);
    if (up === undefined || up === t) return t;
    const top = root(up);
    parent.set(t, top);
    return top;
  };
  for (const { a, b } of conductors) {
    const [ra, rb] = [root(a), root(b)];
    if (ra !== rb) parent.set(ra, rb);
  }
  return (a, b) => root(a) === root(b);
}
