/** Lowest and highest seen, and when. */
export class Range {
  low = Infinity;
  high = -Infinity;
  lowAt = 0;
  highAt = 0;

  add(value: number, time: number): void {
    if (value < this.low) {
      this.low = value;
      this.lowAt = time;
    }
    if (value > this.high) {
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
