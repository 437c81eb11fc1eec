import {
  applyEdits,
  TEMPLATE_VESSEL,
  type Chamber,
  type ChamberRecord,
  type Change,
  type Edit,
  type ProductKind,
  type ProgramContents,
  type StageEnd,
} from "../model";
import { productLabels } from "../product";
import { middle } from "../quantity";
import { describe } from "./describe";
import { jobEdits, jobs } from "./jobs";
import { newChamber } from "./newRecord";
import { usualKinds, usualStages, waitedFor } from "./usualStages";

const typed = <T>(value: T) => ({ value, origin: "typed" as const });

/** An end as the library writes it, where its one vessel has a name of its own; null where it waits for gear of a chamber. */
function generalEnd(end: StageEnd, vessel: string): StageEnd | null {
  if (end.kind !== "reaches" || end.observable.of === "air" || end.observable.of === "room") return end;
  const { of, id, name } = end.observable;
  if (of !== "vessels" && (of !== "vessel" || id !== vessel)) return null;
  return { ...end, observable: { of: "vessel", id: TEMPLATE_VESSEL, name } };
}

/**
 * A chamber's stages for the library: bands and wishes as they come out, so that they stand without the chamber. What
 * waits for another vessel, a probe or a unit is left out: another chamber has none of that.
 */
export function programOf(chamber: Chamber, name: string, note = ""): ProgramContents {
  const { id, product } = chamber.vessels[0]!;
  return {
    name,
    product: product.kind,
    note,
    stages: chamber.stages.map((stage) => ({
      id: stage.id,
      stage: {
        name: typed(stage.name),
        low: typed(stage.low),
        high: typed(stage.high),
        // A target in the middle stays there when the band is moved.
        ...(Math.abs(stage.target - middle(stage.low, stage.high)) > 1e-9 ? { target: typed(stage.target) } : {}),
        wish: typed(stage.wish),
        of: typed(stage.of),
        ends: typed(stage.ends.flatMap((end) => generalEnd(end, id) ?? [])),
        latest: typed(stage.latest),
        rampBy: typed(stage.rampBy),
        rampEvery: typed(stage.rampEvery),
        humidity: typed(stage.humidity),
        tasks: typed(stage.tasks),
      },
    })),
  };
}

/**
 * Puts a copy of a program's stages in the place of a chamber's, for its first vessel.
 * @param of the program's name in the library and its state, so that the copy can be told from a newer one
 */
export const takeProgram =
  ({ stages }: ProgramContents, of: { id: string; revision: number }): Change =>
  (r) => {
    const whose = waitedFor(describe(r));
    const own = (end: StageEnd): StageEnd =>
      end.kind === "reaches" && end.observable.of === "vessel"
        ? { ...end, observable: { ...end.observable, ...whose } }
        : end;
    return {
      ...r,
      program: { ...r.program, copyOf: typed(of.id), copyOfRevision: typed(of.revision) },
      stages: stages.map(({ id, stage }) => ({
        id,
        stage: stage.ends ? { ...stage, ends: { ...stage.ends, value: stage.ends.value.map(own) } } : stage,
        settings: {},
      })),
    };
  };

/** Names of programs that come with the application begin with this; nobody's own do. */
export const USUAL = "usual-";

/** A program that comes with the application: the usual stages of a product in the box that it is usually made in. */
export interface UsualProgram {
  id: string;
  contents: ProgramContents;
}

function usualChamber(kind: ProductKind): ChamberRecord {
  const fresh = newChamber("usual", "Usual", "2026-01-01T00:00:00.000Z");
  const sets = (edits: readonly Edit[]) =>
    edits.some((e) => e.section === "product" && e.field === "kind" && e.value === kind);
  const job = jobs.find((j) => sets(jobEdits(j, j.boxes[0]!)));
  if (job) return applyEdits(fresh, jobEdits(job, job.boxes[0]!));
  const edit: Edit = { section: "product", field: "kind", value: kind };
  return applyEdits(fresh, [edit]);
}

/** The library as it comes: one program for each product that has usual stages. */
export const usualPrograms = (): UsualProgram[] =>
  usualKinds.map((kind) => {
    const record = usualChamber(kind);
    const staged = usualStages(describe(record))!(record);
    const label = productLabels[kind];
    return { id: `${USUAL}${kind}`, contents: programOf(describe(staged), `${label}, as is usual`) };
  });

/** Stages by which a chamber's differ from a program: their names; and whether it has more or fewer of them. */
export function differsFrom(chamber: Chamber, { stages }: ProgramContents): string[] {
  const own = programOf(chamber, "own").stages;
  const found = own.flatMap(({ stage }, i) => {
    const other = stages[i]?.stage;
    const same = (Object.keys(stage) as (keyof typeof stage)[]).every(
      (field) => JSON.stringify(stage[field]?.value) === JSON.stringify(other?.[field]?.value),
    );
    return same ? [] : [stage.name?.value || `Stage ${i + 1}`];
  });
  const missing = stages.slice(own.length).map(({ stage }, i) => stage.name?.value || `Stage ${own.length + i + 1}`);
  return [...found, ...missing];
}
