/** A box in the coordinates of the inside: x from the left, y from the back, z from the floor, m. */
export interface Block {
  name: string;
  x0: number;
  x1: number;
  y0: number;
  y1: number;
  z0: number;
  z1: number;
  /** Air that a body keeps to it, m; without it what is usual. */
  clear?: number;
  /** Flat things lie directly on it. */
  shelf?: true;
}

/** An upright cylinder in the same coordinates. */
export interface Cylinder {
  x: number;
  y: number;
  r: number;
  z0: number;
  z1: number;
}

/** Less than this, m, is touching and no overlap: rounding of what was placed edge to edge. */
const TOUCH = 1e-7;

const overlap = (a0: number, a1: number, b0: number, b1: number): number => Math.min(a1, b1) - Math.max(a0, b0);

/** By how much two cylinders lie in one another, seen from above, m; 0 or less: not at all. */
export function cylindersOverlap(a: Cylinder, b: Cylinder, gap = 0): number {
  if (overlap(a.z0, a.z1, b.z0, b.z1) <= TOUCH) return 0;
  const by = a.r + b.r + gap - Math.hypot(a.x - b.x, a.y - b.y);
  return by > TOUCH ? by : 0;
}

/** The same of a cylinder and a block: by the point of the block that is nearest to the cylinder's axis. */
export function cylinderInBlock(a: Cylinder, b: Block, gap = 0): number {
  if (overlap(a.z0, a.z1, b.z0, b.z1) <= TOUCH) return 0;
  const dx = a.x - Math.min(b.x1, Math.max(b.x0, a.x));
  const dy = a.y - Math.min(b.y1, Math.max(b.y0, a.y));
  const inside = dx === 0 && dy === 0;
  const by = inside
    ? a.r + gap + Math.min(a.x - b.x0, b.x1 - a.x, a.y - b.y0, b.y1 - a.y)
    : a.r + gap - Math.hypot(dx, dy);
  return by > TOUCH ? by : 0;
}

/** The same of two blocks: the least of what would have to give way, to the side or in height. */
export function blocksOverlap(a: Block, b: Block): number {
  const by = Math.min(
    overlap(a.x0, a.x1, b.x0, b.x1),
    overlap(a.y0, a.y1, b.y0, b.y1),
    overlap(a.z0, a.z1, b.z0, b.z1),
  );
  return by > TOUCH ? by : 0;
}
