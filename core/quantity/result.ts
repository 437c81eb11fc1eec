/** Outcome of reading something a person typed: the value, or one sentence saying what is wrong and how to mend it. */
export type Read<T> = { ok: true; value: T } | { ok: false; problem: string };

export const read = <T>(value: T): Read<T> => ({ ok: true, value });
export const refuse = <T>(problem: string): Read<T> => ({ ok: false, problem });
