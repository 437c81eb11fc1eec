import { hollinMill } from "@/demo";
import { nextOn, remember, travelled, type History } from "./history";

const record = hollinMill()[0]!;
const step = (name: string, at: number, merge?: string) => ({
  label: name,
  at,
  merge,
  changes: [{ id: record.id, before: { ...record, name: `before ${name}` }, after: { ...record, name } }],
});
const empty: History = { past: [], future: [] };

describe("history", () => {
  it("melts the steps of one gesture into one that goes back to its beginning", () => {
    let history = remember(empty, step("a", 0, "step"));
    history = remember(history, step("b", 300, "step"));
    expect(history.past).toHaveLength(1);
    expect(history.past[0]!.changes[0]).toMatchObject({ before: { name: "before a" }, after: { name: "b" } });
    expect(remember(history, step("c", 5000, "step")).past).toHaveLength(2);
    expect(remember(history, step("c", 400, "other")).past).toHaveLength(2);
    const slow = remember(remember(empty, step("a", 0, "drag:1")), step("b", 9000, "drag:1"));
    expect(slow.past).toHaveLength(1);
  });

  it("drops what was undone once something new is done", () => {
    expect(remember({ past: [], future: [step("x", 0)] }, step("y", 1)).future).toEqual([]);
  });
});

describe("at the desk of a chamber", () => {
  const made = { label: "new", at: 0, changes: [{ id: record.id, before: null, after: record }] };
  it("undo does not take the chamber itself away; on the Shelf it does", () => {
    expect(nextOn([made], record.id)).toBeNull();
    expect(nextOn([made], null)).toBe(made);
    const edit = step("edit", 1);
    expect(nextOn([made, edit], record.id)).toBe(edit);
  });
});

describe("a step taken back after another tab has been at its record", () => {
  const made = { ...step("mine", 0).changes[0]! };
  const there = (now: typeof record | null) => (now ? { [record.id]: now } : {});
  const back = (now: typeof record | null, changes = [made]) =>
    travelled({ label: "mine", at: 0, changes }, true, there(now));

  it("keeps what the other did elsewhere in it", () => {
    const now = { ...made.after, updatedAt: "2026-11-02T00:00:00.000Z", revision: 9, settled: ["job" as const] };
    const taken = back(now);
    expect(taken.ok && taken.changes[0]!.after).toMatchObject({ name: "before mine", settled: ["job"] });
  });

  it.each([
    ["changed the same", { ...made.after, name: "theirs" }, undefined, /changed the same of \u201cmine\u201d/],
    ["removed it", null, undefined, /has removed/],
    ["brought it back", record, [{ ...made, after: null }], /brought it back/],
    ["changed what would be taken away", { ...made.after, name: "theirs" }, [{ ...made, before: null }], /changed the/],
  ])("says why not where the other has %s", (_, now, changes, problem) => {
    const taken = back(now, changes as never);
    expect(taken).toEqual({ ok: false, problem: expect.stringMatching(problem) as unknown });
  });
});
