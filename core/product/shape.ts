import type { Product, ProductKind } from "../model";
import type { Temperature } from "../quantity";

/** All that a product remembers of its course: plain numbers, so that it can be saved, copied and compared. */
export type ProductState = Record<string, number>;

/** What a product does over a span, of one vessel. Written over by every step: the trial allocates nothing for it. */
export interface ProductOutput {
  /** Own heat on average over the span, W; below zero where melting takes it. */
  watts: number;
  /** Heat that evaporation takes from its surface, W. */
  drying: number;
}

/** A product's heat is held for some minutes at a time, s: it moves over hours. */
export const USUAL_HOLD = 300;

/** What is around and in a product while it moves on: the trial fills one of these in again and again. */
export interface Feels {
  /** Middle and outermost part of the contents, °C. */
  core: number;
  surface: number;
  /** The contents from the middle outwards where they are stiff, °C; one where they mix. */
  parts: readonly number[];
  /** What is around it, air or liquid, °C, and how well that gives its heat on, W/m²K. */
  medium: number;
  film: number;
  /** Vapour pressure of the air around, Pa, and its humidity at its own temperature, 0..1. In a liquid nothing dries. */
  vapour: number;
  humidity: number;
  wet: boolean;
}

/** The contents of one vessel. */
export interface Lot {
  /** m³ */
  volume: number;
  /** kg */
  mass: number;
}

/** What a figure of a product is counted in. */
export type ObservableUnit = "" | "share" | "loss" | "temperature" | "log" | "mg/kg" | "hours";

/** A line that a figure should reach, or must not pass. */
export interface ProductLimit {
  value: number;
  side: "atLeast" | "atMost";
  /** It is what is aimed for; otherwise it is a limit that should not be passed. */
  aim: boolean;
  /** It is about the present moment alone: nothing of it is ever used up. */
  momentary?: true;
  says: string;
}

/** Something about a product that a program can wait for and a log can hold. */
export interface ProductObservable {
  name: string;
  /** For people, as in "gravity at most 1.012". */
  label: string;
  unit: ObservableUnit;
  of: (state: ProductState, product: Product) => number;
  /** Whether it says anything of such a product; always, where nothing is said. */
  speaks?: (product: Product) => boolean;
  limit?: (product: Product) => ProductLimit | null;
}

/** Something that happens to a product past a temperature. */
export interface Hazard {
  id: "freezes";
  at: Temperature;
  /** How far the true point may lie to either side, K. */
  within: number;
}

/** A factor that a product's state holds, and the ends between which nine of ten lie (estimates). */
export interface Unknown {
  name: string;
  low: number;
  high: number;
}

/** A reading that tells where a product stands, beside its temperature. */
export type ReadingName = "gravity" | "pH" | "weight" | "core" | "iodine" | "look";

/**
 * One product model: what it starts from, how it moves, what can be seen of it. Every folder of core/product is one of
 * this shape; the state machine is (state, temperatures, span) → watts, the same in a trial, a run and a test.
 */
export interface ProductModel {
  kinds: readonly ProductKind[];
  /** How long a trial may hold its heat and its drying before it moves it on, s: `USUAL_HOLD` where it says nothing. */
  holdsFor?: number;
  /** Such a product gives off the same all through and counts nothing: it need hardly be moved on. */
  isStill?: (product: Product) => boolean;
  /** It gives off water by a law of its own. */
  dries?: true;
  /** What differs from the blank product. */
  defaults: (kind: ProductKind) => Partial<Product>;
  start: (product: Product, lot: Lot, startTemperature: number) => ProductState;
  /**
   * Moves the state on and writes what came of it into `out`.
   * @param seconds middle of the span, from the start of the trial
   * @param span s
   */
  step: (
    state: ProductState,
    product: Product,
    feels: Feels,
    seconds: number,
    span: number,
    out: ProductOutput,
  ) => void;
  /** Largest own heat of one vessel at a steady temperature, W. */
  peakHeat: (product: Product, lot: Lot, t: Temperature) => number;
  observables: readonly ProductObservable[];
  /** The range within which it comes out well, where it has one of its own. */
  range: (product: Product) => { low: Temperature; high: Temperature } | null;
  hazards: (product: Product) => Hazard[];
  readings: readonly ReadingName[];
  /** What else is not known of it, beside its pace or its thickness: factors in its state, 1 as is usual. */
  unknowns?: readonly Unknown[];
}
