/** A point of a picture with its name, px. */
export interface NameAt {
  name: string;
  x: number;
  y: number;
}

/** Points nearer than this are one to the eye, px. */
const SAME = 5;
/** Height of a line of text, width of a letter at that size, px. */
const LINE = 14;
const LETTER = 7.5;
/** Half of a mark with its ring, px. */
const MARK = 9;
/** A name stands this far above its point; none above the picture, px. */
const ABOVE = 18;
const TOP = 22;

/**
 * Names stand above their points: those of one point are joined, and one that would cover another stands over it, or,
 * where there is no room above, under it.
 */
export function namesAbove(named: readonly NameAt[]): (NameAt & { top: number })[] {
  const joined: NameAt[] = [];
  for (const n of [...named].sort((a, b) => a.x - b.x)) {
    const same = joined.find((j) => Math.abs(j.x - n.x) < SAME && Math.abs(j.y - n.y) < SAME);
    if (same) same.name += `, ${n.name}`;
    else joined.push({ ...n });
  }
  const placed: (NameAt & { top: number })[] = [];
  for (const n of joined) {
    const wide = n.name.length * LETTER;
    const covers = (top: number) =>
      joined.some((m) => m !== n && m.x > n.x - MARK && m.x < n.x + wide + MARK && Math.abs(m.y - top + 4) < LINE) ||
      placed.some((p) => {
        const apart = p.x <= n.x ? n.x - p.x - p.name.length * LETTER : p.x - n.x - wide;
        return apart < 4 && Math.abs(p.top - top) < LINE;
      });
    const start = Math.max(TOP, n.y - ABOVE);
    // Half lines, and so far that each point and each name there is may take its place and one is still free.
    const steps = Array.from({ length: 2 + 8 * joined.length }, (_, i) => (i * LINE) / 2);
    const higher = steps.map((by) => start - by).filter((top) => top >= TOP);
    const lower = steps.map((by) => start + by);
    placed.push({ ...n, top: [...higher, ...lower].find((top) => !covers(top)) ?? start });
  }
  return placed;
}
