type Json = null | boolean | number | string | Json[] | { [name: string]: Json };

/** Values that both sides have set differently, each by the path to it; or what came out. */
export type Merged<T> = { ok: true; value: T } | { ok: false; paths: string[] };

/** Nothing stands here: apart from null, which is a value. */
const none = Symbol("none");
type Side = Json | typeof none;

const isPlain = (side: Side): side is Record<string, Json> =>
  typeof side === "object" && side !== null && !Array.isArray(side);
/** A value with its origin is one thing: half of it from here and half from there would be neither's. */
const isField = (side: Record<string, Json>): boolean => "origin" in side && "value" in side;
const isEntries = (side: Side): side is { id: string; [name: string]: Json }[] =>
  Array.isArray(side) && side.every((e) => isPlain(e) && typeof e.id === "string");

function same(a: Side, b: Side): boolean {
  if (a === b) return true;
  if (Array.isArray(a) && Array.isArray(b)) return a.length === b.length && a.every((v, i) => same(v, b[i]!));
  if (!isPlain(a) || !isPlain(b)) return false;
  const names = Object.keys(a);
  return names.length === Object.keys(b).length && names.every((n) => Object.hasOwn(b, n) && same(a[n]!, b[n]!));
}

const at = (side: Record<string, Json>, name: string): Side => (Object.hasOwn(side, name) ? side[name]! : none);

/**
 * Order of a list that one of both sides has put in another order or added to; null where both have put it in another.
 * What one side has added stands behind what it follows there.
 */
function orderOf(base: string[], mine: string[], theirs: string[], kept: Set<string>): string[] | null {
  const known = new Set(base);
  const both = (side: string[]) => side.filter((id) => known.has(id) && kept.has(id)).join();
  const old = base.filter((id) => kept.has(id)).join();
  const moved = { mine: both(mine) !== old, theirs: both(theirs) !== old };
  if (moved.mine && moved.theirs && both(mine) !== both(theirs)) return null;
  const [lead, other] = moved.mine ? [mine, theirs] : [theirs, mine];
  const order = lead.filter((id) => kept.has(id));
  other.forEach((id, i) => {
    if (!kept.has(id) || order.includes(id)) return;
    const before = other.slice(0, i).findLast((e) => order.includes(e));
    order.splice(before === undefined ? 0 : order.indexOf(before) + 1, 0, id);
  });
  return order;
}

function entries(base: Side, mine: Side, theirs: Side, path: string, clashes: string[]): Side {
  if (!isEntries(base) || !isEntries(mine) || !isEntries(theirs)) return clash(path, mine, clashes);
  const byId = (list: typeof base) => new Map<string, Json>(list.map((e) => [e.id, e]));
  const [b, m, t] = [byId(base), byId(mine), byId(theirs)];
  const merged = new Map<string, Json>();
  const before = clashes.length;
  for (const id of new Set([...t.keys(), ...m.keys(), ...b.keys()])) {
    const value = sides(b.get(id) ?? none, m.get(id) ?? none, t.get(id) ?? none, `${path}.${id}`, clashes);
    if (value !== none) merged.set(id, value);
  }
  // Of entries that are not settled yet no order can be told.
  if (clashes.length > before) return mine;
  const order = orderOf([...b.keys()], [...m.keys()], [...t.keys()], new Set(merged.keys()));
  return order ? order.map((id) => merged.get(id)!) : clash(path, mine, clashes);
}

/** A list in which each name stands once and order says nothing: what either side has added or taken away. */
function marks(base: Side, mine: string[], theirs: string[]): string[] {
  const from = Array.isArray(base) ? base : [];
  const gone = from.filter((m) => !mine.includes(m as string));
  return [...theirs.filter((m) => !gone.includes(m)), ...mine.filter((m) => !from.includes(m) && !theirs.includes(m))];
}

function clash(path: string, mine: Side, clashes: string[]): Side {
  clashes.push(path);
  return mine;
}

/** Lists in the order of which nothing is said. */
const sets = ["settled", "ownWay", "work.done"];

function sides(base: Side, mine: Side, theirs: Side, path: string, clashes: string[]): Side {
  if (same(mine, theirs) || same(base, theirs)) return mine;
  if (same(base, mine)) return theirs;
  // What only one of both has made or thrown away is no list and no table to look into.
  if (Array.isArray(mine) && Array.isArray(theirs) && sets.includes(path))
    return marks(base, mine as string[], theirs as string[]);
  if (Array.isArray(mine) && Array.isArray(theirs)) return entries(base, mine, theirs, path, clashes);
  if (!isPlain(mine) || !isPlain(theirs) || isField(mine) || isField(theirs)) return clash(path, mine, clashes);
  const from = isPlain(base) ? base : {};
  const merged: Record<string, Json> = {};
  for (const name of new Set([...Object.keys(theirs), ...Object.keys(mine), ...Object.keys(from)])) {
    const value = sides(at(from, name), at(mine, name), at(theirs, name), path ? `${path}.${name}` : name, clashes);
    if (value !== none) merged[name] = value;
  }
  return merged;
}

/**
 * Merges two changed states of one thing by what they have in common: what only one side has changed is taken from it,
 * value by value and entry by entry (by their ids). What both have changed differently is a clash, and nothing is merged
 * then. Plain data in, plain data out; neither side is changed.
 * @param base the last state that both knew
 */
export function mergeThree<T>(base: T, mine: T, theirs: T): Merged<T> {
  const clashes: string[] = [];
  const value = sides(base as Json, mine as Json, theirs as Json, "", clashes);
  return clashes.length ? { ok: false, paths: clashes } : { ok: true, value: value as T };
}
