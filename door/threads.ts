import { existsSync } from "node:fs";
import { availableParallelism } from "node:os";
import { join } from "node:path";
import { Worker } from "node:worker_threads";
import { Crew, type Thread } from "./crew";
import type { Reply } from "./reply";

/** Where the build puts the thread's own program (scripts/thread.mjs). */
const built = () => join(/* turbopackIgnore: true */ process.cwd(), ".next", "door-thread.mjs");

/** A thread of the operating system, ended by the end of the process. */
export function startThread(file: string = built()): Thread {
  // The bundler must not look for a program that stands there only after it has done its work.
  if (!existsSync(/* turbopackIgnore: true */ file))
    throw new Error("The door's thread is not built: run `npm run build`.");
  const worker = new Worker(/* turbopackIgnore: true */ file, { resourceLimits: { maxOldGenerationSizeMb: 768 } });
  worker.unref();
  return {
    run: (job) =>
      new Promise<Reply>((resolve, reject) => {
        const ended = () => reject(new Error("The thread has ended."));
        const off = () => {
          worker.off("message", answered);
          worker.off("error", failed);
          worker.off("exit", ended);
        };
        const answered = (reply: Reply) => {
          off();
          resolve(reply);
        };
        const failed = (error: Error) => {
          off();
          reject(error);
        };
        worker.on("message", answered);
        worker.on("error", failed);
        worker.on("exit", ended);
        worker.postMessage(job);
      }),
    // What it still has to say interests nobody.
    kill: () => void worker.on("error", () => undefined).terminate(),
  };
}

/** As many threads as there are cores, one of them for what is light; the pages have the process's own. */
export const newCrew = (start: () => Thread = startThread): Crew =>
  new Crew(start, {
    // What takes longer goes on among the heavy ones.
    light: { threads: 1, waiting: 60, longest: 3000 },
    heavy: { threads: Math.max(1, availableParallelism() - 1), waiting: 20, longest: 30_000 },
  });
