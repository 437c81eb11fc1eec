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

/** Less than this outside of a culture's range is not spoken of, h. */
const SPOKEN_HOURS = 2;
const beer = {
  word: "keep it",
  warm: "Warm yeast gives fruity and sharp notes, most in its first two days: taste it before it is packed.",
  cold: "It slows down, and may stop: warm it again and let the gravity decide when it is done.",
} as const;
/** What it means for a culture to be outside of its range (common practice, no source). */
const outside = {
  ale: beer,
  lager: beer,
  farmhouse: beer,
  spontaneous: beer,
  wine: beer,
  cider: beer,
  mead: beer,
  tempeh: {
    word: "test it",
    warm: "Too warm the mould dies and other germs gain: look and smell; wet, slimy or foul it is thrown out.",
    cold: "It grows later, and other germs have more time: look and smell before it is eaten, and cook it through.",
  },
} as const;

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
    if (!at || at.aim || at.momentary) return [];
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

/** The warmest of a vessel in each bin. */
const warmest = ({ trace }: Trial, index: number): Float32Array =>
  trace.layers.find((l) => l.kind === "vessel" && l.index === index)?.high ?? trace.high.product;
const coldest = ({ trace }: Trial, index: number): Float32Array =>
  trace.layers.find((l) => l.kind === "vessel" && l.index === index)?.low ?? trace.low.product;

/** Food in stages that keep it cold, and that gets warm by what happens. */
function ofCold(c: Case, calm: Trial, vessel: LoadedVessel, index: number): Finding[] {
  const isCold = (s: number) => c.chamber.stages[s]!.high <= PERISHABLE.above + 1;
  const { kind } = vessel.product;
  // What dries warm later on lies cold until its salt is even: until then it is raw meat like all other.
  if (kind !== "hold" && kind !== "wholeMuscle") return [];
  if (kind === "hold" && !c.chamber.stages.every((_, s) => isCold(s))) return [];
  const hoursAbove = (trial: Trial) => {
    const { trace, bands } = trial;
    const cold = warmest(trial, index).filter((_, i) => {
      const at = trace.from + (i + 0.5) * trace.width;
      return isCold((bands.find((b) => at < b.to) ?? bands.at(-1)!).stage);
    });
    // Filled in warm it has to be cooled first: that is no failure.
    const arrived = cold.findIndex((t) => t <= PERISHABLE.above);
    if (arrived < 0) return null;
    return (cold.slice(arrived).filter((t) => t > PERISHABLE.above).length * trace.width) / 3600;
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

/** What lives in it, and for how long what happens leaves it outside of its own range. */
function ofRange(c: Case, calm: Trial, vessel: LoadedVessel, index: number): Finding[] {
  const { product } = vessel;
  const range = modelOf(product).range(product);
  if (!range || !(product.kind in outside)) return [];
  const { word, warm, cold } = outside[product.kind as keyof typeof outside];
  const hours = (trial: Trial, side: "warm" | "cold") => {
    const line = side === "warm" ? warmest(trial, index) : coldest(trial, index);
    const so = (t: number) => (side === "warm" ? t > range.high : t < range.low);
    return (line.filter(so).length * trial.trace.width) / 3600;
  };
  const { at } = words(c);
  return (["warm", "cold"] as const).flatMap((side): Finding[] => {
    const more = hours(c.trial, side) - hours(calm, side);
    if (more < SPOKEN_HOURS) return [];
    const edge = side === "warm" ? `above ${at(range.high)}` : `below ${at(range.low)}`;
    return [
      {
        id: `after-range-${side}`,
        about: vessel.id,
        severity: "note",
        station: "job",
        title: `${vesselWords(c, vessel)}After what happens: ${word}`,
        text: `It is ${edge}, the edge of its culture’s range, for ${printDuration(more * 3600)} longer than without. ${side === "warm" ? warm : cold}`,
        moment: null,
        remedies: [],
      },
    ];
  });
}

/** How much of which limit what happens uses up, and what to do with the food. */
export const afterwards: Rule = (c) => {
  const { calm } = c;
  if (!calm) return null;
  return c.chamber.vessels.flatMap((vessel, index) => [
    ...ofLimits(c, calm, vessel, index),
    ...ofCold(c, calm, vessel, index),
    ...ofRange(c, calm, vessel, index),
  ]);
};
