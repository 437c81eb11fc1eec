// Writes the JSON Schemas of the files to where the application publishes it.
import { mkdirSync, writeFileSync } from "node:fs";
import { publishedProgramSchema, publishedSchema } from "../core/model";

mkdirSync("public/schema", { recursive: true });
writeFileSync("public/schema/workshop-4.json", JSON.stringify(publishedSchema(), null, 2) + "\n");
writeFileSync("public/schema/programs-1.json", JSON.stringify(publishedProgramSchema(), null, 2) + "\n");
