// Builds the application and puts the hashes of its inline scripts into the Content-Security-Policy.
import { createHash } from "node:crypto";
import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { nextBin, node, root } from "./run.mjs";

if (!node([nextBin, "build"])) process.exit(1);

const pages = readdirSync(join(root, ".next/server/app"), { recursive: true }).filter((f) =>
  String(f).endsWith(".html"),
);
const hashes = new Set();
for (const page of pages) {
  const html = readFileSync(join(root, ".next/server/app", String(page)), "utf8");
  for (const [, attributes, body] of html.matchAll(/<script([^>]*)>([\s\S]*?)<\/script>/g))
    if (!/\bsrc=/.test(attributes) && body)
      hashes.add(`'sha256-${createHash("sha256").update(body).digest("base64")}'`);
}
const manifest = join(root, ".next/routes-manifest.json");
const before = readFileSync(manifest, "utf8");
const after = before.replaceAll("'sha256-HASHES-OF-INLINE-SCRIPTS'", [...hashes].sort().join(" "));
if (after === before) {
  console.error("The policy's place for hashes was not found in the build.");
  process.exit(1);
}
writeFileSync(manifest, after);
console.log(`Content-Security-Policy: ${hashes.size} inline scripts of ${pages.length} pages named by hash.`);
