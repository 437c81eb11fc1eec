// Everything that has to hold: types, lint, floors, unused code, unit tests, build, browser tests.
// The last line is "N passed, N failed" over all tests and checks.
import { existsSync, mkdirSync, readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import { bin, install, node, quietly, root } from "./run.mjs";
import { chromium } from "./chromium.mjs";

install();
const browser = chromium();
rmSync(join(root, ".verify"), { recursive: true, force: true });
mkdirSync(join(root, ".verify"));

let passed = 0;
let failed = 0;
const failures = [];
/** What each suite may take on two quiet cores, s; over it is said, and no failure: machines differ. */
const budgets = { "types, lint, format, floors": 90, "unit tests": 300, build: 60, "browser tests": 420 };
const spent = [];
const timed = (name, work) => {
  const begun = Date.now();
  const result = work();
  spent.push([name, Math.round((Date.now() - begun) / 1000)]);
  return result;
};
const count = (name, good, bad) => {
  passed += good;
  failed += bad;
  if (bad) failures.push(name);
};

function check(name, args, env) {
  console.log(`\n— ${name}`);
  const good = timed(name, () => node(args, env));
  count(name, good ? 1 : 0, good ? 0 : 1);
  return good;
}

/** Checks that do not disturb each other, so many at a time; what each says is printed as one. */
async function checks(list, atOnce) {
  const begun = Date.now();
  const waiting = [...list];
  const hand = async () => {
    for (let next = waiting.shift(); next; next = waiting.shift()) {
      const [name, args] = next;
      const { good, said } = await quietly(args);
      console.log(`\n— ${name}\n${said}`);
      count(name, good ? 1 : 0, good ? 0 : 1);
    }
  };
  await Promise.all(Array.from({ length: atOnce }, hand));
  spent.push(["types, lint, format, floors", Math.round((Date.now() - begun) / 1000)]);
}

/** A test run that writes a report to count; a run without a report is one failure. */
function tests(name, args, report, read, env) {
  console.log(`\n— ${name}`);
  const good = timed(name, () => node(args, env));
  const file = join(root, report);
  if (!existsSync(file)) return count(name, 0, 1);
  const { ok, bad } = read(JSON.parse(readFileSync(file, "utf8")));
  count(name, ok, bad || (good ? 0 : 1));
}

check("route types", [bin("next/dist/bin/next"), "typegen"]);
const tsc = bin("typescript/bin/tsc");
const floors = "app bench rooms parts workshop workers demo door offline core".split(" ");
// They only read, and each keeps one core busy: two at a time.
await checks(
  [
    ["lint", [bin("eslint/bin/eslint.js"), "."]],
    ["types", [tsc, "--noEmit"]],
    ["format", [bin("prettier/bin/prettier.cjs"), "--check", "--log-level", "warn", "."]],
    ["types of the core alone", [tsc, "--noEmit", "-p", "core"]],
    ["floors", [bin("dependency-cruiser/bin/dependency-cruise.mjs"), "--config", ".dependency-cruiser.cjs", ...floors]],
    ["unused code", [bin("knip/bin/knip.js")]],
    ["types of the service worker", [tsc, "--noEmit", "-p", "offline"]],
  ],
  2,
);
tests(
  "unit tests",
  [bin("jest/bin/jest.js"), "--json", "--outputFile", ".verify/unit.json"],
  ".verify/unit.json",
  (r) => ({ ok: r.numPassedTests, bad: r.numFailedTests + r.numRuntimeErrorTestSuites }),
  { NODE_ENV: "test" },
);
if (check("build", ["scripts/build.mjs"]) && browser)
  tests(
    "browser tests",
    [bin("@playwright/test/cli.js"), "test"],
    ".verify/e2e.json",
    (r) => ({ ok: r.stats.expected, bad: r.stats.unexpected + r.stats.flaky + r.stats.skipped + r.errors.length }),
    { CHROMIUM: browser },
  );
else count("browser tests", 0, 1);

console.log("\nTime taken");
for (const [name, seconds] of spent) {
  const budget = budgets[name] ?? 45;
  console.log(`  ${name}: ${seconds} s of ${budget} s${seconds > budget ? ", OVER ITS BUDGET" : ""}`);
}
console.log(`  in all: ${spent.reduce((sum, [, s]) => sum + s, 0)} s of 900 s`);

if (failures.length) console.error(`\nFailed: ${failures.join(", ")}`);
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed ? 1 : 0);
