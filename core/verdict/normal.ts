import { hasCooler, hasHeater } from "../chamber";
import { printDuration, printNumber } from "../quantity";
import type { Case, Rule } from "./types";
import { movesOrStays } from "./words";

/** Sentences on what one will see while all is well; empty where the trial never settles. */
export function whatIsNormal({ trial, scale, plan }: Case): string[] {
  const { settled, usualCold, usualHeat, timeToBand } = trial.metrics;
  if (!settled || timeToBand === null) return [];
  const stage = plan.chamber.stages[0]!;
  const lines = [
    `The display ${movesOrStays(settled.reading.low, settled.reading.high, scale, "wanders from")}, the ${stage.of === "air" ? "air" : "product"} itself ${movesOrStays(settled.product.low, settled.product.high, scale, "from")}.`,
  ];
  const cycle = (device: string, usual: { run: number; rest: number | null }, look: string) =>
    usual.rest === null
      ? `${device} runs ${printDuration(usual.run)} at a time.`
      : `${device} runs ${printDuration(usual.run)} in ${printDuration(usual.run + usual.rest)}; past ${printDuration(usual.run * 3)} look at ${look}.`;
  if (usualCold && hasCooler(plan.chamber))
    lines.push(cycle(plan.plugged.compressor ? "The fridge" : "The cooling", usualCold, "door, frost and probe"));
  if (usualHeat && hasHeater(plan.chamber))
    lines.push(
      plan.chamber.heater.kind === "charcoal"
        ? cycle("The blower", usualHeat, "fuel, ash and lid")
        : cycle("The heater", usualHeat, "door, plug and probe"),
    );
  if (!usualCold && !usualHeat) lines.push("Neither device has anything to do.");
  return lines;
}

/** Nothing is wrong: what is normal, and what it costs. */
export const allWell: Rule = (c) => {
  const lines = whatIsNormal(c);
  if (lines.length === 0) return null;
  const { energy } = c.trial.metrics;
  const { plan } = c;
  const fire = plan.chamber.heater.kind === "charcoal";
  const kilowattHours =
    ((plan.chamber.heater.kind === "charcoal" ? 0 : energy.heater) + energy.cooler) / 3.6e6 / c.trial.days;
  return {
    id: "all-well",
    severity: "good",
    station: "settings",
    title: "What is normal",
    text: `${lines.join(" ")} ${fire ? `It burns about ${printNumber(c.trial.metrics.fuelBurned / c.trial.days, 0.1)}\u00a0kg a day` : `It uses about ${printNumber(kilowattHours, 0.1)}\u00a0kWh a day`} (estimate).`,
    moment: null,
    remedies: [],
  };
};
