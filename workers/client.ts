import { wrap, type Remote } from "comlink";
import type { Desk } from "./desk";
import { Pool } from "./pool";
import { Post, type Started } from "./post";

function open(): Started<Remote<Desk>> {
  const worker = new Worker(new URL("./trial.worker.ts", import.meta.url), { type: "module" });
  return { remote: wrap<Desk>(worker), worker };
}

const cores = typeof navigator === "undefined" ? 1 : navigator.hardwareConcurrency || 1;

/** Each worker is started with its first job. */
export const pool = new Pool(
  new Post(open),
  Array.from({ length: Math.max(1, cores - 1) }, () => new Post(open)),
);
