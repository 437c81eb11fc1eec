import type { Problem } from "./schemas";

export interface Reply {
  status: number;
  body: string;
  headers?: Record<string, string>;
}

/** JSON of plain data and typed arrays; what is no number (Infinity, NaN) becomes null. */
export const toJson = (value: unknown): string =>
  JSON.stringify(value, (_, v: unknown) => {
    if (v instanceof Float32Array)
      return Array.from(v, (n) => (Number.isFinite(n) ? Math.round(n * 1000) / 1000 : null));
    return v;
  });

export const refuse = (
  status: number,
  field: string,
  why: string,
  mend: string,
  headers?: Record<string, string>,
): Reply => ({ status, body: toJson({ problem: { field, why, mend } } satisfies Problem), headers });
