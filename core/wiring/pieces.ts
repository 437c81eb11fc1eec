import type { Compiled, Faulted } from "./compiled";
import { mainsTable } from "./mains";
import { PLUGGED, type Look } from "./parts";
import type { OutletName } from "./plan";
import type { Position } from "./position";
import type { Source } from "./sources";

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

/** What does not move by itself, by how hands stand: worked out once for each fault. */
const stills = new WeakMap<Faulted, Map<string, Still>>();

const handOf =
  ({ hand, plugged }: Pick<Position, "hand" | "plugged">) =>
  (name: string): boolean =>
    name === hand || (name === PLUGGED && plugged);

function stillOf(f: Faulted, position: Position): Still {
  const { base, ends, metal, sets } = f;
  const key = `${position.hand} ${position.plugged} ${position.live}`;
  const all = stills.get(f) ?? new Map<string, Still>();
  stills.set(f, all);
  const known = all.get(key);
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
  all.set(key, still);
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
