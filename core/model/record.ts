import * as z from "zod/mini";
import { part as boughtPart } from "./build";
import { idField, nameField, quantityField, sparse } from "./fields";
import { happening, roomReadings, roomSeries } from "./happenings";
import { reading } from "./reading";
import { brokenReferences } from "./references";
import { TEMPLATE_VESSEL, type StageEnd } from "./program";
import { sectionShapes as shapes } from "./sections";
import { BACKUP_VERSION, CHAMBER_VERSION, PREFERENCES_ID, PREFERENCES_VERSION, PROGRAM_VERSION } from "./versions";

export const stations = ["job", "box", "heat", "wiring", "probe", "settings"] as const;
export type Station = (typeof stations)[number];

/** No more than so many entries of a table by names. */
const atMost = (most: number) =>
  z.refine<Record<string, unknown>>((table) => Object.keys(table).length <= most, `No more than ${most} of them.`);

/** A photo is made smaller until it is no longer than this. */
export const PHOTO_LENGTH = 300_000;

const envelope = {
  id: nameField(64),
  /** Rises by one with every stored change; two tabs compare it before they write. */
  revision: z.int().check(z.minimum(0)),
  updatedAt: z.iso.datetime(),
  /** Part of the demo: may be removed with it, and is never anybody's own work. */
  demo: z.boolean(),
};

const placedAt = { id: idField, at: z.nullable(idField) };
/** @param part how a section is written: `sparse`, each value with its origin; the door takes plain values too */
const deviceOf = (part: typeof sparse) =>
  z.discriminatedUnion("device", [
    z.strictObject({ ...placedAt, device: z.literal("heater"), heater: part(shapes.heater) }),
    z.strictObject({ ...placedAt, device: z.literal("cooler"), cooler: part(shapes.cooler) }),
    z.strictObject({ id: idField, device: z.literal("fan"), fan: part(shapes.fan) }),
    z.strictObject({ id: idField, device: z.literal("light"), light: part(shapes.light) }),
  ]);
export type DeviceRecord = z.infer<ReturnType<typeof deviceOf>>;

/** What a controller reads (the first probe decides), and which devices hang on each of its outlets. */
const controllerOf = (part: typeof sparse) =>
  z.strictObject({
    id: idField,
    unit: part(shapes.unit),
    probes: z.array(idField).check(z.minLength(1), z.maxLength(2)),
    heat: z.array(idField).check(z.maxLength(8)),
    cold: z.array(idField).check(z.maxLength(8)),
  });

