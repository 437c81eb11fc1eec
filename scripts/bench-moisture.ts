// What the water in the air costs a trial: the same chamber with its humidity worked out and as typed, in turn.
import { jobEdits, jobs, newChamber } from "@/core/chamber";
import { applyEdits, type CabinetKind } from "@/core/model";
import { planOf, runTrial, trialOf } from "@/core/trial";

const ROUNDS = 15;
const middle = (list: number[]) => list.toSorted((a, b) => a - b)[list.length >> 1]!;
const timed = (work: () => unknown) => {
  const from = performance.now();
  work();
  return performance.now() - from;
};
const asked: [CabinetKind, string][] = [
  ["upright", "ale"],
  ["chest", "ale"],
  ["wine", "sausage"],
  ["foam", "tempeh"],
  ["warmBox", "honey"],
];
for (const [kind, name] of asked) {
  const job = jobs.find((j) => j.id === name)!;
  const reckoned = applyEdits(newChamber("bench", "Bench", "2026-01-01T00:00:00.000Z"), jobEdits(job, kind));
  const typed = applyEdits(reckoned, [{ section: "moisture", field: "reckoned", value: false }]);
  const [wet, plain] = [reckoned, typed].map((record) => trialOf(planOf(record), 7));
  const pairs = Array.from({ length: ROUNDS }, () => {
    const a = timed(() => runTrial(plain!));
    return { a, ratio: timed(() => runTrial(wet!)) / a };
  });
  // What the water does to the devices is the chamber's own work: how often they start, without and with.
  const starts = [plain!, wet!].map((t) => runTrial(t).metrics.devices.reduce((sum, d) => sum + d.starts, 0));
  console.log(
    `${kind}, ${name}: devices start ${starts.join(" and ")} times; trial of 7 days ${middle(pairs.map((p) => p.a)).toFixed(0)} ms without, times ${middle(pairs.map((p) => p.ratio)).toFixed(2)} with (aim at most 1.25)`,
  );
}
