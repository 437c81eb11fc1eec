/** @jest-environment node */
import "fake-indexeddb/auto";
import { recordBox } from "./box";
import { openDB } from "idb";

beforeEach(async () => (await recordBox()).clear());

describe("the driver", () => {
  it("does all that is asked of a driver", async () => {
    const box = await recordBox();
    await box.setItem("a", { n: 1 });
    await box.setItem("b", 2);
    expect(await box.getItem("a")).toEqual({ n: 1 });
    expect(await box.getItem("nothing")).toBeNull();
    expect(await box.keys()).toEqual(["a", "b"]);
    expect([await box.key(1), await box.length()]).toEqual(["b", 2]);
    const seen: unknown[] = [];
    await box.iterate((value, key) => void seen.push([key, value]));
    expect(seen).toEqual([
      ["a", { n: 1 }],
      ["b", 2],
    ]);
    await box.removeItem("a");
    expect(await box.keys()).toEqual(["b"]);
  });

  it("asks for strict durability with every change", async () => {
    const box = await recordBox();
    const asked = jest.spyOn(IDBDatabase.prototype, "transaction");
    await box.setItem("a", 1);
    await box.removeItem("a");
    await box.setMany([{ key: "b", value: 2 }]);
    await box.exchange(["b"], () => ({ puts: [{ key: "b", value: 3 }], result: null }));
    await box.clear();
    const changing = asked.mock.calls.filter(([, mode]) => mode === "readwrite");
    expect(changing).toHaveLength(5);
    for (const [, , options] of changing) expect(options).toEqual({ durability: "strict" });
    asked.mockRestore();
  });

  it("stores all of many or nothing", async () => {
    const box = await recordBox();
    await box.setItem("a", "old");
    // A function cannot be copied: the transaction ends there, and what went before in it is taken back.
    const puts = [
      { key: "a", value: "new" },
      { key: "b", value: () => 1 },
    ];
    await expect(box.setMany(puts)).rejects.toMatchObject({ kind: "failed" });
    expect(await box.keys()).toEqual(["a"]);
    expect(await box.getItem("a")).toBe("old");
  });

  it("lets nobody in between the look and the change", async () => {
    const box = await recordBox();
    await box.setItem("n", 0);
    const add = () => box.exchange(["n"], ([n]) => ({ puts: [{ key: "n", value: (n as number) + 1 }], result: n }));
    await Promise.all(Array.from({ length: 50 }, add));
    expect(await box.getItem("n")).toBe(50);
  });

  it("opens a database as it was made before, and lifts it with its records", async () => {
    const name = "as-before";
    const old = await openDB(name, 2, { upgrade: (db) => void db.createObjectStore("workshop") });
    await old.put("workshop", { id: "x" }, "record:x");
    const { default: localforage } = await import("localforage");
    const box = localforage.createInstance({ name, storeName: "workshop", driver: "crock-indexeddb" });
    // The other tab stands out of the way when asked.
    old.onversionchange = () => old.close();
    expect(await box.getItem("record:x")).toEqual({ id: "x" });
    await box.setItem("record:y", 1);
    expect(await box.keys()).toEqual(["record:x", "record:y"]);
  });

  it("says that another tab holds it in an older state", async () => {
    const name = "held";
    const old = await openDB(name, 1, { upgrade: (db) => void db.createObjectStore("workshop") });
    const { default: localforage } = await import("localforage");
    const box = localforage.createInstance({ name, storeName: "workshop", driver: "crock-indexeddb" });
    await expect(box.getItem("x")).rejects.toMatchObject({ kind: "blocked" });
    old.close();
  });

  it("tells a full store from one that does not open", async () => {
    const box = await recordBox();
    const full = jest.spyOn(IDBObjectStore.prototype, "put").mockImplementation(() => {
      throw new DOMException("no room", "QuotaExceededError");
    });
    await expect(box.setItem("a", 1)).rejects.toMatchObject({ kind: "full" });
    full.mockRestore();
    const { default: localforage } = await import("localforage");
    const shut = localforage.createInstance({ name: "shut", storeName: "workshop", driver: "crock-indexeddb" });
    const open = jest.spyOn(indexedDB, "open").mockImplementation(() => {
      throw new DOMException("broken", "UnknownError");
    });
    await expect(shut.getItem("a")).rejects.toMatchObject({ kind: "unopenable" });
    open.mockImplementation(() => {
      throw new DOMException("forbidden", "SecurityError");
    });
    await expect(shut.getItem("a")).rejects.toMatchObject({ kind: "none" });
    open.mockRestore();
    // What was wrong passes: the next question opens it.
    expect(await shut.getItem("a")).toBeNull();
  });

  it("does not wait for ever for a store that does not answer", async () => {
    const box = await recordBox();
    jest.useFakeTimers({ doNotFake: ["setImmediate", "queueMicrotask", "nextTick"] });
    const get = jest
      .spyOn(IDBObjectStore.prototype, "get")
      .mockImplementation(() =>
        Object.assign(Object.create(IDBRequest.prototype) as IDBRequest, { addEventListener: () => undefined }),
      );
    const asked = expect(box.getItem("a")).rejects.toMatchObject({ kind: "silent" });
    for (let i = 0; i < 5; i++) await Promise.resolve();
    await jest.advanceTimersByTimeAsync(20_000);
    await asked;
    get.mockRestore();
    jest.useRealTimers();
  });
});
