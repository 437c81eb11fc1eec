import type { Network } from "../../chamber";
import { ROOM, stateSpace, type Hold, type StateSpace } from "../discretise";
import type { Mode } from "../modes";
import { eigenOf } from "./eigen";

/** Two nodes, the second taken off the first. */
type Difference = readonly [number, number];

/** Between the air and what it meets: by these the films of still air grow (filmNow.ts). */
export const differencesOf = ({ air, lining, shells }: Network): Difference[] => [
  [air, lining],
  ...shells.map((parts): Difference => [air, parts.at(-1)!.node]),
];

/** Powers of λ are kept as those of 0 to 63 steps and of 0, 64, 128 ... steps: one of each makes up any length. */
export const LOW = 64;
export const SHIFT = 6;
/** Most steps of a leap. */
export const LONGEST = LOW * LOW - 1;

/** Rates below this are none, 1/s: a part that nothing is joined to. A chamber's slowest takes weeks. */
const STILL = 1e-11;
/** Mirrored entries of the network's matrix that differ by more, of their size, belong to no symmetric one. */
const SYMMETRIC = 1e-9;

/**
 * A mode of the chamber in the coordinates in which nothing hangs on anything else: C⁻¹K with K symmetric becomes
 * z = QᵀC^½·x with rates −μ (Golub and Van Loan, ch. 8; the C^½ makes it symmetric). Inputs that are held, run
 * along a line or a wave are taken off as their own answers, and what is left of z dies away with λ a step.
 */
export class Basis {
  readonly n: number;
  readonly m: number;
  /** Rows that can be asked for: the nodes, then the differences between the air and what it meets. */
  readonly rows: number;
  readonly differences: readonly Difference[];
  /** x = back·z and z = into·x, row by row. */
  readonly back: Float64Array;
  readonly into: Float64Array;
  /** What z comes to rest at for a unit of each input, and how far it lags behind a line of a kelvin a step. */
  readonly rest: Float64Array;
  readonly lag: Float64Array;
  /** Answer to a room of cos θ: `waveCos`·cos θ + `waveSin`·sin θ. */
  readonly waveCos: Float64Array;
  readonly waveSin: Float64Array;
  /** The same of each node. */
  readonly nodeRest: Float64Array;
  readonly nodeLag: Float64Array;
  readonly nodeCos: Float64Array;
  readonly nodeSin: Float64Array;
  readonly nodeWave: Float64Array;
  /** Inputs that reach a part which nothing takes heat from: while they give any, it never comes to rest. */
  readonly drifts: number[];
  /** λ of 0 to 63 steps, and of as many times 64, mode by mode. */
  readonly low: Float64Array;
  readonly high: Float64Array;
  /** μ·dt of each mode. */
  readonly decay: Float64Array;
  private readonly rates: Float64Array;

