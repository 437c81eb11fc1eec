import * as z from "zod/mini";
import { differenceField, idField, quantityField, temperatureField } from "./fields";

/**
 * What can be looked at while a program runs: the box's air, the room, a vessel's product, a probe's true temperature,
 * what a controller's display shows. Names beside the temperature are what products declare (core/product).
 */
export const observable = z.strictObject({
  of: z.enum(["air", "room", "vessel", "vessels", "probe", "controller"]),
  /** Which vessel, probe or controller; empty for air, room, and for all vessels that have the figure: the slowest decides. */
  id: z.string().check(z.maxLength(40)),
  name: z.string().check(z.minLength(1), z.maxLength(40)),
});
export type Observable = z.infer<typeof observable>;

/** What programs of the library call their one vessel. */
export const TEMPLATE_VESSEL = "v1";

export const comparisons = ["atLeast", "atMost"] as const;

/** One way in which a stage ends. Times in s. */
export const stageEnd = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.literal("after"), seconds: quantityField(0, 200 * 86_400) }),
  /** When the clock next shows this hour. */
  z.strictObject({ kind: z.literal("clock"), hour: quantityField(0, 24) }),
  /** At a date with its time, local to the chamber; asks for the program's own start. */
  z.strictObject({ kind: z.literal("date"), at: z.iso.datetime({ local: true, precision: -1 }) }),
  z.strictObject({
    kind: z.literal("reaches"),
    observable,
    comparison: z.enum(comparisons),
    value: z.number().check(z.minimum(-1000), z.maximum(1000)),
    /** It has to be so without a break for this long. */
    heldFor: quantityField(0, 30 * 86_400),
  }),
  /** Somebody says so, at the first attended moment from this long after its beginning. */
  z.strictObject({ kind: z.literal("confirmed"), after: quantityField(0, 200 * 86_400) }),
]);
export type StageEnd = z.infer<typeof stageEnd>;

/** Something to do by hand in a stage. */
export const task = z.strictObject({
  id: idField,
  name: z.string().check(z.trim(), z.minLength(1, "Say what there is to do."), z.maxLength(80)),
  /** From the beginning of its stage on, or so long before its end, s. */
  from: z.enum(["beginning", "end"]),
  seconds: quantityField(0, 200 * 86_400),
  /** And again so often until the stage ends, s; 0: once. */
  every: quantityField(0, 30 * 86_400),
});
export type Task = z.infer<typeof task>;

/** What is wanted of the settings within the band. */
export const wishes = ["band", "tight", "restful", "edge"] as const;
export const stageShape = {
  /** Empty: it is called by its number. */
  name: z.string().check(z.maxLength(40)),
  /** Coldest and warmest that the product may be, and the aim between them, °C. */
  low: temperatureField(-5, 150),
  high: temperatureField(-5, 150),
  target: temperatureField(-5, 150),
  wish: z.enum(wishes),
  /** What the band is for: the product, or the air around it as in a smoker. */
  of: z.enum(["product", "air"]),
  /** Any of these ends it; none: it goes on to the end. */
  ends: z.array(stageEnd).check(z.maxLength(6)),
  /** It ends after so long at the latest, s; 0 is never. */
  latest: quantityField(0, 200 * 86_400),
  /** The way from the stage before: so many K at a time, so often (s). 0 K: all at once. */
  rampBy: differenceField(0, 50),
  rampEvery: quantityField(60, 30 * 86_400),
  /** Relative humidity of the air, 0..1, for what dries in it; 0: as the box has it. */
  humidity: quantityField(0, 0.99),
  tasks: z.array(task).check(z.maxLength(12)),
};

/** Span of days on which nobody is there, s from the start of the program. */
export const awaySpan = z.strictObject({ from: quantityField(0, 200 * 86_400), to: quantityField(0, 200 * 86_400) });
/** What holds for a whole program. */
export const programShape = {
  /** When it begins, local to the chamber; empty: on some day, in the evening. */
  startsAt: z.union([z.literal(""), z.iso.datetime({ local: true, precision: -1 })]),
  /** Hours of the day between which somebody can be there; equal: at any hour. */
  attendedFrom: quantityField(0, 24),
  attendedTo: quantityField(0, 24),
  away: z.array(awaySpan).check(z.maxLength(20)),
  /** Settings are keyed in by a person; otherwise the controllers take them over by themselves. */
  byHand: z.boolean(),
  /** When it is to be ready, local to the chamber; empty: whenever it is. */
  finishBy: z.union([z.literal(""), z.iso.datetime({ local: true, precision: -1 })]),
  /** The program of the library that its stages were copied from, and which state of it; empty: none. */
  copyOf: z.string().check(z.maxLength(64)),
  copyOfRevision: z.int().check(z.minimum(0)),
};

/** What a recipe says of gravities and of its fermentation: temperatures in °C, null where it says nothing. */
export interface Recipe {
  name: string;
  originalGravity: number | null;
  finalGravity: number | null;
  steps: { name: string; from: number | null; to: number | null; seconds: number | null }[];
}
