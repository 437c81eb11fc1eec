import { newChamber, addProbe } from "../core/chamber";
import { planOf, runTrial, trialOf } from "../core/trial";
const r = addProbe(newChamber("b", "B", "2026-01-01T00:00:00.000Z"));
const p = planOf(r);
const s: number[] = [];
for (let i = 0; i < 15; i++) {
  const a = performance.now();
  runTrial(trialOf(p, 30, 5));
  s.push(performance.now() - a);
}
s.sort((a, b) => a - b);
console.log("new", s[0], s[7]);
