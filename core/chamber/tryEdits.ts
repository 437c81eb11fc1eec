import {
  applyEdits,
  EditRefused,
  sayProblem,
  storedValue,
  type Band,
  type Chamber,
  type ChamberRecord,
  type Edit,
  type Origin,
  type Problem,
} from "../model";
import { productObservable } from "../product";
import type { Temperature } from "../quantity";
import { describe } from "./describe";
import { insideOf } from "./geometry";

/** The observable that everything has. */
export const TEMPERATURE = "temperature";

function bandContradictions({ low, high, target }: Band): string[] {
  if (low >= high)
    return ["The coldest that the product may be has to be below the warmest. Move the other end first."];
  return target < low || target > high
    ? ["The target has to lie between the coldest and the warmest. Widen the band first, or move the target."]
    : [];
}

/** What does not fit together in a chamber, as one sentence each; empty when all is possible. */
export function contradictions(chamber: Chamber): string[] {
  const found: string[] = [];
  const { room, cabinet } = chamber;
  if (room.low > room.high) found.push("The room\u2019s coldest is above its warmest. Change the other one first.");
  const inside = insideOf(cabinet);
  if (Math.min(inside.height, inside.width, inside.depth) < 0.05)
    found.push("With walls this thick hardly any room is left inside. Make the walls thinner or the cabinet larger.");
  if (chamber.vessels[0]!.putIn > 0) found.push("The first vessel is in from the beginning. Put the other one later.");
  for (const { unit } of chamber.controllers) {
    if (unit.setpointLow >= unit.setpointHigh)
      found.push("The unit\u2019s lowest setpoint has to be below its highest. Change the other one first.");
    if (unit.differentialLow > unit.differentialHigh)
      found.push("The unit\u2019s smallest differential is above its largest. Change the other one first.");
  }
  for (const { product, band } of chamber.vessels) {
    if (product.finalGravity > product.originalGravity)
      found.push("The final gravity cannot be above the original gravity: sugar is used up, not made.");
    const { heatCurve } = product;
    if (heatCurve.some((p, i) => i > 0 && p.hours <= heatCurve[i - 1]!.hours))
      found.push("The points of the heat curve have to follow each other in time. Change the hours of the later one.");
    if (product.packetLow >= product.packetHigh)
      found.push("The packet\u2019s coldest has to be below its warmest. Change the other one first.");
    if (band) found.push(...bandContradictions(band));
  }
  for (const stage of chamber.stages) {
    found.push(...bandContradictions(stage));
    if (stage.ends.some((e) => e.kind === "date") && !chamber.program.startsAt)
      found.push("A stage ends at a date, but nothing says when the program begins. Say that first.");
    for (const end of stage.ends) {
      if (end.kind !== "reaches" || end.observable.name === TEMPERATURE) continue;
      const { of, id, name } = end.observable;
      const asked = chamber.vessels.filter((v) => of === "vessels" || v.id === id);
      if (!asked.some(({ product }) => productObservable(product, name)))
        found.push(
          `Nothing here has a ${end.observable.name} that a stage could wait for. Change first how that stage ends.`,
        );
    }
  }
  for (const { from, to } of chamber.program.away)
    if (to <= from) found.push("Days away have to end after they begin.");
  return found;
}

/** A band that moved away from under a typed target takes the target back to its middle. */
function freeTarget(record: ChamberRecord, edits: readonly Edit[]): Edit[] {
  const moved = (section: "stage" | "band") => edits.some((e) => e.section === section && e.field !== "target");
  const movedPacket = edits.some((e) => e.section === "product");
  if (!moved("stage") && !moved("band") && !movedPacket) return [];
  const left = ({ low, high, target }: Band) => low < high && (target < low || target > high);
  const { stages, vessels } = describe(record);
  return [
    ...stages.filter(left).map(({ id }): Edit => ({ section: "stage", field: "target", id, value: undefined })),
    ...vessels
      .filter(({ band }) => band && left(band))
      .map(({ id }): Edit => ({ section: "band", field: "target", id, value: undefined })),
  ];
}

/** A record that could be made, or why not: the problem and its sentence. */
export type Tried =
  /** `freed`: targets that somebody typed and that went back to the middle of their band, °C. */
  { ok: true; value: ChamberRecord; freed?: Temperature[] } | { ok: false; why: Problem; problem: string };

export const refused = (why: Problem): Tried => ({ ok: false, why, problem: sayProblem(why) });

/** The record if what it says fits together as well as it did before; otherwise the first thing that does not. */
export function possible(before: ChamberRecord, value: ChamberRecord): Tried {
  const known = new Set(contradictions(describe(before)));
  const text = contradictions(describe(value)).find((p) => !known.has(p));
  return text === undefined ? { ok: true, value } : refused({ code: "contradiction", at: [], text });
}

/** Applies edits if the chamber that results is possible; otherwise says why not and changes nothing. */
export function tryEdits(record: ChamberRecord, edits: readonly Edit[], origin: Origin = "typed"): Tried {
  try {
    const moved = applyEdits(record, edits, origin);
    const freeing = freeTarget(moved, edits);
    const tried = possible(record, applyEdits(moved, freeing, origin));
    return tried.ok
      ? { ...tried, freed: freeing.flatMap((at) => (storedValue(moved, at)?.value as Temperature | undefined) ?? []) }
      : tried;
  } catch (error) {
    if (error instanceof EditRefused) return refused(error.why);
    throw error;
  }
}
