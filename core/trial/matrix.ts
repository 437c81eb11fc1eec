/** A dense square matrix, row by row. */
export type Matrix = Float64Array;

/** Product of a square matrix with one of m columns, row by row. */
export function multiply(a: Matrix, b: Matrix, n: number, m = n): Matrix {
  const out = new Float64Array(n * m);
  for (let i = 0; i < n; i++)
    for (let k = 0; k < n; k++) {
      const factor = a[i * n + k]!;
      if (factor === 0) continue;
      for (let j = 0; j < m; j++) out[i * m + j]! += factor * b[k * m + j]!;
    }
  return out;
}

const TERMS = 18;
/** Norm beyond which squaring again and again would only lose digits: a network of 1e12 rates a step is none. */
const LARGEST = 1e12;

/** e^{A·t} with its integral and that integral's own over the same time: I·t + ..., I·t²/2 + ... */
export interface Integrals {
  power: Matrix;
  once: Matrix;
  twice: Matrix;
}

/**
 * Largest sum of a row's entries over a time, without their signs.
 * @throws RangeError where it is no number, or so large that no double holds what follows from it
 */
export function normOf(a: Matrix, rows: number, time: number): number {
  const width = a.length / rows;
  let norm = 0;
  for (let i = 0; i < rows; i++) {
    let row = 0;
    for (let j = 0; j < width; j++) row += Math.abs(a[i * width + j]!);
    // What is no number stays none.
    norm = Math.max(norm, row);
  }
  norm *= time;
  if (!(norm < LARGEST))
    throw new RangeError("Something in this chamber is too light for the heat that flows to it: it cannot be computed");
  return norm;
}

/**
 * Matrix exponential and its integrals by scaling and doubling of the Taylor series (Golub and Van Loan, Matrix
 * Computations, ch. 9.3): the time is halved until the norm is below ½, where 18 terms reach double precision. Over twice
 * the time ∫ is ∫ + e^{At}·∫, and ∬ is ∬ + t·∫ + e^{At}·∬.
 * @throws RangeError where the argument is not finite, or so large that no double holds the answer
 */
export function integralsOf(a: Matrix, n: number, time: number): Integrals {
  const norm = normOf(a, n, time);
  const doublings = norm > 0.5 ? Math.ceil(Math.log2(norm / 0.5)) : 0;
  let t = time / 2 ** doublings;
  const scaled = a.map((value) => value * t);
  let power: Matrix = new Float64Array(n * n);
  for (let i = 0; i < n; i++) power[i * n + i] = 1;
  let term: Matrix = power.slice();
  let once: Matrix = power.map((value) => value * t);
  let twice: Matrix = power.map((value) => (value * t * t) / 2);
  for (let k = 1; k <= TERMS; k++) {
    term = multiply(term, scaled, n);
    for (let i = 0; i < term.length; i++) {
      const value = (term[i]! /= k);
      power[i]! += value;
      once[i]! += (value * t) / (k + 1);
      twice[i]! += (value * t * t) / ((k + 1) * (k + 2));
    }
  }
  for (let s = 0; s < doublings; s++) {
    const [moved, again] = [multiply(power, once, n), multiply(power, twice, n)];
    twice = twice.map((value, i) => value + t * once[i]! + again[i]!);
    once = once.map((value, i) => value + moved[i]!);
    power = multiply(power, power, n);
    t *= 2;
  }
  return { power, once, twice };
}