  private constructor(mode: Mode, space: StateSpace, dt: number, angle: number) {
    const { a, b, n, m } = space;
    const roots = mode.network.nodes.map((node) => Math.sqrt(node.capacity));
    const symmetric = Float64Array.from({ length: n * n }, (_, at) => {
      const i = Math.floor(at / n);
      const j = at % n;
      return 0.5 * ((a[i * n + j]! * roots[i]!) / roots[j]! + (a[j * n + i]! * roots[j]!) / roots[i]!);
    });
    const { values, vectors } = eigenOf(symmetric, n);
    const f = (size: number) => new Float64Array(size);
    [this.n, this.m] = [n, m];
    this.differences = differencesOf(mode.network);
    this.rows = n + this.differences.length;
    this.rates = values.map((v) => (-v < STILL ? 0 : -v));
    [this.back, this.into, this.rest] = [f(this.rows * n), f(n * n), f(n * m)];
    for (let i = 0; i < n; i++)
      for (let k = 0; k < n; k++) {
        this.back[i * n + k] = vectors[i * n + k]! / roots[i]!;
        this.into[k * n + i] = vectors[i * n + k]! * roots[i]!;
      }
    this.decay = this.rates.map((rate) => rate * dt);
    const powers = (every: number) =>
      Float64Array.from({ length: LOW * n }, (_, at) => Math.exp(-this.decay[at % n]! * Math.floor(at / n) * every));
    [this.low, this.high] = [powers(1), powers(LOW)];
    this.differences.forEach(([a, b], d) => {
      for (let k = 0; k < n; k++) this.back[(n + d) * n + k] = this.back[a * n + k]! - this.back[b * n + k]!;
    });
    [this.lag, this.waveCos, this.waveSin] = [f(n), f(n), f(n)];
    const drifts = new Set<number>();
    for (let i = 0; i < n; i++) {
      const rate = this.rates[i]!;
      const less = -Math.expm1(-rate * dt);
      for (let j = 0; j < m; j++) {
        let push = 0;
        for (let k = 0; k < n; k++) push += this.into[i * n + k]! * b[k * m + j]!;
        if (rate > 0) this.rest[i * m + j] = push / rate;
        else if (push !== 0) drifts.add(j);
      }
      if (rate === 0) continue;
      const step = this.rest[i * m + ROOM]! * less;
      this.lag[i] = step / (less * less);
      // 1/(e^{iδ} − λ), with cos δ − λ written so that nothing cancels
      const real = -2 * Math.sin(angle / 2) ** 2 + less;
      const turned = Math.sin(angle);
      const size = real * real + turned * turned;
      this.waveCos[i] = (step * real) / size;
      this.waveSin[i] = (step * turned) / size;
    }
    this.drifts = [...drifts];
    this.nodeRest = this.byNode(this.rest, m);
    [this.nodeLag, this.nodeCos, this.nodeSin] = [this.lag, this.waveCos, this.waveSin].map((z) =>
      this.byNode(z, 1),
    ) as [Float64Array, Float64Array, Float64Array];
    this.nodeWave = this.nodeCos.map((c, r) => Math.hypot(c, this.nodeSin[r]!));
  }

  private byNode(z: Float64Array, width: number): Float64Array {
    const { n, rows, back } = this;
    const out = new Float64Array(rows * width);
    for (let r = 0; r < rows; r++)
      for (let i = 0; i < n; i++)
        for (let j = 0; j < width; j++) out[r * width + j]! += back[r * n + i]! * z[i * width + j]!;
    return out;
  }

  /** 1 + λ + … + λ^(steps − 1) of a mode. */
  sum(i: number, steps: number): number {
    const t = this.decay[i]!;
    return t > 0 ? Math.expm1(-t * steps) / Math.expm1(-t) : steps;
  }

  /** The basis of a mode; null where ice is pinned or a condenser warms the wall: those have no symmetric network. */
  static of(mode: Mode, dt: number, angle: number): Basis | null {
    const { hold } = mode;
    let basis = kept.get(hold);
    if (basis === undefined) kept.set(hold, (basis = Basis.make(mode, dt, angle)));
    return basis;
  }

  private static make(mode: Mode, dt: number, angle: number): Basis | null {
    if (mode.melts) return null;
    const space = stateSpace(mode.network, mode.cooling);
    return isSymmetric(space, mode.network) ? new Basis(mode, space, dt, angle) : null;
  }
}

/** Holds are kept from trial to trial (discretise.ts): what follows from them is kept with them. */
const kept = new WeakMap<Hold, Basis | null>();

function isSymmetric({ a, n }: StateSpace, network: Network): boolean {
  const c = network.nodes.map((node) => node.capacity);
  for (let i = 0; i < n; i++)
    for (let j = 0; j < i; j++) {
      const [one, other] = [a[i * n + j]! * c[i]!, a[j * n + i]! * c[j]!];
      if (Math.abs(one - other) > SYMMETRIC * Math.max(Math.abs(one), Math.abs(other))) return false;
    }
  return true;
}
