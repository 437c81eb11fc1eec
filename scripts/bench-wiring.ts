// All single faults of a wiring: what each would do in every state, the dead proof, and pairs of faults.
import { describe, newChamber } from "../core/chamber";
import { applyEdits, type Edit } from "../core/model";
import { consequencesSaid, proofAnswer, wiringPlanOf } from "../core/wiring";

const set = (field: string, value: unknown): Edit => ({ section: "wiring", field, value }) as Edit;
const fresh = newChamber("bench", "Bench", "2026-01-01T00:00:00.000Z");
const asked: [string, Edit[]][] = [
  ["two outlets", []],
  ["a twin socket", [set("outlets", "twin"), set("metalBox", true)]],
  ["two cords with contactors", [set("secondCord", true), set("relay", "contactor"), set("metalBox", true)]],
];

/** Runs work to its end; ms in all, and of its longest piece. */
function timed<T>(work: Generator<undefined, T>): { value: T; all: number; longest: number } {
  const start = performance.now();
  let longest = 0;
  let at = start;
  for (;;) {
    const step = work.next();
    longest = Math.max(longest, performance.now() - at);
    at = performance.now();
    if (step.done) return { value: step.value, all: at - start, longest };
  }
}

const middle = (list: number[]): string => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)]!.toFixed(0);
for (const [name, edits] of asked) {
  const record = applyEdits(fresh, [set("ownWork", true), set("cutOut", "yes"), ...edits]);
  const runs = Array.from({ length: 15 }, () => {
    // A plan of its own each time: what is known of one is kept.
    const plan = wiringPlanOf(describe(record));
    const faults = timed(consequencesSaid(plan));
    const proof = timed(proofAnswer(plan, {}));
    return { faults, proof };
  });
  const [{ faults, proof }] = runs as [(typeof runs)[0]];
  const count = faults.value.reduce((sum, c) => sum + c.faults.length, 0);
  const of = (pick: (r: (typeof runs)[0]) => number) =>
    `median ${middle(runs.map(pick))} ms, slowest ${Math.max(...runs.map(pick)).toFixed(0)} ms`;
  console.log(
    `Wiring, ${name}: ${count} single faults in every state: ${of((r) => r.faults.all)} (aim: 200); ${proof.value.dead.length} dead tests with pairs of faults: ${of((r) => r.proof.all)}; longest piece ${of((r) => Math.max(r.faults.longest, r.proof.longest))}`,
  );
}
