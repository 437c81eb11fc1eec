import * as z from "zod";
import * as small from "zod/mini";
import { chamberFieldsOf, originField, settingsShape, sparse } from "@/core/model";

const inputOf = (part: typeof sparse) =>
  small.partial(
    small.pick(chamberFieldsOf(part), {
      room: true,
      roomSeries: true,
      cabinet: true,
      thermal: true,
      build: true,
      wiring: true,
      moisture: true,
      devices: true,
      controllers: true,
      vessels: true,
      probes: true,
      job: true,
      program: true,
      stages: true,
      happenings: true,
      readings: true,
      ownWay: true,
      work: true,
      parts: true,
    }),
  );

/** A chamber as the application stores it, without its envelope: only what differs from the defaults. */
export const chamberInput = inputOf(sparse);

/** A section that takes each value plainly too, for the description alone: the door gives it an origin before it looks. */
const either = ((shape: z.core.$ZodShape) =>
  small.strictObject(
    Object.fromEntries(
      Object.entries(shape).map(([name, field]) => [
        name,
        small.optional(small.union([small.strictObject({ value: field, origin: originField }), field])),
      ]),
    ),
  )) as unknown as typeof sparse;

/** Longest trial that the door runs, days. */
export const MOST_DAYS = 30;

const scale = z.enum(["C", "F"]).default("C").describe("Scale of the texts that come back.");
const days = z.number().min(0.05).max(MOST_DAYS).default(7).describe("Length of the trial, days.");
const stage = z.string().optional().describe("Id of a stage; the first where nothing is said.");
const controller = z.string().optional().describe("Id of a controller; the first where nothing is said.");
const bins = z.int().min(1).max(1000).default(280).describe("Bins of the trace.");

const requestsOf = (chamber: typeof chamberInput) =>
  ({
    settings: z.strictObject({ chamber, scale, stage, controller }),
    "read-back": z.strictObject({
      chamber,
      settings: z.strictObject(settingsShape).partial().describe("Numbers as they stand in the unit: °C, K, s."),
      scale,
      stage,
      controller,
    }),
    trial: z.strictObject({ chamber, days, bins }),
    verdicts: z.strictObject({ chamber, days, scale }),
    recommendation: z.strictObject({
      chamber,
      scale,
      probe: z.boolean().default(false).describe("Look for the place of the probe too."),
      heater: z.boolean().default(false).describe("Look for the size of the heater too."),
      stage,
      controller: controller.describe("Id of a controller: those that hold the same are searched for together."),
    }),
  }) as const;

export const requests = requestsOf(chamberInput);
/** As the description says it: values with their origin, or plainly. */
export const described = requestsOf(inputOf(either));
export type Call = keyof typeof requests;
export const calls = Object.keys(requests) as Call[];

export const callWords: Record<Call, string> = {
  settings: "Settings that follow from a chamber\u2019s band, with the sentence, findings and questions.",
  "read-back": "What a unit will do with numbers that stand in it already.",
  trial: "A trial: trace, figures, switchings.",
  verdicts: "What is wrong with a chamber, with evidence and remedies as edits.",
  recommendation: "The best settings over the worst weather of the room, with the trade-off.",
};

/** What went wrong: where, why, and what would do. */
export const problem = z.strictObject({
  problem: z.strictObject({
    field: z.string().describe("Path of the field, empty for the whole body."),
    why: z.string(),
    mend: z.string(),
  }),
});
export type Problem = z.infer<typeof problem>;
