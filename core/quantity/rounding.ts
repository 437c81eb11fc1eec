/** Decimals needed to write a multiple of `resolution` (0.1 → 1, 0.25 → 2, 1 → 0). */
export function decimalsOf(resolution: number): number {
  for (let decimals = 0; decimals < 6; decimals++) {
    const scaled = resolution * 10 ** decimals;
    if (Math.abs(scaled - Math.round(scaled)) < 1e-9) return decimals;
  }
  return 6;
}

/** How many whole resolution steps a value is, halves rounded up. Steps compare exactly where decimals would not. */
export const stepsOf = (value: number, resolution: number): number => Math.floor(value / resolution + 0.5 + 1e-9);

/** Nearest multiple of `resolution`, free of binary tails. */
export function roundTo(value: number, resolution: number): number {
  const rounded = Number((stepsOf(value, resolution) * resolution).toFixed(decimalsOf(resolution)));
  return rounded === 0 ? 0 : rounded;
}
