import type { Space } from "./space";
import { extents, fullHeight, solidsOf, type Outline, type Standing } from "./outline";
import { blocksOverlap, cylinderInBlock, cylindersOverlap } from "./solids";

/** Air that a body keeps to walls and to what is in the way, and to another vessel, m (common practice, no source). */
export const TO_WALLS = 0.02;
export const BETWEEN = 0.01;

/** Something that a vessel runs into, and by how much, m. */
export interface Hit {
  with: string;
  by: number;
}

export interface Stood {
  name: string;
  outline: Outline;
  at: Standing;
}

const EDGE = 1e-7;

/** How far a vessel stands in the walls, the floor's edge or the ceiling, m. */
function hitsWalls(space: Space, o: Outline, at: Standing): Hit[] {
  const found: Hit[] = [];
  const say = (name: string, by: number) => {
    if (by > EDGE) found.push({ with: name, by });
  };
  const { side, front, back } = extents(o, at.turned);
  if (space.round) {
    const centre = space.width / 2;
    say("the wall", Math.hypot(at.x - centre, at.y - centre) + Math.max(side, front) + TO_WALLS - centre);
  } else {
    say("the left wall", side + TO_WALLS - at.x);
    say("the right wall", at.x + side + TO_WALLS - space.width);
    say("the back", back + TO_WALLS - at.y);
    say("the door", at.y + front + TO_WALLS - space.depth);
  }
  say("the ceiling", at.z + fullHeight(o) - space.height);
  say("the rim of the opening", pastRim(space, o));
  return found;
}

/** How much a vessel is too wide for the opening that it goes in through, m; it may be turned by a quarter on its way. */
export function pastRim({ width, depth, rim, round }: Space, o: Outline): number {
  if (rim <= 0) return 0;
  const ways = [false, true].map((turned) => {
    const { side, front, back } = extents(o, turned);
    return round
      ? 2 * Math.max(side, front) - (width - 2 * rim)
      : Math.max(2 * side - (width - 2 * rim), front + back - (depth - 2 * rim));
  });
  return Math.max(0, Math.min(...ways));
}

/** Everything that a vessel runs into where it stands: walls, what is in the way, other vessels. */
export const hitsOf = (space: Space, it: Pick<Stood, "outline" | "at">, others: readonly Stood[]): Hit[] => [
  ...hits(space, it, others),
];

/** Whether it runs into nothing: a search asks no more. */
export const standsFree = (space: Space, it: Pick<Stood, "outline" | "at">, others: readonly Stood[]): boolean =>
  hits(space, it, others).next().done === true;

/** One after the other, the walls first. */
function* hits(
  space: Space,
  { outline, at }: Pick<Stood, "outline" | "at">,
  others: readonly Stood[],
): Generator<Hit, void> {
  yield* hitsWalls(space, outline, at);
  const own = solidsOf(outline, at);
  for (const block of space.blocks) {
    // What is lower than its legs lies between them.
    const between = block.z0 >= at.z && block.z1 - at.z <= outline.legs;
    if (between) continue;
    const clear = block.clear ?? TO_WALLS;
    const by = Math.max(
      ...own.rings.map((ring) => cylinderInBlock(ring, block, clear)),
      own.neck ? cylinderInBlock(own.neck, block) : 0,
      ...own.bars.map((bar) => blocksOverlap(bar, block)),
    );
    if (by > 0) yield { with: block.name, by };
  }
  const mine = extents(outline, at.turned);
  const reach = Math.max(mine.side, mine.front);
  for (const other of others) {
    const its = extents(other.outline, other.at.turned);
    // Too far apart for anything of them to meet.
    if (Math.hypot(at.x - other.at.x, at.y - other.at.y) > (reach + Math.max(its.side, its.front)) * 1.5 + BETWEEN)
      continue;
    const by = meets(own, solidsThere(other));
    if (by > 0) yield { with: other.name, by };
  }
}

type Solids = ReturnType<typeof solidsOf>;

/** Of what stands already: a search asks for them thousands of times. */
const known = new WeakMap<Standing, Solids>();
function solidsThere({ outline, at }: Stood): Solids {
  const found = known.get(at) ?? solidsOf(outline, at);
  known.set(at, found);
  return found;
}

const isPlain = ({ rings, neck, bars }: Solids): boolean => rings.length === 1 && !neck && bars.length === 0;

/** By how much two vessels lie in one another, m. */
function meets(a: Solids, b: Solids): number {
  if (isPlain(a) && isPlain(b)) return cylindersOverlap(a.rings[0]!, b.rings[0]!, BETWEEN);
  const necks = (s: Solids) => (s.neck ? [s.neck] : []);
  const all = (s: Solids) => [...s.rings, ...necks(s)];
  return Math.max(
    0,
    ...a.rings.flatMap((ring) => b.rings.map((other) => cylindersOverlap(ring, other, BETWEEN))),
    ...necks(a).flatMap((neck) => all(b).map((other) => cylindersOverlap(neck, other))),
    ...a.rings.flatMap((ring) => necks(b).map((neck) => cylindersOverlap(ring, neck))),
    ...all(a).flatMap((round) => b.bars.map((bar) => cylinderInBlock(round, bar))),
    ...all(b).flatMap((round) => a.bars.map((bar) => cylinderInBlock(round, bar))),
    ...a.bars.flatMap((bar) => b.bars.map((other) => blocksOverlap(bar, other))),
  );
}
