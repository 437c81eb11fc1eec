import { newChamber, jobs, jobEdits } from "@/core/chamber";
import { applyEdits, cabinetKinds } from "@/core/model";
import { planOf, trialOf, runTrial } from "@/core/trial";
import { judge } from "@/core/verdict";
import { hollinMill } from "@/demo/hollinMill";
for (const kind of cabinetKinds) for (const job of jobs.filter((j) => (j.id === "sausage" || j.id === "cure") && j.boxes.includes(kind))) {
  const rec = applyEdits(newChamber("s", "S", "2026-01-01T00:00:00.000Z"), jobEdits(job, kind));
  const plan = planOf(rec); const t = runTrial(trialOf(plan, 7));
  if (!t.moisture) continue;
  const h=t.trace.humidity!; console.log(kind, job.id, [5,40,100,200,270].map((i)=>[h.low[i],h.usual[i],h.high[i]].map((q)=>(q!*100).toFixed(0)).join("/")).join(" "), t.heat.length, t.cold.length, judge(plan, t, "C").map((v) => v.severity[0] + ":" + v.id).join(" "));
}
for (const r of hollinMill()) { const plan = planOf(r); const t = runTrial(trialOf(plan, 7)); console.log("--", r.name, plan.chamber.stages.map((s) => s.humidity).join(), judge(plan, t, "C").map((v) => v.severity[0] + ":" + v.id).join(" "));
 for (const v of judge(plan, t, "C").filter((v) => ["humidity-off","wet-inside","mould","ice-grows","limit-rim","chasing","short-cycling"].includes(v.id))) console.log("     ", v.title, "|", v.text); }
