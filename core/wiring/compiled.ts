import type { Change } from "./fault";
import { netlistOf, type Netlist } from "./netlist";
import type { Join, JoinFault } from "./parts";
import type { Cord, OutletName, WiringPlan } from "./plan";

/** A netlist with its pins as numbers, so that hundreds of faults are tried within a moment. */
export interface Compiled {
  net: Netlist;
  size: number;
  index: ReadonlyMap<string, number>;
  wires: readonly { id: string; a: number; b: number }[];
  joins: readonly CompiledJoin[];
  drives: readonly { outlet: OutletName; plus: number; minus: number; fed: readonly [number, number] }[];
  /** Pins whose wires are off while a hand is otherwise. */
  lifts: ReadonlyMap<string, readonly number[]>;
}

interface CompiledJoin extends Omit<Join, "a" | "b"> {
  /** `part.key` */
  id: string;
  a: number;
  b: number;
}

const known = new WeakMap<WiringPlan, Compiled>();

export function compiledOf(plan: WiringPlan): Compiled {
  const found = known.get(plan) ?? compile(netlistOf(plan));
  known.set(plan, found);
  return found;
}

function compile(net: Netlist): Compiled {
  const index = new Map([...net.pins.keys()].map((id, i) => [id, i]));
  const at = (part: string, key: string) => index.get(key.includes(".") ? key : `${part}.${key}`)!;
  return {
    net,
    size: index.size,
    index,
    wires: net.wires.map(({ id, from, to }) => ({ id, a: index.get(from)!, b: index.get(to)! })),
    joins: net.parts.flatMap((p) =>
      p.joins.map((j): CompiledJoin => ({ ...j, id: `${p.id}.${j.key}`, a: at(p.id, j.a), b: at(p.id, j.b) })),
    ),
    drives: net.parts.flatMap((p) =>
      p.drives.map((d) => ({
        outlet: d.outlet,
        plus: at(p.id, d.plus),
        minus: at(p.id, d.minus),
        fed: [at(p.id, d.fed[0]), at(p.id, d.fed[1])] as const,
      })),
    ),
    lifts: new Map(
      net.parts.flatMap((p) =>
        p.hands.flatMap((h) => (h.lifts ? [[h.name, h.lifts.map((key) => at(p.id, key))] as const] : [])),
      ),
    ),
  };
}

/** A resistance between two pins, Ω: from, to. */
export interface Ohmic {
  a: number;
  b: number;
  low: number;
  high: number;
}

/** A compiled netlist with a fault in it. */
export interface Faulted {
  base: Compiled;
  /** Ends of the wires that are on, two numbers each, behind each other. */
  ends: Int16Array;
  /** Pins that meet, and joints that are poor. */
  metal: readonly (readonly [number, number])[];
  ohmic: readonly Ohmic[];
  sets: ReadonlyMap<number, JoinFault>;
  house: Cord | null;
}

const POOR = [1, 100] as const;

/** Puts a fault into a netlist. */
export function faulted(base: Compiled, change: Change): Faulted {
  const off = new Set(change.off);
  const at = (id: string) => base.index.get(id)!;
  let map: Int16Array | null = null;
  for (const [a, b] of change.swap ?? []) {
    map ??= Int16Array.from({ length: base.size }, (_, i) => i);
    const [x, y] = [at(a), at(b)];
    const before = map[x]!;
    map[x] = map[y]!;
    map[y] = before;
  }
  const ends: number[] = [];
  const ohmic: Ohmic[] = [];
  const crossed = new Map<string, readonly [from: number, to: number]>();
  for (const [wire, end, other, otherEnd] of change.cross ?? []) {
    crossed.set(wire, [at(end), at(otherEnd)]);
    crossed.set(other, [at(otherEnd), at(end)]);
  }
  for (const { id, a, b } of base.wires) {
    if (off.has(id)) continue;
    let [x, y] = map ? [map[a]!, map[b]!] : [a, b];
    const other = crossed.get(id);
    if (other) [x, y] = [x === other[0] ? other[1] : x, y === other[0] ? other[1] : y];
    if (id === change.poor) ohmic.push({ a: x, b: y, low: POOR[0], high: POOR[1] });
    else ends.push(x, y);
  }
  const metal: [number, number][] = [];
  for (const { a, b, dead: ohms } of change.add ?? [])
    if (ohms) ohmic.push({ a: at(a), b: at(b), low: ohms[0], high: ohms[1] });
    else metal.push([at(a), at(b)]);
  const sets = new Map<number, JoinFault>();
  for (const [id, how] of Object.entries(change.sets ?? {}))
    sets.set(
      base.joins.findIndex((j) => j.id === id),
      how,
    );
  return { base, ends: Int16Array.from(ends), metal, ohmic, sets, house: change.house ?? null };
}
