import type { Faulted, Ohmic } from "./compiled";
import type { Pieces } from "./pieces";
import { NO_READING } from "./parts";

/** What a meter may find, Ω or V: from, to. */
export interface Interval {
  low: number;
  high: number;
}

/** A way through wires and contacts, Ω: whatever it is made of. */
export const METAL: Interval = { low: 0, high: 0.6 };
const NOTHING: Interval = { low: NO_READING, high: Infinity };

/** The dead circuit of a fault in a position: what lies between any two pins, Ω, at the least and at the most. */
export class DeadCircuit {
  private readonly group: Int16Array;
  private readonly loads: Ohmic[] = [];
  private readonly known = new Map<number, Interval>();

  constructor(
    f: Faulted,
    private readonly pieces: Pieces,
  ) {
    const { of } = pieces;
    this.group = Int16Array.from(of);
    const put = (load: Ohmic) => {
      const [a, b] = [of[load.a]!, of[load.b]!];
      if (a === b) return;
      this.loads.push({ ...load, a, b });
      const [x, y] = [this.group[a]!, this.group[b]!];
      if (x !== y) for (let i = 0; i < this.group.length; i++) if (this.group[i] === y) this.group[i] = x;
    };
    for (const [i, j] of f.base.joins.entries())
      if (j.is === "load" && j.dead && f.sets.get(i) !== "open")
        put({ a: j.a, b: j.b, low: j.dead[0], high: j.dead[1] });
    for (const o of f.ohmic) put(o);
  }

  /** Ω between two pins, by their numbers. */
  between(a: number, b: number): Interval {
    const [x, y] = [this.pieces.of[a]!, this.pieces.of[b]!];
    if (x === y) return METAL;
    // A pin's group is that of its piece.
    if (this.group[x] !== this.group[y]) return NOTHING;
    const key = x < y ? x * 1024 + y : y * 1024 + x;
    const found = this.known.get(key) ?? {
      // More ohms anywhere never make less between two points (Rayleigh's monotonicity).
      low: this.solved(x, y, "low"),
      high: this.solved(x, y, "high"),
    };
    this.known.set(key, found);
    return found;
  }

  /** By taking out node after node of the few that hang on each other by loads. */
  private solved(x: number, y: number, end: "low" | "high"): number {
    const loads = this.loads.filter((l) => this.group[l.a] === this.group[x] && (end === "low" || l.high < NO_READING));
    const near = new Map<number, Map<number, number>>();
    const add = (a: number, b: number, g: number) => {
      const list = near.get(a) ?? new Map<number, number>();
      list.set(b, (list.get(b) ?? 0) + g);
      near.set(a, list);
    };
    for (const l of loads) {
      const g = 1 / Math.max(1e-3, l[end]);
      add(l.a, l.b, g);
      add(l.b, l.a, g);
    }
    for (const [node, list] of [...near]) {
      if (node === x || node === y) continue;
      const all = [...list];
      const sum = all.reduce((s, [, g]) => s + g, 0);
      near.delete(node);
      for (const [b] of all) near.get(b)!.delete(node);
      for (let i = 0; i < all.length; i++)
        for (let k = i + 1; k < all.length; k++) {
          const g = (all[i]![1] * all[k]![1]) / sum;
          add(all[i]![0], all[k]![0], g);
          add(all[k]![0], all[i]![0], g);
        }
    }
    const g = near.get(x)?.get(y);
    return g === undefined ? (end === "low" ? NO_READING : Infinity) : 1 / g;
  }
}
