// Writes the JSON Schema of the backup file to where the application publishes it.
import { mkdirSync, writeFileSync } from "node:fs";
import { publishedSchema } from "../core/model";

mkdirSync("public/schema", { recursive: true });
writeFileSync("public/schema/workshop-4.json", JSON.stringify(publishedSchema(), null, 2) + "\n");
