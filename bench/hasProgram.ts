/** A single stage without an end is no program. */
export const hasProgram = (stages: readonly { ends: readonly unknown[] }[]): boolean =>
  stages.length > 1 || (stages[0]?.ends.length ?? 0) > 0;
