import { openDB, type IDBPDatabase, type IDBPTransaction } from "idb";
import { StoreTrouble, troubleOf, within } from "./trouble";

/** Records with what goes with them, and columns of readings. One database, so that one transaction can hold both. */
const stores = ["workshop", "series"] as const;
type StoreName = (typeof stores)[number];

/** One thing to write; without a value it is removed. */
export interface Put {
  store?: StoreName;
  key: string;
  value?: unknown;
}

/** What localForage's instances have besides its own methods. */
export interface Exchange {
  /**
   * Reads, decides and writes in one transaction: nobody comes in between, and all of it is stored or nothing.
   * @param decide gets what is stored at the keys, in their order, and must answer at once
   */
  exchange<T>(keys: readonly string[], decide: (stored: unknown[]) => { puts: Put[]; result: T }): Promise<T>;
  setMany(puts: readonly Put[]): Promise<void>;
  /** The keys that begin so, in their order. */
  keysOf(prefix: string): Promise<string[]>;
  /** Everything whose key begins so; what cannot be read is told by its key. */
  readSome(prefix: string): Promise<{ found: [string, unknown][]; unreadable: string[] }>;
}

const open = new Map<string, Promise<IDBPDatabase>>();

/** Opens the database at whatever version it has, and lifts it only where a store is missing. */
async function connect(name: string): Promise<IDBPDatabase> {
  if (typeof indexedDB === "undefined") throw new StoreTrouble("none");
  const forget = () => open.delete(name);
  const at = (version?: number) =>
    new Promise<IDBPDatabase>((resolve, reject) => {
      openDB(name, version, {
        upgrade: (db) => {
          for (const store of stores) if (!db.objectStoreNames.contains(store)) db.createObjectStore(store);
        },
        blocked: () => reject(new StoreTrouble("blocked")),
        // Another tab lifts it: stand out of the way, and open it anew with the next question.
        blocking: (_now, _next, event) => {
          (event.target as IDBDatabase).close();
          forget();
        },
        terminated: forget,
      }).then(resolve, reject);
    });
  const db = await at();
  if (stores.every((s) => db.objectStoreNames.contains(s))) return db;
  const { version } = db;
  db.close();
  return at(version + 1);
}

function database(name: string): Promise<IDBPDatabase> {
  let held = open.get(name);
  if (!held) {
    held = within(connect(name)).catch((error: unknown) => {
      open.delete(name);
      throw troubleOf(error, "unopenable");
    });
    open.set(name, held);
  }
  return held;
}

/** Has something done on an open database; one that was closed meanwhile is opened once more. */
async function on<T>(name: string, work: (db: IDBPDatabase) => Promise<T>): Promise<T> {
  const attempt = async () => within(work(await database(name)));
  try {
    return await attempt();
  } catch (error) {
    if ((error as { name?: unknown } | null)?.name !== "InvalidStateError") throw troubleOf(error);
    open.delete(name);
    return attempt().catch((again: unknown) => {
      throw troubleOf(again);
    });
  }
}

/** A write counts once the disk has it, not once the browser has heard of it. */
const changing = (db: IDBPDatabase) => db.transaction([...stores], "readwrite", { durability: "strict" });

/** Puts all of it into a transaction that is open and waits until the disk has it; what fails takes all back. */
async function write(
  transaction: IDBPTransaction<unknown, StoreName[], "readwrite">,
  puts: readonly Put[],
  own: StoreName,
): Promise<void> {
  // Each of them fails with the whole; one reason is enough.
  const heard = <T>(work: Promise<T>) => {
    work.catch(() => undefined);
    return work;
  };
  const done = heard(transaction.done);
  try {
    const asked = puts.map(({ store = own, key, value }) => {
      const at = transaction.objectStore(store);
      return heard<unknown>(value === undefined ? at.delete(key) : at.put(value, key));
    });
    await Promise.all([...asked, done]);
  } catch (error) {
    // Why it ended says more than that it did.
    const why = transaction.error ?? error;
    try {
      transaction.abort();
    } catch {
      // It has ended by itself.
    }
    throw why;
  }
}

