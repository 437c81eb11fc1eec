/** Nearer to each other than this two extremes are alike, and the first of them stands: more than a leap can be off, K. */
const ALIKE = 1e-9;

/** Lowest and highest seen, and when. */
export class Range {
  low = Infinity;
  high = -Infinity;
  lowAt = 0;
  highAt = 0;

  add(value: number, time: number): void {
    if (value < this.low - ALIKE) {
      this.low = value;
      this.lowAt = time;
    }
    if (value > this.high + ALIKE) {
      this.high = value;
      this.highAt = time;
    }
  }

  /** What this and another range saw together. */
  with(other: Range): Range {
    const joined = new Range();
    for (const r of [this, other]) {
      if (r.low > r.high) continue; // has seen nothing
      joined.add(r.low, r.lowAt);
      joined.add(r.high, r.highAt);
    }
    return joined;
  }
}
