import { en } from "zod/locales";
import * as z from "zod/mini";

// The small face of the schema library says nothing by itself; and it would probe for eval, which the policy forbids.
z.config({ ...en(), jitless: true });

/** A temperature in °C within what a chamber, kettle or smoker can meet. */
export const temperatureField = (low = -60, high = 400) =>
  z.number().check(z.minimum(low), z.maximum(high)).brand<"Temperature">();
/** A temperature difference in K. */
export const differenceField = (low = -50, high = 50) =>
  z.number().check(z.minimum(low), z.maximum(high)).brand<"TemperatureDifference">();
/**
 * A name that nobody reads: letters, figures, hyphen and underscore, so that it stands in an address, a key and a path as
 * it is; and none that every object has already, since records and settings are looked up by it.
 */
export const nameField = (most: number) =>
  z.string().check(
    z.regex(/^[A-Za-z0-9_-]+$/, "A name is made of letters, figures, hyphens and underscores."),
    z.maxLength(most),
    z.refine((name) => !(name in Object.prototype), "This name is taken."),
  );
/** Name of an entry of a list, unique within its record; edits and happenings speak of entries by it. */
export const idField = nameField(40);
export const quantityField = (low: number, high: number) => z.number().check(z.minimum(low), z.maximum(high));

/** Where a value that differs from its default came from. */
export const originField = z.enum(["typed", "fitted", "imported"]);
export type Origin = z.infer<typeof originField>;

/** Shape of a section's record: only what differs from the defaults, each value with its origin. */
export type SparseShape<S extends z.core.$ZodShape> = {
  [K in keyof S]: z.ZodMiniOptional<z.ZodMiniObject<{ value: S[K]; origin: typeof originField }, z.core.$strict>>;
};

/** Turns the full shape of a section into the shape that is stored. */
export function sparse<S extends z.core.$ZodShape>(shape: S): z.ZodMiniObject<SparseShape<S>, z.core.$strict> {
  const stored = Object.fromEntries(
    Object.entries(shape).map(([name, field]) => [
      name,
      z.optional(z.strictObject({ value: field, origin: originField })),
    ]),
  );
  return z.strictObject(stored) as unknown as z.ZodMiniObject<SparseShape<S>, z.core.$strict>;
}
