/** An admittance between two nodes, S. Node −1 is earth. */
export interface Admittance {
  a: number;
  b: number;
  re: number;
  im: number;
}

/** A node that is held at a potential, V. */
export interface Held {
  at: number;
  re: number;
  im: number;
}

/** So that a piece that hangs on nothing has a potential, S: a thousandth of what any meter sees. */
const FLOAT = 1e-12;

/**
 * Potentials of the nodes of a small network at one frequency: those that are not held, by complex elimination with
 * pivots.
 * @returns re and im of each node, in turn
 */
export function potentials(n: number, parts: readonly Admittance[], held: readonly Held[]): Float64Array {
  const v = new Float64Array(2 * n);
  const place = new Int16Array(n).fill(-1);
  const fixed = new Uint8Array(n);
  for (const h of held) {
    fixed[h.at] = 1;
    v[2 * h.at] = h.re;
    v[2 * h.at + 1] = h.im;
  }
  // Only what hangs on something by a part is unknown.
  let m = 0;
  for (const { a, b } of parts)
    for (const node of [a, b]) if (node >= 0 && !fixed[node] && place[node]! < 0) place[node] = m++;
  if (m === 0) return v;
  const w = m + 1;
  const re = new Float64Array(m * w);
  const im = new Float64Array(m * w);
  for (let i = 0; i < m; i++) re[i * w + i] = FLOAT;
  for (const { a, b, re: g, im: s } of parts)
    for (const [x, y] of [
      [a, b],
      [b, a],
    ] as const) {
      const i = x >= 0 ? place[x]! : -1;
      if (i < 0) continue;
      re[i * w + i]! += g;
      im[i * w + i]! += s;
      const k = y >= 0 ? place[y]! : -1;
      if (k >= 0) {
        re[i * w + k]! -= g;
        im[i * w + k]! -= s;
      } else if (y >= 0) {
        re[i * w + m]! += g * v[2 * y]! - s * v[2 * y + 1]!;
        im[i * w + m]! += g * v[2 * y + 1]! + s * v[2 * y]!;
      }
    }
  for (let c = 0; c < m; c++) {
    let best = c;
    for (let r = c + 1; r < m; r++)
      if (Math.hypot(re[r * w + c]!, im[r * w + c]!) > Math.hypot(re[best * w + c]!, im[best * w + c]!)) best = r;
    if (best !== c)
      for (let k = 0; k < w; k++) {
        [re[c * w + k], re[best * w + k]] = [re[best * w + k]!, re[c * w + k]!];
        [im[c * w + k], im[best * w + k]] = [im[best * w + k]!, im[c * w + k]!];
      }
    const [pr, pi] = [re[c * w + c]!, im[c * w + c]!];
    const norm = pr * pr + pi * pi;
    for (let r = 0; r < m; r++) {
      if (r === c) continue;
      const [ar, ai] = [re[r * w + c]!, im[r * w + c]!];
      if (ar === 0 && ai === 0) continue;
      const [fr, fi] = [(ar * pr + ai * pi) / norm, (ai * pr - ar * pi) / norm];
      for (let k = c; k < w; k++) {
        re[r * w + k]! -= fr * re[c * w + k]! - fi * im[c * w + k]!;
        im[r * w + k]! -= fr * im[c * w + k]! + fi * re[c * w + k]!;
      }
    }
  }
  for (let node = 0; node < n; node++) {
    const i = place[node]!;
    if (i < 0) continue;
    const [pr, pi] = [re[i * w + i]!, im[i * w + i]!];
    const [br, bi] = [re[i * w + m]!, im[i * w + m]!];
    const norm = pr * pr + pi * pi;
    v[2 * node] = (br * pr + bi * pi) / norm;
    v[2 * node + 1] = (bi * pr - br * pi) / norm;
  }
  return v;
}
