import type { Product } from "../model";

/** The number of a product that its course hangs on most, and the span that nine of ten lie within (estimates). */
export const spanOf = ({ kind }: Product): { field: "pace" | "thickness"; slow: number; fast: number } | null => {
  switch (kind) {
    case "serving":
    case "hold":
      return null;
    case "bath":
    case "smoke":
      // Nobody measures a piece to the millimetre, and none is an ideal shape.
      return { field: "thickness", slow: 1.1, fast: 0.9 };
    default:
      return { field: "pace", slow: 0.6, fast: 1.6 };
  }
};

/** Deviations within which nine of ten of a normal spread lie. */
export const NINE_OF_TEN = 1.645;

/**
 * A product whose course is slower than usual by so many standard deviations (below 0: quicker): its span is taken as
 * the middle nine of ten of a spread around the usual that is normal in the logarithm to either side. One that has no span is as it is.
 */
export function slower(product: Product, deviations: number): Product {
  const span = spanOf(product);
  if (!span) return product;
  const share = (deviations > 0 ? span.slow : span.fast) ** (Math.abs(deviations) / NINE_OF_TEN);
  return { ...product, [span.field]: product[span.field] * share };
}

/** Inverse of the normal distribution (Abramowitz and Stegun 26.2.23, to 4.5e-4). */
export function normalAt(share: number): number {
  const tail = Math.min(share, 1 - share);
  const t = Math.sqrt(-2 * Math.log(tail));
  const z =
    t - (2.515517 + 0.802853 * t + 0.010328 * t * t) / (1 + 1.432788 * t + 0.189269 * t * t + 0.001308 * t ** 3);
  return share < 0.5 ? -z : z;
}

/**
 * Deviations by which each of so many products is taken slower so that in nine of ten cases none of them is slower
 * still: the normal deviate of 0.9^(1/n).
 */
export const lateDeviations = (products: number): number => normalAt(0.9 ** (1 / Math.max(1, products)));
