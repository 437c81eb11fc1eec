import type { Bent } from "./beam";

/** A rectangular plate on all four edges: m, Pa. */
export interface Plate {
  a: number;
  b: number;
  thickness: number;
  stiffness: number;
  poisson: number;
}

/** Terms of the double series each way: stress under a patch wants more of them than sag does. */
const TERMS = 61;

/**
 * A thin plate, simply supported on four edges, under a load that lies evenly on a rectangle in its middle. Navier's
 * double series (Timoshenko and Woinowsky-Krieger, Theory of Plates and Shells, chapter 5).
 * @param newtons all of the load
 * @param on the two sides of the rectangle, m: a load at a point has no stress that is finite, so it has to have a size
 */
export function plateBent(
  { a, b, thickness, stiffness, poisson }: Plate,
  newtons: number,
  on: readonly [number, number],
): Bent {
  const rigidity = (stiffness * thickness ** 3) / (12 * (1 - poisson ** 2));
  const u = Math.min(Math.max(on[0], 1e-3), a);
  const v = Math.min(Math.max(on[1], 1e-3), b);
  let sag = 0;
  let mx = 0;
  let my = 0;
  for (let m = 1; m <= TERMS; m += 2)
    for (let n = 1; n <= TERMS; n += 2) {
      const p =
        ((16 * newtons) / (Math.PI ** 2 * m * n * u * v)) *
        Math.sin((m * Math.PI * u) / (2 * a)) *
        Math.sin((n * Math.PI * v) / (2 * b));
      const [k, l] = [(m / a) ** 2, (n / b) ** 2];
      const w = p / (Math.PI ** 4 * rigidity * (k + l) ** 2);
      // At the middle sin(mπ/2)² is 1 for each odd term.
      sag += w;
      mx += rigidity * Math.PI ** 2 * (k + poisson * l) * w;
      my += rigidity * Math.PI ** 2 * (l + poisson * k) * w;
    }
  return { stress: (6 * Math.max(mx, my)) / thickness ** 2, sag };
}
