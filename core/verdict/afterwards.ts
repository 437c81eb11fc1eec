import type { LoadedVessel } from "../model";
import { modelOf, printFigure, type ProductLimit, type ProductObservable } from "../product";
import { atFirst, inDegrees, printDuration, printNumber } from "../quantity";
import { ruleOf } from "../safety";
import type { Trial } from "../trial";
import type { Case, Finding, Rule } from "./types";
import { vesselWords, words } from "./words";

/** From this share of a limit on a reading decides and no reckoning: its pace is an estimate. */
const NEAR = 0.6;
/** So much of a limit has to be used up by what happens before it is spoken of. */
const SPOKEN = 0.005;
/** Perishable food above 5 °C: keep within two hours, throw out after four (FSIS, power outages: 40 °F; from memory). */
const PERISHABLE = { above: 5, tested: 2, thrown: 4 } as const;

type Limited = ProductObservable & { at: ProductLimit };

/** The share of a limit that is used up at the end of a trial, 0 at its start; null where nothing can be said. */
function used({ trace }: Trial, index: number, { name, at }: Limited): number | null {
  const values = trace.figures.find((f) => f.index === index && f.name === name)?.values.filter(Number.isFinite);
  const [first, last] = [values?.[0], values?.at(-1)];
  if (first === undefined || last === undefined || (at.side === "atLeast" && first <= at.value)) return null;
  return at.side === "atMost" ? last / at.value : (first - last) / (first - at.value);
}

/** What is left of the limits of a product after what happens in the trial: keep it, test it, or throw it out. */
function ofLimits(c: Case, calm: Trial, vessel: LoadedVessel, index: number): Finding[] {
  const { product } = vessel;
  return modelOf(product).observables.flatMap((figure): Finding[] => {
    const at = figure.limit?.(product);
    if (!at || at.aim) return [];
    const limited = { ...figure, at };
    const [here, there] = [used(c.trial, index, limited), used(calm, index, limited)];
    if (here === null || there === null || here - there < SPOKEN) return [];
    const percent = (share: number) => `${printNumber(share * 100, 1)}\u00a0%`;
    const passed = here > 1;
    const word = passed ? "throw it out" : here >= NEAR ? "test it" : "keep it";
    const evidence = `What happens uses up ${percent(here - there)} of what is allowed (${figure.label}: ${at.side === "atMost" ? "at most" : "at least"} ${printFigure(at.value, figure.unit, c.scale)}, ${at.says}); ${percent(here)} is used up at the end of the trial.`;
    const rule = ruleOf(product.kind, figure.name);
    const then = passed
      ? inDegrees(rule?.text ?? "", c.scale)
      : here >= NEAR
        ? "So near to the limit a reading or a laboratory decides, not this reckoning."
        : "The rest of the limit is left for what comes.";
    return [
      {
        id: `after-${figure.name}`,
        about: vessel.id,
        severity: passed ? (rule?.weighs ?? "warning") : here >= NEAR ? "warning" : "note",
        station: "job",
        title: `${vesselWords(c, vessel)}After what happens: ${word}`,
        text: `${atFirst(evidence)} ${then}`.trim(),
        moment: null,
        remedies: [],
      },
    ];
  });
}

/** Food that is kept cold and gets warm by what happens. */
function ofCold(c: Case, calm: Trial, vessel: LoadedVessel, index: number): Finding[] {
  const keptCold = c.chamber.stages.every((s) => s.high <= PERISHABLE.above + 1);
  if (vessel.product.kind !== "hold" || !keptCold) return [];
  const hoursAbove = ({ trace }: Trial) => {
    const layer = trace.layers.find((l) => l.kind === "vessel" && l.index === index);
    const high = layer?.high ?? trace.high.product;
    // Filled in warm it has to be cooled first: that is no failure.
    const arrived = high.findIndex((t) => t <= PERISHABLE.above);
    if (arrived < 0) return null;
    return (high.slice(arrived).filter((t) => t > PERISHABLE.above).length * trace.width) / 3600;
  };
  const [here, there] = [hoursAbove(c.trial), hoursAbove(calm)];
  if (here === null || here - (there ?? 0) < 0.1) return [];
  const word = here > PERISHABLE.thrown ? "throw it out" : here > PERISHABLE.tested ? "test it" : "keep it";
  const { at } = words(c);
  return [
    {
      id: "after-cold",
      about: vessel.id,
      severity: here > PERISHABLE.thrown ? "danger" : here > PERISHABLE.tested ? "warning" : "note",
      station: "job",
      title: `${vesselWords(c, vessel)}After what happens: ${word}`,
      text: `It is above ${at(PERISHABLE.above)} for ${printDuration(here * 3600)}. Food that spoils is kept within ${PERISHABLE.tested}\u00a0h and thrown out after ${PERISHABLE.thrown}\u00a0h (FSIS, on power cuts), whatever it looks or smells like; what does not spoil needs none of this.`,
      moment: null,
      remedies: [],
    },
  ];
}

/** How much of which limit what happens uses up, and what to do with the food. */
export const afterwards: Rule = (c) => {
  const { calm } = c;
  if (!calm) return null;
  return c.chamber.vessels.flatMap((vessel, index) => [
    ...ofLimits(c, calm, vessel, index),
    ...ofCold(c, calm, vessel, index),
  ]);
};
