/** How pails follow each other so that the one that is bottled from never runs dry. */
export interface Reserve {
  /** How long a pail is bottled from, s. */
  lasts: number;
  /** How long after one is opened the next goes into the warm, s; 0: at once. */
  putInAfter: number;
  /** Pails that have to be in the warm at once. */
  atOnce: number;
}

/**
 * @param pail kg in a pail
 * @param use kg a second
 * @param clears how long one takes to clear in its slow case, s
 */
export function reserveOf(pail: number, use: number, clears: number): Reserve {
  const lasts = pail / use;
  const atOnce = Math.max(1, Math.ceil(clears / lasts - 1e-9));
  return { lasts, putInAfter: Math.max(0, lasts - clears), atOnce };
}
