import type { Product, ProductKind } from "../model";
import type { Temperature } from "../quantity";

/** All that a product remembers of its course: plain numbers, so that it can be saved, copied and compared. */
export type ProductState = Record<string, number>;

/** What a product does over a span, of one vessel. Written over by every step: the trial allocates nothing for it. */
export interface ProductOutput {
  /** Own heat on average over the span, W. */
  watts: number;
}

/** Something about a product that a program can wait for and a log can hold. */
export interface ProductObservable {
  name: string;
  /** For people, as in "gravity at most 1.012". */
  label: string;
  /** Empty where it is a plain number; "share" is shown in per cent. */
  unit: "" | "share";
  of: (state: ProductState, product: Product) => number;
}

/** Something that happens to a product past a temperature. */
export interface Hazard {
  id: "freezes";
  at: Temperature;
  /** How far the true point may lie to either side, K. */
  within: number;
}

/** A reading that tells where a product stands, beside its temperature. */
export type ReadingName = "gravity";

/**
 * One product model: what it starts from, how it moves, what can be seen of it. Every folder of core/product is one of
 * this shape; the state machine is (state, temperatures, span) → watts, the same in a trial, a run and a test.
 */
export interface ProductModel {
  kinds: readonly ProductKind[];
  defaults: (kind: ProductKind) => Product;
  /** @param volume contents of one vessel, m³ */
  start: (product: Product, volume: number) => ProductState;
  /**
   * Moves the state on and writes what came of it into `out`.
   * @param core temperature of the contents, °C
   * @param seconds middle of the span, from the start of the trial
   * @param span s
   */
  step: (
    state: ProductState,
    product: Product,
    core: number,
    seconds: number,
    span: number,
    out: ProductOutput,
  ) => void;
  /** Largest own heat of one vessel at a steady temperature, W. */
  peakHeat: (product: Product, volume: number, t: Temperature) => number;
  observables: readonly ProductObservable[];
  /** The range within which it comes out well, where it has one of its own. */
  range: (product: Product) => { low: Temperature; high: Temperature } | null;
  hazards: (product: Product) => Hazard[];
  readings: readonly ReadingName[];
}
