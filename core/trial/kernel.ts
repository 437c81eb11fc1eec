/** Columns taken at once: held in locals, they are read once a step and not once a row (about three times as fast). */
const BLOCK = 8;

/** A square matrix with its rows padded with zeros to whole blocks. */
export interface Padded {
  n: number;
  stride: number;
  values: Float64Array;
}

export function padded(matrix: Float64Array, n: number): Padded {
  const stride = Math.ceil(n / BLOCK) * BLOCK;
  const values = new Float64Array(n * stride);
  for (let i = 0; i < n; i++) values.set(matrix.subarray(i * n, (i + 1) * n), i * stride);
  return { n, stride, values };
}

/** A vector with zeros behind it, to be read in whole blocks. */
export const paddedVector = (n: number): Float64Array => new Float64Array(Math.ceil(n / BLOCK) * BLOCK);

/** The same where all columns fit into the locals: no second vector, no second pass. */
function takeOne(
  p: Float64Array,
  n: number,
  x: Float64Array,
  from: number,
  into: Float64Array,
  to: number,
  fixed: Float64Array,
  gain: Float64Array,
  room: number,
): void {
  const x0 = x[from]!;
  const x1 = x[from + 1]!;
  const x2 = x[from + 2]!;
  const x3 = x[from + 3]!;
  const x4 = x[from + 4]!;
  const x5 = x[from + 5]!;
  const x6 = x[from + 6]!;
  const x7 = x[from + 7]!;
  for (let i = 0, at = 0; i < n; i++, at += BLOCK)
    into[to + i] =
      fixed[i]! +
      gain[i]! * room +
      (p[at]! * x0 + p[at + 1]! * x1 + p[at + 2]! * x2 + p[at + 3]! * x3) +
      (p[at + 4]! * x4 + p[at + 5]! * x5 + p[at + 6]! * x6 + p[at + 7]! * x7);
}

/** The same of two blocks of columns, added up in the order of the general way below: bit for bit its result. */
function takeTwo(
  p: Float64Array,
  n: number,
  x: Float64Array,
  from: number,
  into: Float64Array,
  to: number,
  fixed: Float64Array,
  gain: Float64Array,
  room: number,
): void {
  const x0 = x[from]!;
  const x1 = x[from + 1]!;
  const x2 = x[from + 2]!;
  const x3 = x[from + 3]!;
  const x4 = x[from + 4]!;
  const x5 = x[from + 5]!;
  const x6 = x[from + 6]!;
  const x7 = x[from + 7]!;
  const x8 = x[from + 8]!;
  const x9 = x[from + 9]!;
  const x10 = x[from + 10]!;
  const x11 = x[from + 11]!;
  const x12 = x[from + 12]!;
  const x13 = x[from + 13]!;
  const x14 = x[from + 14]!;
  const x15 = x[from + 15]!;
  for (let i = 0, at = 0; i < n; i++, at += 2 * BLOCK)
    into[to + i] =
      fixed[i]! +
      gain[i]! * room +
      (p[at]! * x0 +
        p[at + 1]! * x1 +
        p[at + 2]! * x2 +
        p[at + 3]! * x3 +
        p[at + 4]! * x4 +
        p[at + 5]! * x5 +
        p[at + 6]! * x6 +
        p[at + 7]! * x7) +
      (p[at + 8]! * x8 +
        p[at + 9]! * x9 +
        p[at + 10]! * x10 +
        p[at + 11]! * x11 +
        p[at + 12]! * x12 +
        p[at + 13]! * x13 +
        p[at + 14]! * x14 +
        p[at + 15]! * x15);
}

/**
 * One step: Φ·x + fixed + gain·room.
 * @param x holds the state from `from` on, padded with zeros to whole blocks
 * @param into gets the next state from `to` on; it may be the same place
 * @param next scratch space for a state
 */
export function takeStep(
  { n, stride, values: p }: Padded,
  x: Float64Array,
  from: number,
  into: Float64Array,
  to: number,
  next: Float64Array,
  fixed: Float64Array,
  gain: Float64Array,
  room: number,
): void {
  if (stride === BLOCK) {
    takeOne(p, n, x, from, into, to, fixed, gain, room);
    return;
  }
  if (stride === 2 * BLOCK) {
    takeTwo(p, n, x, from, into, to, fixed, gain, room);
    return;
  }
  for (let i = 0; i < n; i++) next[i] = fixed[i]! + gain[i]! * room;
  for (let block = 0; block < stride; block += BLOCK) {
    const x0 = x[from + block]!;
    const x1 = x[from + block + 1]!;
    const x2 = x[from + block + 2]!;
    const x3 = x[from + block + 3]!;
    const x4 = x[from + block + 4]!;
    const x5 = x[from + block + 5]!;
    const x6 = x[from + block + 6]!;
    const x7 = x[from + block + 7]!;
    for (let i = 0, at = block; i < n; i++, at += stride)
      next[i]! +=
        p[at]! * x0 +
        p[at + 1]! * x1 +
        p[at + 2]! * x2 +
        p[at + 3]! * x3 +
        p[at + 4]! * x4 +
        p[at + 5]! * x5 +
        p[at + 6]! * x6 +
        p[at + 7]! * x7;
  }
  for (let i = 0; i < n; i++) into[to + i] = next[i]!;
}
