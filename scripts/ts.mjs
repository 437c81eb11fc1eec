// Runs one of the project's own TypeScript programs under Node: node scripts/ts.mjs FILE
import { build } from "esbuild";
import { join, parse } from "node:path";
import { pathToFileURL } from "node:url";
import { root } from "./run.mjs";

const file = process.argv[2];
const outfile = join(root, ".verify", "run", `${parse(file).name}.mjs`);
await build({ entryPoints: [file], outfile, bundle: true, platform: "node", format: "esm", packages: "external" });
await import(pathToFileURL(outfile).href);
