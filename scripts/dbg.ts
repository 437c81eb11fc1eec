import { jobs, jobEdits, newChamber } from "@/core/chamber";
import { applyEdits } from "@/core/model";
import { planOf, trialOf, runTrial } from "@/core/trial";
import { judge } from "@/core/verdict";
const rooms = { cold: [4, 12], mild: [14, 22], hot: [22, 32] } as any;
for (const [id, box] of [
  ["sausage", "upright"],
  ["sausage", "wine"],
  ["cure", "wine"],
] as const)
  for (const [n, [lo, hi]] of Object.entries(rooms) as any) {
    const r = applyEdits(newChamber("s", "S", "2026-01-01T00:00:00.000Z"), [
      ...jobEdits(
        jobs.find((j) => j.id === id)!,
        box,
      ),
      { section: "room", field: "low", value: lo },
      { section: "room", field: "high", value: hi },
    ] as any);
    const p = planOf(r);
    const t = runTrial(trialOf(p, 5));
    console.log(
      id,
      box,
      n,
      judge(p, t, "C")
        .filter((v) => ["danger", "warning"].includes(v.severity))
        .map((v) => v.id + ": " + v.text + "\n"),
      JSON.stringify(t.moisture).slice(0, 150),
    );
  }
