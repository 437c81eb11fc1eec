// Builds the application and puts the hashes of its inline scripts into the Content-Security-Policy.
import { createHash } from "node:crypto";
import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { nextBin, node, root } from "./run.mjs";
import { buildOffline } from "./offline.mjs";
import { buildThread } from "./thread.mjs";

if (!node([nextBin, "build"])) process.exit(1);
await buildThread();

ownErrorPage();

// The pages of errors stand beside the others.
const pages = ["app", "pages"].flatMap((dir) =>
  readdirSync(join(root, ".next/server", dir), { recursive: true })
    .filter((f) => String(f).endsWith(".html"))
    .map((f) => join(dir, String(f))),
);
const hashes = new Set();
for (const page of pages) {
  const html = readFileSync(join(root, ".next/server", page), "utf8");
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
await buildOffline();

/** The page for a failure of the server itself: without a script, in the styles of the others, and within the policy. */
function ownErrorPage() {
  const dir = join(root, ".next/server/pages");
  const [styles] = readFileSync(join(dir, "404.html"), "utf8").match(/<link rel="stylesheet"[^>]*>/) ?? [];
  if (!styles) throw new Error("The build's own page for unknown addresses has no styles to take over.");
  writeFileSync(
    join(dir, "500.html"),
    `<!DOCTYPE html><html lang="en"><head><meta charset="utf-8"/><meta name="viewport" content="width=device-width, initial-scale=1"/><title>Gentle Crock</title>${styles}</head><body><main class="mx-auto grid max-w-xl gap-4 p-8"><h1 class="text-3xl">The server could not answer</h1><p>It is our fault, not yours. Your chambers are in this browser, as they were.</p><p class="flex flex-wrap gap-2"><a class="key key-strong" href="/">To the Shelf</a></p></main></body></html>`,
  );
}
