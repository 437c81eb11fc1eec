import { celsius } from "@/core/quantity";
import { bringDemoBack, demoIsThere, removeDemo, seedDemoOnce } from "@/demo";
import {
  addChamber,
  bringIn,
  chamberById,
  editChamber,
  openWorkshop,
  redo,
  removeRecords,
  renameChamber,
  setPreferences,
  settle,
  settleConflict,
  labelsOf,
  sitAt,
  undo,
  useWorkshop,
} from "./store";
import type * as testing from "./testing";

// The browser's database is not to be had here; the browser tests use the real one.
jest.mock("./storage", () => jest.requireActual<typeof testing>("./testing").memoryStorage());
const storage = jest.requireMock<ReturnType<typeof testing.memoryStorage>>("./storage");

const quiet = async () => {
  for (let i = 0; i < 20; i++) await Promise.resolve();
};
const setpoint = (value: number) => [{ section: "settings", field: "setpoint", value: celsius(value) } as const];
const own = (name = "Mine"): string => {
  const made = addChamber(name, []);
  if ("problem" in made) throw new Error(made.problem);
  return made.id;
};
const settingOf = (id: string) => chamberById(id)?.stages[0]!.settings.u1?.setpoint?.value;

beforeAll(() => openWorkshop());
beforeEach(async () => {
  removeRecords(
    Object.values(useWorkshop.getState().records)
      .filter((r) => r.kind === "chamber")
      .map((r) => r.id),
    "clear",
  );
  setPreferences({ demoSeeded: false });
  useWorkshop.setState({ past: [], future: [], conflicts: [] });
  await quiet();
});

describe("edits", () => {
  it("are on screen at once and in the store once it has acknowledged", async () => {
    const id = own();
    expect(editChamber(id, setpoint(18), "setpoint")).toBeNull();
    expect(settingOf(id)).toBe(18);
    expect(useWorkshop.getState().save).toBe("saving");
    await quiet();
    expect(useWorkshop.getState().save).toBe("saved");
    const stored = storage.shelf.get(id);
    expect(stored?.kind === "chamber" && stored.stages[0]!.settings.u1?.setpoint?.value).toBe(18);
  });

  it("that are impossible say why, store nothing and leave nothing to undo", () => {
    const id = own();
    const before = useWorkshop.getState().past.length;
    expect(editChamber(id, [{ section: "stage", field: "low", value: celsius(60) }], "low")).toMatch(
      /below the warmest/,
    );
    expect(renameChamber(id, "   ")).toMatch(/Give it a name/);
    expect(renameChamber(id, "x".repeat(61))).toMatch(/under 60/);
    expect(editChamber("nobody", setpoint(1), "x")).toMatch(/no longer there/);
    expect(useWorkshop.getState().past).toHaveLength(before);
  });

  it("a new chamber with impossible answers is not made", () => {
    const made = addChamber("Odd", [{ section: "room", field: "low", value: celsius(55) }]);
    expect("problem" in made && made.problem).toMatch(/coldest is above its warmest/);
    expect(Object.values(useWorkshop.getState().records).some((r) => r.kind === "chamber")).toBe(false);
  });
});

describe("undo and redo", () => {
  it("go back and forth through every kind of step", async () => {
    const id = own("Mine");
    editChamber(id, setpoint(18), "setpoint");
    renameChamber(id, "Yours");
    settle(id, "job", true);
    removeRecords([id], "remove");
    expect(chamberById(id)).toBeUndefined();
    expect(undo()).toBe("remove");
    expect(chamberById(id)?.settled).toEqual(["job"]);
    undo();
    undo();
    expect(chamberById(id)?.name).toBe("Mine");
    undo();
    expect(settingOf(id)).toBeUndefined();
    undo();
    expect(chamberById(id)).toBeUndefined();
    expect(undo()).toBeNull();
    for (let i = 0; i < 4; i++) redo();
    expect(chamberById(id)).toMatchObject({ name: "Yours", settled: ["job"] });
    await quiet();
    expect(storage.shelf.get(id)).toMatchObject({ name: "Yours" });
  });

  it("something new forgets what was undone", () => {
    const id = own();
    editChamber(id, setpoint(18), "setpoint");
    undo();
    editChamber(id, setpoint(17), "setpoint");
    expect(redo()).toBeNull();
    expect(settingOf(id)).toBe(17);
  });
});

describe("undo at a desk", () => {
  it("stays with the chamber that is worked on; on the Shelf it goes back through all", () => {
    const [mine, other] = [own("Mine"), own("Other")];
    editChamber(mine, setpoint(18), "mine");
    editChamber(other, setpoint(5), "other");
    sitAt(mine);
    expect(labelsOf(useWorkshop.getState())).toEqual({ undo: "mine", redo: null });
    expect(undo()).toBe("mine");
    expect(settingOf(mine)).toBeUndefined();
    expect(settingOf(other)).toBe(5);
    // What is done elsewhere does not take the way back from here.
    sitAt(other);
    editChamber(other, setpoint(6), "other again");
    sitAt(mine);
    expect(redo()).toBe("mine");
    expect(settingOf(mine)).toBe(18);
    sitAt(null);
    expect(undo()).toBe("mine");
    expect(undo()).toBe("other again");
    expect(settingOf(other)).toBe(5);
  });

  it("does not tear a step over several chambers apart from what was done to them since", () => {
    const [mine, other] = [own("Mine"), own("Other")];
    bringIn(
      [
        { ...chamberById(mine)!, name: "Back" },
        { ...chamberById(other)!, name: "Back too" },
      ],
      "backup",
    );
    editChamber(other, setpoint(5), "other");
    sitAt(mine);
    expect(undo()).toBeNull();
    sitAt(null);
    expect(undo()).toBe("other");
    sitAt(mine);
    expect(undo()).toBe("backup");
    expect(chamberById(other)?.name).toBe("Other");
    sitAt(null);
  });
});

