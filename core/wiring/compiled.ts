import type { Change } from "./fault";
import { mainsTable } from "./mains";
import { netlistOf, type Netlist } from "./netlist";
import { PLUGGED, type Join, type JoinFault, type Look } from "./parts";
import type { Cord, OutletName, WiringPlan } from "./plan";

/** How hands, calls and plugs stand while one looks. */
export interface Position {
  /** The plugs are in the wall. */
  live: boolean;
  heat: boolean;
  cold: boolean;
  /** The one thing that a hand has set otherwise than usual. */
  hand: string | null;
  /** Heater and cooler are plugged into their outlets. */
  plugged: boolean;
  /** Of two cords this one is pulled. */
  pulled: Cord | null;
}

export const dead: Position = { live: false, heat: false, cold: false, hand: null, plugged: false, pulled: null };

/** How the plugs stand in the wall, on which line of the house the second circuit is, how the supply lies to earth. */
export interface Orientation {
  turned: readonly [first: boolean, second: boolean];
  otherLine: boolean;
  /** Both conductors stand at half of the volts: an isolating transformer, or two lines of 115 V. */
  half: boolean;
}

export const straight: Orientation = { turned: [false, false], otherLine: false, half: false };

/** A source on a pin, V as a phasor. */
export interface Source {
  at: number;
  cord: Cord;
  pole: 1 | 2 | "e";
  re: number;
  im: number;
}

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
  /** What does not move by itself, by how hands stand: worked out once. */
  still: Map<string, Still>;
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
  return { base, ends: Int16Array.from(ends), metal, ohmic, sets, house: change.house ?? null, still: new Map() };
}

/** What is one piece of metal with what, and what feeds it. */
export interface Pieces {
  /** The piece of each pin: the number of one of its pins. */
  of: Int16Array;
  /** Which joins (metal) are closed. */
  closed: readonly boolean[];
  /** Something was moved, or not, by what the second cord brings. */
  bySecond: boolean;
}

const rootOf = (up: Int16Array, i: number): number => {
  let r = i;
  while (up[r] !== r) r = up[r]!;
  while (up[i] !== r) {
    const next = up[i]!;
    up[i] = r;
    i = next;
  }
  return r;
};

const meet = (up: Int16Array, a: number, b: number): void => {
  const [x, y] = [rootOf(up, a), rootOf(up, b)];
  if (x !== y) up[x < y ? y : x] = x < y ? x : y;
};

/**
 * The pieces of metal in a position. Under voltage contacts follow what powers them: it is looked at again until nothing
 * more moves (at most six times: a circuit that hums is left where it is).
 * @param sources what feeds it; none where it is dead
 */
export function piecesOf(f: Faulted, position: Position, sources: readonly Source[]): Pieces {
  const { base, sets } = f;
  const { joins } = base;
  const { of: still, closed, moving } = stillOf(f, position);
  if (!position.live) return { of: still, closed, bySecond: false };
  const now = [...closed];
  const eye = new Eye(base, position);
  let up: Int16Array = still;
  for (let round = 0; round < 6; round++) {
    up = Int16Array.from(still);
    for (const i of moving) if (now[i]) meet(up, joins[i]!.a, joins[i]!.b);
    eye.open(up, sources);
    let changed = false;
    for (const i of moving) {
      const is = joins[i]!.closed!(eye) !== (sets.get(i) === "inverse");
      if (is !== now[i]) {
        now[i] = is;
        changed = true;
      }
    }
    if (!changed) break;
  }
  for (let i = 0; i < base.size; i++) rootOf(up, i);
  return { of: up, closed: now, bySecond: eye.bySecond };
}

interface Still {
  of: Int16Array;
  closed: readonly boolean[];
  /** Joins that voltage moves. */
  moving: readonly number[];
}

const handOf =
  ({ hand, plugged }: Pick<Position, "hand" | "plugged">) =>
  (name: string): boolean =>
    name === hand || (name === PLUGGED && plugged);

