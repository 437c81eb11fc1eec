// Makes the service worker of this build: the list of its pages and files, and the program that keeps them.
import { createHash } from "node:crypto";
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { build } from "esbuild";
import { root } from "./run.mjs";

const revision = (file) => createHash("sha256").update(readFileSync(file)).digest("hex").slice(0, 16);
const files = (dir) =>
  readdirSync(dir, { recursive: true, withFileTypes: true })
    .filter((e) => e.isFile())
    .map((e) => join(e.parentPath, e.name));

function list() {
  const app = join(root, ".next/server/app");
  const fixed = join(root, ".next/static");
  const open = join(root, "public");
  const pages = files(app)
    .filter((f) => f.endsWith(".html") && !f.includes("/_"))
    .map((f) => ({ url: f.slice(app.length, -".html".length).replace(/^\/index$/, "/"), revision: revision(f) }));
  // The names of these change with what is in them.
  const chunks = files(fixed)
    .filter((f) => /\.(js|css|woff2)$/.test(f))
    .map((f) => ({ url: `/_next/static${f.slice(fixed.length)}`, revision: null }));
  const others = files(open)
    .filter((f) => !f.endsWith("sw.js"))
    .map((f) => ({ url: f.slice(open.length), revision: revision(f) }));
  const manifest = { url: "/manifest.webmanifest", revision: revision(join(app, "manifest.webmanifest.body")) };
  return [...pages, ...chunks, ...others, manifest];
}

export async function buildOffline() {
  const kept = list();
  await build({
    entryPoints: [join(root, "offline/worker.ts")],
    outfile: join(root, "public/sw.js"),
    bundle: true,
    minify: true,
    format: "iife",
    target: "es2022",
    define: { PRECACHE: JSON.stringify(kept), "process.env.NODE_ENV": '"production"' },
    logLevel: "warning",
  });
  console.log(`Service worker: ${kept.length} pages and files of this build are kept for when there is no server.`);
}
