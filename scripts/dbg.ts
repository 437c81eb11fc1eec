import { newChamber, jobs, jobEdits } from "@/core/chamber";
import { applyEdits } from "@/core/model";
import { planOf, trialOf, runTrial, imbalance } from "@/core/trial";
const kind = "wine", job = jobs.find((j) => j.id === (process.env.J ?? "sausage"))!;
const base = applyEdits(newChamber("s", "S", "2026-01-01T00:00:00.000Z"), jobEdits(job, kind));
for (const [label, edits] of [["between .04", []], ["between .1", [{ section: "moisture", field: "between", value: 0.1 }]], ["no dehum .1", [{ section: "moisture", field: "between", value: 0.1 },{ section: "moisture", field: "dehumidifier", value: 0 }]], ["fan .1", [{ section: "moisture", field: "between", value: 0.1 },{ section: "cabinet", field: "fan", value: true }]],  ["fan no dehum", [{ section: "moisture", field: "between", value: 0.1 },{ section: "cabinet", field: "fan", value: true },{ section: "moisture", field: "dehumidifier", value: 0 }]]] as any) {
const rec = applyEdits(base, edits); console.log("=====", label);
const days = 30;
const input = trialOf(planOf(rec), days);
const off = trialOf(planOf(applyEdits(rec, [{ section: "moisture", field: "reckoned", value: false }])), days);
const t = runTrial(input); const o = runTrial(off);
const h = t.trace.humidity!;
console.log(input.chamber.stages.map((s) => [s.name, s.humidity, s.target]).join(" | "), input.chamber.moisture);
console.log("  rh", Array.from({ length: 20 }, (_, i) => i * 14).map((i) => [h.low[i], h.usual[i], h.high[i]].map((v) => (100*v!).toFixed(0)).join("/")).join("  "));
console.log(JSON.stringify({...t.moisture, surfaces: t.moisture!.surfaces.map((q)=>[q.on,q.most,q.wetFor,q.left])}, (k, v) => typeof v === "number" ? +v.toPrecision(3) : v));
console.log(o.heat.length, t.heat.length, o.cold.length, t.cold.length, o.finishedAt, t.finishedAt);
for (const r of [o, t]) console.log(r.trace.figures.filter((f) => ["loss", "activity", "rim"].includes(f.name)).map((f) => f.name + " " + [20, 60, 100, 140, 200, 270].map((i) => f.values[i]!.toFixed(3)).join(",")).join("; "), JSON.stringify(r.metrics.energy, (k, v) => typeof v === "number" ? +(v/3.6e6).toPrecision(3) : v));
}
