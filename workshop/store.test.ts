import "fake-indexeddb/auto";
import { applyEdits, refusalOf, type ChamberRecord } from "@/core/model";
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
} from "./store";
import { useWorkshop } from "./state";
import { recordBox } from "./box";
import { readOne, writeMany } from "./storage";
import { acceptLoss, dropRefused, letGo, openAgain, putBack, whenStored } from "./store";

/** Until the store has had everything, and what it said has been heard. */
const quiet = async () => {
  for (let i = 0; i < 3; i++) {
    await whenStored(Object.keys(useWorkshop.getState().records));
    await new Promise((resolve) => setTimeout(resolve, 5));
  }
};
const setpoint = (value: number) => [{ section: "settings", field: "setpoint", value: celsius(value) } as const];
const own = (name = "Mine"): string => {
  const made = addChamber(name, []);
  if ("problem" in made) throw new Error(made.problem);
  return made.id;
};
const settingOf = (id: string) => chamberById(id)?.stages[0]!.settings.u1?.setpoint?.value;

/** Whether the page may be left without a question. */
const leaves = () => window.dispatchEvent(new Event("beforeunload", { cancelable: true }));

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

describe("a store that lost what it had acknowledged", () => {
  const clear = async () => {
    const box = await recordBox();
    await box.clear();
  };
  /** Until the page has looked at the store and found that something is gone. */
  const noticed = async () => {
    for (let i = 0; i < 200 && useWorkshop.getState().dropped.length === 0; i++)
      await new Promise((resolve) => setTimeout(resolve, 50));
  };

  it("is noticed with the next write; what this page holds is offered back whole, and stored again in one go", async () => {
    const [a, b, c] = [own("A"), own("B"), own("C")];
    await quiet();
    await clear();
    editChamber(b, setpoint(18), "setpoint");
    await noticed();
    expect([...useWorkshop.getState().dropped].sort()).toEqual(expect.arrayContaining([a, b, c].sort()) as string[]);
    expect(useWorkshop.getState().conflicts).toEqual([]);
    putBack();
    await quiet();
    expect(useWorkshop.getState().dropped).toEqual([]);
    for (const id of [a, b, c]) expect(await readOne(id)).toMatchObject({ id });
    expect((await readOne(b)) as ChamberRecord).toMatchObject({
      stages: [{ settings: { u1: { setpoint: { value: 18 } } } }],
    });
  });

  it("lets go of it where that is wanted: page and store say the same", async () => {
    const [a, b] = [own("A"), own("B")];
    await quiet();
    await (await recordBox()).removeItem(`record:${a}`);
    editChamber(b, setpoint(18), "setpoint");
    await noticed();
    expect(useWorkshop.getState().dropped).toEqual([a]);
    letGo();
    await quiet();
    expect(chamberById(a)).toBeUndefined();
    expect(await readOne(b)).toMatchObject({ id: b });
    expect(useWorkshop.getState().dropped).toEqual([]);
  });
});

describe("what is stored by others", () => {
  it("preferences of a newer application stay as they are; nobody is asked", async () => {
    setPreferences({ demoSeeded: true });
    await quiet();
    const box = await recordBox();
    const newer = { ...(await box.getItem<object>("record:preferences")), schemaVersion: 999, revision: 77 };
    await box.setItem("record:preferences", newer);
    setPreferences({ scale: "F" });
    await quiet();
    expect(useWorkshop.getState().conflicts).toEqual([]);
    expect(useWorkshop.getState().refused).toMatch(/newer Gentle Crock/);
    expect(useWorkshop.getState().preferences.scale).toBe("F");
    expect(await box.getItem("record:preferences")).toEqual(newer);
    await box.removeItem("record:preferences");
    setPreferences({ scale: "C" });
  });

  it("a clock beyond the year 9999 writes what can be read again", async () => {
    const clock = jest.spyOn(Date, "now").mockReturnValue(Date.UTC(12026, 0, 1));
    const id = own("Late");
    clock.mockRestore();
    await quiet();
    expect(await readOne(id)).toMatchObject({ id, createdAt: "9999-12-31T23:59:59.000Z" });
  });
});

