import type { ProductKind } from "../model";

/**
 * A hazard of a product with what to do about it, or when to stop: one list for screen, findings, sheet and tests.
 * Nothing in it makes food safe: local rules and qualified people decide.
 */
export interface StopRule {
  id: string;
  kinds: readonly ProductKind[];
  /** The figure of the product whose limit it is about; the finding that it is passed says this rule's words. */
  figure?: string;
  /** How much it weighs where that limit is passed: what can hurt people before what costs quality. */
  weighs?: "danger" | "warning";
  title: string;
  /** One or two plain sentences; temperatures are °C in braces (`inDegrees`). */
  text: string;
  source: string;
}

const beers = ["ale", "lager", "farmhouse", "spontaneous", "wine", "cider", "mead"] as const;
const dried = ["sausage", "wholeMuscle"] as const;

export const stopRules: readonly StopRule[] = [
  {
    id: "closed-vessel",
    kinds: beers,
    title: "Closed vessels",
    text: "Close a fermenting vessel only if it is rated for the pressure and has a relief valve that you have tried. Glass is never closed.",
    source: "common practice, no source",
  },
  {
    id: "suck-back",
    kinds: beers,
    title: "Cooling draws air in",
    text: "A vessel that is cooled takes in what stands in its airlock. Empty the lock, or give it gas from a bag, before a crash.",
    source: "gas law",
  },
  {
    id: "bottles",
    kinds: [...beers, "serving"],
    title: "Bottles burst",
    text: "Bottle only what shows the same gravity twice, a day apart. Too much sugar, or a beer that was not done, breaks glass.",
    source: "common practice, no source",
  },
  {
    id: "tempeh-spoiled",
    kinds: ["tempeh"],
    title: "When to throw it out",
    text: "Wet, slimy or pink patches, or a smell of rot, mean that other germs were quicker. Black spots are ripe spores and harmless; a smell of ammonia says that it is past its best.",
    source: "common practice, no source",
  },
  {
    id: "tempeh-cooked",
    kinds: ["tempeh"],
    title: "Cook it",
    text: "Eat it cooked through. What is not eaten the same day goes into the cold at once: it keeps warm by itself.",
    source: "common practice, no source",
  },
  {
    id: "hmf",
    kinds: ["honey"],
    figure: "hmf",
    weighs: "warning",
    title: "Overheated honey",
    text: "Past this it may not be sold as honey any more; it can still go into baking. Take it out as soon as it is clear, or hold it cooler for longer.",
    source: "Codex Standard 12-1981",
  },
  {
    id: "diastase",
    kinds: ["honey"],
    figure: "diastase",
    weighs: "warning",
    title: "Its enzymes are gone",
    text: "Below this it counts as overheated. A pail in reserve waits at {30} {°} or less, not in the warm box.",
    source: "Directive 2001/110/EC",
  },
  {
    id: "infants",
    kinds: ["honey"],
    title: "Not for the youngest",
    text: "No honey for children under one year, warmed or not.",
    source: "World Health Organization, on infant botulism (from memory)",
  },
  {
    id: "comeUp",
    kinds: ["bath", "smoke"],
    figure: "comeUp",
    weighs: "danger",
    title: "Too slowly through the warm",
    text: "Germs had hours to grow, and some leave poisons that no later heat takes away. Do not eat it.",
    source: "FSIS: within 6 h",
  },
  {
    id: "bath-kept",
    kinds: ["bath"],
    title: "What is kept",
    text: "Chill it in ice water to {21} {°} within two hours and to {5} {°} within six, keep it at {5} {°} or below for seven days at the most. Spores are never killed by a bath.",
    source: "Food Code 3-501.14, 3-502.12",
  },
  {
    id: "bath-weak",
    kinds: ["bath"],
    title: "For whom",
    text: "Those who are pregnant, very old, very young or ill should not eat what was only warmed: pasteurise it, or cook it through.",
    source: "common advice of food authorities",
  },
  {
    id: "smoke-core",
    kinds: ["smoke"],
    title: "By its core, not by its bark",
    text: "Poultry {73.9} {°}, minced {71.1} {°}, whole cuts and fish {62.8} {°} at the core, measured in the thickest place. Large pieces are not left overnight in a cold smoker.",
    source: "USDA-FSIS",
  },
  {
    id: "smoke-fuel",
    kinds: ["smoke"],
    title: "Shutting down",
    text: "Close the air and leave it alone: embers live for a day. Ash goes into metal with a lid.",
    source: "common practice, no source",
  },
  {
    id: "degreeHours",
    kinds: ["sausage"],
    figure: "degreeHours",
    weighs: "danger",
    title: "Too long to pH 5.3",
    text: "Staphylococci had time to leave their poison, which neither drying nor cooking takes away. Hold the batch back: a laboratory test or the bin, and nobody tastes it.",
    source: "Good Manufacturing Practices for Fermented Dry and Semi-Dry Sausage Products, degree-hours",
  },
  {
    id: "warm-after",
    kinds: ["sausage"],
    figure: "warmAfter",
    weighs: "danger",
    title: "Too long at souring temperature",
    text: "Once its pH is reached it goes into the cool, at {10} to {15} {°}: weeks in the warm rot it and turn its fat, and pH alone does not hold all germs back. Say that the stage ends at its pH, and let it dry cool.",
    source: "common practice, no source",
  },
  {
    id: "warm-raw",
    kinds: ["wholeMuscle"],
    figure: "warmRaw",
    weighs: "danger",
    title: "Raw meat lies warm",
    text: "Until its salt has gone in to the core, whole muscle stays at {5} {°} or below: salt it first, in the cold, two days for each centimetre. Its usual stages begin so; if it is done already, say so at the product. What lay warm is thrown out.",
    source: "Food Code 3-501.16 and 3-501.19 (from memory); days by thickness: common practice, no source",
  },
  {
    id: "warm-held",
    kinds: ["hold", "spontaneous", "wine", "cider", "mead"],
    figure: "warmHeld",
    weighs: "danger",
    title: "Moist food lies warm",
    text: "Between {5} and {57} {°} germs grow in moist food that nothing holds back, and some leave poisons that cooking does not take away. Four hours in all are the most; then it is thrown out.",
    source: "Food Code 3-501.16 and 3-501.19 (from memory)",
  },
  {
    id: "hard-rim",
    kinds: dried,
    figure: "rim",
    weighs: "warning",
    title: "A hard rim",
    text: "Air that is too dry or moves too much dries the surface faster than water comes from within: the rim hardens and shuts the water in, where germs go on. Moister air at first, no fan on it; a hard rim softens in very moist air for some days.",
    source: "balance of water at the surface, an estimate",
  },
  {
    id: "cure",
    kinds: dried,
    title: "Curing salt",
    text: "Weigh it by the strength on its label to the tenth of a gram, keep it locked away and never for the table: a mix-up poisons. What is dried for weeks needs it against botulism; so does a tested starter against chance.",
    source: "9 CFR 424.21; local law sets other limits",
  },
  {
    id: "dried-keeps",
    kinds: dried,
    title: "30 % is not yet shelf-stable",
    text: "It keeps without cold only below a water activity of 0.85, or of 0.90 where its pH is 5.3 or less: loss of weight alone proves neither.",
    source: "CFIA (from memory)",
  },
  {
    id: "mould",
    kinds: dried,
    title: "Mould",
    text: "A thin white powdery coat is usual. Green, black, pink or hairy patches, slime or a smell of rot: throw it out.",
    source: "common practice, no source",
  },
  {
    id: "mash-hot",
    kinds: ["mash"],
    title: "Boiling over",
    text: "Stay with it as it comes to the boil, lid off. Forty litres at {70} {°} scald: hoses clamped, valves tried with cold water first.",
    source: "common practice, no source",
  },
  {
    id: "own-job",
    kinds: ["hold"],
    title: "Your own job",
    text: "Nothing is known here of what you hold: its limits and its hazards are yours to look up. Between {5} and {60} {°} germs grow in nearly all food.",
    source: "Food Code, range of danger",
  },
];

/** The rules of some products, in the order of the list. */
export const rulesFor = (...kinds: readonly ProductKind[]): StopRule[] =>
  stopRules.filter((r) => r.kinds.some((k) => kinds.includes(k)));

/** The rule about the limit of a figure, where there is one. */
export const ruleOf = (kind: ProductKind, figure: string): StopRule | undefined =>
  stopRules.find((r) => r.figure === figure && r.kinds.includes(kind));
