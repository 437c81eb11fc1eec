// The range of a fortnight of ale: forty trials, by one hand and by two, under Node.
import { once } from "node:events";
import { isMainThread, parentPort, Worker } from "node:worker_threads";
import { beginStages, jobEdits, jobs, newChamber, tryEdits } from "../core/chamber";
import { ensembleNow } from "../core/testing/ensembleNow";
import { beginEnsemble, drawCourse, planOf, runTrial, shownOf, trialOf, type Begun } from "../core/trial";

const job = jobs.find((j) => j.id === "ale")!;
const made = tryEdits(newChamber("bench", "Bench", "2026-01-01T00:00:00.000Z"), jobEdits(job, "upright"));
if (!made.ok) throw new Error(made.problem);
const plan = planOf(beginStages("C")(made.value));
const shown = shownOf(plan.chamber, runTrial(trialOf(plan, 14)));

/** Draws every `of`th member to its end. */
function draw(begun: Begun, first: number, of: number): void {
  for (let i = first; i < begun.members.length; i += of) {
    const steps = drawCourse(begun, begun.members[i]!);
    while (!steps.next().done);
  }
}

/** An ensemble that is begun, its usual course run. */
function begin(): Begun {
  const steps = beginEnsemble(plan, shown);
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
}

if (!isMainThread)
  parentPort!.on("message", () => {
    draw(begin(), 1, 2);
    parentPort!.postMessage("done");
  });
else {
  const helper = new Worker(new URL(import.meta.url));
  const spans = { one: [] as number[], two: [] as number[] };
  for (let k = 0; k < 6; k++) {
    let started = performance.now();
    ensembleNow(plan, shown);
    spans.one.push(performance.now() - started);
    started = performance.now();
    const done = once(helper, "message");
    helper.postMessage("go");
    draw(begin(), 0, 2);
    await done;
    spans.two.push(performance.now() - started);
  }
  await helper.terminate();
  const say = (list: number[]) => {
    // The first lets the engine warm up.
    const [first, ...rest] = list;
    rest.sort((a, b) => a - b);
    return `fastest ${rest[0]!.toFixed(0)}, median ${rest[2]!.toFixed(0)} ms (cold ${first!.toFixed(0)})`;
  };
  console.log(`Forty draws of a fortnight of ale: by one hand ${say(spans.one)}; by two ${say(spans.two)}`);
}