describe("edits", () => {
  it("are on screen at once and in the store once it has acknowledged", async () => {
    const id = own();
    expect(editChamber(id, setpoint(18), "setpoint")).toBeNull();
    expect(settingOf(id)).toBe(18);
    expect(useWorkshop.getState().save).toBe("saving");
    expect(leaves()).toBe(false);
    await quiet();
    expect(useWorkshop.getState().save).toBe("saved");
    expect(leaves()).toBe(true);
    const stored = await readOne(id);
    expect(stored?.kind === "chamber" && stored.stages[0]!.settings.u1?.setpoint?.value).toBe(18);
  });

  it("that are impossible say why, store nothing and leave nothing to undo", () => {
    const id = own();
    const before = useWorkshop.getState().past.length;
    const refusal = editChamber(id, [{ section: "stage", field: "low", value: celsius(60) }], "low");
    expect(refusalOf(refusal)).toMatch(/below the warmest/);
    expect(renameChamber(id, "   ")).toMatch(/Give it a name/);
    expect(renameChamber(id, "x".repeat(61))).toMatch(/under 60/);
    expect(refusalOf(editChamber("nobody", setpoint(1), "x"))).toMatch(/no longer there/);
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
    expect(await readOne(id)).toMatchObject({ name: "Yours" });
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
  /** Another tab changes a record, knowing what is stored. */
  const elsewhere = async (id: string, change: (r: ChamberRecord) => ChamberRecord | null) => {
    const base = (await readOne(id)) as ChamberRecord;
    await writeMany([{ id, record: change(base), base }]);
  };
  const changed = (r: ChamberRecord, setpointIs: number): ChamberRecord => applyEdits(r, setpoint(setpointIs));
  const naming = (name: string) => (r: ChamberRecord) => ({ ...r, name });

  it.each([
    ["mine", 19, "Mine"],
    ["theirs", 16, "Theirs"],
  ] as const)("is never overwritten silently; keeping %s", async (keep, value, name) => {
    const id = own();
    await quiet();
    await elsewhere(id, (r) => ({ ...changed(r, 16), name: "Theirs" }));
    editChamber(id, setpoint(19), "setpoint");
    await quiet();
    expect(useWorkshop.getState().conflicts.map((c) => c.id)).toEqual([id]);
    expect(await readOne(id)).toMatchObject({ name: "Theirs" });
    await settleConflict(id, keep);
    await quiet();
    expect(settingOf(id)).toBe(value);
    expect(await readOne(id)).toMatchObject({ name });
    expect(useWorkshop.getState().conflicts).toEqual([]);
  });

  it("asks about each of several records, and settling one leaves the others asked", async () => {
    const [a, b] = [own("A"), own("B")];
    await quiet();
    await elsewhere(a, naming("A elsewhere"));
    await elsewhere(b, naming("B elsewhere"));
    renameChamber(a, "A here");
    renameChamber(b, "B here");
    await quiet();
    expect(useWorkshop.getState().conflicts.map((c) => c.id)).toEqual([a, b]);
    await settleConflict(b, "mine");
    await quiet();
    expect(useWorkshop.getState().conflicts.map((c) => c.id)).toEqual([a]);
    await settleConflict(a, "theirs");
    await quiet();
    expect([chamberById(a)?.name, chamberById(b)?.name]).toEqual(["A elsewhere", "B here"]);
    await settleConflict(a, "mine");
    expect(chamberById(a)?.name).toBe("A elsewhere");
  });

  it("a page that comes out of the back cache shows what has been stored since", async () => {
    const [a, b, c] = [own("A"), own("B"), own("C")];
    await quiet();
    await elsewhere(a, naming("A elsewhere"));
    await elsewhere(b, () => null);
    const stranger = { ...chamberById(c)!, id: "stranger", name: "Stranger" };
    await writeMany([{ id: "stranger", record: stranger, base: null }]);
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
    await elsewhere(id, (r) => ({ ...changed(r, 16), name: "Theirs" }));
    editChamber(id, setpoint(19), "setpoint");
    await quiet();
    const taking = settleConflict(id, "theirs");
    // The hand is quicker than the store.
    editChamber(id, setpoint(17), "setpoint");
    await taking;
    await quiet();
    expect(settingOf(id)).toBe(17);
    expect(useWorkshop.getState().conflicts.map((c) => c.id)).toEqual([id]);
    expect(await readOne(id)).toMatchObject({ name: "Theirs" });
    await settleConflict(id, "mine");
    await quiet();
    expect(settingOf(id)).toBe(17);
    const kept = await readOne(id);
    expect(kept?.kind === "chamber" && kept.stages[0]!.settings.u1?.setpoint?.value).toBe(17);
  });
});

describe("two tabs at one chamber", () => {
  const tab = async (id: string, change: (r: ChamberRecord) => ChamberRecord) => {
    const base = (await readOne(id)) as ChamberRecord;
    await writeMany([{ id, record: change(base), base }]);
  };
  it("that touch different things are merged without a question, on screen and in the store", async () => {
    const id = own("Mine");
    await quiet();
    await tab(id, (r) => ({ ...r, name: "Theirs", settled: ["box"] }));
    editChamber(id, setpoint(19), "setpoint");
    settle(id, "job", true);
    await quiet();
    expect(useWorkshop.getState().conflicts).toEqual([]);
    expect(settingOf(id)).toBe(19);
    expect(chamberById(id)).toMatchObject({ name: "Theirs", settled: ["box", "job"] });
    expect(await readOne(id)).toMatchObject({ name: "Theirs", settled: ["box", "job"] });
    // What was done here can be taken back, and what the other did stays.
    undo();
    undo();
    await quiet();
    expect(settingOf(id)).toBeUndefined();
    expect(chamberById(id)).toMatchObject({ name: "Theirs", settled: ["box"] });
    redo();
    await quiet();
    expect(await readOne(id)).toMatchObject({ name: "Theirs" });
    expect(settingOf(id)).toBe(19);
  });

  it("are asked where both together would be impossible, though each by itself is not", async () => {
    const id = own("Mine");
    await quiet();
    await tab(id, (r) => applyEdits(r, [{ section: "room", field: "low", value: celsius(15) }]));
    editChamber(id, [{ section: "room", field: "high", value: celsius(12) }], "room");
    await quiet();
    expect(useWorkshop.getState().conflicts.map((c) => c.id)).toEqual([id]);
    await settleConflict(id, "theirs");
  });

  it("undo of what the other has changed since says why it cannot be", async () => {
    const id = own("Mine");
    renameChamber(id, "Mine again");
    await quiet();
    await tab(id, (r) => ({ ...r, name: "Theirs" }));
    window.dispatchEvent(Object.assign(new Event("pageshow"), { persisted: true }));
    await quiet();
    expect(undo()).toBeNull();
    expect(useWorkshop.getState().refused).toMatch(
      /\u201cname\u201d cannot be undone: Another tab has changed the same/,
    );
    expect(chamberById(id)?.name).toBe("Theirs");
    dropRefused();
    expect(useWorkshop.getState().refused).toBeNull();
  });
});

describe("a store that fails", () => {
  it("on opening is told as what it is, and opens when tried again", async () => {
    useWorkshop.setState({ status: "closed" });
    const all = jest.spyOn(IDBObjectStore.prototype, "getAllKeys").mockImplementation(() => {
      throw new DOMException("broken", "UnknownError");
    });
    await openWorkshop();
    expect(useWorkshop.getState()).toMatchObject({ status: "unavailable", trouble: "failed" });
    all.mockRestore();
    await openAgain();
    expect(useWorkshop.getState()).toMatchObject({ status: "open", trouble: null });
  });

  it("with one record that the browser cannot read opens with all others", async () => {
    const [a, b] = [own("A"), own("B")];
    await quiet();
    const [all, get] = [IDBObjectStore.prototype.getAll, IDBObjectStore.prototype.get];
    const broken = () => {
      throw new DOMException("unreadable", "DataError");
    };
    jest.spyOn(IDBObjectStore.prototype, "getAll").mockImplementation(function (this: IDBObjectStore, query) {
      return (query as IDBKeyRange).lower === "record:" ? broken() : all.call(this, query);
    });
    jest.spyOn(IDBObjectStore.prototype, "get").mockImplementation(function (this: IDBObjectStore, key) {
      return key === `record:${a}` ? broken() : get.call(this, key);
    });
    useWorkshop.setState({ status: "closed", records: {} });
    await openWorkshop();
    jest.restoreAllMocks();
    expect(useWorkshop.getState().status).toBe("open");
    expect(chamberById(b)?.name).toBe("B");
    expect(useWorkshop.getState().quarantine.map((q) => q.key)).toEqual([`record:${a}`]);
    useWorkshop.setState({ status: "closed", quarantine: [] });
    await openWorkshop();
    expect(chamberById(a)?.name).toBe("A");
  });

  it("that is full says so, keeps the edit on screen and stores it once there is room", async () => {
    const id = own("A");
    await quiet();
    const put = jest.spyOn(IDBObjectStore.prototype, "put").mockImplementation(() => {
      throw new DOMException("no room", "QuotaExceededError");
    });
    renameChamber(id, "A again");
    await new Promise((resolve) => setTimeout(resolve, 50));
    expect(useWorkshop.getState()).toMatchObject({ save: "failed", trouble: "full", unsaved: [id] });
    expect(chamberById(id)?.name).toBe("A again");
    put.mockRestore();
    await quiet();
    expect(useWorkshop.getState()).toMatchObject({ save: "saved", trouble: null, unsaved: [] });
    expect(await readOne(id)).toMatchObject({ name: "A again" });
  });

  it("that is empty where something was kept is told as lost, until the person has been told", async () => {
    own("A");
    await quiet();
    const box = await recordBox();
    const kept = await box.readSome("record:");
    await box.clear();
    useWorkshop.setState({ status: "closed", records: {} });
    await openWorkshop();
    expect(useWorkshop.getState().loss).toMatchObject({ chambers: 1 });
    acceptLoss();
    useWorkshop.setState({ status: "closed" });
    await openWorkshop();
    expect(useWorkshop.getState().loss).toBeNull();
    await box.setMany(kept.found.map(([key, value]) => ({ key, value })));
    useWorkshop.setState({ status: "closed" });
    await openWorkshop();
  });

  it("leaves records of a newer application where they are, whatever is done here", async () => {
    const box = await recordBox();
    const newer = { kind: "chamber", id: "future", schemaVersion: 99, revision: 4, name: "Later" };
    await box.setItem("record:future", newer);
    useWorkshop.setState({ status: "closed" });
    await openWorkshop();
    expect(useWorkshop.getState()).toMatchObject({ newer: 1, quarantine: [] });
    await writeMany([{ id: "future", record: { ...chamberById(own("A"))!, id: "future" }, base: null, force: true }]);
    expect(await box.getItem("record:future")).toEqual(newer);
    await box.removeItem("record:future");
    useWorkshop.setState({ newer: 0 });
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
