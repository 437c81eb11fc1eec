/** A strip in bending: m, Pa. */
export interface Strip {
  span: number;
  width: number;
  thickness: number;
  stiffness: number;
}

export type Ends = "simple" | "fixed";

/** What a load does to a strip or a plate: greatest stress, Pa, and sag, m. */
export interface Bent {
  stress: number;
  sag: number;
}

/**
 * A strip under a load that lies evenly on a length in its middle (0: at a point). Simply supported: M = P/4·(L − c/2),
 * sag P/(384·E·I)·(8L³ − 4Lc² + c³); fixed ends take M = P(3L² − c²)/(24L) off both. Source: beam formulas (Roark's
 * Formulas for Stress and Strain, from memory).
 * @param newtons all of the load
 */
export function beamBent({ span, width, thickness, stiffness }: Strip, newtons: number, on: number, ends: Ends): Bent {
  const inertia = (width * thickness ** 3) / 12;
  const c = Math.min(Math.max(0, on), span);
  const middle = (newtons / 4) * (span - c / 2);
  const sag = (newtons / (384 * stiffness * inertia)) * (8 * span ** 3 - 4 * span * c ** 2 + c ** 3);
  const atEnds = ends === "fixed" ? (newtons * (3 * span ** 2 - c ** 2)) / (24 * span) : 0;
  const moment = Math.max(middle - atEnds, atEnds);
  return {
    stress: (moment * thickness) / 2 / inertia,
    sag: sag - (atEnds * span ** 2) / (8 * stiffness * inertia),
  };
}
