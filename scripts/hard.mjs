// Hard use in full: 10,000 damaged backups, 3,000 damaged calls at the door, 100 kills of the browser, 200 edits of two
// tabs at the same time, more random chambers, 500 random wirings with every single fault of each, 300 chambers
// with fields at their edges through every page. verify asks for a share of each. `npm run hard -- 7`: with another seed.
import { existsSync } from "node:fs";
import { join } from "node:path";
import { chromium } from "./chromium.mjs";
import { bin, install, node, root } from "./run.mjs";

install();
const seed = process.argv[2] ?? "20261126";
console.log(`seed ${seed}`);
const good = node(
  [
    bin("jest/bin/jest.js"),
    "workshop/hard",
    "door/hard",
    "core/recommend/recommend",
    "core/verdict/remedies",
    "core/wiring",
    "core/trial/edges",
    "core/trial/ensemble",
    "core/trial/finish",
    "core/verdict/words",
    "door/door",
  ],
  {
    NODE_ENV: "test",
    HARD: "1",
    HARD_BACKUPS: "10000",
    HARD_CALLS: "3000",
    HARD_SEED: seed,
  },
);
const browser = chromium();
const built = existsSync(join(root, ".next/BUILD_ID")) || node(["scripts/build.mjs"]);
const kills =
  browser !== null &&
  built &&
  node([bin("@playwright/test/cli.js"), "test", "e2e/kill.spec.ts", "e2e/edgePages.spec.ts"], {
    CHROMIUM: browser,
    HARD_KILLS: "100",
    HARD_EDITS: "200",
    HARD_PAGES: "300",
    HARD_SEED: seed,
  });
process.exit(good && kills ? 0 : 1);
