// A trial of each job with its product model against the same trial of something that is only held, in turn, under Node.
import { jobEdits, jobs, newChamber } from "../core/chamber";
import { applyEdits, type Edit } from "../core/model";
import { isQuick, planOf, runTrial, trialOf } from "../core/trial";

const fresh = newChamber("bench", "Bench", "2026-01-01T00:00:00.000Z");
const middle = (values: number[]) => values.sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

for (const job of jobs) {
  const box = job.boxes[0]!;
  const own = applyEdits(fresh, jobEdits(job, box));
  const bare = applyEdits(own, [{ section: "product", field: "kind", value: "hold" } as Edit]);
  const days = isQuick(box) ? 3 : 30;
  const inputs = [own, bare].map((r) => trialOf(planOf(r), days));
  const ratios = Array.from({ length: 7 }, () => {
    const [a, b] = inputs.map((input) => {
      const start = performance.now();
      runTrial(input);
      return performance.now() - start;
    });
    return a! / b!;
  });
  console.log(
    `${job.label}, ${days} days with its product against the bare trial: ${middle(ratios).toFixed(2)} times (aim: 1.50)`,
  );
}
