/** The ideal shapes that have a series of their own. */
export type IdealShape = "slab" | "cylinder" | "sphere";

/** Bessel functions of the first kind, orders 0 and 1 (Abramowitz and Stegun 9.1.21: by their integral, 64 steps). */
function bessel(order: 0 | 1, x: number): number {
  const steps = 64;
  let sum = 0;
  // The midpoint rule is exact to rounding for a periodic integrand.
  for (let i = 0; i < steps; i++) {
    const angle = ((i + 0.5) / steps) * Math.PI;
    sum += Math.cos(order * angle - x * Math.sin(angle));
  }
  return sum / steps;
}

/** What is zero at each root of a shape: its heat balance at the surface for a Biot number. */
const balances: Record<IdealShape, (root: number, biot: number) => number> = {
  slab: (m, bi) => m * Math.sin(m) - bi * Math.cos(m),
  cylinder: (m, bi) => m * bessel(1, m) - bi * bessel(0, m),
  sphere: (m, bi) => (1 - bi) * Math.sin(m) - m * Math.cos(m),
};

/** What each root contributes at the core. */
const shares: Record<IdealShape, (root: number) => number> = {
  slab: (m) => (4 * Math.sin(m)) / (2 * m + Math.sin(2 * m)),
  cylinder: (m) => (2 / m) * (bessel(1, m) / (bessel(0, m) ** 2 + bessel(1, m) ** 2)),
  sphere: (m) => (4 * (Math.sin(m) - m * Math.cos(m))) / (2 * m - Math.sin(2 * m)),
};

/** The first roots of a shape and what each contributes at the core, by bisection between the signs of its balance. */
export function rootsOf(shape: IdealShape, biot: number, count: number): { root: number; share: number }[] {
  const f = (m: number) => balances[shape](m, biot);
  const found: { root: number; share: number }[] = [];
  const stride = 0.02;
  for (let from = 1e-6; found.length < count; from += stride) {
    let [a, b] = [from, from + stride];
    if (f(a) * f(b) > 0) continue;
    for (let i = 0; i < 60; i++) {
      const half = (a + b) / 2;
      if (f(a) * f(half) <= 0) b = half;
      else a = half;
    }
    found.push({ root: a, share: shares[shape](a) });
  }
  return found;
}

/**
 * Share of the first difference to the medium that is left at the core: Σ C·exp(−μ²·Fo), with Fo = α·t/L² and
 * Bi = h·L/k. Source: Incropera, Fundamentals of Heat and Mass Transfer, chapter 5 (Fourier's series).
 * @param roots of the shape and its Biot number
 */
export const leftAtCore = (roots: readonly { root: number; share: number }[], fourier: number): number =>
  roots.reduce((sum, { root, share }) => sum + share * Math.exp(-root * root * fourier), 0);
