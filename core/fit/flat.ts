import { vesselSize } from "../chamber";
import type { LoadedVessel } from "../model";
import type { Block } from "./solids";
import type { Space } from "./space";

/** Air around each thing that lies flat, m: beside it, and over and under it. */
export interface FlatAir {
  beside: number;
  over: number;
}
/** What they want (common practice: a hand's breadth over tempeh, no source). */
export const FLAT_AIR: FlatAir = { beside: 0.02, over: 0.05 };
/** What they cannot do without: the wires of a grid, and a hand that sets them on it (estimate). */
export const TIGHT: FlatAir = { beside: 0.005, over: 0.01 };

/** Side and height of one that lies flat, m: as it was measured, or as is usual for its volume. */
export function flatSize(vessel: LoadedVessel): { side: number; height: number } {
  const { diameter, height } = vesselSize(vessel);
  return { side: vessel.bodyWidth || diameter, height: vessel.bodyHeight || height };
}

/** So many of one size that have to lie somewhere. */
export interface FlatWanted {
  id: string;
  name: string;
  side: number;
  height: number;
  count: number;
}

/** One of them where it lies. */
export interface Laid {
  id: string;
  name: string;
  block: Block;
}

/** As many as one entry of vessels may have: all of them are laid. */
const MOST_LAID = 500;
/** A round wall is felt along in such steps, m. */
const FEEL = 0.01;
const EDGE = 1e-9;

/** A block as it is seen from above, m. */
type Rect = Pick<Block, "x0" | "x1" | "y0" | "y1">;

/** Rows from the back to the front, each from the left: what is in the way is passed by, and the row goes on behind it. */
function rowsIn(width: number, depth: number, round: boolean, taken: readonly Rect[], side: number, air: number) {
  const found: [x: number, y: number][] = [];
  const reach = width / 2 - air;
  // Between a round wall a row is as long as the wall leaves it at that of its edges that is further out.
  const halfOf = (y: number) =>
    round ? Math.sqrt(Math.max(0, reach ** 2 - Math.max(width / 2 - y, y + side - width / 2) ** 2)) : reach;
  let y = air;
  while (y + side <= depth - air + EDGE) {
    const before = found.length;
    const half = halfOf(y);
    let x = width / 2 - half;
    while (x + side <= width / 2 + half + EDGE) {
      const hit = taken.find(
        (r) => x < r.x1 - EDGE && x + side > r.x0 + EDGE && y < r.y1 - EDGE && y + side > r.y0 + EDGE,
      );
      if (!hit) found.push([x, y]);
      x = hit ? hit.x1 : x + side + air;
    }
    if (found.length > before) y += side + air;
    else y = round ? y + FEEL : Math.min(...taken.map((r) => r.y1).filter((edge) => edge > y + EDGE), depth);
  }
  return found;
}

/** The same from either side, from either end, and along instead of across; whichever takes most. */
function bestRows(space: Space, taken: readonly Rect[], side: number, air: number): [x: number, y: number][] {
  let best: [number, number][] = [];
  for (const along of [false, true])
    for (const right of [false, true])
      for (const front of [false, true]) {
        const [w, d] = along ? [space.depth, space.width] : [space.width, space.depth];
        const flip = (from: number, to: number, whole: number, off: boolean) =>
          off ? [whole - to, whole - from] : [from, to];
        const turned = taken.map((r): Rect => {
          const [[a0, a1], [b0, b1]] = along
            ? [
                [r.y0, r.y1],
                [r.x0, r.x1],
              ]
            : [
                [r.x0, r.x1],
                [r.y0, r.y1],
              ];
          const [x0, x1] = flip(a0!, a1!, w, right);
          const [y0, y1] = flip(b0!, b1!, d, front);
          return { x0: x0!, x1: x1!, y0: y0!, y1: y1! };
        });
        const rows = rowsIn(w, d, space.round, turned, side, air);
        if (rows.length <= best.length) continue;
        best = rows.map(([x, y]) => {
          const a = right ? w - x - side : x;
          const b = front ? d - y - side : y;
          return along ? [b, a] : [a, b];
        });
      }
  return best;
}

/** What is in the way of a layer: seen from above, with the air that has to be kept to it. */
function inTheWay(blocks: readonly Block[], z: number, height: number, air: FlatAir): Rect[] {
  return blocks
    .filter((b) => {
      const clear = b.clear ?? 0;
      return z < clearOf(b, air) - EDGE && z + height > b.z0 - Math.max(clear, air.over) + EDGE;
    })
    .map((b) => {
      const clear = b.clear ?? air.beside;
      return { x0: b.x0 - clear, x1: b.x1 + clear, y0: b.y0 - clear, y1: b.y1 + clear };
    });
}

