import type { Laid, Placed, Space } from "@/core/fit";

/** What the drawings of the inside are drawn from. */
export interface DrawnFit {
  space: Space;
  placed: readonly Placed[];
  laid: readonly Laid[];
}

/** Where a vessel was moved to by hand: which of all that stand, its middle, m, and whether it was turned. */
export type Moved = (index: number, to: { x: number; y: number; turned: boolean }) => void;

/** Vessels snap to this, m. */
export const SNAP = 0.005;
export const snapped = (m: number): number => Math.round(m / SNAP) * SNAP;
