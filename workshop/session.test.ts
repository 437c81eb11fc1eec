import "fake-indexeddb/auto";
import { hollinMill } from "@/demo/hollinMill";
import { keepHistory, recallHistory } from "./session";
import type { Step } from "./history";

const [record] = hollinMill();
const step = (label: string, name: string): Step => ({
  label,
  changes: [{ id: record!.id, before: record!, after: { ...record!, name } }],
  at: 1,
});
const KEY = "gentle-crock:history";
beforeEach(() => sessionStorage.clear());

describe("the steps of a tab over a reload", () => {
  it("come back in their order, once", () => {
    keepHistory({ past: [step("a", "A"), step("b", "B")], future: [step("c", "C")] });
    const { past, future } = recallHistory();
    expect(past.map((s) => s.label)).toEqual(["a", "b"]);
    expect(future.map((s) => s.label)).toEqual(["c"]);
    expect(past[1]!.changes[0]!.after).toMatchObject({ name: "B" });
    expect(recallHistory()).toEqual({ past: [], future: [] });
  });

  it("the oldest are let go of where they are too many", () => {
    keepHistory({ past: Array.from({ length: 500 }, (_, i) => step(`s${i}`, `N${i}`)), future: [] });
    const labels = recallHistory().past.map((s) => s.label);
    expect(labels.at(-1)).toBe("s499");
    expect(labels.length).toBeLessThan(500);
    expect(labels.length).toBeGreaterThan(5);
  });

  it("one that is damaged ends it there: none before it comes back", () => {
    keepHistory({ past: [step("a", "A"), step("b", "B"), step("c", "C")], future: [] });
    const kept = JSON.parse(sessionStorage.getItem(KEY)!) as { past: Step[] };
    (kept.past[1]!.changes[0]!.after as { name: unknown }).name = 7;
    sessionStorage.setItem(KEY, JSON.stringify(kept));
    expect(recallHistory().past.map((s) => s.label)).toEqual(["c"]);
  });

  it.each(["", "{", "7", "null", '{"past":7}', '{"past":[null,{"label":1}]}'])(
    "%j is no history, and no harm",
    (raw) => {
      sessionStorage.setItem(KEY, raw);
      expect(recallHistory()).toEqual({ past: [], future: [] });
    },
  );
});
