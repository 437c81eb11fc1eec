import type { WorkshopRecord } from "@/core/model";

/** The store's shelf of records in memory, for tests: the same compare-and-write as the real one, answering at once. */
export function memoryStorage() {
  const shelf = new Map<string, WorkshopRecord>();
  return {
    shelf,
    readAll: () => Promise.resolve({ records: [...shelf.values()], quarantine: [] }),
    readOne: (id: string) => Promise.resolve(shelf.get(id) ?? null),
    write: (id: string, record: WorkshopRecord | null, expected: number | null) => {
      const stored = shelf.get(id);
      const revision = stored?.revision ?? 0;
      if (expected !== null && expected !== revision)
        return Promise.resolve({ ok: false as const, theirs: stored ?? null });
      if (record === null) {
        shelf.delete(id);
        return Promise.resolve({ ok: true as const, revision: 0 });
      }
      shelf.set(id, { ...record, revision: revision + 1 });
      return Promise.resolve({ ok: true as const, revision: revision + 1 });
    },
    dropQuarantined: () => Promise.resolve(),
  };
}
