import type { Around } from "./around";
import { LOW, SHIFT } from "./basis";
import { Rows } from "./rows";

/** A mode that bends by more than this within a leap is bounded by its own size. */
const BENT = 4;

/** Share of a leap within which d·τ + b·τ(1 − τ) stays under a margin. */
function within(margin: number, d: number, b: number): number {
  if (!(margin > 0)) return 0;
  // No limit: without a bend it would be nothing times without end.
  if (margin === Infinity) return 1;
  const slope = b + d;
  if (slope <= 0) return 1;
  const root = slope * slope - 4 * b * margin;
  return root < 0 ? 1 : (2 * margin) / (slope + Math.sqrt(root));
}

/**
 * Rows of which is known between which limits they surely lie, and where they are highest, lowest or leave a band, without
 * looking at each step.
 */
export class BoundedRows extends Rows {
  /** How many steps are covered: shown are 0 to `steps` − 1 from the start, and the last leads to where it lands. */
  steps = 0;
  /** Where it lands. */
  private readonly landing: Float64Array;
  private readonly gone: Float64Array;
  // What is known of one row over one part of the way, and where the last search found its best.
  private up = 0;
  private down = 0;
  private above = 0;
  private under = 0;
  private bestAt = 0;
  /** Lowest and highest that each node can be over the whole way, its ends with it; asked once. */
  private readonly floors: Float64Array;
  private readonly ceilings: Float64Array;
  private readonly asked: Int32Array;
  private flights = 0;
  /** The last extremes that were looked for, °C, and their steps from the start. */
  low = 0;
  high = 0;
  lowAt = 0;
  highAt = 0;

  constructor(around: Around, nodes: number, rows: number) {
    super(around, nodes, rows);
    this.landing = new Float64Array(nodes);
    this.gone = new Float64Array(nodes);
    this.floors = new Float64Array(nodes);
    this.ceilings = new Float64Array(nodes);
    this.asked = new Int32Array(nodes);
  }

  /** Settles for so many steps: where it lands is known from then on. */
  over(steps: number): void {
    const { basis, landing, h, gone } = this;
    this.steps = steps;
    this.flights++;
    const { n, back, low, high } = basis;
    for (let i = 0, l = (steps & (LOW - 1)) * n, g = (steps >> SHIFT) * n; i < n; i++)
      gone[i] = h[i]! * low[l + i]! * high[g + i]!;
    for (let r = 0, at = 0; r < n; r++) {
      let sum = this.answer(r, steps);
      for (let i = 0; i < n; i++) sum += back[at++]! * gone[i]!;
      landing[r] = sum;
    }
  }

  /** All nodes after its last step. */
  land(x: Float64Array): void {
    const { landing } = this;
    for (let r = 0; r < landing.length; r++) x[r] = landing[r]!;
  }

  /** Whether a node surely stays between two limits all through. */
  private stays(r: number, low: number, high: number): boolean {
    if (this.asked[r] !== this.flights) {
      this.asked[r] = this.flights;
      const va = this.x[r]!;
      const vb = this.landing[r]!;
      this.bound(r, 0, this.steps);
      this.ceilings[r] = this.ceiling(va, vb);
      this.floors[r] = this.floor(va, vb);
    }
    return this.floors[r]! >= low && this.ceilings[r]! <= high;
  }

  /** Highest and lowest that the row last bounded can be between two values at its ends. */
  private ceiling(va: number, vb: number): number {
    const { up } = this;
    const d = vb - va;
    return this.above + (up > Math.abs(d) ? va + ((up + d) * (up + d)) / (4 * up) : Math.max(va, vb));
  }

  private floor(va: number, vb: number): number {
    const { down } = this;
    const d = vb - va;
    return (down > Math.abs(d) ? va - ((down - d) * (down - d)) / (4 * down) : Math.min(va, vb)) - this.under;
  }

  /**
   * Bounds of a row between two steps, as parabolas around the chord: a part of z that dies away sags under its chord if it
   * stands above its rest, and rises over it if it stands below; a wave strays by half of (angle · steps)².
   */
  private bound(r: number, from: number, steps: number): void {
    const { basis, around } = this;
    const { n, low, high, decay } = basis;
    const share = this.load(r);
    const turned = around.angle * steps;
    const wave = around.wave * basis.nodeWave[r]! * turned * turned * 0.5;
    let up = wave;
    let down = wave;
    let over = 0;
    let under = 0;
    const fromLow = (from & (LOW - 1)) * n;
    const fromHigh = (from >> SHIFT) * n;
    const toLow = (steps & (LOW - 1)) * n;
    const toHigh = (steps >> SHIFT) * n;
    for (let i = 0; i < n; i++) {
      const a = share[i]! * low[fromLow + i]! * high[fromHigh + i]!;
      // How far λ^j strays from its chord, as the height U of a parabola U·τ·(1−τ); what is lost here is far below `CLEAR`.
      const bend = decay[i]! * steps + low[toLow + i]! * high[toHigh + i]! - 1;
      if (bend > BENT) {
        if (a < 0) over -= a;
        else under += a;
      } else if (a < 0) up -= a * bend;
      else down += a * bend;
    }
    this.up = up;
    this.down = down;
    this.above = over;
    this.under = under;
  }

