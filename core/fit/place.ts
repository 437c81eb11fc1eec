import type { Spot } from "../model";
import { hitsOf, standsFree, BETWEEN, TO_WALLS, type Hit, type Stood } from "./collide";
import { extents, fullHeight, ringsOf, widest, type Outline, type Standing } from "./outline";
import { carried, inManyRows, lattice } from "./rows";
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

/** More than so many find their places in rows; where those do not do, so many still by a shorter search. */
export const SEARCHED = 16;
const SEARCHED_MOST = 40;

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

interface Search {
  looks: number;
  most: number;
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
        if (++search.looks > search.most) return;
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
 * @param most so many places are looked at
 */
export function place(space: Space, wanted: readonly Wanted[], most = MOST_LOOKS): Placed[] {
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
  const many = free.length > SEARCHED;
  const inManyPlaces = many ? manyPlaced(space, free, fixed) : null;
  if (inManyPlaces && (free.length > SEARCHED_MOST || inManyPlaces.every((p) => p.hits.length === 0)))
    return inManyPlaces;
  const search: Search = { looks: 0, most: many ? most / 4 : most };
  let best: Placed[] = [];
  const go = (i: number, stood: Placed[]): boolean => {
    if (stood.length - fixed.length > best.length) best = stood.slice(fixed.length);
    if (i === free.length) return true;
    const w = free[i]!;
    for (const { on, ...at } of waysOf(space, w.outline, stood, search)) {
      if (go(i + 1, [...stood, { id: w.id, name: w.name, outline: w.outline, on, at, hits: [] }])) return true;
      if (search.looks > search.most) return false;
    }
    return false;
  };
  const rows = fixed.length === 0 ? inRows(space, free) : null;
  if (rows) best = rows;
  else if (!go(0, fixed) && inManyPlaces) return inManyPlaces;
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
  const search: Search = { looks: 0, most: MOST_LOOKS };
  while (stood.length < Math.min(MANY, most)) {
    search.looks = 0;
    const next = waysOf(space, outline, stood, search).next();
    if (next.done) break;
    const { on, ...at } = next.value;
    stood.push({ id: "", name: "another", outline, on, at, hits: [] });
  }
  return Math.max(stood.length, rows);
}

/** Many vessels: those that find a place in a row, and of each kind that does not all go in one more that shows with what. */
function manyPlaced(space: Space, free: readonly Wanted[], fixed: readonly Placed[]): Placed[] {
  const places = inManyRows(
    space,
    free.map((w) => w.outline),
    fixed,
  );
  const stood: Placed[] = [
    ...fixed,
    ...free.flatMap(({ id, name, outline }, i): Placed[] => {
      const found = places[i];
      if (!found) return [];
      const { on, ...at } = found;
      return [{ id, name, outline, on, at, hits: [] }];
    }),
  ];
  const over = free.filter((w, i) => !places[i] && free.findIndex((o, k) => o.id === w.id && !places[k]) === i);
  const middle = { x: space.width / 2, y: space.depth / 2, z: 0, turned: false };
  const left = over.map(({ id, name, outline }): Placed => {
    const hits = hitsOf(space, { outline, at: middle }, stood);
    // Where it stands is only shown: that it has no place is known.
    return {
      id,
      name,
      outline,
      on: "floor",
      at: middle,
      hits: hits.length > 0 ? hits : [{ with: "the others", by: BETWEEN }],
    };
  });
  const held = fixed.map((p) => ({
    ...p,
    hits: hitsOf(
      space,
      p,
      stood.filter((o) => o !== p),
    ),
  }));
  return [...held, ...stood.slice(fixed.length), ...left];
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
