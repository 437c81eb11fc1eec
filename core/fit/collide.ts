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
  return found;
}

/** Everything that a vessel runs into where it stands: walls, what is in the way, other vessels. */
export function hitsOf(space: Space, { outline, at }: Pick<Stood, "outline" | "at">, others: readonly Stood[]): Hit[] {
  const found = hitsWalls(space, outline, at);
  const own = solidsOf(outline, at);
  const cylinders = own.neck ? [own.body, own.neck] : [own.body];
  for (const block of space.blocks) {
    const by = Math.max(
      cylinderInBlock(own.body, block, TO_WALLS),
      own.neck ? cylinderInBlock(own.neck, block) : 0,
      ...own.bars.map((bar) => blocksOverlap(bar, block)),
    );
    if (by > 0) found.push({ with: block.name, by });
  }
  for (const other of others) {
    const its = solidsOf(other.outline, other.at);
    const its2 = its.neck ? [its.body, its.neck] : [its.body];
    const by = Math.max(
      cylindersOverlap(own.body, its.body, BETWEEN),
      ...cylinders.flatMap((a) => its2.map((b) => (a === own.body && b === its.body ? 0 : cylindersOverlap(a, b)))),
      ...cylinders.flatMap((a) => its.bars.map((b) => cylinderInBlock(a, b))),
      ...its2.flatMap((a) => own.bars.map((b) => cylinderInBlock(a, b))),
      ...own.bars.flatMap((a) => its.bars.map((b) => blocksOverlap(a, b))),
    );
    if (by > 0) found.push({ with: other.name, by });
  }
  return found;
}