  /** The same as `leaves` of a flight that is settled: mostly nothing has to be looked for. */
  first(r: number, from: number, to: number, low: number, high: number): number {
    return this.stays(r, low, high) ? to : this.leaves(r, from, to, low, high);
  }

  /** The first of the steps from `from` to before `to` at which a node is not between two limits; `to`: none is. */
  leaves(r: number, from: number, to: number, low: number, high: number): number {
    let a = from;
    let v = this.at(r, a);
    if (!(v >= low && v <= high)) return a;
    const last = to - 1;
    let reach = last - a;
    while (a < last) {
      const steps = Math.min(reach, last - a);
      const d = this.at(r, a + steps) - v;
      this.bound(r, a, steps);
      const above = within(high - v - this.above, d, this.up);
      const below = within(v - low - this.under, -d, this.down);
      const share = above < below ? above : below;
      if (share >= 1) {
        a += steps;
        v += d;
        continue;
      }
      const safe = Math.floor(share * steps - 1e-9);
      if (safe < 1) {
        // So near to a limit each step is looked at by itself, or half of the way where that may tell more.
        if (steps > 2 && steps * share > 0.25) {
          reach = steps >> 1;
          continue;
        }
        if (steps > 8) {
          reach = steps >> 2;
          continue;
        }
        a++;
        v = this.at(r, a);
        if (!(v >= low && v <= high)) return a;
        reach = Math.max(reach, 4);
        continue;
      }
      a += safe;
      v = this.at(r, a);
      // Over a shorter way the bound is closer: it may show more than is known to be safe.
      reach = Math.max(1, safe * 2);
    }
    return to;
  }

  /**
   * Widens two extremes by those of a node over the steps from `from` to before `to`, and says whether either moved:
   * `low` and `high` with `lowAt` and `highAt` where they did.
   */
  widens(r: number, from: number, to: number, low: number, high: number): boolean {
    this.low = low;
    this.high = high;
    if (this.stays(r, low, high)) return false;
    const last = to - 1;
    const va = this.at(r, from);
    const vb = this.at(r, last);
    this.bound(r, from, last - from);
    const [ceiling, floor] = [this.ceiling(va, vb), this.floor(va, vb)];
    let moved = false;
    if (ceiling > high) {
      const best = this.search(r, 1, from, va, last, vb, high);
      if (best > high) {
        this.high = best;
        this.highAt = this.bestAt;
        moved = true;
      }
    }
    if (floor < low) {
      const best = -this.search(r, -1, from, -va, last, -vb, -low);
      if (best < low) {
        this.low = best;
        this.lowAt = this.bestAt;
        moved = true;
      }
    }
    return moved;
  }

  /**
   * Highest (sign 1) or lowest (−1) of a row over whole steps between a and b, if it is above `best`: halves whose bound
   * cannot beat it are left out. `bestAt` says where.
   */
  private search(r: number, sign: number, a: number, va: number, b: number, vb: number, best: number): number {
    if (va > best) {
      best = va;
      this.bestAt = a;
    }
    if (b <= a + 1) {
      if (b > a && vb > best) {
        best = vb;
        this.bestAt = b;
      }
      return best;
    }
    this.bound(r, a, b - a);
    const bump = sign > 0 ? this.up : this.down;
    const over = sign > 0 ? this.above : this.under;
    const d = vb - va;
    const bumps = bump > Math.abs(d);
    const ceiling = over + (bumps ? va + ((bump + d) * (bump + d)) / (4 * bump) : Math.max(va, vb));
    if (ceiling <= best) return best;
    if (over === 0 && !bumps) {
      // The bound itself is highest at an end.
      if (vb > best) {
        best = vb;
        this.bestAt = b;
      }
      return best;
    }
    const top = bumps ? a + Math.round((b - a) * (0.5 + d / (2 * bump))) : (a + b) >> 1;
    const middle = Math.max(a + 1, Math.min(b - 1, top));
    const vm = sign * this.at(r, middle);
    best = this.search(r, sign, a, va, middle, vm, best);
    return this.search(r, sign, middle, vm, b, vb, best);
  }
}
