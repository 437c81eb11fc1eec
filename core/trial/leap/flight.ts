import { ROOM } from "../discretise";
import { plainReading, type Reader } from "../reader";
import type { RunState } from "../state";
import type { Around, Line } from "./around";
import type { Basis } from "./basis";

/** Share of a leap within which d·τ + b·τ(1 − τ) stays under a margin. */
function within(margin: number, d: number, b: number): number {
  if (!(margin > 0)) return 0;
  const slope = b + d;
  if (slope <= 0) return 1;
  const root = slope * slope - 4 * b * margin;
  return root < 0 ? 1 : (2 * margin) / (slope + Math.sqrt(root));
}

/** Sums over steps of one basis: of what dies away in each mode, and of all that its answers hang on. */
export interface Sums {
  basis: Basis;
  z: Float64Array;
  /** Of the inputs that were held, by whoever holds them. */
  u: Float64Array;
  steps: number;
  line: number;
  slope: number;
  cos: number;
  sin: number;
}

/** Sum of each node over the steps in some sums, added up into a list. */
export function addNodes({ basis, z, u, line, slope, cos, sin }: Sums, into: Float64Array): void {
  const { n, m, back, nodeRest, nodeLag, nodeCos, nodeSin } = basis;
  for (let r = 0; r < n; r++) {
    let sum = nodeRest[r * m + ROOM]! * line - nodeLag[r]! * slope + nodeCos[r]! * cos + nodeSin[r]! * sin;
    for (let i = 0; i < n; i++) sum += back[r * n + i]! * z[i]!;
    for (let j = 0; j < m; j++) if (j !== ROOM) sum += nodeRest[r * m + j]! * u[j]!;
    into[r]! += sum;
  }
}

/**
 * Temperatures of every node over steps in which no input changes but the room: from the state before the first of them
 * by closed form, any step of it at the price of one row. `begin` takes off; nothing is allocated until the next one.
 */
export class Flight {
  /** The step that it takes off at. */
  start = 0;
  /** How many steps it covers: it shows 0 to `steps` − 1 from its start, and lands at `steps`. */
  steps = 0;
  private basis!: Basis;
  /** What is left of each mode's z beside the answers to inputs, line and wave. */
  private readonly h: Float64Array;
  /** Answers of the modes, and of the nodes, to what is held. */
  private readonly held: Float64Array;
  private readonly base: Float64Array;
  /** Inputs that `held` stands for, by the run's count of their changes. */
  private inputs = -1;
  private line: Line;
  private lineAt = 0;
  /** Temperatures as it took off. */
  private readonly x: Float64Array;
  private day = 0;
  /** Where it lands. */
  private readonly landing: Float64Array;
  private readonly gone: Float64Array;
  /** The row that was asked for last: its share of each mode as it took off. */
  private readonly share: Float64Array;
  private row = -1;
  // What is known of one row over one part of the flight, and where the last search found its best.
  private up = 0;
  private down = 0;
  private above = 0;
  private under = 0;
  private bestAt = 0;
  /** Lowest and highest that each row can be over the whole flight, its ends with it; asked once a flight. */
  private readonly floors: Float64Array;
  private readonly ceilings: Float64Array;
  private readonly asked: Int32Array;
  private flights = 0;
  /** The last extremes that were looked for, °C, and their steps from the start. */
  low = 0;
  high = 0;
  lowAt = 0;
  highAt = 0;

  /** What the displays showed as it took off. */
  private readonly shown: Float64Array;

  constructor(
    private readonly around: Around,
    nodes: number,
    rows: number,
    readonly readers: readonly Reader[],
  ) {
    this.shown = new Float64Array(readers.length);
    this.landing = new Float64Array(nodes);
    this.gone = new Float64Array(nodes);
    this.share = new Float64Array(nodes);
    this.floors = new Float64Array(rows);
    this.ceilings = new Float64Array(rows);
    this.asked = new Int32Array(rows);
    this.h = new Float64Array(nodes);
    this.held = new Float64Array(nodes);
    this.base = new Float64Array(rows);
    this.x = new Float64Array(nodes);
    this.line = around.lines[0]!;
  }

