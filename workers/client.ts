import { transfer, wrap, type Remote } from "comlink";
import type { Bench } from "./bench";
import { Post, type Started } from "./post";

function open(): Started<Remote<Bench>> {
  const worker = new Worker(new URL("./trial.worker.ts", import.meta.url), { type: "module" });
  return { remote: wrap<Bench>(worker), worker };
}

/** The worker that runs the trial on screen: nothing else may make it wait. */
export const trialBench = new Post(open);
/** A second one that weighs remedies meanwhile. */
export const weighBench = new Post(open);
/** A third one for long searches; where there is a second core, the one that weighs helps it. */
export const searchBench = new Post(() => {
  const lead = open();
  if (navigator.hardwareConcurrency > 1)
    void weighBench
      .ask((b) => b.lend())
      .then((port) => lead.remote.join(transfer(port, [port])))
      // Alone it is only slower.
      .catch(() => undefined);
  return lead;
});
