import type { Source } from "./sources";

/** Share of the mains from which on something counts as live. */
const LIVE = 0.1;

const roomFor = (n: number) => ({ re: new Float64Array(n), im: new Float64Array(n), flags: new Uint8Array(n) });

/** What feeds each piece, under one set of sources. */
export class Feeds {
  private readonly re: Float64Array;
  private readonly im: Float64Array;
  /** Of each piece. 1: fed, 2: by a pole, 4: by an earth, 8 and 16: by the first and the second cord’s poles, 32: two potentials meet. */
  private readonly flags: Uint8Array;
  shorted = false;
  private static room = roomFor(64);
  constructor(
    private readonly of: Int16Array,
    sources: readonly Source[],
    private readonly volts: number,
  ) {
    // One pair of eyes is enough: nobody keeps what it saw.
    if (Feeds.room.flags.length < of.length) Feeds.room = roomFor(of.length);
    ({ re: this.re, im: this.im, flags: this.flags } = Feeds.room);
    this.flags.fill(0);
    for (const s of sources) {
      const r = of[s.at]!;
      if (!(this.flags[r]! & 1)) {
        this.re[r] = s.re;
        this.im[r] = s.im;
      } else if (Math.hypot(this.re[r]! - s.re, this.im[r]! - s.im) > LIVE * volts) this.shorted = true;
      this.flags[r]! |= 1 | (s.pole === "e" ? 4 : 2 | (s.cord === 1 ? 8 : 16));
    }
  }
  private f = (t: number): number => this.flags[this.of[t]!]!;
  live = (t: number): boolean => {
    const r = this.of[t]!;
    return (this.flags[r]! & 1) === 1 && Math.hypot(this.re[r]!, this.im[r]!) > LIVE * this.volts;
  };
  held = (t: number): boolean => (this.f(t) & 1) === 1;
  byPole = (t: number): boolean => (this.f(t) & 2) === 2;
  earthed = (t: number): boolean => (this.f(t) & 4) === 4;
  byEarthAlone = (t: number): boolean => (this.f(t) & 6) === 4;
  poleAndEarth = (t: number): boolean => (this.f(t) & 6) === 6;
  byBothCords = (t: number): boolean => (this.f(t) & 24) === 24;
  /** Some piece is fed by both cords. */
  mixes = (sources: readonly Source[]): boolean => sources.some((s) => s.pole !== "e" && this.byBothCords(s.at));
  /** The one contact is fed by the one cord, the other by the other. */
  mixed = (pins: Readonly<Record<1 | 2, number>>): boolean => ((this.f(pins[1]) | this.f(pins[2])) & 24) === 24;
  between = (a: number, b: number): number => {
    const [x, y] = [this.of[a]!, this.of[b]!];
    return this.flags[x]! & this.flags[y]! & 1 ? Math.hypot(this.re[x]! - this.re[y]!, this.im[x]! - this.im[y]!) : 0;
  };
}