/** A chamber's record by its form alone; what its entries say of each other is checked by `chamberRecord`. */
export const chamberFieldsOf = (part: typeof sparse) =>
  z.strictObject({
    ...envelope,
    kind: z.literal("chamber"),
    schemaVersion: z.literal(CHAMBER_VERSION),
    defaultsVersion: z.int().check(z.minimum(1)),
    name: z
      .string()
      .check(z.trim(), z.minLength(1, "Give it a name."), z.maxLength(60, "Keep the name under 60 letters.")),
    createdAt: z.iso.datetime(),
    /** Put by: it stands behind the others on the Shelf, and nothing is worked out for it. */
    archived: z.optional(z.literal(true)),
    /** Stations that the person has looked at and found right. */
    settled: z.array(z.enum(stations)).check(z.maxLength(24)),
    room: part(shapes.room),
    /**
     * A recorded room in the place of the daily swing; null where there is none. Its readings lie in the store of series
     * (`roomReadings`), or in the record itself: so it was up to form 3, and so a script hands it in.
     */
    roomReadings: z.nullable(roomReadings),
    roomSeries: z.nullable(roomSeries),
    cabinet: part(shapes.cabinet),
    thermal: part(shapes.thermal),
    /** What is inside the box, what carries the load, how a foam box is made. */
    build: part(shapes.build),
    /** How the unit switches heat and cold where somebody wires it. */
    wiring: part(shapes.wiring),
    /** Water in its air. */
    moisture: part(shapes.moisture),
    /** What heats, cools, stirs and shines. Heaters and coolers may stand at a vessel; null: at the first. */
    devices: z.array(deviceOf(part)).check(z.maxLength(16)),
    controllers: z.array(controllerOf(part)).check(z.minLength(1), z.maxLength(6)),
    vessels: z
      .array(
        z.strictObject({
          id: idField,
          vessel: part(shapes.vessel),
          product: part(shapes.product),
          /** Of its own, where anything of it is said. */
          band: part(shapes.band),
        }),
      )
      .check(z.minLength(1), z.maxLength(8)),
    /** Each with the vessel in or on which it sits. */
    probes: z
      .array(z.strictObject({ id: idField, in: idField, probe: part(shapes.probe) }))
      .check(z.minLength(1), z.maxLength(6)),
    /** The job that it was begun with. */
    job: z.nullable(z.string().check(z.maxLength(40))),
    program: part(shapes.program),
    /** In their order, each with what is keyed into each controller. */
    stages: z
      .array(
        z.strictObject({
          id: idField,
          stage: part(shapes.stage),
          settings: z.record(idField, part(shapes.settings)),
        }),
      )
      .check(z.minLength(1), z.maxLength(24)),
    /** What happens in the course of its trial. */
    happenings: z.array(happening).check(z.maxLength(60)),
    /** What has been read of the products, typed beside their course. */
    readings: z.array(reading).check(z.maxLength(400)),
    /** Findings about limits that the person knows and passes all the same, by their keys. */
    ownWay: z.array(z.string().check(z.minLength(1), z.maxLength(120))).check(z.maxLength(40)),
    /** The work on the wiring: steps and wires that are done, what a meter read, names of terminals, a photo (JPEG). */
    work: z.strictObject({
      done: z.array(z.string().check(z.maxLength(60))).check(z.maxLength(300)),
      /** By the unit's place in the list: what was read, and of which plan; of another plan it counts for nothing. */
      proofs: z.record(
        z.string().check(z.regex(/^[0-9]$/)),
        z.strictObject({
          plan: z.string().check(z.maxLength(40)),
          readings: z.record(z.string().check(z.maxLength(80)), quantityField(0, 1e7)).check(atMost(400)),
        }),
      ),
      /** Terminals as the unit's own paper names them. */
      names: z.record(z.string().check(z.maxLength(60)), z.string().check(z.maxLength(24))).check(atMost(400)),
      photo: z.nullable(
        z.string().check(z.maxLength(PHOTO_LENGTH), z.regex(/^data:image\/jpeg;base64,[A-Za-z0-9+/]+=*$/, "No JPEG.")),
      ),
    }),
    /** What is bought: prices and what is owned of the parts that follow from it, and parts of one's own. */
    parts: z.array(boughtPart).check(z.maxLength(200)),
  });
const chamberFields = chamberFieldsOf(sparse);
export type ChamberRecord = z.infer<typeof chamberFields>;

export const chamberRecord = chamberFields.check(
  z.superRefine((record, context) => {
    if (record.id === PREFERENCES_ID)
      context.addIssue({ code: "custom", path: ["id"], message: "This name is that of the preferences." });
    if (record.roomReadings && record.roomSeries)
      context.addIssue({ code: "custom", path: ["roomSeries"], message: "There are two recorded rooms. Leave one." });
    for (const { path, message } of brokenReferences(record)) context.addIssue({ code: "custom", path, message });
  }),
);

