import type * as z from "zod/mini";
import { chamberSteps, preferencesSteps, type LiftSteps, type RawRecord } from "./lift";
import { chamberRecord, preferencesRecord, programRecord, type WorkshopRecord } from "./record";
import { CHAMBER_VERSION, PREFERENCES_VERSION, PROGRAM_VERSION } from "./versions";

/** Everything that is known of a kind of record: a new kind is a new line of the table below, and nothing else. */
export interface RecordKind {
  schema: z.ZodMiniType<WorkshopRecord>;
  /** Of its form; a record with a lower one passes through the steps first. */
  version: number;
  steps: LiftSteps;
  /** How a backup and a message name such a record. */
  says: (record: { name?: unknown }) => string;
  /** Series that it speaks of: they are put into a backup with it, and swept when no record speaks of them any more. */
  takes: (record: WorkshopRecord) => readonly string[];
}

const nothing = () => [];
const named = ({ name }: { name?: unknown }) => (typeof name === "string" ? name.trim().slice(0, 60) : "");

export const recordKinds: Readonly<Record<WorkshopRecord["kind"], RecordKind>> = {
  chamber: {
    schema: chamberRecord,
    version: CHAMBER_VERSION,
    steps: chamberSteps,
    says: (record) => named(record) || "A chamber without a name",
    takes: (record) => (record.kind === "chamber" && record.roomReadings ? [record.roomReadings.series] : []),
  },
  program: {
    schema: programRecord,
    version: PROGRAM_VERSION,
    steps: {},
    says: (record) => named(record) || "A program without a name",
    takes: nothing,
  },
  preferences: {
    schema: preferencesRecord,
    version: PREFERENCES_VERSION,
    steps: preferencesSteps,
    says: () => "Preferences",
    takes: nothing,
  },
};

/** The line of the table for a raw record; undefined for a kind that this application does not know. */
export const kindOf = ({ kind }: RawRecord): RecordKind | undefined =>
  typeof kind === "string" && Object.hasOwn(recordKinds, kind)
    ? recordKinds[kind as keyof typeof recordKinds]
    : undefined;

/** There is no step from a version to the next: ours to mend, and no damage of the record. */
export class MissingStep extends Error {}

/**
 * Lifts a record, step by step, from a version to the present one of its kind. It only changes the form: what comes out has still to be
 * checked.
 * @throws MissingStep where a step is missing: a silence would hand out a record of the wrong form
 */
export function lifted(
  raw: RawRecord,
  { steps, version: to }: Pick<RecordKind, "steps" | "version">,
  from: number,
): RawRecord {
  let record = raw;
  for (let version = from; version < to; version++) {
    const step = steps[version];
    if (!step) throw new MissingStep(`No way is known from version ${version} of this record to the next.`);
    record = step(record);
  }
  return record;
}
