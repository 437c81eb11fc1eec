import type { Product, ProductKind } from "../model";

/** What a person sees of a product once a figure has come so far: likely, and no measurement. */
interface Sign {
  figure: string;
  /** From this value on, upwards or downwards. */
  from: number;
  side: "atLeast" | "atMost";
  says: string;
}

const beer: readonly Sign[] = [
  { figure: "progress", from: 0.03, side: "atLeast", says: "foam comes up, the airlock works" },
  { figure: "progress", from: 0.35, side: "atLeast", says: "at its height: it gives off most heat" },
  { figure: "progress", from: 0.85, side: "atLeast", says: "the foam falls back, it slows down" },
  { figure: "steady", from: 24, side: "atLeast", says: "two equal gravities a day apart: done" },
];

/** By product, in the order in which they come. Common practice, no source. */
export const signs: Partial<Record<ProductKind, readonly Sign[]>> = {
  ale: beer,
  lager: beer,
  farmhouse: beer,
  tempeh: [
    { figure: "cake", from: 0.05, side: "atLeast", says: "first white threads, a fresh smell of mushrooms" },
    {
      figure: "cake",
      from: 0.3,
      side: "atLeast",
      says: "white all over, it warms itself: heating must become cooling",
    },
    { figure: "cake", from: 0.8, side: "atLeast", says: "a firm cake that can be lifted at a corner" },
    { figure: "past", from: 0.1, side: "atLeast", says: "grey and black spots: ripe spores, harmless" },
    { figure: "past", from: 0.25, side: "atLeast", says: "soft, a smell of ammonia: past its best" },
  ],
  honey: [
    { figure: "clear", from: 0.5, side: "atLeast", says: "it runs at the wall; the middle is still set" },
    { figure: "clear", from: 0.9, side: "atLeast", says: "a soft lump in clear honey: stir it now" },
    { figure: "clear", from: 0.98, side: "atLeast", says: "clear to the eye: take it out" },
  ],
  sausage: [
    { figure: "pH", from: 5.3, side: "atMost", says: "firm to the touch, a sour smell; measure the pH" },
    { figure: "loss", from: 0.1, side: "atLeast", says: "the casing wrinkles" },
    { figure: "loss", from: 0.3, side: "atLeast", says: "firm all through; a soft middle means a hard rim" },
  ],
  mash: [
    { figure: "converted", from: 0.5, side: "atLeast", says: "it turns thin and sweet" },
    { figure: "converted", from: 0.98, side: "atLeast", says: "iodine should stay yellow: the test decides" },
  ],
};

/** What is seen of a product, and when it begins. */
export interface SeenAt {
  says: string;
  /** s from the start of the trial */
  at: number;
}

/**
 * What a person is likely to see of a product, moment by moment, by the course of its figures.
 * @param courseOf the course of a figure by its name, a value for each bin
 * @param from the start of the first bin, and `width` of each, s
 */
export function signsOf(
  product: Product,
  courseOf: (figure: string) => Float32Array | undefined,
  { from, width }: { from: number; width: number },
): SeenAt[] {
  return (signs[product.kind] ?? []).flatMap(({ figure, from: limit, side, says }) => {
    const values = courseOf(figure);
    const so = (v: number) => Number.isFinite(v) && (side === "atLeast" ? v >= limit : v <= limit);
    const bin = values?.findIndex(so) ?? -1;
    // What is so from the start is nothing that comes.
    return bin > 0 ? [{ says, at: from + bin * width }] : [];
  });
}
