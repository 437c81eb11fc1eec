// Trials of every kind of box, and of networks with 7 and 20 nodes over 30 days, under Node.
import { addProbe, addStage, addVessel, boxes, buildNetwork, newChamber } from "../core/chamber";
import { applyEdits, cabinetKinds, type Edit } from "../core/model";
import { celsius } from "../core/quantity";
import { planOf, runTrial, stepFor, trialOf } from "../core/trial";

const fresh = newChamber("bench", "Bench", "2026-01-01T00:00:00.000Z");
const edit = (section: string, field: string, value: unknown): Edit => ({ section, field, value }) as Edit;
const band = (low: number, high: number) => [
  edit("product", "kind", "hold"),
  edit("stage", "low", celsius(low)),
  edit("stage", "high", celsius(high)),
];

function time(record: typeof fresh, days: number, dt?: number, runs = 7) {
  const plan = planOf(record);
  const { chamber } = plan;
  const spans = Array.from({ length: runs }, () => {
    const start = performance.now();
    runTrial(trialOf(plan, days, dt));
    return performance.now() - start;
  }).sort((a, b) => a - b);
  const nodes = buildNetwork(chamber).nodes.length;
  return { nodes, median: spans[Math.floor(runs / 2)]!, fastest: spans[0]!, step: dt ?? stepFor(chamber, days) };
}
const ms = (value: number) => `${value.toFixed(0)} ms`;

const seven = time(addProbe(fresh), 30, 5, 11);
console.log(`30 days at 5 s, ${seven.nodes} nodes: fastest ${ms(seven.fastest)}, median ${ms(seven.median)}`);
const honey = applyEdits(fresh, [...band(18, 22), edit("vessel", "filling", "honey")]);
const twenty = time(addVessel(addVessel(honey)), 30, 5, 7);
console.log(
  `30 days at 5 s, ${twenty.nodes} nodes: fastest ${ms(twenty.fastest)}, median ${ms(twenty.median)}; ` +
    `${(twenty.median / seven.median).toFixed(1)} times the small one`,
);
// The same chamber as one stage and as eight, in turn, so that the machine's own moods fall on both.
const whole = addProbe(fresh);
const eight = Array.from({ length: 7 }).reduce<typeof fresh>((r) => addStage(r.stages.at(-1)!.id)(r), whole);
const inputs = [whole, eight].map((r) => trialOf(planOf(r), 30, 5));
const both = Array.from({ length: 15 }, () =>
  inputs.map((input) => {
    const start = performance.now();
    runTrial(input);
    return performance.now() - start;
  }),
);
const middle = (values: number[]) => values.sort((a, b) => a - b)[Math.floor(values.length / 2)]!;
const [one, eightfold] = [0, 1].map((i) => middle(both.map((b) => b[i]!)));
console.log(
  `30 days at 5 s, one stage ${ms(one!)}, eight stages ${ms(eightfold!)}, side by side: ${middle(both.map(([a, b]) => b! / a!)).toFixed(2)} times (aim: at most 1.20)`,
);
const plans = [whole, eight].map((r) => {
  planOf(r);
  const start = performance.now();
  for (let i = 0; i < 20; i++) planOf({ ...r, revision: i });
  return (performance.now() - start) / 20;
});
console.log(`Plan of one stage ${plans[0]!.toFixed(1)} ms, of eight ${plans[1]!.toFixed(1)} ms`);
const usual = {
  foam: [30, 32],
  warmBox: [41, 43],
  crock: [59, 61],
  kettle: [64, 66],
  drum: [115, 125],
  brick: [75, 85],
  wine: [6, 8],
} as Record<string, number[]>;
for (const kind of cabinetKinds) {
  const [low, high] = usual[kind] ?? [18, 20];
  const record = applyEdits(fresh, [edit("cabinet", "kind", kind), ...band(low!, high!)]);
  const quick = stepFor(planOf(record).chamber, 1) < 5;
  const days = quick ? 1 : 7;
  const t = time(record, days);
  console.log(
    `${boxes[kind].label}: ${t.nodes} nodes, ${days} d at ${t.step} s: ${ms(t.median)} (fastest ${ms(t.fastest)})`,
  );
}
