import type { Circuit } from "./circuit";

/** What a meter puts between two terminals: its input, Ω. */
export const METER = 1e7;
/** So that a piece that hangs on nothing has a potential, S: a thousandth of what any meter sees. */
const FLOAT = 1e-12;

interface Complex {
  re: number;
  im: number;
}

/** A circuit that was solved once: what any meter would show between any two terminals. */
export interface Solved {
  /** V that a voltmeter shows, its own input counted in. */
  volts: (a: string, b: string) => number;
  /** Ω that an ohmmeter shows; meant for what no source feeds. */
  ohms: (a: string, b: string) => number;
  /** A that a conductor carries, while no meter is there. */
  current: (id: string) => number;
}

const minus = (a: Complex, b: Complex): Complex => ({ re: a.re - b.re, im: a.im - b.im });
const plus = (a: Complex, b: Complex): Complex => ({ re: a.re + b.re, im: a.im + b.im });
const size = ({ re, im }: Complex): number => Math.hypot(re, im);
const zero: Complex = { re: 0, im: 0 };

/**
 * Complex nodal analysis: G·v = i at one frequency, every conductor an element of its own, sources with their own
 * resistance (Norton). G is inverted once; between two terminals it is then a source behind Z_aa + Z_bb − 2·Z_ab
 * (Thévenin), and a meter divides with that.
 */
export function solve({ conductors, branches, sources, hertz }: Circuit): Solved {
  const names = new Map<string, number>();
  const place = (t: string): number => {
    const known = names.get(t);
    if (known !== undefined) return known;
    names.set(t, names.size);
    return names.size - 1;
  };
  for (const { a, b } of [...conductors, ...branches]) {
    place(a);
    place(b);
  }
  for (const { at } of sources) place(at);
  const n = names.size;
  // Real and imaginary parts side by side: the matrix, then the unit matrix that becomes its inverse.
  const width = 4 * n;
  const rows = Array.from({ length: n }, (_, i) => {
    const row = new Float64Array(width);
    row[2 * n + 2 * i] = 1;
    return row;
  });
  const add = (a: number, b: number, re: number, im: number) => {
    const put = (i: number, k: number, sign: number) => {
      rows[i]![2 * k]! += sign * re;
      rows[i]![2 * k + 1]! += sign * im;
    };
    put(a, a, 1);
    put(b, b, 1);
    put(a, b, -1);
    put(b, a, -1);
  };
  for (const { a, b, ohms } of conductors) add(place(a), place(b), 1 / ohms, 0);
  for (const { a, b, ohms, farads = 0 } of branches) add(place(a), place(b), 1 / ohms, 2 * Math.PI * hertz * farads);
  const driven: Complex[] = Array.from({ length: n }, () => zero);
  for (let i = 0; i < n; i++) rows[i]![2 * i]! += FLOAT;
  for (const { at, re, im, ohms } of sources) {
    const i = place(at);
    rows[i]![2 * i]! += 1 / ohms;
    driven[i] = plus(driven[i]!, { re: re / ohms, im: im / ohms });
  }
  invert(rows, n);
  const z = (i: number, k: number): Complex => ({ re: rows[i]![2 * n + 2 * k]!, im: rows[i]![2 * n + 2 * k + 1]! });
  const potentials = rows.map((row) => {
    let [re, im] = [0, 0];
    for (let k = 0; k < n; k++) {
      const { re: ir, im: ii } = driven[k]!;
      if (ir === 0 && ii === 0) continue;
      const [zr, zi] = [row[2 * n + 2 * k]!, row[2 * n + 2 * k + 1]!];
      re += zr * ir - zi * ii;
      im += zr * ii + zi * ir;
    }
    return { re, im };
  });
  const at = (t: string): Complex => potentials[names.get(t) ?? -1] ?? zero;
  const behind = (a: string, b: string): Complex => {
    const [i, k] = [names.get(a), names.get(b)];
    if (i === undefined || k === undefined) return { re: Infinity, im: 0 };
    const both = z(i, k);
    return minus(plus(z(i, i), z(k, k)), { re: 2 * both.re, im: 2 * both.im });
  };
  return {
    volts: (a, b) => {
      const inside = behind(a, b);
      return Number.isFinite(inside.re)
        ? (size(minus(at(a), at(b))) * METER) / size({ re: inside.re + METER, im: inside.im })
        : 0;
    },
    ohms: (a, b) => size(behind(a, b)),
    current: (id) => {
      const found = conductors.find((c) => c.id === id);
      return found ? size(minus(at(found.a), at(found.b))) / found.ohms : 0;
    },
  };
}

/** Gauss and Jordan with pivots, in place: what stood on the right becomes the inverse. */
function invert(rows: Float64Array[], n: number): void {
  const width = 4 * n;
  for (let c = 0; c < n; c++) {
    let pivot = c;
    let most = -1;
    for (let r = c; r < n; r++) {
      const here = Math.abs(rows[r]![2 * c]!) + Math.abs(rows[r]![2 * c + 1]!);
      if (here > most) [most, pivot] = [here, r];
    }
    [rows[c], rows[pivot]] = [rows[pivot]!, rows[c]!];
    const top = rows[c]!;
    const [pr, pi] = [top[2 * c]!, top[2 * c + 1]!];
    const norm = pr * pr + pi * pi;
    const [ir, ii] = [pr / norm, -pi / norm];
    for (let k = 2 * c; k < width; k += 2) {
      const [re, im] = [top[k]!, top[k + 1]!];
      top[k] = re * ir - im * ii;
      top[k + 1] = re * ii + im * ir;
    }
    for (let r = 0; r < n; r++) {
      if (r === c) continue;
      const row = rows[r]!;
      const [fr, fi] = [row[2 * c]!, row[2 * c + 1]!];
      if (fr === 0 && fi === 0) continue;
      for (let k = 2 * c; k < width; k += 2) {
        const [re, im] = [top[k]!, top[k + 1]!];
        row[k]! -= fr * re - fi * im;
        row[k + 1]! -= fr * im + fi * re;
      }
    }
  }
}