describe("another tab", () => {
  const elsewhere = (id: string, name: string) => {
    const stored = storage.shelf.get(id)!;
    storage.shelf.set(id, { ...stored, revision: stored.revision + 1, name } as typeof stored);
  };

  it.each([
    ["mine", 19, "Mine"],
    ["theirs", undefined, "Theirs"],
  ] as const)("is never overwritten silently; keeping %s", async (keep, value, name) => {
    const id = own();
    await quiet();
    elsewhere(id, "Theirs");
    editChamber(id, setpoint(19), "setpoint");
    await quiet();
    expect(useWorkshop.getState().conflicts.map((c) => c.id)).toEqual([id]);
    expect(storage.shelf.get(id)).toMatchObject({ name: "Theirs" });
    await settleConflict(id, keep);
    await quiet();
    expect(settingOf(id)).toBe(value);
    expect(storage.shelf.get(id)).toMatchObject({ name });
    expect(useWorkshop.getState().conflicts).toEqual([]);
  });

  it("asks about each of several records, and settling one leaves the others asked", async () => {
    const [a, b] = [own("A"), own("B")];
    await quiet();
    elsewhere(a, "A elsewhere");
    elsewhere(b, "B elsewhere");
    editChamber(a, setpoint(19), "setpoint");
    editChamber(b, setpoint(18), "setpoint");
    await quiet();
    expect(useWorkshop.getState().conflicts.map((c) => c.id)).toEqual([a, b]);
    await settleConflict(b, "mine");
    await quiet();
    expect(useWorkshop.getState().conflicts.map((c) => c.id)).toEqual([a]);
    await settleConflict(a, "theirs");
    await quiet();
    expect([chamberById(a)?.name, chamberById(b)?.name]).toEqual(["A elsewhere", "B"]);
    expect([settingOf(a), settingOf(b)]).toEqual([undefined, 18]);
    await settleConflict(a, "mine");
    expect(chamberById(a)?.name).toBe("A elsewhere");
  });

  it("a page that comes out of the back cache shows what has been stored since", async () => {
    const [a, b, c] = [own("A"), own("B"), own("C")];
    await quiet();
    elsewhere(a, "A elsewhere");
    storage.shelf.delete(b);
    const stranger = { ...chamberById(c)!, id: "stranger", name: "Stranger", revision: 1 };
    storage.shelf.set("stranger", stranger);
    window.dispatchEvent(Object.assign(new Event("pageshow"), { persisted: true }));
    await quiet();
    await quiet();
    expect([chamberById(a)?.name, chamberById(b), chamberById(c)?.name, chamberById("stranger")?.name]).toEqual([
      "A elsewhere",
      undefined,
      "C",
      "Stranger",
    ]);
    expect(useWorkshop.getState().conflicts).toEqual([]);
  });

  it("an edit that comes while the other's version is fetched is neither lost nor does it overwrite: it is asked about", async () => {
    const id = own();
    await quiet();
    elsewhere(id, "Theirs");
    editChamber(id, setpoint(19), "setpoint");
    await quiet();
    const taking = settleConflict(id, "theirs");
    // The hand is quicker than the store.
    editChamber(id, setpoint(17), "setpoint");
    await taking;
    await quiet();
    expect(settingOf(id)).toBe(17);
    expect(useWorkshop.getState().conflicts.map((c) => c.id)).toEqual([id]);
    expect(storage.shelf.get(id)).toMatchObject({ name: "Theirs" });
    await settleConflict(id, "mine");
    await quiet();
    expect(settingOf(id)).toBe(17);
    const kept = storage.shelf.get(id);
    expect(kept?.kind === "chamber" && kept.stages[0]!.settings.u1?.setpoint?.value).toBe(17);
  });
});

describe("restoring", () => {
  it("is one step: everything is back after one undo", () => {
    const id = own("Kept");
    const other = { ...chamberById(id)!, id: "other", name: "Other" };
    bringIn([{ ...chamberById(id)!, name: "Replaced" }, other], "backup", [id]);
    expect(chamberById(id)?.name).toBe("Replaced");
    expect(chamberById("other")?.name).toBe("Other");
    undo();
    expect(chamberById(id)?.name).toBe("Kept");
    expect(chamberById("other")).toBeUndefined();
  });
});

describe("the demo", () => {
  it("comes into an empty profile once, and not again by itself", () => {
    expect(seedDemoOnce()).toBe(true);
    expect(demoIsThere()).toBe(true);
    removeDemo();
    expect(demoIsThere()).toBe(false);
    expect(seedDemoOnce()).toBe(false);
    bringDemoBack();
    expect(demoIsThere()).toBe(true);
  });

  it("stays out of a profile with somebody's own work, and leaves with its own alone", () => {
    const id = own();
    expect(seedDemoOnce()).toBe(false);
    bringDemoBack();
    removeDemo();
    expect(chamberById(id)).toBeDefined();
    expect(Object.values(useWorkshop.getState().records).filter((r) => r.kind === "chamber")).toHaveLength(1);
  });
});
