import type { ChamberRecord } from "../model";

/** What is kept of a unit is kept under its own keys: those of the first are plain. */
export const keyOfUnit = (unit: number, key: string): string => (unit === 0 ? key : `${unit}:${key}`);

/** Terminals of a unit as its own paper names them. */
export function namesOf({ work }: Pick<ChamberRecord, "work">, unit: number): Record<string, string> {
  const before = keyOfUnit(unit, "");
  return Object.fromEntries(
    Object.entries(work.names).flatMap(([key, name]) => {
      const own = unit === 0 ? !/^\d+:/.test(key) : key.startsWith(before);
      return own ? [[key.slice(before.length), name]] : [];
    }),
  );
}
