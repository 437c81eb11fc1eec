// The search for the best settings, and how many remedies keep their word, under Node.
import { newChamber } from "../core/chamber";
import { applyEdits, type Edit } from "../core/model";
import { celsius } from "../core/quantity";
import { scoreOf, seasonsOf } from "../core/recommend";
import { randomChambers } from "../core/testing/randomChambers";
import { remedyShare } from "../core/testing/remedyShare";
import { planOf } from "../core/trial";

const edit = (field: string, value: number): Edit => ({ section: "room", field, value: celsius(value) }) as Edit;
const record = applyEdits(newChamber("bench", "Bench", "2026-01-01T00:00:00.000Z"), [edit("low", 5), edit("high", 28)]);
const plan = planOf(record);
const seasons = seasonsOf(plan.chamber);
const spans = Array.from({ length: 5 }, () => {
  const start = performance.now();
  for (let i = 0; i < 100; i++)
    scoreOf({ heating: 0.3 + i * 0.02, cooling: 0.3 + i * 0.01, shift: 0 }, plan.chamber, seasons, plan.settings, true);
  return performance.now() - start;
}).sort((a, b) => a - b);
console.log(
  `100 candidates × 3 seasons × 4 days at 10 s, one core: median ${(spans[2]! / 1000).toFixed(2)} s, fastest ${(spans[0]! / 1000).toFixed(2)} s`,
);
const share = remedyShare(randomChambers(200, 20_261_125), 3, 5);
console.log(
  `Remedies offered as a cure on 200 random chambers: ${share.offered}, of which ${share.kept} (${((share.kept / share.offered) * 100).toFixed(1)} %) keep their word in a longer trial`,
);
for (const line of share.broken) console.log(`  ${line}`);
