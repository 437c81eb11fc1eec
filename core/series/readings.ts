/** One column of a series from its beginning on, as what computes wants it. */
export interface Readings {
  /** s, each later than the one before. */
  seconds: ArrayLike<number>;
  values: ArrayLike<number>;
  /** Up to when they have been laid out, s; nothing where that is their end. */
  until?: number;
}

/** A series is spoken of whose readings are not at hand. */
export class MissingReadings extends Error {}

/** So many are kept at hand: the ones asked for last. */
const MOST = 6;
const held = new Map<string, Readings>();

/**
 * Lays the readings of a series out for what computes. The series that a record speaks of is finished and never changes,
 * so that its name stands for its readings as a value would: the same record gives the same trial wherever they are
 * laid out, and none where they are not.
 */
export function layOut(id: string, readings: Readings): void {
  held.delete(id);
  held.set(id, readings);
  if (held.size > MOST) held.delete(held.keys().next().value!);
}

export const isLaidOut = (id: string): boolean => held.has(id);

/** @throws MissingReadings where they have not been laid out */
export function readingsOf(id: string): Readings {
  const found = held.get(id);
  if (!found) throw new MissingReadings("the readings of its recorded room are not at hand");
  return found;
}
