import { parentPort } from "node:worker_threads";
import type { Job } from "./crew";
import { work } from "./work";

// One job after the other; whoever sent it waits for the answer before sending the next.
parentPort?.on("message", ({ call, text }: Job) => parentPort?.postMessage(work(call, text)));
