import * as z from "zod";
import { backupFile } from "./record";

/** JSON Schema (2020-12) of the backup file, as published in public/schema/. */
export const publishedSchema = (): object => ({
  ...z.toJSONSchema(backupFile, { target: "draft-2020-12" }),
  title: "Gentle Crock workshop backup, version 3",
  description:
    "Temperatures in °C, differences in K, lengths in m, volumes in m³, power in W, times in s. A chamber holds only what differs from its defaults, each value with its origin.",
});