/** Stages without a chamber: of one product, in one vessel. */
export const programFields = {
  name: z.string().check(z.trim(), z.minLength(1, "Give it a name."), z.maxLength(60)),
  /** What it is for. */
  product: shapes.product.kind,
  note: z.string().check(z.maxLength(400)),
  stages: z.array(z.strictObject({ id: idField, stage: sparse(shapes.stage) })).check(z.minLength(1), z.maxLength(24)),
};
/** A stage of the library waits for nothing but its one product, the air and the room. */
const oneVessel = z.superRefine(
  ({ stages }: { stages: { id: string; stage: { ends?: { value: StageEnd[] } } }[] }, context) => {
    stages.forEach(({ id, stage }, i) => {
      if (stages.findIndex((s) => s.id === id) < i)
        context.addIssue({ code: "custom", path: ["stages", i, "id"], message: "Two stages have one name." });
      stage.ends?.value.forEach((end, k) => {
        if (end.kind !== "reaches" || end.observable.of === "air" || end.observable.of === "room") return;
        if (end.observable.of === "vessel" && end.observable.id === TEMPLATE_VESSEL) return;
        const message = `In the library a stage waits for the product (\u201c${TEMPLATE_VESSEL}\u201d), the air or the room.`;
        context.addIssue({ code: "custom", path: ["stages", i, "stage", "ends", k], message });
      });
    });
  },
);
export const programContents = z.strictObject(programFields).check(oneVessel);
export type ProgramContents = z.infer<typeof programContents>;

/** A program of one's own in the library: chambers get copies of it, never a reference to it. */
export const programRecord = z
  .strictObject({
    ...envelope,
    kind: z.literal("program"),
    schemaVersion: z.literal(PROGRAM_VERSION),
    createdAt: z.iso.datetime(),
    ...programFields,
  })
  .check(oneVessel);
export type ProgramRecord = z.infer<typeof programRecord>;

export const PROGRAM_FORMAT = "gentle-crock-programs";
/** The file that programs are handed on in; its JSON Schema is published in public/schema/. */
export const programFile = z.strictObject({
  format: z.literal(PROGRAM_FORMAT),
  version: z.literal(PROGRAM_VERSION),
  programs: z.array(programContents).check(z.minLength(1), z.maxLength(200)),
});

export const trialLengths = [0.25, 0.5, 1, 3, 7, 14, 30, 60] as const;

export const preferencesRecord = z.strictObject({
  ...envelope,
  id: z.literal(PREFERENCES_ID),
  kind: z.literal("preferences"),
  schemaVersion: z.literal(PREFERENCES_VERSION),
  scale: z.enum(["C", "F"]),
  system: z.enum(["metric", "customary"]),
  theme: z.enum(["auto", "stoneware", "cellar"]),
  singleKeys: z.boolean(),
  /** Length of a trial, days; and of pots, kettles and smokers, whose jobs take hours. */
  trialDays: z.literal(trialLengths),
  quickTrialDays: z.literal(trialLengths),
  /** The sign of one's own money, what a kWh costs in it, and kg of CO2 a kWh; 0: not known. */
  currency: z.string().check(z.maxLength(4)),
  tariff: quantityField(0, 1000),
  carbon: quantityField(0, 3),
  /** The demo has been put in once; it does not come back unasked. */
  demoSeeded: z.boolean(),
});
export type PreferencesRecord = z.infer<typeof preferencesRecord>;

export const workshopRecord = z.discriminatedUnion("kind", [chamberRecord, preferencesRecord, programRecord]);
export type WorkshopRecord = z.infer<typeof workshopRecord>;

export const BACKUP_FORMAT = "gentle-crock-workshop";
/** A series of readings as a backup speaks of it. */
export const backupSeries = z.strictObject({
  id: idField,
  columns: z
    .array(z.strictObject({ name: z.string().check(z.maxLength(80)), unit: z.enum(["degC", "percent"]) }))
    .check(z.minLength(1), z.maxLength(8)),
  blocks: z.int().check(z.minimum(1), z.maximum(4000)),
});
export type BackupSeries = z.infer<typeof backupSeries>;
/** Most records of a workshop that is brought in: beyond it the Shelf itself would no longer answer. */
export const MOST_RECORDS = 2000;
/** The file that a whole workshop is exported to; its JSON Schema is published in public/schema/. */
export const backupFile = z.strictObject({
  format: z.literal(BACKUP_FORMAT),
  version: z.literal(BACKUP_VERSION),
  exportedAt: z.iso.datetime(),
  records: z.array(workshopRecord).check(z.maxLength(MOST_RECORDS)),
  /** Series that the records speak of, each block in a file of its own beside this one in the archive. */
  series: z.array(backupSeries),
});
export type BackupFile = z.infer<typeof backupFile>;
