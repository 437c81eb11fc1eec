import { transfer, wrap, type Remote } from "comlink";
import type { Bench } from "./bench";

const open = (): Remote<Bench> =>
  wrap<Bench>(new Worker(new URL("./trial.worker.ts", import.meta.url), { type: "module" }));

let trialWorker: Remote<Bench> | null = null;
let weighWorker: Remote<Bench> | null = null;

/** The worker that runs the trial on screen: nothing else may make it wait. */
export const trialBench = (): Remote<Bench> => (trialWorker ??= open());
/** A second one that weighs remedies meanwhile. */
export const weighBench = (): Remote<Bench> => (weighWorker ??= open());

let searchWorker: Remote<Bench> | null = null;
/** A third one for long searches; where there is a second core, the one that weighs helps it. */
export function searchBench(): Remote<Bench> {
  if (searchWorker) return searchWorker;
  const lead = (searchWorker = open());
  if (navigator.hardwareConcurrency > 1)
    void weighBench()
      .lend()
      .then((port) => lead.join(transfer(port, [port])))
      // Alone it is only slower.
      .catch(() => undefined);
  return lead;
}
