import * as z from "zod/mini";
import { differenceField, idField, quantityField, temperatureField } from "./fields";
import { settingsShape } from "./unit";

const placed = {
  id: idField,
  /** Seconds from the start of the trial. */
  at: quantityField(0, 200 * 86_400),
};
/** Seconds that it lasts; 0: to the end. */
const lasting = quantityField(0, 200 * 86_400);

const plain = <K extends string>(kind: K) => z.strictObject({ ...placed, kind: z.literal(kind), lasting });
/** To which controller, probe or device it happens. */
const to = { which: idField };
const plainTo = <K extends string>(kind: K) => z.strictObject({ ...placed, ...to, kind: z.literal(kind), lasting });

/** Something that happens in the course of a trial, placed on its time line by hand. */
export const happening = z.discriminatedUnion("kind", [
  z.strictObject({ ...placed, ...to, kind: z.literal("setpoint"), to: settingsShape.setpoint }),
  plain("door"),
  plain("lidOff"),
  z.strictObject({ ...placed, ...to, kind: z.literal("probeOut"), lasting, to: z.enum(["air", "room"]) }),
  z.strictObject({ ...placed, ...to, kind: z.literal("probeFault"), lasting, fault: z.enum(["open", "short"]) }),
  z.strictObject({ ...placed, ...to, kind: z.literal("probeDrift"), lasting, perDay: differenceField(-10, 10) }),
  plain("powerCut"),
  plainTo("heaterStaysOff"),
  plainTo("heaterCutOut"),
  z.strictObject({
    ...placed,
    ...to,
    kind: z.literal("relayStuck"),
    lasting,
    outlet: z.enum(["heat", "cold"]),
    to: z.enum(["on", "off"]),
  }),
  plainTo("coldFails"),
  plain("fanStops"),
  z.strictObject({
    ...placed,
    kind: z.literal("loadIn"),
    /** m³ of water-like load and its temperature, °C. */
    volume: quantityField(0.0001, 0.2),
    temperature: temperatureField(-30, 100),
  }),
  plainTo("iceForgotten"),
  z.strictObject({ ...placed, ...to, kind: z.literal("fuelOut") }),
  z.strictObject({ ...placed, kind: z.literal("weather"), lasting, by: differenceField(-40, 40) }),
]);
export type Happening = z.infer<typeof happening>;
export type HappeningKind = Happening["kind"];

/** Ten years, s. */
const LONGEST_SERIES = 10 * 366 * 86_400;

const roomName = z.string().check(z.maxLength(80));
const roomField = temperatureField(-60, 80);
/** Coldest and warmest that a recorded room may be, °C, and its longest, s. */
export const recordedLimits = { low: -60, high: 80, longest: LONGEST_SERIES } as const;

/** A recorded room whose readings lie in the store of series: what is said of it without reading them. */
export const roomReadings = z.strictObject({
  /** Its name in that store; the series is finished, and never changes. */
  series: idField,
  name: roomName,
  rows: z.int().check(z.minimum(2)),
  /** From the first reading to the last, s. */
  span: z.number().check(z.minimum(0), z.maximum(LONGEST_SERIES)),
  low: roomField,
  high: roomField,
});
export type RoomReadings = z.infer<typeof roomReadings>;

/** A recorded room written out: seconds from the start of the trial and °C, in the order of time. */
export const roomSeries = z
  .strictObject({
    name: roomName,
    seconds: z
      .array(z.number().check(z.minimum(0), z.maximum(LONGEST_SERIES)))
      .check(z.minLength(2), z.maxLength(20_000)),
    temperatures: z.array(roomField).check(z.minLength(2), z.maxLength(20_000)),
  })
  .check(
    z.superRefine(({ seconds, temperatures }, context) => {
      const say = (path: (string | number)[], message: string) => context.addIssue({ code: "custom", path, message });
      if (seconds.length !== temperatures.length)
        say(["temperatures"], `There are ${temperatures.length} temperatures for ${seconds.length} times.`);
      const back = seconds.findIndex((t, i) => i > 0 && t <= seconds[i - 1]!);
      if (back > 0) say(["seconds", back], "Each time has to be later than the one before.");
    }),
  );
export type RoomSeries = z.infer<typeof roomSeries>;
