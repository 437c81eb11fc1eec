import { jobEdits, jobs, newChamber, tryEdits } from "../core/chamber";
import { planOf, runTrial, trialOf } from "../core/trial";
import { judge, weigh } from "../core/verdict";
import { walk } from "../core/testing/walk";
import { applyEdits, type Edit } from "../core/model";
import { celsius, kelvins } from "../core/quantity";
const rooms = { cold: [4, 12], mild: [14, 22], hot: [22, 32] } as any;
const e = (section: string, field: string, value: unknown): Edit => ({ section, field, value }) as Edit;
const vol = (v: number, w: number) => [e("vessel","volume",v), e("vessel","startTemperature",celsius(31)), e("product","heatCurve",[[8,0],[16,2/3],[24,1],[36,1/3],[48,0]].map(([hours,x])=>({hours,watts:Math.round(x!*w)})))];
const variants: [string, string, string, Edit[]][] = [["lager","jacketed","now",[]],["tempeh","foam","now",[]], ...["upright","underCounter"].flatMap((b) => [80,100].filter((g) => (g === 100) === (b === "upright")).map((g) =>
  ["tempeh", b, "vents " + g, [e("cabinet","fan",true), e("stage","low",celsius(29)), e("thermal","airToRoom",2), e("heater","power",g), e("settings","setpoint",celsius(31)), e("settings","heatingDifferential",kelvins(0.3)), ...vol(0.0009, 9)]],
) as any)] as any;
for (const [job, box, name, more] of variants)
  for (const room of Object.keys(rooms)) {
    const tried = tryEdits(newChamber("a", "A", "2026-01-01T00:00:00.000Z"), [...jobEdits(jobs.find((j) => j.id === job)!, box as any), e("room","low",celsius(rooms[room][0])), e("room","high",celsius(rooms[room][1])), ...more]);
    if (!tried.ok) { console.log(name, tried.problem); continue; }
    const plan = planOf(tried.value);
    const t = runTrial(trialOf(plan, 5));
    const all = judge(plan, t, "C");
    console.log("==", job, box, room, name, JSON.stringify(t.metrics.settled?.product), "starts", t.metrics.coldStartsPerDay, t.metrics.heatStarts);
    const bad = all.filter((v) => v.severity === "danger" || v.severity === "warning");
    if (bad.length) { const w = walk(tried.value); console.log("   WALK", w.way.length - 1, "left", w.left.map((v) => v.id).join(), "uncured", w.uncured); for (const v of bad) console.log("    ", v.id, weigh(tried.value, v, all, 5, "C", 10).map((x) => x.remedy.label + (x.cures ? " CURES" : "") + (x.harms ? " HARMS" : "")).join(" | ")); }
    for (const v of all) if (v.severity === "danger" || v.severity === "warning" || process.argv[2] === "all") console.log("  ", v.severity, v.id, v.text ?? (v as any).words ?? JSON.stringify(v).slice(0, 300), (v.remedies ?? []).map((r: any) => r.label + (r.cures ? "!" : "")).join(" | "));
  }
