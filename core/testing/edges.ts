import * as z from "zod/mini";
import { jobEdits, jobs, tryEdits } from "../chamber";
import { applyEdits, sectionShapes, type ChamberRecord, type Edit, type SectionName } from "../model";
import { recordWith } from "./build";
import { chance } from "../quantity";

interface JsonField {
  minimum?: number;
  maximum?: number;
  enum?: unknown[];
  type?: string;
}

/** Every plain field of every section with the values at its edges: both ends of a number, each choice, yes and no. */
export const edgesOfFields: readonly { section: SectionName; field: string; values: readonly unknown[] }[] = (
  Object.keys(sectionShapes) as SectionName[]
).flatMap((section) =>
  Object.entries(sectionShapes[section]).flatMap(([field, schema]) => {
    const json = z.toJSONSchema(schema as z.ZodMiniType, { unrepresentable: "any" }) as JsonField;
    const values = json.enum ?? (json.type === "boolean" ? [true, false] : [json.minimum, json.maximum]);
    const known = values.filter((v) => v !== undefined);
    return known.length > 0 ? [{ section, field, values: known }] : [];
  }),
);

/** Chambers that the edges are tried on: each job in its first box, and open water in the lightest of boxes. */
export const edgeBases: readonly ChamberRecord[] = [
  ...jobs.map((job) => applyEdits(recordWith(), jobEdits(job, job.boxes[0]!))),
  recordWith(
    { section: "cabinet", field: "kind", value: "foam" } as Edit,
    { section: "moisture", field: "tray", value: 0.5 } as Edit,
  ),
];

/** Accepted chambers with so many fields at an edge of theirs, drawn anew for each. */
export function* edgeChambers(
  count: number,
  fields: number,
  seed: number,
): Generator<{ name: string; record: ChamberRecord }> {
  const random = chance(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  for (let made = 0; made < count;) {
    const edits = Array.from({ length: fields }, () => {
      const { section, field, values } = pick(edgesOfFields);
      return { section, field, value: pick(values) } as Edit;
    });
    const tried = tryEdits(pick(edgeBases), edits);
    if (!tried.ok) continue;
    made++;
    yield { name: edits.map((e) => `${e.section}.${e.field} = ${String(e.value)}`).join(", "), record: tried.value };
  }
}

/** Every edge of every field alone, each on one of the bases in turn, or on all of them. */
export function* eachEdge(onAll: boolean): Generator<{ name: string; record: ChamberRecord }> {
  let turn = 0;
  for (const { section, field, values } of edgesOfFields)
    for (const value of values) {
      turn++;
      for (const [b, base] of edgeBases.entries()) {
        if (!onAll && b !== turn % edgeBases.length) continue;
        const tried = tryEdits(base, [{ section, field, value } as Edit]);
        if (tried.ok) yield { name: `${b}: ${section}.${field} = ${String(value)}`, record: tried.value };
      }
    }
}
