/** Decimals needed to write a multiple of `resolution` (0.1 → 1, 0.25 → 2, 1 → 0). */
export function decimalsOf(resolution: number): number {
  for (let decimals = 0; decimals < 6; decimals++) {
    const scaled = resolution * 10 ** decimals;
    if (Math.abs(scaled - Math.round(scaled)) < 1e-9) return decimals;
  }
  return 6;
}

/** Decimals that a value needs to be written as it is, from those of its resolution on, three more at the most. */
export function decimalsFor(value: number, resolution: number): number {
  const least = decimalsOf(resolution);
  for (let decimals = least; decimals < least + 3; decimals++)
    if (Math.abs(value - Number(value.toFixed(decimals))) < 1e-9 * Math.max(1, Math.abs(value))) return decimals;
  return least + 3;
}

/** How many whole resolution steps a value is, halves rounded up. Steps compare exactly where decimals would not. */
export const stepsOf = (value: number, resolution: number): number => Math.floor(value / resolution + 0.5 + 1e-9);

/** Nearest multiple of `resolution`, free of binary tails. */
export function roundTo(value: number, resolution: number): number {
  const rounded = Number((stepsOf(value, resolution) * resolution).toFixed(decimalsOf(resolution)));
  return rounded === 0 ? 0 : rounded;
}
