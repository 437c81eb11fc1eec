import type { Spot } from "../model";
import { hitsOf, standsFree, BETWEEN, TO_WALLS, type Hit, type Stood } from "./collide";
import { extents, fullHeight, ringsOf, widest, type Outline, type Standing } from "./outline";
import type { Level, Space } from "./space";

/** A vessel that has to stand somewhere: where it was put by hand, or wherever it can. */
export interface Wanted {
  id: string;
  name: string;
  outline: Outline;
  spot: Spot | null;
}

/** Where it stands, and what it runs into there; one that finds no place stands in the middle and says with what. */
export interface Placed extends Stood {
  id: string;
  on: Spot["on"];
  hits: Hit[];
}

/** So many places are looked at before the search gives up: it answers within a frame. */
const MOST_LOOKS = 5000;

const crossings = (
  a: { x: number; y: number; d: number },
  b: { x: number; y: number; d: number },
): [x: number, y: number][] => {
  const apart = Math.hypot(b.x - a.x, b.y - a.y);
  if (apart < 1e-9 || apart > a.d + b.d || apart < Math.abs(a.d - b.d)) return [];
  const along = (a.d ** 2 - b.d ** 2 + apart ** 2) / (2 * apart);
  const off = Math.sqrt(Math.max(0, a.d ** 2 - along ** 2));
  const [ux, uy] = [(b.x - a.x) / apart, (b.y - a.y) / apart];
  const [mx, my] = [a.x + ux * along, a.y + uy * along];
  return [
    [mx - uy * off, my + ux * off],
    [mx + uy * off, my - ux * off],
  ];
};

/**
 * Places at which a vessel touches two things at once: walls, edges of what is in the way, vessels that stand. What fits
 * anywhere fits at one of these, since it can be pushed there.
 */
function places(space: Space, level: Level, o: Outline, turned: boolean, stood: readonly Stood[]): [number, number][] {
  const { side, front, back } = extents(o, turned);
  const xs = [TO_WALLS + side, space.width - TO_WALLS - side, space.width / 2, (level.x0 + level.x1) / 2];
  const ys = [TO_WALLS + back, space.depth - TO_WALLS - front, space.depth / 2, (level.y0 + level.y1) / 2];
  // Of one that tapers each slice may be what touches.
  const radii = [...new Set(ringsOf(o).map((ring) => ring.r))];
  const round: { x: number; y: number; d: number }[] = stood.flatMap((s) =>
    [...new Set(ringsOf(s.outline).map((ring) => ring.r))].flatMap((its) =>
      radii.map((r) => ({ x: s.at.x, y: s.at.y, d: its + r + BETWEEN })),
    ),
  );
  for (const b of space.blocks) {
    const clear = b.clear ?? TO_WALLS;
    xs.push(b.x0 - clear - side, b.x1 + clear + side);
    ys.push(b.y0 - clear - front, b.y1 + clear + back);
    for (const r of radii) {
      // What has handles or a tap may still touch with its body.
      if (r !== side) xs.push(b.x0 - clear - r, b.x1 + clear + r);
      if (r !== front || r !== back) ys.push(b.y0 - clear - r, b.y1 + clear + r);
      for (const x of [b.x0, b.x1]) for (const y of [b.y0, b.y1]) round.push({ x, y, d: r + clear });
    }
  }
  if (space.round) {
    const centre = space.width / 2;
    round.push({ x: centre, y: centre, d: Math.max(0, centre - TO_WALLS - Math.max(side, front)) });
  }
  const found: [number, number][] = xs.flatMap((x) => ys.map((y): [number, number] => [x, y]));
  for (const { x: cx, y: cy, d } of round) {
    for (const x of xs) {
      const off = d ** 2 - (x - cx) ** 2;
      if (off >= 0) found.push([x, cy - Math.sqrt(off)], [x, cy + Math.sqrt(off)]);
    }
    for (const y of ys) {
      const off = d ** 2 - (y - cy) ** 2;
      if (off >= 0) found.push([cx - Math.sqrt(off), y], [cx + Math.sqrt(off), y]);
    }
  }
  for (let i = 0; i < round.length; i++)
    for (let k = i + 1; k < round.length; k++) found.push(...crossings(round[i]!, round[k]!));
  const [left, right] = [TO_WALLS + side - 1e-7, space.width - TO_WALLS - side + 1e-7];
  const [rear, fore] = [TO_WALLS + back - 1e-7, space.depth - TO_WALLS - front + 1e-7];
  const seen = new Set<number>();
  return (
    found
      .filter(([x, y]) => {
        if (x < left || x > right || y < rear || y > fore) return false;
        // The same place comes out of more than one pair of things that it touches.
        const key = Math.round(x * 1e5) * 1e6 + Math.round(y * 1e5);
        return !seen.has(key) && Boolean(seen.add(key));
      })
      // From the back to the front, from the left to the right: so one would fill it.
      .sort((p, q) => p[1] - q[1] || p[0] - q[0])
  );
}

/** Whether a vessel's body stands on its level by more than half of its foot: its middle lies over it. */
const carried = ({ x0, x1, y0, y1 }: Level, x: number, y: number): boolean => x >= x0 && x <= x1 && y >= y0 && y <= y1;

interface Search {
  looks: number;
}

