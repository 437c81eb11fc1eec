import { alternatives } from "../alternatives";
import { surfacesOf, worstCold, worstHeat } from "../demand";
import { thicknesses } from "../foam";
import type { ChamberRecord } from "../model";
import { printNumber, type Scale } from "../quantity";
import { isKeying, judgedDays, planOf, planSentence, runTrial, todoList, trialOf, unitsOf } from "../trial";
import { judge } from "../verdict";

/** All that is said of a chamber in words: verdicts with their remedies, what is to be done, its plan, its worst hours, its other walls and boxes. */
export function wordsOf(record: ChamberRecord, days: number, scale: Scale, dt?: number): string[] {
  const plan = planOf(record);
  const { chamber } = plan;
  const trial = runTrial(trialOf(plan, days, dt));
  const said = judge(plan, trial, scale).flatMap((v) => [v.title, v.text, ...v.remedies.map((r) => r.label)]);
  const tasks = todoList(plan, trial, scale).flatMap((t) =>
    isKeying(t) ? [t.stageName, t.unit, ...t.numbers.map((n) => `${n.label} ${n.value}`)] : [t.name, t.stageName],
  );
  const sentences = plan.stages.flatMap((s) => unitsOf(plan, s).flatMap((u) => planSentence(u, scale)));
  const [stage] = chamber.stages;
  const watts = [worstHeat(chamber, stage!), worstCold(chamber, stage!)].flatMap((d) =>
    Object.entries(d).flatMap(([name, value]) =>
      typeof value === "number" ? [`${name} ${printNumber(value, 1)}`] : [],
    ),
  );
  const surfaces = surfacesOf(chamber, stage!).flatMap((s) =>
    Object.entries(s).flatMap(([name, value]) =>
      typeof value === "number" ? [`${name} ${printNumber(value, 1)}`] : [],
    ),
  );
  const walls =
    chamber.cabinet.kind === "foam"
      ? thicknesses(record).map((t) => `${printNumber(t.loss, 0.01)} W/K ${printNumber(t.watts, 1)} W`)
      : [];
  const { ways, leftOut } = alternatives(record);
  const boxes = [
    ...ways.map((w) => `${w.label} ${printNumber(w.ground, 0.01)} ${printNumber(w.outside, 0.001)}`),
    ...leftOut.map((l) => `${l.label} ${l.why}`),
  ];
  return [
    ...said,
    ...tasks,
    ...sentences,
    ...watts,
    ...surfaces,
    ...walls,
    ...boxes,
    `${printNumber(judgedDays(trial), 0.1)} days`,
  ];
}
