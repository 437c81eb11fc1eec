import * as z from "zod";
import { backupFile, programFile } from "./record";

/** JSON Schema (2020-12) of the backup file, as published in public/schema/. */
export const publishedSchema = (): object => ({
  ...z.toJSONSchema(backupFile, { target: "draft-2020-12" }),
  title: "Gentle Crock workshop backup, version 4",
  description:
    "Temperatures in °C, differences in K, lengths in m, volumes in m³, power in W, times in s. A chamber holds only what differs from its defaults, each value with its origin. Where a chamber has a recorded room, the file is a zip archive: this form as workshop.json, and series/ID/N.bin for block N (from 0) of a series: its times, s, as 64-bit floats, then each column as 32-bit floats, low byte first, at most 8192 rows.",
});

/** JSON Schema (2020-12) of a file of programs, as published in public/schema/. */
export const publishedProgramSchema = (): object => ({
  ...z.toJSONSchema(programFile, { target: "draft-2020-12" }),
  title: "Gentle Crock programs, version 1",
  description:
    "Temperatures in °C, differences in K, times in s, humidity as a share. A stage holds only what it says itself, each value with its origin; what it does not say of band and wish is as in the stage before. A stage that waits for the product names it vessel “v1”.",
});
