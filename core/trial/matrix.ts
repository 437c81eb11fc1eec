/** A dense square matrix, row by row. */
export type Matrix = Float64Array;

export function multiply(a: Matrix, b: Matrix, n: number): Matrix {
  const out = new Float64Array(n * n);
  for (let i = 0; i < n; i++)
    for (let k = 0; k < n; k++) {
      const factor = a[i * n + k]!;
      if (factor === 0) continue;
      for (let j = 0; j < n; j++) out[i * n + j]! += factor * b[k * n + j]!;
    }
  return out;
}

const TERMS = 18;
/** Norm beyond which squaring again and again would only lose digits: a network of 1e12 rates a step is none. */
const LARGEST = 1e12;

/**
 * Matrix exponential by scaling and squaring of the Taylor series (Golub and Van Loan, Matrix Computations, ch. 9.3):
 * the argument is halved until its norm is below ½, where 18 terms reach double precision.
 * @throws RangeError where the argument is not finite, or so large that no double holds the answer
 */
export function exponential(a: Matrix, n: number): Matrix {
  let norm = 0;
  for (let i = 0; i < n; i++) {
    let row = 0;
    for (let j = 0; j < n; j++) row += Math.abs(a[i * n + j]!);
    if (!(row < LARGEST)) throw new RangeError("A matrix with such entries has no exponential.");
    norm = Math.max(norm, row);
  }
  const squarings = norm > 0.5 ? Math.ceil(Math.log2(norm / 0.5)) : 0;
  const scaled = a.map((value) => value / 2 ** squarings);
  let sum: Matrix = new Float64Array(n * n);
  for (let i = 0; i < n; i++) sum[i * n + i] = 1;
  let term = sum.slice();
  for (let k = 1; k <= TERMS; k++) {
    term = multiply(term, scaled, n).map((value) => value / k);
    sum = sum.map((value, i) => value + term[i]!);
  }
  for (let s = 0; s < squarings; s++) sum = multiply(sum, sum, n);
  return sum;
}
