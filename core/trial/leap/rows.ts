import { ROOM } from "../discretise";
import type { Around, Line } from "./around";
import { LOW, SHIFT, type Basis } from "./basis";

/**
 * Temperatures over steps in which no input changes but the room, from the state before the first of them by closed form:
 * any step at the price of one row. Rows are the nodes, then the differences that a basis keeps. Nothing is allocated.
 */
export class Rows {
  /** The step that it takes off at. */
  start = 0;
  protected basis!: Basis;
  /** What is left of each mode's z beside the answers to inputs, line and wave. */
  protected readonly h: Float64Array;
  /** Answers of the modes, and of the rows, to what is held. */
  private readonly held: Float64Array;
  private readonly base: Float64Array;
  /** Inputs that `held` stands for, by the run's count of their changes. */
  private inputs = -1;
  protected line: Line;
  private lineAt = 0;
  /** Temperatures as it took off. */
  protected readonly x: Float64Array;
  private day = 0;
  /** The row that was asked for last: its share of each mode as it took off. */
  private readonly share: Float64Array;
  private row = -1;

  constructor(
    protected readonly around: Around,
    nodes: number,
    rows: number,
  ) {
    this.share = new Float64Array(nodes);
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
  protected answer(r: number, j: number): number {
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
  protected load(r: number): Float64Array {
    const { share } = this;
    if (this.row === r) return share;
    this.row = r;
    const { h } = this;
    const { n, back } = this.basis;
    for (let i = 0, at = r * n; i < n; i++) share[i] = back[at++]! * h[i]!;
    return share;
  }

  /** Temperature of a node, or a difference of two, j steps from the start, °C. */
  at(r: number, j: number): number {
    const { basis, x } = this;
    const { n, low, high } = basis;
    if (j === 0) {
      if (r < n) return x[r]!;
      const pair = basis.differences[r - n]!;
      return x[pair[0]]! - x[pair[1]]!;
    }
    const share = this.load(r);
    let sum = this.answer(r, j);
    for (let i = 0, l = (j & (LOW - 1)) * n, g = (j >> SHIFT) * n; i < n; i++)
      sum += share[i]! * low[l + i]! * high[g + i]!;
    return sum;
  }

  /** Sum of a node over the steps from `from` to before `to`, K. */
  sum(r: number, from: number, to: number): number {
    const { basis, line, around, base } = this;
    const { m } = basis;
    const { n, low, high } = basis;
    const count = to - from;
    let sum =
      count * (base[r]! - basis.nodeLag[r]! * line.slope) +
      basis.nodeRest[r * m + ROOM]! * this.lineSum(from, to) +
      around.wave *
        (basis.nodeCos[r]! * this.waveSum(around.cosSum, from, to) +
          basis.nodeSin[r]! * this.waveSum(around.sinSum, from, to));
    const share = this.load(r);
    for (let i = 0, l = (from & (LOW - 1)) * n, g = (from >> SHIFT) * n; i < n; i++)
      sum += share[i]! * low[l + i]! * high[g + i]! * basis.sum(i, count);
    return sum;
  }

  /** Sum of the room, K. */
  roomSum(from: number, to: number): number {
    return this.lineSum(from, to) + this.around.wave * this.waveSum(this.around.cosSum, from, to);
  }

  protected lineSum(from: number, to: number): number {
    const { line, start } = this;
    return (to - from) * (line.value + line.slope * (start - line.from + (from + to - 1) / 2));
  }

  protected waveSum(sums: Float64Array, from: number, to: number): number {
    const { perDay } = this.around;
    const at = (j: number) => {
      const day = this.day + j;
      const days = Math.floor(day / perDay);
      return days * sums[perDay]! + sums[day - days * perDay]!;
    };
    return at(to) - at(from);
  }
}
