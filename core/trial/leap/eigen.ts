/** A symmetric matrix as Q·diag(values)·Qᵀ. */
export interface Eigen {
  values: Float64Array;
  /** Q, row by row: its columns are the vectors, of length one. */
  vectors: Float64Array;
}

const MOST_SWEEPS = 60;
/** Sum of the squares beside the diagonal, as a share of all, below which nothing is left to turn away. */
const NOTHING = 1e-32;

/**
 * Eigenvalues and vectors of a symmetric matrix by Jacobi's rotations (Golub and Van Loan, Matrix Computations, ch. 8.5):
 * slow for large matrices, and exact to the last digits for small ones whose entries differ by orders of magnitude.
 * @param matrix n × n, row by row
 */
export function eigenOf(matrix: Float64Array, n: number): Eigen {
  const a = matrix.slice();
  const q = new Float64Array(n * n);
  for (let i = 0; i < n; i++) q[i * n + i] = 1;
  let all = 0;
  for (const value of a) all += value * value;
  for (let sweep = 0; sweep < MOST_SWEEPS; sweep++) {
    let beside = 0;
    for (let i = 0; i < n; i++) for (let j = i + 1; j < n; j++) beside += a[i * n + j]! ** 2;
    if (beside <= NOTHING * all) break;
    for (let p = 0; p < n; p++) for (let r = p + 1; r < n; r++) rotate(a, q, n, p, r);
  }
  return { values: Float64Array.from({ length: n }, (_, i) => a[i * n + i]!), vectors: q };
}

/** Turns the plane of two axes so that what joins them becomes nothing. */
function rotate(a: Float64Array, q: Float64Array, n: number, p: number, r: number): void {
  const joins = a[p * n + r]!;
  if (joins === 0) return;
  const theta = (a[r * n + r]! - a[p * n + p]!) / (2 * joins);
  const t = (theta < 0 ? -1 : 1) / (Math.abs(theta) + Math.sqrt(theta * theta + 1));
  const c = 1 / Math.sqrt(t * t + 1);
  const s = t * c;
  const turn = (m: Float64Array, first: number, second: number) => {
    const x = m[first]!;
    const y = m[second]!;
    m[first] = c * x - s * y;
    m[second] = s * x + c * y;
  };
  for (let k = 0; k < n; k++) turn(a, k * n + p, k * n + r);
  for (let k = 0; k < n; k++) turn(a, p * n + k, r * n + k);
  for (let k = 0; k < n; k++) turn(q, k * n + p, k * n + r);
}
