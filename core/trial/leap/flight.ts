import { plainReading, type Reader } from "../reader";
import type { RunState } from "../state";
import type { Around } from "./around";
import { LOW, SHIFT } from "./basis";
import { BoundedRows } from "./bounds";
import type { Sums } from "./sums";

/** Steps that a run takes at once: what watchers of it look at. */
export class Flight extends BoundedRows {
  /** What the displays showed as it took off. */
  private readonly shown: Float64Array;

  constructor(
    around: Around,
    nodes: number,
    rows: number,
    readonly readers: readonly Reader[],
  ) {
    super(around, nodes, rows);
    this.shown = new Float64Array(readers.length);
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

  /** Sums of nothing yet, for the basis that is in force. */
  freshSums(inputs: number): Sums {
    const { basis } = this;
    const [z, u] = [new Float64Array(basis.n), new Float64Array(inputs)];
    return { basis, z, u, steps: 0, line: 0, slope: 0, cos: 0, sin: 0 };
  }

  /** Adds the same of all modes and of their answers up, to be turned into nodes when they are asked for. */
  addSums(to: Sums, from: number, until: number): void {
    const { basis, h, line, around } = this;
    const { n, low, high } = basis;
    const count = until - from;
    const { z } = to;
    for (let i = 0, l = (from & (LOW - 1)) * n, g = (from >> SHIFT) * n; i < n; i++)
      z[i]! += h[i]! * low[l + i]! * high[g + i]! * basis.sum(i, count);
    to.steps += count;
    to.line += this.lineSum(from, until);
    to.slope += line.slope * count;
    to.cos += around.wave * this.waveSum(around.cosSum, from, until);
    to.sin += around.wave * this.waveSum(around.sinSum, from, until);
  }
}
