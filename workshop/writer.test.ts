import type { WorkshopRecord } from "@/core/model";
import { hollinMill } from "@/demo";
import { Writer } from "./writer";

const record = hollinMill()[0]!;

/** A store of one record that acknowledges when told to, with revisions compared as the real one does. */
function slowStore() {
  let stored: { record: WorkshopRecord | null; revision: number } = { record: null, revision: 0 };
  const open: (() => void)[] = [];
  const writes: string[] = [];
  return {
    writes,
    get stored() {
      return stored;
    },
    sneakIn: () => (stored = { ...stored, revision: stored.revision + 1 }),
    acknowledge: async () => {
      open.shift()?.();
      for (let i = 0; i < 8; i++) await Promise.resolve();
    },
    write: (_id: string, next: WorkshopRecord | null, expected: number | null) =>
      new Promise<{ ok: true; revision: number } | { ok: false; theirs: null }>((resolve) => {
        open.push(() => {
          if (expected !== null && expected !== stored.revision) return resolve({ ok: false, theirs: null });
          stored = { record: next, revision: stored.revision + 1 };
          writes.push(next?.kind === "chamber" ? next.name : "gone");
          resolve({ ok: true, revision: stored.revision });
        });
      }),
  };
}

const named = (name: string) => ({ ...record, name });

function setUp() {
  const store = slowStore();
  const states: string[] = [];
  const conflicts: string[] = [];
  const writer = new Writer(store.write, {
    onState: (s) => states.push(s),
    onWritten: () => undefined,
    onConflict: (id) => conflicts.push(id),
  });
  return { store, states, conflicts, writer };
}

describe("writer", () => {
  it("says saved only once the store has acknowledged, and skips what a later edit has replaced", async () => {
    const { store, states, writer } = setUp();
    writer.put("a", named("one"));
    writer.put("a", named("two"));
    writer.put("a", named("three"));
    expect(states.at(-1)).toBe("saving");
    await store.acknowledge();
    expect(states.at(-1)).toBe("saving");
    await store.acknowledge();
    expect(store.writes).toEqual(["one", "three"]);
    expect(states.at(-1)).toBe("saved");
  });

  it("stops and asks when another tab has written, and keeps both until told", async () => {
    const { store, conflicts, writer } = setUp();
    writer.put("a", named("mine"));
    await store.acknowledge();
    store.sneakIn();
    writer.put("a", named("mine again"));
    await store.acknowledge();
    expect(conflicts).toEqual(["a"]);
    expect(store.writes).toEqual(["mine"]);
    writer.put("a", named("still mine"));
    expect(store.writes).toEqual(["mine"]);
    writer.force("a", named("still mine"));
    await store.acknowledge();
    expect(store.writes).toEqual(["mine", "still mine"]);
  });

  it("tries again after a failure", async () => {
    jest.useFakeTimers();
    let fail = true;
    const states: string[] = [];
    const done: string[] = [];
    const writer = new Writer(
      () => (fail ? Promise.reject(new Error("full")) : Promise.resolve({ ok: true as const, revision: 1 })),
      { onState: (s) => states.push(s), onWritten: (id) => done.push(id), onConflict: () => undefined },
    );
    writer.put("a", record);
    for (let i = 0; i < 8; i++) await Promise.resolve();
    expect(states.at(-1)).toBe("failed");
    fail = false;
    await jest.advanceTimersByTimeAsync(3000);
    expect(done).toEqual(["a"]);
    expect(states.at(-1)).toBe("saved");
    jest.useRealTimers();
  });
});
