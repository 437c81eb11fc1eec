import type { ChamberRecord, WorkshopRecord } from "@/core/model";
import { celsius } from "@/core/quantity";
import { hollinMill } from "@/demo";
import type { Change, Outcome } from "./storage";
import { Writer, type Acknowledged } from "./writer";

const record = hollinMill()[0]!;
const named = (name: string): ChamberRecord => ({ ...record, name });
const room = (from: ChamberRecord, low: number): ChamberRecord => ({
  ...from,
  room: { ...from.room, low: { value: celsius(low), origin: "typed" } },
});

/** A store that answers each write when told to, as it is told to. */
function setUp() {
  const asked: Change[][] = [];
  const answers: ((outcomes: Outcome[] | Error) => void)[] = [];
  const states: string[] = [];
  const conflicts: [string, WorkshopRecord | null][] = [];
  const written: Acknowledged[] = [];
  const writer = new Writer(
    (load) => {
      asked.push([...load]);
      return new Promise((resolve, reject) =>
        answers.push((outcomes) => (outcomes instanceof Error ? reject(outcomes) : resolve(outcomes))),
      );
    },
    {
      onState: (unsaved, trouble) => states.push(trouble ?? (unsaved.length ? `saving ${unsaved.join()}` : "saved")),
      onWritten: (all) => written.push(...all),
      onConflict: (id, theirs) => conflicts.push([id, theirs]),
    },
  );
  let revision = 0;
  const turn = async () => {
    for (let i = 0; i < 8; i++) await Promise.resolve();
  };
  return {
    writer,
    asked,
    states,
    conflicts,
    written,
    turn,
    names: () => asked.map((load) => load.map((c) => (c.record?.kind === "chamber" ? c.record.name : "gone"))),
    /** The store has taken what was asked last. */
    take: async () => {
      const load = asked.at(-1)!;
      revision++;
      answers.at(-1)!(
        load.map((c) => ({ id: c.id, ok: true, record: c.record && { ...c.record, revision }, merged: false })),
      );
      await turn();
    },
    answer: async (outcomes: Outcome[] | Error) => {
      answers.at(-1)!(outcomes);
      await turn();
    },
  };
}

describe("writer", () => {
  it("says saved only once the store has acknowledged, and skips what a later edit has replaced", async () => {
    const { writer, states, take, names } = setUp();
    writer.put([["a", named("one")]]);
    writer.put([["a", named("two")]]);
    writer.put([["a", named("three")]]);
    expect(states.at(-1)).toBe("saving a");
    await take();
    expect(states.at(-1)).toBe("saving a");
    await take();
    expect(names()).toEqual([["one"], ["three"]]);
    expect(states.at(-1)).toBe("saved");
  });

  it("brings all that waits in one write, and says of which records it is", async () => {
    const { writer, states, take, names, turn } = setUp();
    writer.put([
      ["a", named("A")],
      ["b", named("B")],
    ]);
    let done = false;
    void writer.settled(["a", "b"]).then(() => (done = true));
    writer.put([["c", null]]);
    await turn();
    expect([names(), states.at(-1), done]).toEqual([[["A", "B"]], "saving a,b,c", false]);
    await take();
    await turn();
    expect([names().at(-1), states.at(-1), done]).toEqual([["gone"], "saving c", true]);
    await take();
    expect(states.at(-1)).toBe("saved");
  });

  it("builds each write on what the store has acknowledged", async () => {
    const { writer, asked, take } = setUp();
    writer.know("a", { ...record, revision: 7 });
    writer.put([["a", named("one")]]);
    expect(asked[0]![0]).toMatchObject({ base: { revision: 7, name: record.name } });
    writer.put([["a", named("two")]]);
    await take();
    expect(asked[1]![0]).toMatchObject({ base: { name: "one" }, record: { name: "two" } });
  });

  it("stops and asks when another tab has changed the same, and keeps both until told; others go on", async () => {
    const { writer, conflicts, answer, take, names } = setUp();
    writer.put([
      ["a", named("mine")],
      ["b", named("other")],
    ]);
    const theirs = { ...named("theirs"), revision: 3 };
    await answer([
      { id: "a", ok: false, theirs },
      { id: "b", ok: true, record: { ...named("other"), revision: 1 }, merged: false },
    ]);
    expect(conflicts).toEqual([["a", theirs]]);
    writer.put([["a", named("still mine")]]);
    writer.put([["b", named("other again")]]);
    await take();
    expect(names()).toEqual([["mine", "other"], ["other again"]]);
    expect(writer.busyWith("a")).toBe(true);
    writer.force([["a", named("still mine")]]);
    await take();
    expect(names().at(-1)).toEqual(["still mine"]);
    expect(writer.busyWith("a")).toBe(false);
  });

  it("shows what another tab has put in elsewhere, and lays it under what the hand did meanwhile", async () => {
    const { writer, written, asked, conflicts, answer, take } = setUp();
    writer.know("a", record);
    writer.put([["a", named("mine")]]);
    const merged = { ...room(named("mine"), 3), revision: 2 };
    await answer([{ id: "a", ok: true, record: merged, merged: true }]);
    expect(written).toEqual([{ id: "a", now: merged }]);

    writer.put([["a", { ...merged, name: "first" }]]);
    writer.put([["a", { ...merged, name: "second" }]]);
    await answer([{ id: "a", ok: true, record: { ...room(merged, 5), name: "first", revision: 4 }, merged: true }]);
    expect(asked.at(-1)![0]!.record).toMatchObject({ name: "second", room: { low: { value: 5 } } });
    await take();

    writer.put([["a", named("x")]]);
    writer.put([["a", room(named("x"), 2)]]);
    await answer([{ id: "a", ok: true, record: { ...room(named("x"), 1), revision: 6 }, merged: true }]);
    expect(conflicts.map(([id]) => id)).toEqual(["a"]);
  });

  it("tries again after a failure, says why it failed, and does not put an old version over a newer", async () => {
    jest.useFakeTimers();
    const { writer, states, names, answer, take } = setUp();
    writer.put([["a", named("one")]]);
    writer.put([["a", named("two")]]);
    await answer(new DOMException("no room", "QuotaExceededError"));
    expect(states.at(-1)).toBe("full");
    await jest.advanceTimersByTimeAsync(3000);
    expect(names()).toEqual([["one"], ["two"]]);
    await take();
    expect(states.at(-1)).toBe("saved");
    jest.useRealTimers();
  });
});
