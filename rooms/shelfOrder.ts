import { boxes, describe } from "@/core/chamber";
import type { ChamberRecord } from "@/core/model";
import { productLabels } from "@/core/product";
import type { Severity } from "@/core/verdict";
import type { TrialAnswer } from "@/workers";

/** What a chamber's trial came to; a sentence where it could not be run, nothing while it is on its way. */
export type Said = Pick<TrialAnswer, "verdicts"> | string | undefined;

const weight: Record<Severity, number> = { danger: 0, warning: 1, note: 2, good: 2 };
/** What could not be tried comes right after what is a danger: nobody knows what it is. */
const UNTRIED = 1;

const weightOf = (said: Said): number =>
  typeof said === "string" ? UNTRIED : said?.verdicts[0] ? weight[said.verdicts[0].severity] : weight.good;

/** What hurts most first, then by name: numbers in a name in their order. */
export const shelfOrder = (chambers: readonly ChamberRecord[], said: Readonly<Record<string, Said>>): ChamberRecord[] =>
  [...chambers].sort(
    (a, b) => weightOf(said[a.id]) - weightOf(said[b.id]) || a.name.localeCompare(b.name, undefined, { numeric: true }),
  );

/** Whether a chamber is meant by what somebody looks for: its name, its box, what is in it; every word of it. */
export function isMeant(record: ChamberRecord, sought: string): boolean {
  const { cabinet, vessels } = describe(record);
  const products = vessels.map((v) => productLabels[v.product.kind]);
  const words = [record.name, boxes[cabinet.kind].label, ...products].join(" ").toLowerCase();
  return sought
    .toLowerCase()
    .split(/\s+/)
    .every((word) => words.includes(word));
}
