import { wrap, type Remote } from "comlink";
import type { Desk } from "./desk";
import { Pool } from "./pool";
import { Post, type Started } from "./post";

function open(): Started<Remote<Desk>> {
  const worker = new Worker(new URL("./trial.worker.ts", import.meta.url), { type: "module" });
  const remote = wrap<Desk>(worker);
  return { remote, worker, ended: endOf(remote) };
}

/** Resolves once a worker has ended: the browser takes from it the lock that it held. */
async function endOf(remote: Remote<Desk>): Promise<unknown> {
  const lock = await remote.pulse();
  return lock === null ? new Promise(() => undefined) : navigator.locks.request(lock, () => undefined);
}

const cores = typeof navigator === "undefined" ? 1 : navigator.hardwareConcurrency || 1;

/** Each worker is started with its first job. */
export const pool = new Pool(
  new Post(open),
  Array.from({ length: Math.max(1, cores - 1) }, () => new Post(open)),
  cores === 1,
);
