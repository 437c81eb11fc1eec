/** Share of its weight that something has lost; below zero where it has gained. Weights in any one unit. */
export const lossOf = (before: number, now: number): number => (before - now) / before;

/** What something weighs once it has lost a share of its weight. */
export const weighsAfter = (before: number, loss: number): number => before * (1 - loss);
