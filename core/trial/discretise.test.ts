import { expm, matrix, type Matrix as MathMatrix } from "mathjs";
import type { Network } from "../chamber";
import { discretise, stateSpace } from "./discretise";
import { integralsOf } from "./matrix";

describe("matrix exponential", () => {
  // mathjs is the general-purpose reference.
  it.each([0.01, 1, 7, 40])("agrees with mathjs at norm about %d", (scale) => {
    const n = 6;
    const values = Array.from({ length: n * n }, (_, i) => Math.sin(3 * i + 1) * scale * (i % 7 === 0 ? -2 : 0.4));
    // With its integrals beside it: e to the power of [[A, I, 0], [0, 0, I], [0, 0, 0]].
    const rows = Array.from({ length: 3 * n }, (_, i) =>
      Array.from({ length: 3 * n }, (_v, j) => (i < n && j < n ? values[i * n + j]! : j === i + n ? 1 : 0)),
    );
    const expected = (expm(matrix(rows)) as unknown as MathMatrix).toArray() as number[][];
    const { power, once, twice } = integralsOf(Float64Array.from(values), n, 1);
    [power, once, twice].forEach((got, block) => {
      const part = expected.slice(0, n).map((row) => row.slice(block * n, block * n + n));
      const size = Math.max(...part.flat().map(Math.abs));
      part.forEach((row, i) =>
        row.forEach((value, j) => expect(Math.abs(got[i * n + j]! - value) / size).toBeLessThan(1e-12)),
      );
    });
  });
});

/** One heat capacity with a heater, losing heat to the room: the textbook exponential. */
const single: Network = {
  nodes: [{ kind: "air", index: 0, capacity: 5000, toRoom: 2 }],
  links: [],
  air: 0,
  lining: 0,
  heaters: [{ id: "h1", node: 0, power: 30 }],
  coolers: [],
  vessels: [],
  shells: [],
  probes: [],
  loads: [],
  fanHeat: 0,
  moist: false,
};

describe("zero-order hold", () => {
  it("follows T = T∞ + P/G + (T0 − T∞ − P/G)·e^(−t/τ) exactly over two days", () => {
    const dt = 5;
    const { phi, gamma, psi, omega } = discretise(stateSpace(single, 0), dt);
    const [room, power, tau] = [8, 30, 2500];
    const end = room + power / 2;
    let x = 20;
    let integral = 0;
    for (let k = 1; k <= 2 * 17_280; k++) {
      integral += psi[0]! * x + omega[1]! * room + omega[2]! * power;
      x = phi[0]! * x + gamma[1]! * room + gamma[2]! * power;
      expect(Math.abs(x - (end + (20 - end) * Math.exp((-k * dt) / tau)))).toBeLessThan(1e-9);
    }
    const seconds = 2 * 86_400;
    const exact = end * seconds + (20 - end) * tau * (1 - Math.exp(-seconds / tau));
    expect(Math.abs(integral / exact - 1)).toBeLessThan(1e-11);
  });
});
