import type { Circuit, Source } from "./circuit";
import { eliminated, type Complex } from "./eliminate";

/** What a meter puts between two terminals: its input, Ω. */
export const METER = 1e7;
/** So that a piece that hangs on nothing has a potential, S: a thousandth of what any meter sees. */
const FLOAT = 1e-12;

/** A load of so many Ω between two terminals. */
export interface TestLoad {
  a: string;
  b: string;
  ohms: number;
}

/** A circuit that was solved once: what any meter would show between any two terminals. */
export interface Solved {
  /** V that a voltmeter shows, its own input counted in; with a load put between two terminals besides. */
  volts: (a: string, b: string, load?: TestLoad) => number;
  /** Ω that an ohmmeter shows; meant for what no source feeds. */
  ohms: (a: string, b: string) => number;
  /** A that a conductor carries, while no meter is there. */
  current: (id: string) => number;
}

const minus = (a: Complex, b: Complex): Complex => ({ re: a.re - b.re, im: a.im - b.im });
const times = (a: Complex, b: Complex): Complex => ({ re: a.re * b.re - a.im * b.im, im: a.re * b.im + a.im * b.re });
const over = (a: Complex, b: Complex): Complex => {
  const norm = b.re * b.re + b.im * b.im;
  return { re: (a.re * b.re + a.im * b.im) / norm, im: (a.im * b.re - a.re * b.im) / norm };
};
const size = ({ re, im }: Complex): number => Math.hypot(re, im);

/** A circuit whose matrix is eliminated; its sources may still be of any phase. */
export interface Factored {
  ohms: (a: string, b: string) => number;
  under: (sources: readonly Source[]) => Solved;
}

/**
 * Complex nodal analysis: G·v = i at one frequency, every conductor an element of its own, sources with their own
 * resistance (Norton). G is eliminated once; between two terminals it is then a source behind an inner resistance
 * (Thévenin), and a meter divides with that.
 */
export function factored({ conductors, branches, sources, hertz }: Circuit): Factored {
  const names = new Map<string, number>();
  const place = (t: string): number => {
    const known = names.get(t);
    if (known !== undefined) return known;
    names.set(t, names.size);
    return names.size - 1;
  };
  const links: { a: number; b: number; g: Complex }[] = [];
  for (const { a, b, ohms } of conductors) links.push({ a: place(a), b: place(b), g: { re: 1 / ohms, im: 0 } });
  for (const { a, b, ohms, farads = 0 } of branches)
    links.push({ a: place(a), b: place(b), g: { re: 1 / ohms, im: 2 * Math.PI * hertz * farads } });
  const toEarth: { at: number; g: number }[] = sources.map(({ at, ohms }) => ({ at: place(at), g: 1 / ohms }));
  const n = names.size;
  const grounds = new Float64Array(n).fill(FLOAT);
  for (const { at, g } of toEarth) grounds[at]! += g;
  const solve = eliminated(n, links, grounds);
  const driven = new Map<string, Float64Array>();
  /** Volts of all nodes for an ampere from one terminal to another; null: one of them is not there. */
  const ampere = (a: string, b: string): Float64Array | null => {
    const [i, k] = [names.get(a), names.get(b)];
    if (i === undefined || k === undefined) return null;
    const key = `${i} ${k}`;
    const found =
      driven.get(key) ??
      solve([
        { at: i, re: 1, im: 0 },
        { at: k, re: -1, im: 0 },
      ]);
    driven.set(key, found);
    return found;
  };
  const read = (v: Float64Array, a: string, b: string): Complex => {
    const [i, k] = [names.get(a)!, names.get(b)!];
    return { re: v[2 * i]! - v[2 * k]!, im: v[2 * i + 1]! - v[2 * k + 1]! };
  };
  const ohmsOf = (a: string, b: string): number => {
    const v = ampere(a, b);
    return v ? size(read(v, a, b)) : Infinity;
  };
  return {
    ohms: ohmsOf,
    under: (driving) => {
      const v = solve(driving.map(({ at, re, im, ohms }) => ({ at: names.get(at)!, re: re / ohms, im: im / ohms })));
      return {
        ohms: ohmsOf,
        volts: (a, b, load) => {
          const one = ampere(a, b);
          if (!one) return 0;
          let open = read(v, a, b);
          let inside = read(one, a, b);
          const loaded = load && ampere(load.a, load.b);
          if (loaded) {
            // Compensation: the load draws what its own terminals would drive, and that is felt at the meter.
            const own = read(loaded, load.a, load.b);
            const all = { re: own.re + load.ohms, im: own.im };
            const felt = read(loaded, a, b);
            open = minus(open, over(times(felt, read(v, load.a, load.b)), all));
            inside = minus(inside, over(times(felt, felt), all));
          }
          return (size(open) * METER) / size({ re: inside.re + METER, im: inside.im });
        },
        current: (id) => {
          const found = conductors.find((c) => c.id === id);
          return found ? size(read(v, found.a, found.b)) / found.ohms : 0;
        },
      };
    },
  };
}

/** A circuit with its own sources. */
export const solve = (circuit: Circuit): Solved => factored(circuit).under(circuit.sources);