/** From here on one may lie over a block, m: directly on a shelf, over all else with air. */
const clearOf = (b: Block, air: FlatAir): number => (b.shelf ? b.z1 : b.z1 + Math.max(b.clear ?? 0, air.over));

/** By how much it is too large for the opening, m; 0 or less: it goes through. */
const pastOpening = ({ width, depth, rim, round }: Space, side: number): number =>
  rim > 0 ? (round ? side * Math.SQRT2 : side) - (Math.min(width, depth) - 2 * rim) : 0;

/**
 * Lays flat things on grids, one kind to a grid, from the floor upwards, around what stands and hangs there. What finds
 * no place is left out: the caller counts. Found by rows, so that by hand one more may find a place.
 */
export function layFlat(space: Space, standing: readonly Block[], wanted: readonly FlatWanted[], air: FlatAir): Laid[] {
  const blocks = [...space.blocks, ...standing];
  const laid: Laid[] = [];
  let z = air.over;
  for (const { id, name, side, height, count } of wanted) {
    let left = pastOpening(space, side) > EDGE ? 0 : count;
    while (left > 0 && z + height <= space.height - air.over + EDGE) {
      const places = bestRows(space, inTheWay(blocks, z, height, air), side, air.beside).slice(0, left);
      if (places.length === 0) {
        // Nothing lies at this height: the next is over the lowest that ends above it.
        const next = Math.min(...blocks.map((b) => clearOf(b, air)).filter((top) => top > z + EDGE));
        if (!Number.isFinite(next)) break;
        z = next;
        continue;
      }
      for (const [x, y] of places)
        laid.push({ id, name, block: { name, x0: x, x1: x + side, y0: y, y1: y + side, z0: z, z1: z + height } });
      left -= places.length;
      z += height + air.over;
    }
  }
  return laid;
}

/** In so many steps from as little air as goes to what they want. */
const STEPS = 8;

/** Lays them with as much air around each as leaves a place to all; where none does, as many as lie close together. */
export function layAiry(
  space: Space,
  standing: readonly Block[],
  wanted: readonly FlatWanted[],
): { laid: Laid[]; air: FlatAir } {
  const all = wanted.reduce((sum, w) => sum + w.count, 0);
  for (let step = STEPS; ; step--) {
    const between = (least: number, most: number) => least + ((most - least) * step) / STEPS;
    const air = {
      beside: between(TIGHT.beside, FLAT_AIR.beside),
      over: between(TIGHT.over, FLAT_AIR.over),
    };
    const laid = layFlat(space, standing, wanted, air);
    if (laid.length === all || step === 0) return { laid, air };
  }
}

/** How many of one size lie in a space by themselves, and in how many layers. */
export function mostLaid(
  space: Space,
  { side, height }: Pick<FlatWanted, "side" | "height">,
  air: FlatAir = FLAT_AIR,
): { all: number; layers: number } {
  const laid = layFlat(space, [], [{ id: "", name: "", side, height, count: MOST_LAID }], air);
  return { all: laid.length, layers: new Set(laid.map(({ block }) => block.z0)).size };
}

/** What one by itself is missing, m: in height, in width, or through the opening. */
export function missingFlat(space: Space, { side, height }: Pick<FlatWanted, "side" | "height">) {
  const walls = (space.round ? side * Math.SQRT2 : side) + 2 * TIGHT.beside - Math.min(space.width, space.depth);
  const rim = pastOpening(space, side);
  return {
    height: Math.max(0, height + 2 * TIGHT.over - space.height),
    under: "the ceiling",
    width: Math.max(0, walls, rim),
    between: rim > walls ? ("opening" as const) : ("walls" as const),
  };
}

/** The inside that flat things need in some arrangement, m. */
export const insideForLayers = (
  vessel: LoadedVessel,
  { across, behind, over }: { across: number; behind: number; over: number },
): { width: number; depth: number; height: number } => {
  const { side, height } = flatSize(vessel);
  return {
    width: across * (side + FLAT_AIR.beside) + FLAT_AIR.beside,
    depth: behind * (side + FLAT_AIR.beside) + FLAT_AIR.beside,
    height: over * (height + FLAT_AIR.over) + FLAT_AIR.over,
  };
};
