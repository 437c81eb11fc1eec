/** What is joined to what. */
interface Joins {
  conductors: readonly { a: string; b: string }[];
}

/** Pieces of metal: each terminal's own, by union-find over all conductors, whatever their resistance. */
export function piecesOf({ conductors }: Joins): (terminal: string) => string {
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
  return root;
}

/** Which terminals are one piece of metal. */
export function joinedIn(circuit: Joins): (a: string, b: string) => boolean {
  const piece = piecesOf(circuit);
  return (a, b) => piece(a) === piece(b);
}
