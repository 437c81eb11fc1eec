import { add, matrix, multiply, type Matrix } from "mathjs";
import { padded, paddedVector, takeStep } from "./kernel";

/** Numbers without a pattern that the blocks could hide behind. */
const noise = (i: number) => Math.sin(12.9898 * (i + 1)) * 1.7;

describe("one step of the kernel", () => {
  // mathjs is the general-purpose reference; sizes on both sides of every block border.
  it.each([1, 2, 6, 7, 8, 9, 15, 16, 17, 20])("of %d nodes is Φ·x + fixed + gain·room", (n) => {
    const phi = Float64Array.from({ length: n * n }, (_, i) => noise(i));
    const x = paddedVector(n);
    for (let i = 0; i < n; i++) x[i] = noise(i + 1000);
    const fixed = Float64Array.from({ length: n }, (_, i) => noise(i + 2000));
    const gain = Float64Array.from({ length: n }, (_, i) => noise(i + 3000));
    const rows = Array.from({ length: n }, (_, i) => Array.from(phi.subarray(i * n, i * n + n)));
    const start = Array.from(x.subarray(0, n));
    const room = 13.7;
    const expected = add(
      multiply(matrix(rows), matrix(start)),
      matrix(Array.from(fixed, (f, i) => f + gain[i]! * room)),
    ) as Matrix<number>;
    // From one row of a table to the next, and in its own place: the same to the last bit.
    const table = new Float64Array(3 * x.length);
    table.set(x, x.length);
    takeStep(padded(phi, n), table, x.length, table, 2 * x.length, paddedVector(n), fixed, gain, room);
    takeStep(padded(phi, n), x, 0, x, 0, paddedVector(n), fixed, gain, room);
    expect(table.subarray(2 * x.length)).toEqual(x);
    expect(table.subarray(0, x.length).every((value) => value === 0)).toBe(true);
    (expected.toArray() as number[]).forEach((value, i) => expect(x[i]).toBeCloseTo(value, 10));
    expect(x.subarray(n).every((value) => value === 0)).toBe(true);
  });
});
