// Bundles the program of the door's threads, which the server starts beside itself: node scripts/thread.mjs [FILE]
import { build } from "esbuild";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { root } from "./run.mjs";

export const buildThread = (outfile = join(root, ".next", "door-thread.mjs")) =>
  build({
    entryPoints: [join(root, "door/thread.ts")],
    outfile,
    bundle: true,
    platform: "node",
    format: "esm",
    target: "node20",
    alias: { "@": root },
    logLevel: "warning",
  });

if (import.meta.url === pathToFileURL(process.argv[1] ?? "").href) await buildThread(process.argv[2]);
