import { applyEdits, type ChamberRecord, type Edit } from "../model";
import { bandEdits } from "../program";
import { doneAt, lateDeviations, planOf, slower, trialOf, trialSteps, type Plan, type Trial } from "../trial";

/** Honey is not held warmer (Codex keeps to HMF; 50 °C is common practice), nor cooler than it dissolves at, °C. */
const WARMEST = 50;
const COOLEST = 34;
const DAY = 86_400;

/** The gentlest band in which something is ready by a moment, with what it costs. */
export type Gentlest =
  | {
      ok: true;
      low: number;
      high: number;
      edits: Edit[];
      lateDone: number;
      costs: { label: string; start: number; end: number; unit: string }[];
    }
  | { ok: false; problem: string };

function* run(
  plan: Plan,
  deviations: number,
  days: number,
): Generator<undefined, { trial: Trial; done: number | null }> {
  const chamber = {
    ...plan.chamber,
    vessels: plan.chamber.vessels.map((v) => ({ ...v, product: slower(v.product, deviations) })),
  };
  const { trial } = yield* trialSteps(trialOf({ ...plan, chamber }, days));
  return { trial, done: doneAt(chamber, trial) };
}

/**
 * The coolest band, as wide as the present one, in which the slow case of a program is done within a time: for what heat
 * costs something, such as honey. Cooler is never quicker, so it is found by halving, to a degree.
 * @param within s from the beginning
 */
export function* gentlest(record: ChamberRecord, within: number): Generator<undefined, Gentlest> {
  const { chamber } = planOf(record);
  const first = chamber.stages[0]!;
  const wide = first.high - first.low;
  const days = Math.min(200, within / DAY + 1);
  const deviations = lateDeviations(chamber.vessels.length);
  if (chamber.stages.every((s) => s.ends.length === 0))
    return { ok: false, problem: "It has one stage that never ends. Take its usual stages first." };
  function* lateAt(middle: number): Generator<undefined, { plan: Plan; edits: Edit[]; done: number | null }> {
    const edits = bandEdits(record.controllers, record.stages[0]!.id, middle - wide / 2, middle + wide / 2);
    const plan = planOf(applyEdits(record, edits));
    const { done } = yield* run(plan, deviations, days);
    return { plan, edits, done };
  }
  let [cool, warm] = [COOLEST, WARMEST - Math.ceil(wide / 2)];
  let best = yield* lateAt(warm);
  if (best.done === null || best.done > within)
    return {
      ok: false,
      problem: "Even as warm as it may be, its slow case is not done by then. Begin sooner, or let it be ready later.",
    };
  while (warm - cool > 1) {
    const middle = Math.floor((cool + warm) / 2);
    const tried = yield* lateAt(middle);
    if (tried.done !== null && tried.done <= within) [warm, best] = [middle, tried];
    else cool = middle;
  }
  const { trial } = yield* run(best.plan, 0, days);
  const costs = trial.trace.figures
    .filter((f) => f.index === 0 && ["hmf", "diastase", "invertase"].includes(f.name))
    .map(({ name, values }) => ({
      label: name,
      start: values.find(Number.isFinite)!,
      end: values.findLast(Number.isFinite)!,
      unit: name === "hmf" ? "mg/kg" : "",
    }));
  return { ok: true, low: warm - wide / 2, high: warm + wide / 2, edits: best.edits, lateDone: best.done!, costs };
}
