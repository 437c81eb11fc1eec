import type { Spot } from "../model";
import { BETWEEN, standsFree, TO_WALLS, type Stood } from "./collide";
import { extents, type Outline, type Standing } from "./outline";
import type { Level, Space } from "./space";

/** Whether a vessel's body stands on its level by more than half of its foot: its middle lies over it. */
export const carried = ({ x0, x1, y0, y1 }: Level, x: number, y: number): boolean =>
  x >= x0 && x <= x1 && y >= y0 && y <= y1;

export type Place = Standing & { on: Spot["on"] };

/** Places in straight rows or in staggered ones, or in a round box around its middle, whichever takes more, on each level. */
export function lattice(space: Space, o: Outline, beside: readonly Stood[] = []): Place[] {
  return space.levels.flatMap((level) => {
    const free = (x: number, y: number, turned: boolean): Place[] => {
      const at = { x, y, z: level.z, turned };
      const stands = carried(level, x, y) && standsFree(space, { outline: o, at }, beside);
      return stands ? [{ ...at, on: level.on }] : [];
    };
    const ways = space.round ? around(space, o, free) : inRowsOn(level, o, free);
    return ways.reduce((best, way) => (way.length > best.length ? way : best), [] as Place[]);
  });
}

type Free = (x: number, y: number, turned: boolean) => Place[];

function inRowsOn(level: Level, o: Outline, free: Free): Place[][] {
  return [false, true].flatMap((turned) => {
    const { side, front, back } = extents(o, turned);
    const [dx, dy] = [2 * side + BETWEEN, front + back + BETWEEN];
    return (o.handles + o.tap > 0 ? [false] : [false, true]).map((stagger) => {
      const found: Place[] = [];
      const step = stagger ? (dy * Math.sqrt(3)) / 2 : dy;
      for (let row = 0, y = level.y0 + TO_WALLS + back; y <= level.y1 - TO_WALLS - front + 1e-9; y += step, row++)
        for (
          let x = level.x0 + TO_WALLS + side + (stagger && row % 2 === 1 ? dx / 2 : 0);
          x <= level.x1 - TO_WALLS - side + 1e-9;
          x += dx
        )
          found.push(...free(x, y, turned));
      return found;
    });
  });
}

/** In a round box: rings from the wall inwards with one or none in the middle, or staggered rows about the middle. */
function around({ width }: Space, o: Outline, free: Free): Place[][] {
  const centre = width / 2;
  const { side, front } = extents(o, false);
  const r = Math.max(side, front);
  const step = 2 * r + BETWEEN;
  const rings: Place[] = [];
  for (let at = centre - TO_WALLS - r; at >= -1e-9; at -= step) {
    // So many stand on a ring that a chord from one to the next is a step.
    const many = at < step / 2 ? 1 : Math.floor(Math.PI / Math.asin(step / 2 / at) + 1e-9);
    const out = many === 1 ? 0 : at;
    for (let k = 0; k < many; k++)
      rings.push(
        ...free(
          centre + out * Math.cos((2 * Math.PI * k) / many),
          centre + out * Math.sin((2 * Math.PI * k) / many),
          false,
        ),
      );
  }
  const rows = [
    [0, 0],
    [step / 2, 0],
    [step / 2, step / (2 * Math.sqrt(3))],
  ].map(([ox, oy]) => {
    const found: Place[] = [];
    const most = Math.ceil(width / step) + 1;
    for (let row = -most; row <= most; row++)
      for (let i = -most; i <= most; i++)
        found.push(
          ...free(
            centre + ox! + (i + (Math.abs(row) % 2) / 2) * step,
            centre + oy! + (row * step * Math.sqrt(3)) / 2,
            false,
          ),
        );
    return found;
  });
  return [rings, ...rows];
}

/** Where a row is blocked at its beginning, the next is tried so much further, m. */
const NUDGE = 0.02;

/** How many of each kind still wait for a place, from the widest to the narrowest. */
interface Kind {
  outline: Outline;
  left: number;
}

/** Fills one row of a level from its left end to its right one with what goes in, the widest first; how deep it is, m. */
function fillRow(
  space: Space,
  level: Level,
  y: number,
  kinds: readonly Kind[],
  beside: readonly Stood[],
  put: (k: Kind, p: Place) => void,
): number {
  let deep = 0;
  let x = level.x0 + TO_WALLS;
  while (x < level.x1) {
    const kind = kinds.find(({ outline, left }) => {
      const { side, front, back } = extents(outline, false);
      // What comes after the first of a row keeps to its depth.
      if (left === 0 || (deep > 0 && front + back > deep + 1e-9)) return false;
      const at = { x: x + side, y: y + back, z: level.z, turned: false };
      return carried(level, at.x, at.y) && standsFree(space, { outline, at }, beside);
    });
    if (!kind) {
      x += NUDGE;
      continue;
    }
    const { side, front, back } = extents(kind.outline, false);
    put(kind, { x: x + side, y: y + back, z: level.z, turned: false, on: level.on });
    deep = Math.max(deep, front + back);
    x += 2 * side + BETWEEN;
  }
  return deep;
}

/**
 * Places for many vessels, in rows: of one kind in the rows that take most, of several row after row from the widest to
 * the narrowest. A search would take seconds; set by hand a few more may go.
 * @param outlines from the widest to the narrowest
 * @param beside what stands already
 * @returns a place for each, or null
 */
export function inManyRows(space: Space, outlines: readonly Outline[], beside: readonly Stood[]): (Place | null)[] {
  const keys = outlines.map((o) => JSON.stringify(o));
  const places = new Map<string, Place[]>();
  const alike = [...new Set(keys)];
  if (alike.length === 1) places.set(alike[0]!, lattice(space, outlines[0]!, beside));
  else {
    const kinds = alike.map((key): Kind & { key: string } => ({
      key,
      outline: outlines[keys.indexOf(key)]!,
      left: keys.filter((k) => k === key).length,
    }));
    for (const key of alike) places.set(key, []);
    for (const level of space.levels)
      for (let y = level.y0 + TO_WALLS; y < level.y1;) {
        const deep = fillRow(space, level, y, kinds, beside, (kind, at) => {
          kind.left--;
          places.get((kind as (typeof kinds)[number]).key)!.push(at);
        });
        y += deep > 0 ? deep + BETWEEN : NUDGE;
      }
  }
  return keys.map((key) => places.get(key)!.shift() ?? null);
}
