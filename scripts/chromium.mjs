import { spawnSync } from "node:child_process";
import { existsSync } from "node:fs";
import { run } from "./run.mjs";

const places = [process.env.CHROMIUM, "/usr/bin/chromium", "/usr/bin/chromium-browser"].filter(Boolean);

/** Finds Debian's Chromium, or installs it through apt where that is allowed; otherwise says how to. */
export function chromium() {
  const found = places.find((place) => existsSync(place));
  if (found) return found;
  const mayInstall = process.getuid?.() === 0 && spawnSync("apt-get", ["--version"]).status === 0;
  if (mayInstall) {
    console.log("Installing Chromium for the browser tests …");
    const quiet = { DEBIAN_FRONTEND: "noninteractive" };
    if (run("apt-get", ["update", "-qq"], quiet)) run("apt-get", ["install", "-y", "-qq", "chromium"], quiet);
    const installed = places.find((place) => existsSync(place));
    if (installed) return installed;
  }
  console.error(
    "The browser tests need Chromium. Install it with\n\n  sudo apt-get update && sudo apt-get install -y chromium\n\n" +
      "or set CHROMIUM to the path of one that is there, and run `npm run verify` again.",
  );
  return null;
}
