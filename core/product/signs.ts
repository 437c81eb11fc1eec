import type { Product } from "../model";
import { modelOf } from "./models";

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
  return (modelOf(product).signs ?? []).flatMap(({ figure, from: limit, side, says }) => {
    const values = courseOf(figure);
    const so = (v: number) => Number.isFinite(v) && (side === "atLeast" ? v >= limit : v <= limit);
    const bin = values?.findIndex(so) ?? -1;
    // What is so from the start is nothing that comes.
    return bin > 0 ? [{ says, at: from + bin * width }] : [];
  });
}
