import type { Product } from "../../model";
import { MEAT, SHELLS, stepPiece, type PieceShape, type SurfaceHeat } from "./conduction";

/**
 * What the surface of a real piece goes by: long pieces about 0.7 and lumps 1.0 to 1.5 where the ideal cylinder and sphere
 * have 1 and 2 (by practical heating times, Baldwin 2012, value from memory): the cautious ones.
 */
const exponents: Record<Product["shape"], number> = { slab: 0, roll: 0.7, chunk: 1, ball: 1.5 };

export const pieceOf = ({ shape, thickness }: Pick<Product, "shape" | "thickness">): PieceShape => ({
  half: thickness / 2,
  exponent: exponents[shape],
});

const names = Array.from({ length: SHELLS }, (_, i) => `t${i}`);

/** What the outermost of them is called in a product's state. */
export const SKIN = `t${SHELLS - 1}`;

/** Temperatures of a piece from its core outwards, as a part of a product's state. */
export const startShells = (t: number): Record<string, number> => Object.fromEntries(names.map((name) => [name, t]));

const shells = new Float64Array(SHELLS);

/** Moves the piece in a product's state on. */
export function stepShells(
  state: Record<string, number>,
  product: Pick<Product, "shape" | "thickness">,
  surface: SurfaceHeat,
  span: number,
): void {
  for (let i = 0; i < SHELLS; i++) shells[i] = state[names[i]!]!;
  stepPiece(shells, pieceOf(product), MEAT, surface, span);
  for (let i = 0; i < SHELLS; i++) state[names[i]!] = shells[i]!;
}
