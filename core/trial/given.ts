/**
 * Outlets as they were seen at a chamber that runs: from a moment on, s from the start of the trial, what each controller
 * gives to its heat and its cold, 1 or 0, in the order of the controllers.
 */
export interface Given {
  at: number;
  outs: readonly number[];
}

/** Which of what was seen is in force at a step, −1: none yet; and the step at which the next one is. */
export function givenAt(given: readonly Given[], step: number, dt: number): { index: number; until: number } {
  const stepOf = ({ at }: Given) => Math.ceil(at / dt - 1e-9);
  let [from, to] = [0, given.length];
  while (from < to) {
    const middle = (from + to) >> 1;
    if (stepOf(given[middle]!) <= step) from = middle + 1;
    else to = middle;
  }
  return { index: from - 1, until: from < given.length ? stepOf(given[from]!) : Infinity };
}
