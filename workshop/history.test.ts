import { hollinMill } from "@/demo";
import { forget, remember, type History } from "./history";

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

  it("forgets steps on a record that another tab has changed", () => {
    const history = remember(empty, step("a", 0));
    expect(forget(history, record.id).past).toEqual([]);
    expect(forget(history, "other").past).toHaveLength(1);
  });
});
