// All states of a wiring with all single faults: what each meter test would show.
import { describe, newChamber } from "../core/chamber";
import { applyEdits, type Edit } from "../core/model";
import { consequencesOf, predict, wiringPlanOf } from "../core/wiring";

const set = (field: string, value: unknown): Edit => ({ section: "wiring", field, value }) as Edit;
const fresh = newChamber("bench", "Bench", "2026-01-01T00:00:00.000Z");
const asked: [string, Edit[]][] = [
  ["two outlets", []],
  ["a twin socket", [set("outlets", "twin"), set("metalBox", true)]],
  ["two cords with contactors", [set("secondCord", true), set("relay", "contactor"), set("metalBox", true)]],
];
for (const [name, edits] of asked) {
  const record = applyEdits(fresh, [set("ownWork", true), ...edits]);
  const plan = wiringPlanOf(describe(record));
  const times = Array.from({ length: 15 }, () => {
    const start = performance.now();
    predict(plan);
    consequencesOf(plan);
    return performance.now() - start;
  }).sort((a, b) => a - b);
  const { tests, hypotheses } = predict(plan);
  console.log(
    `Wiring, ${name}: all tests and all states with every single fault, ${hypotheses.length} hypotheses and ${tests.length} tests: median ${times[7]!.toFixed(0)} ms, slowest ${times[14]!.toFixed(0)} ms (aim: 200)`,
  );
}
