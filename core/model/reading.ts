import * as z from "zod/mini";
import { idField, quantityField } from "./fields";

/** A figure of a product, read by a person and typed beside its course. */
export const reading = z.strictObject({
  id: idField,
  vessel: idField,
  /** The name of the figure, as its product declares it. */
  name: z.string().check(z.minLength(1), z.maxLength(40)),
  /** s from the start of the program. */
  at: quantityField(0, 200 * 86_400),
  value: z.number().check(z.minimum(-1000), z.maximum(100_000)),
});
export type Reading = z.infer<typeof reading>;