const beginning = (prefix: string) => IDBKeyRange.bound(prefix, `${prefix}\uffff`);

/** The part of localForage's instance that a driver reads. */
interface Own {
  _config: { name: string; storeName: StoreName };
}

const put = ({ _config: { name, storeName } }: Own, puts: readonly Put[]): Promise<void> =>
  on(name, (db) => write(changing(db), puts, storeName));
const ask = <T>({ _config: { name, storeName } }: Own, work: (db: IDBPDatabase, store: StoreName) => Promise<T>) =>
  on(name, (db) => work(db, storeName));

/** localForage on IndexedDB alone: strict durability, and several keys in one transaction. Answers by promises only. */
export const crockDriver = {
  _driver: "crock-indexeddb",
  _support: true,
  // The database is opened with the first question: localForage would swallow why it cannot be opened.
  _initStorage(this: Own, options: Own["_config"]) {
    this._config = options;
    return Promise.resolve();
  },
  getItem(this: Own, key: string) {
    return ask(this, async (db, store) => ((await db.get(store, key)) as unknown) ?? null);
  },
  setItem(this: Own, key: string, value: unknown) {
    return put(this, [{ key, value: value ?? null }]).then(() => value);
  },
  removeItem(this: Own, key: string) {
    return put(this, [{ key }]);
  },
  keys(this: Own) {
    return ask(this, async (db, store) => (await db.getAllKeys(store)).map(String));
  },
  key(this: Own, index: number) {
    return ask(this, async (db, store) => ((await db.getAllKeys(store))[index] as string | undefined) ?? null);
  },
  length(this: Own) {
    return ask(this, (db, store) => db.count(store));
  },
  clear(this: Own) {
    return ask(this, async (db, store) => {
      const transaction = changing(db);
      await Promise.all([transaction.objectStore(store).clear(), transaction.done]);
    });
  },
  iterate(this: Own, each: (value: unknown, key: string, n: number) => unknown) {
    return ask(this, async (db, store) => {
      const [keys, values] = await Promise.all([db.getAllKeys(store), db.getAll(store)]);
      for (const [i, key] of keys.entries()) {
        const said = each(values[i], String(key), i + 1);
        if (said !== undefined) return said;
      }
      return undefined;
    });
  },

  exchange<T>(this: Own, keys: readonly string[], decide: (stored: unknown[]) => { puts: Put[]; result: T }) {
    return ask(this, async (db, own) => {
      const transaction = changing(db);
      const store = transaction.objectStore(own);
      const stored = await Promise.all(keys.map((key) => store.get(key) as Promise<unknown>));
      const { puts, result } = decide(stored);
      await write(transaction, puts, own);
      return result;
    });
  },
  setMany(this: Own, puts: readonly Put[]) {
    return put(this, puts);
  },
  keysOf(this: Own, prefix: string) {
    return ask(this, async (db, store) => (await db.getAllKeys(store, beginning(prefix))).map(String));
  },
  readSome(this: Own, prefix: string) {
    return ask(this, async (db, store) => {
      const range = beginning(prefix);
      const keys = (await db.getAllKeys(store, range)).map(String);
      try {
        const values: unknown[] = await db.getAll(store, range);
        if (values.length === keys.length)
          return { found: keys.map((k, i): [string, unknown] => [k, values[i]]), unreadable: [] };
      } catch {
        // One of them cannot be read: the others can, each by itself.
      }
      const found: [string, unknown][] = [];
      const unreadable: string[] = [];
      for (const key of keys)
        await db.get(store, key).then(
          (value: unknown) => found.push([key, value]),
          () => unreadable.push(key),
        );
      return { found, unreadable };
    });
  },
};
