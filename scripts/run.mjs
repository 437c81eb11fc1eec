import { spawn, spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

export const root = dirname(dirname(fileURLToPath(import.meta.url)));
export const bin = (name) => join(root, "node_modules", ...name.split("/"));
export const nextBin = bin("next/dist/bin/next");

/** Runs a command in the project's folder with its output shown; returns whether it went well. */
export function run(command, args, env = {}) {
  const done = spawnSync(command, args, {
    cwd: root,
    stdio: "inherit",
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: "1", ...env },
  });
  return done.status === 0;
}

/** Runs a Node program. */
export const node = (args, env) => run(process.execPath, args, env);

/** Runs a Node program beside others; resolves to whether it went well, and to all that it said. */
export const quietly = (args) =>
  new Promise((resolve) => {
    const child = spawn(process.execPath, args, {
      cwd: root,
      stdio: ["ignore", "pipe", "pipe"],
      env: { ...process.env, NEXT_TELEMETRY_DISABLED: "1" },
    });
    const said = [];
    for (const stream of [child.stdout, child.stderr]) stream.on("data", (piece) => said.push(piece));
    child.on("error", (error) => resolve({ good: false, said: String(error) }));
    child.on("close", (code) => resolve({ good: code === 0, said: Buffer.concat(said).toString().trim() }));
  });

/** Installs what package-lock.json asks for, unless that has been done since it last changed. */
export function install() {
  const stamp = join(root, "node_modules", ".installed");
  const lock = createHash("sha256")
    .update(readFileSync(join(root, "package-lock.json")))
    .digest("hex");
  if (existsSync(stamp) && readFileSync(stamp, "utf8") === lock) return;
  console.log("Installing packages …");
  const npm = process.env.npm_execpath;
  const done = npm ? node([npm, "ci", "--include=dev"]) : run("npm", ["ci", "--include=dev"]);
  if (!done) {
    console.error("The packages could not be installed. Is the npm registry within reach?");
    process.exit(1);
  }
  mkdirSync(dirname(stamp), { recursive: true });
  writeFileSync(stamp, lock);
}

/** Starts the built application and waits until it answers; resolves to the child process. */
export async function serve(port, quiet = false) {
  const child = spawn(process.execPath, [join(root, "scripts/server.mjs")], {
    cwd: root,
    stdio: quiet ? "ignore" : ["ignore", "ignore", "inherit"],
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: "1", NODE_ENV: "production", PORT: String(port) },
  });
  for (let tries = 0; tries < 300; tries++) {
    if (child.exitCode !== null)
      throw new Error(`The server stopped at once. Is port ${port} in use? Set PORT to another.`);
    const up = await fetch(`http://127.0.0.1:${port}/`)
      .then((r) => r.ok)
      .catch(() => false);
    if (up) return child;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  child.kill();
  throw new Error("The server did not answer within 30 s.");
}
