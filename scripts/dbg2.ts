import { newChamber, jobs, jobEdits } from "@/core/chamber";
import { applyEdits } from "@/core/model";
import { planOf, trialOf, runTrial } from "@/core/trial";
const rec = applyEdits(newChamber("s", "S", "2026-01-01T00:00:00.000Z"), jobEdits(jobs[0]!, "chest"));
const on = trialOf(planOf(rec), 7);
const off = trialOf(planOf(applyEdits(rec, [{ section: "moisture", field: "reckoned", value: false }])), 7);
const ratios: number[] = [],
  as: number[] = [];
for (let k = 0; k < 40; k++) {
  let t = performance.now();
  runTrial(off);
  const a = performance.now() - t;
  t = performance.now();
  runTrial(on);
  const b = performance.now() - t;
  ratios.push(b / a);
  as.push(a);
}
const med = (l: number[]) => [...l].sort((a, b) => a - b)[l.length >> 1]!;
console.log("median ratio", med(ratios).toFixed(2), "off", med(as).toFixed(1));
