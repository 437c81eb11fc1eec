import type { Product } from "../../model";
import { film, MEAT, SHELLS, stepPiece } from "./conduction";
import { pieceOf } from "./state";

const HOUR = 3600;
/** Stirred ice and water around a piece in its bag: W/m²K, °C (estimates). */
const SLUSH = { conductance: 100, t: 1 } as const;
/**
 * Chilling after cooking: through 57 to 21 °C within 2 h, and to 5 °C within 6 h in all (Food Code 3-501.14); kept up to
 * 7 days at 5 °C or less (3-502.12).
 */
export const CHILL = { first: 21, within: 2 * HOUR, then: 5, inAll: 6 * HOUR, days: 7 } as const;

/** How long a cooked piece takes to chill, s; null: not within a day. */
export interface Chilled {
  /** From the moment at which it goes in until its core is at 21 °C, and at 5 °C: cautious, since only 57 °C on counts. */
  toFirst: number | null;
  toLast: number | null;
  passes: boolean;
}

/** A piece out of the bath in stirred ice and water, by conduction. @param t the bath that it comes from, °C */
export function chilled(product: Pick<Product, "shape" | "thickness">, t: number): Chilled {
  const shells = new Float64Array(SHELLS).fill(t);
  const shape = pieceOf(product);
  const heat = film(SLUSH.conductance, SLUSH.t);
  const step = 10;
  let toFirst: number | null = null;
  for (let s = 0; s <= 24 * HOUR; s += step) {
    const core = shells[0]!;
    if (toFirst === null && core <= CHILL.first) toFirst = s;
    if (core <= CHILL.then) return { toFirst, toLast: s, passes: toFirst! <= CHILL.within && s <= CHILL.inAll };
    stepPiece(shells, shape, MEAT, heat, step);
  }
  return { toFirst, toLast: null, passes: false };
}

/** In a hot pan the surface boils: whatever the pan, it stays near 100 °C, W/m²K and °C (estimates). */
const PAN = { conductance: 500, t: 100 } as const;
const REST = 300;

/**
 * How deep a sear cooks: the share of half its thickness that gets warmer than a doneness, and what its core comes to, °C.
 * @param from the piece as it comes from the bath, °C
 * @param seconds on each side
 * @param done °C: what is cooked further than this has been seared
 */
export function seared(
  product: Pick<Product, "shape" | "thickness">,
  from: number,
  seconds: number,
  done: number,
): { core: number; share: number } {
  const shells = new Float64Array(SHELLS).fill(from);
  const shape = pieceOf(product);
  const peak = shells.slice();
  // What is in the surface goes on inwards while it rests.
  for (let s = 0; s < seconds + REST; s++) {
    stepPiece(shells, shape, MEAT, s < seconds ? film(PAN.conductance, PAN.t) : film(10, 25), 1);
    shells.forEach((t, i) => (peak[i] = Math.max(peak[i]!, t)));
  }
  return { core: peak[0]!, share: peak.filter((t) => t > done).length / SHELLS };
}

/** A core at this for so long kills what a roast table asks of moist minced meat (62.8 °C for 4 min; FSIS, from memory). */
export const MOIST_KILL = { core: 62.8, minutes: 4 } as const;

/**
 * How long a piece takes in a stirred bath until its core has been at a temperature for some minutes, s; null: not within
 * a day.
 * @param from the piece as it goes in, and `bath`, °C
 */
export function heatedThrough(
  product: Pick<Product, "shape" | "thickness">,
  from: number,
  bath: number,
  { core, minutes }: { core: number; minutes: number } = MOIST_KILL,
): number | null {
  const shells = new Float64Array(SHELLS).fill(from);
  const shape = pieceOf(product);
  const heat = film(95, bath);
  const step = 10;
  let held = 0;
  for (let s = 0; s <= 24 * HOUR; s += step) {
    held = shells[0]! >= core ? held + step : 0;
    if (held >= minutes * 60) return s;
    stepPiece(shells, shape, MEAT, heat, step);
  }
  return null;
}

/** Air of a kitchen around a piece that rests, W/m²K with its radiation and °C (estimates). */
const KITCHEN = { conductance: 10, t: 22 } as const;

/**
 * How far a core goes on rising once the piece is out: the hottest that it comes to, °C, and after how long, s. What is
 * warmer further out goes inwards; between core and surface it lies as a parabola, as at the end of a steady rise.
 */
export function carriedOver(
  product: Pick<Product, "shape" | "thickness">,
  core: number,
  skin: number,
): { core: number; after: number } {
  const shells = Float64Array.from({ length: SHELLS }, (_, i) => core + (skin - core) * (i / (SHELLS - 1)) ** 2);
  const shape = pieceOf(product);
  const heat = film(KITCHEN.conductance, KITCHEN.t);
  const step = 10;
  let best = { core, after: 0 };
  for (let s = step; s <= 3 * HOUR; s += step) {
    stepPiece(shells, shape, MEAT, heat, step);
    if (shells[0]! <= best.core) break;
    best = { core: shells[0]!, after: s };
  }
  return best;
}
