import fc from "fast-check";
import { mergeThree } from "./merge";

const field = (value: unknown) => ({ value, origin: "typed" });
const base = {
  name: "Cellar",
  room: { low: field(4), high: field(20) },
  stages: [
    { id: "s1", stage: { low: field(10) }, settings: {} },
    { id: "s2", stage: {}, settings: {} },
  ],
  settled: ["job"],
};
type Record = typeof base;
const merged = (mine: unknown, theirs: unknown) => mergeThree<unknown>(base, mine, theirs);

describe("merging three ways", () => {
  it.each<[string, (r: Record) => unknown, (r: Record) => unknown, (r: Record) => unknown]>([
    [
      "different fields of one section",
      (r) => ({ ...r, room: { ...r.room, low: field(2) } }),
      (r) => ({ ...r, room: { ...r.room, high: field(25) } }),
      (r) => ({ ...r, room: { low: field(2), high: field(25) } }),
    ],
    [
      "a field put back to its default and another set",
      (r) => ({ ...r, room: { high: r.room.high } }),
      (r) => ({ ...r, room: { ...r.room, high: field(21) } }),
      (r) => ({ ...r, room: { high: field(21) } }),
    ],
    [
      "an entry changed here, another added there",
      (r) => ({ ...r, stages: [{ ...r.stages[0]!, stage: { low: field(12) } }, r.stages[1]] }),
      (r) => ({ ...r, stages: [r.stages[0], { id: "s3", stage: {}, settings: {} }, r.stages[1]] }),
      (r) => ({
        ...r,
        stages: [{ ...r.stages[0]!, stage: { low: field(12) } }, { id: "s3", stage: {}, settings: {} }, r.stages[1]],
      }),
    ],
    [
      "an order changed there, an entry added here behind what it follows",
      (r) => ({ ...r, stages: [r.stages[0], { id: "s9" }, r.stages[1]] }),
      (r) => ({ ...r, stages: [r.stages[1], r.stages[0]] }),
      (r) => ({ ...r, stages: [r.stages[1], r.stages[0], { id: "s9" }] }),
    ],
    [
      "an entry thrown away here, another changed there",
      (r) => ({ ...r, stages: [r.stages[0]] }),
      (r) => ({ ...r, stages: [{ ...r.stages[0]!, stage: { low: field(12) } }, r.stages[1]] }),
      (r) => ({ ...r, stages: [{ ...r.stages[0]!, stage: { low: field(12) } }] }),
    ],
    [
      "marks set here and taken away there",
      (r) => ({ ...r, settled: ["job", "box"] }),
      (r) => ({ ...r, settled: [] }),
      (r) => ({ ...r, settled: ["box"] }),
    ],
    [
      "the same change on both sides",
      (r) => ({ ...r, name: "Attic" }),
      (r) => ({ ...r, name: "Attic" }),
      (r) => ({ ...r, name: "Attic" }),
    ],
  ])("takes both: %s", (_, here, there, both) => {
    expect(merged(here(base), there(base))).toEqual({ ok: true, value: both(base) });
  });

  it.each<[string, (r: Record) => unknown, (r: Record) => unknown, string[]]>([
    ["one value set to two", (r) => ({ ...r, name: "A" }), (r) => ({ ...r, name: "B" }), ["name"]],
    [
      "an entry thrown away here and changed there",
      (r) => ({ ...r, stages: [r.stages[0]] }),
      (r) => ({ ...r, stages: [r.stages[0], { ...r.stages[1]!, stage: { low: field(1) } }] }),
      ["stages.s2"],
    ],
    [
      "a field's value and its origin are one thing",
      (r) => ({ ...r, room: { ...r.room, low: { value: 5, origin: "typed" } } }),
      (r) => ({ ...r, room: { ...r.room, low: { value: 4, origin: "fitted" } } }),
      ["room.low"],
    ],
    ["a plain list set to two", (r) => ({ ...r, plugs: ["h1", "h2"] }), (r) => ({ ...r, plugs: ["h3"] }), ["plugs"]],
  ])("says where both have changed one thing: %s", (_, here, there, paths) => {
    expect(merged(here(base), there(base))).toEqual({ ok: false, paths });
  });

  it("with one side untouched is the other side; and it does not matter which side is which", () => {
    const json = fc.letrec<{ any: unknown }>((tie) => ({
      any: fc.oneof(
        { maxDepth: 3 },
        fc.integer({ min: 0, max: 2 }),
        fc.dictionary(fc.constantFrom("a", "b", "c"), tie("any"), { maxKeys: 3 }),
        fc.uniqueArray(fc.record({ id: fc.constantFrom("x", "y", "z"), v: tie("any") }), { selector: (e) => e.id }),
      ),
    })).any;
    const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value));
    const tree = fc.dictionary(fc.constantFrom("a", "b", "c"), json, { maxKeys: 3 });
    fc.assert(
      fc.property(tree, tree, tree, (o, a, b) => {
        expect(mergeThree(o, a, o)).toEqual({ ok: true, value: a });
        expect(mergeThree(o, o, b)).toEqual({ ok: true, value: b });
        const [one, two] = [mergeThree(o, a, b), mergeThree(o, b, a)];
        expect(one.ok).toBe(two.ok);
        if (!one.ok && !two.ok) expect([...one.paths].sort()).toEqual([...two.paths].sort());
        if (one.ok) expect(mergeThree(plain(o), plain(one.value), plain(b))).toEqual({ ok: true, value: one.value });
      }),
      { numRuns: 400 },
    );
  });
});
