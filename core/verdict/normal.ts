import { AIR, hasFire, hasHeater } from "../chamber";
import { shownThen } from "../controller";
import { stageName } from "../program";
import { atFirst, printDuration, printNumber } from "../quantity";
import { judgedName, switchesOf, type Cycle, type Metrics, type StageResult } from "../trial";
import type { Judgement, Rule } from "./types";
import { movesOrStays, percent, withArticle } from "./words";

/** How what is judged moves in a stage once it is settled: display, and each thing itself. */
function swings({ scale, plan }: Pick<Judgement, "scale" | "plan">, all: readonly Metrics[]): string[] {
  const [first] = all;
  if (!first?.settled) return [];
  const { reading } = first.settled;
  const itself = all
    .filter((m) => m.settled !== null)
    .map((m) => {
      const name = withArticle(judgedName(m.judged, plan.chamber.vessels));
      const { low, high } = m.settled!.product;
      return `${name}${m.judged === AIR || plan.chamber.vessels.length === 1 ? " itself" : ""} ${movesOrStays(low, high, scale, "from")}`;
    });
  return [`The display ${movesOrStays(reading.low, reading.high, scale, "wanders from")}, ${itself.join(", ")}.`];
}

/** Alarms that sound before it has settled, and how long: said, and not excused. */
const soundsOnTheWay = ({ alarm }: Metrics, word: string): string[] =>
  (
    [
      ["low", alarm.low - alarm.lowSettled],
      ["high", alarm.high - alarm.highSettled],
    ] as const
  ).flatMap(([side, seconds]) =>
    seconds < 60 ? [] : [`Before it has settled the ${side} alarm sounds${word} for ${printDuration(seconds)} in all.`],
  );

/**
 * Sentences on what one will see in a stage while all is well; empty where it never settles.
 * @param metrics of the stage, of a trial in which nothing happens
 */
export function whatIsNormal(judgement: Pick<Judgement, "scale" | "plan">, metrics: readonly Metrics[]): string[] {
  const { plan } = judgement;
  const lines = swings(judgement, metrics);
  if (lines.length === 0) return [];
  const { usualCold, usualHeat } = metrics[0]!;
  const cycle = (device: string, usual: Cycle, look: string) =>
    usual.rest === null
      ? `${device} runs ${printDuration(usual.run)} at a time.`
      : `${device} runs ${printDuration(usual.run)} in ${printDuration(usual.run + usual.rest)}; past ${printDuration(usual.run * 3)} look at ${look}.`;
  const { chamber } = plan;
  const compressor = plan.stages[0]!.controls.some((u) => u.plugged.compressor);
  if (usualCold && switchesOf(chamber).cold)
    lines.push(cycle(compressor ? "The fridge" : "The cooling", usualCold, "door, frost and probe"));
  if (usualHeat && hasHeater(chamber))
    lines.push(
      hasFire(chamber)
        ? cycle("The blower", usualHeat, "fuel, ash and lid")
        : cycle("The heater", usualHeat, "door, plug and probe"),
    );
  if (!usualCold && !usualHeat) lines.push("Neither device has anything to do.");
  lines.push(...soundsOnTheWay(metrics[0]!, shownThen(chamber.controllers[0]!.unit, "alarm")));
  return lines;
}

/** Of a stage that ends before it settles: how long it takes to its band, and that it keeps it. */
const shortStage = ({ plan }: Judgement, { metrics }: StageResult): string[] =>
  plan.chamber.stages.length === 1 && plan.chamber.stages[0]!.ends.length === 0
    ? []
    : metrics
        .filter((m) => m.timeToBand !== null)
        .map((m) => {
          const name = atFirst(withArticle(judgedName(m.judged, plan.chamber.vessels)));
          const took = m.timeToBand! - m.putIn;
          const way = took < 60 ? "from the start" : `after ${printDuration(took)}`;
          return `${name} is in its band ${way}, then ${percent(m.inBand)} of the time to its end.`;
        });

/** What the warmth has taken of honey by the time it is done: said, since for some that is what they sell. */
const heatTook = ({ chamber, trial: { trace, finishedAt } }: Parameters<Rule>[0]): string[] =>
  chamber.vessels.flatMap(({ product }, index) => {
    if (product.kind !== "honey") return [];
    const last =
      finishedAt === null
        ? trace.bins - 1
        : Math.min(trace.bins - 1, Math.floor((finishedAt - trace.from) / trace.width));
    const of = (name: string) => trace.figures.find((f) => f.index === index && f.name === name)?.values[last];
    const [diastase, invertase, hmf] = [of("diastase"), of("invertase"), of("hmf")];
    if (diastase === undefined || invertase === undefined || hmf === undefined) return [];
    return [
      `By then it has ${percent(invertase)} of its invertase left, a diastase number of ${printNumber(diastase, 0.1)} of ${printNumber(product.diastase, 0.1)}, and ${printNumber(hmf, 0.1)}\u00a0mg/kg of HMF (each within a factor of two). Who sells it for its enzymes holds it cooler, for longer.`,
    ];
  });

/** Nothing is wrong: what is normal in each stage, and what it costs. */
export const allWell: Rule = (c) => {
  const { stages } = c.chamber;
  const lines = c.trial.stages.flatMap((result) => {
    const own = whatIsNormal(c, result.metrics);
    const said = own.length > 0 ? own : shortStage(c, result);
    if (said.length === 0) return [];
    return stages.length > 1 ? [`${stageName(stages, result.id)}: ${said.join(" ")}`] : said;
  });
  if (lines.length === 0) return null;
  const { energy, fuelBurned } = c.trial.metrics;
  // A program that ends is spoken of as a whole, what goes on by the day.
  const ended = c.trial.finishedAt !== null;
  const days = ended ? 1 : c.trial.metrics.seconds / 86_400;
  const span = ended ? "in all" : "a day";
  const kilowattHours = (energy.heater - energy.fire + energy.cooler) / 3.6e6 / days;
  const costs = [
    hasFire(c.chamber) ? `burns about ${printNumber(fuelBurned / days, 0.1)}\u00a0kg ${span}` : "",
    !hasFire(c.chamber) || kilowattHours >= 0.05
      ? `uses about ${printNumber(kilowattHours, 0.1)}\u00a0kWh ${span}`
      : "",
  ].filter(Boolean);
  lines.push(...heatTook(c));
  return {
    id: "all-well",
    severity: "good",
    station: "settings",
    title: "What is normal",
    text: `${lines.join(" ")} ${atFirst(`it ${costs.join(" and ")}`)} (estimate).`,
    moment: null,
    remedies: [],
  };
};