  /**
   * Takes off from a state.
   * @param inputs changes whenever an input or the mode does
   * @returns the most steps that it may cover before the room's line ends; 0: it cannot, as something in it never comes to rest
   */
  begin(basis: Basis, step: number, x: Float64Array, u: Float64Array, inputs: number): number {
    const { h, held } = this;
    const { n, m, into, lag, rest, waveCos, waveSin } = basis;
    const { lines, perDay, wave, cos, sin } = this.around;
    if (inputs !== this.inputs || basis !== this.basis) {
      this.inputs = -1;
      for (const j of basis.drifts) if (j === ROOM || u[j] !== 0) return 0;
      this.hold(basis, u);
      this.inputs = inputs;
    }
    if (step < this.line.from) this.lineAt = 0;
    while (this.lineAt + 1 < lines.length && lines[this.lineAt + 1]!.from <= step) this.lineAt++;
    const line = lines[this.lineAt]!;
    this.line = line;
    this.start = step;
    const day = step % perDay;
    this.day = day;
    const level = line.value + line.slope * (step - line.from);
    const c = wave * cos[day]!;
    const s = wave * sin[day]!;
    this.row = -1;
    for (let i = 0; i < n; i++) this.x[i] = x[i]!;
    for (let i = 0; i < n; i++) {
      let z = lag[i]! * line.slope - rest[i * m + ROOM]! * level - waveCos[i]! * c - waveSin[i]! * s - held[i]!;
      for (let j = 0, at = i * n; j < n; j++) z += into[at + j]! * x[j]!;
      h[i] = z;
    }
    const next = lines[this.lineAt + 1];
    return next ? next.from - step : Infinity;
  }

  private hold(basis: Basis, u: Float64Array): void {
    const { held, base } = this;
    const { n, m, rows, rest, back } = basis;
    this.basis = basis;
    for (let i = 0; i < n; i++) {
      let sum = 0;
      for (let j = 0; j < m; j++) if (j !== ROOM) sum += rest[i * m + j]! * u[j]!;
      held[i] = sum;
    }
    for (let r = 0; r < rows; r++) {
      let sum = 0;
      for (let i = 0; i < n; i++) sum += back[r * n + i]! * held[i]!;
      base[r] = sum;
    }
  }

  /** A node's answer to what is held, to the line and to the wave at a step of the flight. */
  private answer(r: number, j: number): number {
    const { basis, line, around, base } = this;
    const { wave, cos, sin, perDay } = around;
    let day = this.day + j;
    while (day >= perDay) day -= perDay;
    return (
      base[r]! +
      basis.nodeRest[r * basis.m + ROOM]! * (line.value + line.slope * (this.start + j - line.from)) -
      basis.nodeLag[r]! * line.slope +
      wave * (basis.nodeCos[r]! * cos[day]! + basis.nodeSin[r]! * sin[day]!)
    );
  }

  /** Takes a row up. */
  private load(r: number): Float64Array {
    const { share } = this;
    if (this.row === r) return share;
    this.row = r;
    const { h } = this;
    const { n, back } = this.basis;
    for (let i = 0, at = r * n; i < n; i++) share[i] = back[at++]! * h[i]!;
    return share;
  }

  /** Temperature of a node j steps from the start, °C. */
  at(r: number, j: number): number {
    const { basis } = this;
    if (j === 0 && r < basis.n) return this.x[r]!;
    const share = this.load(r);
    const { left } = basis.power(j);
    let sum = this.answer(r, j);
    for (let i = 0; i < share.length; i++) sum += share[i]! * left[i]!;
    return sum;
  }

  /** What a controller's display shows j steps from the start, in steps of its resolution. */
  reading(controller: number, j: number): number {
    const reader = this.readers[controller]!;
    return plainReading(reader, this.at(reader.node, j));
  }

  /** Puts the run's state to where it is j steps from the start; `back` undoes that. */
  show(state: RunState, j: number): void {
    const { x, shown } = state;
    this.shown.set(shown);
    for (let r = 0; r < this.basis.n; r++) x[r] = this.at(r, j);
    for (let c = 0; c < shown.length; c++) shown[c] = this.reading(c, j);
    state.step = this.start + j;
  }