function stillOf(f: Faulted, position: Position): Still {
  const { base, ends, metal, sets } = f;
  const key = `${position.hand} ${position.plugged} ${position.live}`;
  const known = f.still.get(key);
  if (known) return known;
  const lifted = position.hand === null ? undefined : base.lifts.get(position.hand);
  const of = Int16Array.from({ length: base.size }, (_, i) => i);
  for (let i = 0; i < ends.length; i += 2) {
    const [a, b] = [ends[i]!, ends[i + 1]!];
    if (lifted && (lifted.includes(a) || lifted.includes(b))) continue;
    meet(of, a, b);
  }
  for (const [a, b] of metal) meet(of, a, b);
  const closed = new Array<boolean>(base.joins.length).fill(false);
  const moving: number[] = [];
  const rest: Look = { hand: handOf(position), called: () => false, powered: () => false, driven: () => false };
  for (const [i, j] of base.joins.entries()) {
    if (j.is !== "metal") continue;
    const how = sets.get(i);
    if (how === "open") continue;
    const free = how !== "closed" && j.closed !== undefined;
    closed[i] = !free || j.closed!(rest) !== (how === "inverse");
    // Some are moved by a hand as well as by voltage.
    if (free && position.live) moving.push(i);
    else if (closed[i]) meet(of, j.a, j.b);
  }
  for (let i = 0; i < base.size; i++) rootOf(of, i);
  const still = { of, closed, moving };
  f.still.set(key, still);
  return still;
}

/** What parts look at under voltage. */
class Eye implements Look {
  bySecond = false;
  readonly hand: Look["hand"];
  private up: Int16Array = new Int16Array(0);
  private fed: { root: number; source: Source }[] = [];
  private readonly volts: number;
  constructor(
    private readonly base: Compiled,
    private readonly position: Position,
  ) {
    this.hand = handOf(position);
    this.volts = mainsTable[base.net.plan.wiring.mains].volts;
  }
  open(up: Int16Array, sources: readonly Source[]): void {
    this.up = up;
    this.fed = sources.map((source) => ({ root: rootOf(up, source.at), source }));
  }
  called = (o: OutletName): boolean => this.position[o];
  private feeding = (pin: number): Source | undefined => {
    const root = rootOf(this.up, pin);
    let found: Source | undefined;
    for (const f of this.fed) if (f.root === root && (!found || f.source.cord > found.cord)) found = f.source;
    return found;
  };
  private apart = (a: number, b: number): boolean => {
    const [x, y] = [this.feeding(a), this.feeding(b)];
    if (x?.cord === 2 || y?.cord === 2) this.bySecond = true;
    return !!x && !!y && Math.hypot(x.re - y.re, x.im - y.im) > 0.5 * this.volts;
  };
  powered = (a: string, b: string): boolean => this.apart(this.base.index.get(a)!, this.base.index.get(b)!);
  driven = (plus: string, minus: string): boolean => {
    const root = (pin: number) => rootOf(this.up, pin);
    const [p, m] = [root(this.base.index.get(plus)!), root(this.base.index.get(minus)!)];
    return (
      p !== m &&
      this.base.drives.some(
        (d) => this.called(d.outlet) && this.apart(...d.fed) && root(d.plus) === p && root(d.minus) === m,
      )
    );
  };
}

const sourcesKnown = new WeakMap<Compiled, Map<string, Source[]>>();

/** The sources of a plan, in how its plugs stand in the wall. */
export function sourcesOf(base: Compiled, { pulled }: Position, way: Orientation, house: Cord | null): Source[] {
  const all = sourcesKnown.get(base) ?? new Map<string, Source[]>();
  sourcesKnown.set(base, all);
  const key = `${pulled} ${way.turned[0]} ${way.turned[1]} ${way.otherLine} ${way.half} ${house}`;
  const found = all.get(key) ?? feeding(base, pulled, way, house);
  all.set(key, found);
  return found;
}

function feeding({ net, index }: Compiled, pulled: Cord | null, way: Orientation, house: Cord | null): Source[] {
  const mains = mainsTable[net.plan.wiring.mains];
  const [first, second] = way.half
    ? ([
        [0.5, 0],
        [-0.5, 0],
      ] as const)
    : [mains.first, mains.second];
  return [...net.pins.values()].flatMap(({ id, role }): Source[] => {
    if (role.is !== "source" || role.cord === pulled) return [];
    const { cord, pole } = role;
    const around = way.turned[cord - 1] !== (house === cord);
    const [re, im] = pole === "e" ? [0, 0] : (pole === 1) !== around ? first : second;
    // Another line of the house: the other leg where it has two, the next of three where it has three.
    const [r, i] =
      cord === 1 || !way.otherLine
        ? [re, im]
        : mains.american
          ? [-re, -im]
          : [-0.5 * re - (Math.sqrt(3) / 2) * im, (Math.sqrt(3) / 2) * re - 0.5 * im];
    return [{ at: index.get(id)!, cord, pole, re: r * mains.volts, im: i * mains.volts }];
  });
}
