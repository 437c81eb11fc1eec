import { newChamber, addProbe } from "../core/chamber";
import { planOf, advance, startRun, trialOf } from "../core/trial";
const r = addProbe(newChamber("b", "B", "2026-01-01T00:00:00.000Z"));
const p = planOf(r);
const s: number[] = [];
for (let i = 0; i < 15; i++) {
  const run = startRun(trialOf(p, 30, 5));
  const a = performance.now();
  while (run.state.step < run.steps)
    advance(run, Math.min(run.steps, run.state.step + 2160), { sample: () => undefined });
  s.push(performance.now() - a);
}
s.sort((a, b) => a - b);
console.log("new adv", s[0], s[7]);