  back(state: RunState): void {
    for (let r = 0; r < this.x.length; r++) state.x[r] = this.x[r]!;
    state.shown.set(this.shown);
    state.step = this.start;
  }

  /** Shows every step after the first one by one. */
  replay(state: RunState, sample: (state: RunState, room: number) => void): void {
    for (let j = 1; j < this.steps; j++) {
      this.show(state, j);
      sample(state, this.roomSum(j, j + 1));
      this.back(state);
    }
  }

  /** Settles for so many steps: where it lands is known from then on. */
  over(steps: number): void {
    const { basis, landing, h, gone } = this;
    this.steps = steps;
    this.flights++;
    const { n, back } = basis;
    const { left } = basis.power(steps);
    for (let i = 0; i < n; i++) gone[i] = h[i]! * left[i]!;
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

  /** Sum of a node over the steps from `from` to before `to`, K. */
  sum(r: number, from: number, to: number): number {
    const { basis, line, around, base } = this;
    const { m } = basis;
    const { left } = basis.power(from);
    const { sum: sums } = basis.power(to - from);
    const count = to - from;
    let sum =
      count * (base[r]! - basis.nodeLag[r]! * line.slope) +
      basis.nodeRest[r * m + ROOM]! * this.lineSum(from, to) +
      around.wave *
        (basis.nodeCos[r]! * this.waveSum(around.cosSum, from, to) +
          basis.nodeSin[r]! * this.waveSum(around.sinSum, from, to));
    const share = this.load(r);
    for (let i = 0; i < share.length; i++) sum += share[i]! * left[i]! * sums[i]!;
    return sum;
  }

  /** Sums of nothing yet, for the basis that is in force. */
  freshSums(inputs: number): Sums {
    const { basis } = this;
    const [z, u] = [new Float64Array(basis.n), new Float64Array(inputs)];
    return { basis, z, u, steps: 0, line: 0, slope: 0, cos: 0, sin: 0 };
  }

  /** Adds the same of all modes and of their answers up, to be turned into nodes when they are asked for. */
  addSums(to: Sums, from: number, until: number): void {
    const { basis, h, line, around } = this;
    const { left } = basis.power(from);
    const count = until - from;
    const { sum } = basis.power(count);
    const { z } = to;
    for (let i = 0; i < h.length; i++) z[i]! += h[i]! * left[i]! * sum[i]!;
    to.steps += count;
    to.line += this.lineSum(from, until);
    to.slope += line.slope * count;
    to.cos += around.wave * this.waveSum(around.cosSum, from, until);
    to.sin += around.wave * this.waveSum(around.sinSum, from, until);
  }

  /** Sum of the room, K. */
  roomSum(from: number, to: number): number {
    return this.lineSum(from, to) + this.around.wave * this.waveSum(this.around.cosSum, from, to);
  }

  private lineSum(from: number, to: number): number {
    const { line, start } = this;
    return (to - from) * (line.value + line.slope * (start - line.from + (from + to - 1) / 2));
  }

  private waveSum(sums: Float64Array, from: number, to: number): number {
    const { perDay } = this.around;
    const at = (j: number) => {
      const day = this.day + j;
      const days = Math.floor(day / perDay);
      return days * sums[perDay]! + sums[day - days * perDay]!;
    };
    return at(to) - at(from);
  }

  /**
   * Bounds of a row between two steps, as parabolas around the chord: a part of z that dies away sags under its chord if it
   * stands above its rest, and rises over it if it stands below; a wave strays by half of (angle · steps)².
   */
  private bound(r: number, from: number, steps: number): void {
    const { basis, around } = this;
    const share = this.load(r);
    const { bend, cap, capped } = basis.power(steps);
    const turned = around.angle * steps;
    const wave = around.wave * basis.nodeWave[r]! * turned * turned * 0.5;
    const { left } = basis.power(from);
    let up = wave;
    let down = wave;
    let over = 0;
    let under = 0;
    for (let i = 0; i < share.length; i++) {
      const a = share[i]! * left[i]!;
      const b = a * bend[i]!;
      if (a < 0) up -= b;
      else down += b;
    }
    if (capped)
      for (let i = 0; i < share.length; i++) {
        const c = share[i]! * left[i]! * cap[i]!;
        if (c < 0) over -= c;
        else under += c;
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
