import * as z from "zod";
import { backupFile } from "./record";

/** JSON Schema (2020-12) of the backup file, as published in public/schema/. */
export const publishedSchema = (): object => ({
  ...z.toJSONSchema(backupFile, { target: "draft-2020-12" }),
  title: "Gentle Crock workshop backup, version 4",
  description:
    "Temperatures in °C, differences in K, lengths in m, volumes in m³, power in W, times in s. A chamber holds only what differs from its defaults, each value with its origin. Where a chamber has a recorded room, the file is a zip archive: this form as workshop.json, and series/ID/N.bin for block N (from 0) of a series: its times, s, as 64-bit floats, then each column as 32-bit floats, low byte first, at most 8192 rows.",
});