/** All ways of standing without running into anything, one after the other. */
function* waysOf(
  space: Space,
  o: Outline,
  stood: readonly Stood[],
  search: Search,
): Generator<Standing & { on: Spot["on"] }> {
  const even = o.handles === 0 && o.tap === 0;
  for (const level of space.levels)
    for (const turned of even ? [false] : [false, true])
      for (const [x, y] of places(space, level, o, turned, stood)) {
        if (++search.looks > MOST_LOOKS) return;
        if (!carried(level, x, y)) continue;
        const at = { x, y, z: level.z, turned };
        if (standsFree(space, { outline: o, at }, stood)) yield { ...at, on: level.on };
      }
}

/** A vessel in the middle of the lowest level on which it stands free there; null: of none. */
function inTheMiddle(space: Space, { id, name, outline }: Wanted): Placed | null {
  for (const { on, z, x0, x1, y0, y1 } of space.levels) {
    const at = { x: (x0 + x1) / 2, y: (y0 + y1) / 2, z, turned: false };
    if (standsFree(space, { outline, at }, [])) return { id, name, outline, on, at, hits: [] };
  }
  return null;
}

const zOf = ({ levels }: Space, on: Spot["on"]): number => levels.find((l) => l.on === on)?.z ?? 0;

/**
 * Puts vessels into a space: those with a spot where they were put, the others from the widest to the narrowest wherever
 * they touch two things and run into nothing. Going back on earlier ones is tried within a bound.
 */
export function place(space: Space, wanted: readonly Wanted[]): Placed[] {
  const result = new Map<Wanted, Placed>();
  const fixed: Placed[] = wanted.flatMap((w) => {
    if (!w.spot) return [];
    const { x, y, on, turned } = w.spot;
    return [{ id: w.id, name: w.name, outline: w.outline, on, at: { x, y, z: zOf(space, on), turned }, hits: [] }];
  });
  wanted.filter((w) => w.spot).forEach((w, i) => result.set(w, fixed[i]!));
  const free = wanted
    .filter((w) => !w.spot)
    .sort((a, b) => widest(b.outline) - widest(a.outline) || fullHeight(b.outline) - fullHeight(a.outline));
  // One by itself stands in the middle where it can.
  const alone = wanted.length === 1 && free[0] ? inTheMiddle(space, free[0]) : null;
  if (alone) return [alone];
  const search: Search = { looks: 0 };
  let best: Placed[] = [];
  const go = (i: number, stood: Placed[]): boolean => {
    if (stood.length - fixed.length > best.length) best = stood.slice(fixed.length);
    if (i === free.length) return true;
    const w = free[i]!;
    for (const { on, ...at } of waysOf(space, w.outline, stood, search)) {
      if (go(i + 1, [...stood, { id: w.id, name: w.name, outline: w.outline, on, at, hits: [] }])) return true;
      if (search.looks > MOST_LOOKS) return false;
    }
    return false;
  };
  const rows = fixed.length === 0 ? inRows(space, free) : null;
  if (rows) best = rows;
  else go(0, fixed);
  free.forEach((w, i) => {
    const found = best[i];
    if (found) return result.set(w, found);
    // It finds no place: in the middle of the floor it shows with what.
    const at = { x: space.width / 2, y: Math.min(space.depth / 2, space.depth), z: 0, turned: false };
    return result.set(w, { id: w.id, name: w.name, outline: w.outline, on: "floor" as const, at, hits: [] });
  });
  const all = wanted.map((w) => result.get(w)!);
  return all.map((p) => ({
    ...p,
    hits: hitsOf(
      space,
      p,
      all.filter((other) => other !== p),
    ),
  }));
}

/** From so many on rows take as many as a search finds, and the search would take seconds. */
const MANY = 12;

/** How many of one vessel fit at most: in rows, or where there are few by putting in one after the other. */
export function mostOf(space: Space, outline: Outline, most = 60): number {
  // Whether one goes in at all needs no rows.
  const rows = most === 1 ? 0 : lattice(space, outline).length;
  if (rows >= Math.min(MANY, most)) return rows;
  const stood: Placed[] = [];
  const search: Search = { looks: 0 };
  while (stood.length < Math.min(MANY, most)) {
    search.looks = 0;
    const next = waysOf(space, outline, stood, search).next();
    if (next.done) break;
    const { on, ...at } = next.value;
    stood.push({ id: "", name: "another", outline, on, at, hits: [] });
  }
  return Math.max(stood.length, rows);
}

type Place = Standing & { on: Spot["on"] };

/** Places in straight rows or in staggered ones, or in a round box around its middle, whichever takes more, on each level. */
function lattice(space: Space, o: Outline): Place[] {
  return space.levels.flatMap((level) => {
    const free = (x: number, y: number, turned: boolean): Place[] => {
      const at = { x, y, z: level.z, turned };
      const stands = carried(level, x, y) && standsFree(space, { outline: o, at }, []);
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

/** Vessels that are all alike stand in rows, where rows take them. */
function inRows(space: Space, free: readonly Wanted[]): Placed[] | null {
  const [first] = free;
  if (!first || free.some((w) => JSON.stringify(w.outline) !== JSON.stringify(first.outline))) return null;
  const rows = lattice(space, first.outline);
  if (rows.length < free.length) return null;
  return free.map(({ id, name, outline }, i) => {
    const { on, ...at } = rows[i]!;
    return { id, name, outline, on, at, hits: [] };
  });
}
