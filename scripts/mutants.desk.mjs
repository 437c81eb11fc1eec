// The desk at which faults are tried: all tests of the core loaded once into one process, and asked one by one. What
// the tests need of Jest is its own `expect`, and the few words below. Injected into the bundle by mutants.mjs.
import { expect } from "expect";

/** The fault that is in force, −1: none; and, in the build that only looks, which have been met. */
export let faultNow = Number(process.env.FAULT ?? -1);
export const faultSeen = new Uint8Array(10_000);

const tests = [];
const path = [];
const named = (name, work) => {
  path.push(name);
  work();
  path.pop();
};
const each = (one) => (rows) => (name, work) =>
  rows.forEach((row, i) => one(`${name} (${i + 1})`, () => work(...(Array.isArray(row) ? row : [row]))));
const it = (name, work) => tests.push({ name: [...path, name].join(" › "), work });
it.each = each(it);
const describe = (name, work) => named(name, work);
describe.each = each(describe);
/** What goes before and after the tests of the group that it stands in. */
const hooks = [];
const hook = (kind) => (work) => hooks.push({ kind, within: path.join(" › "), work, done: false });
const around = async (kind, { name }) => {
  for (const h of hooks) {
    if (h.kind !== kind || !name.startsWith(h.within) || (kind === "beforeAll" && h.done)) continue;
    h.done = true;
    await h.work();
  }
};
for (const kind of ["beforeAll", "beforeEach", "afterEach", "afterAll"]) globalThis[kind] = hook(kind);
Object.assign(globalThis, { describe, it, test: it, expect, jest: { setTimeout() {} } });

/** Whether a test passes. */
async function passes(t) {
  try {
    await around("beforeAll", t);
    await around("beforeEach", t);
    await t.work();
    return true;
  } catch {
    return false;
  } finally {
    await around("afterEach", t);
  }
}

/** Every test once without a fault: how long each takes, and which faults it meets; those met on loading too. */
async function look() {
  const taken = () => {
    const found = [...faultSeen.keys()].filter((k) => faultSeen[k] === 1);
    faultSeen.fill(0);
    return found;
  };
  const loading = taken();
  const seen = [];
  for (const t of tests) {
    const begun = performance.now();
    if (!(await passes(t))) throw new Error(`fails without a fault: ${t.name}`);
    seen.push({ name: t.name, ms: performance.now() - begun, met: taken() });
  }
  process.send({ loading, seen });
}

/** Puts a fault in force and asks the tests in their order until one notices. */
async function tryFault({ fault, order }) {
  for (const index of order) {
    process.send({ asking: index });
    faultNow = fault;
    const good = await passes(tests[index]);
    if (good) continue;
    // A fault that has spoilt what the tests share would be noticed for ever after.
    const own = Number(process.env.FAULT ?? -1);
    faultNow = own;
    process.send({ by: index, spoilt: own < 0 && !(await passes(tests[index])) });
    return;
  }
  process.send({ by: -1 });
}

export function serve() {
  if (process.env.LOOK) void look();
  else {
    process.on("message", (task) => void tryFault(task));
    process.send({ ready: true });
  }
}
