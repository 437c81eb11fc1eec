// Mutation test: a seeded sample of small faults is put into the heart of core/, one at a time, and the unit tests have
// to notice. Prints the survivors; judges nothing. `npm run mutants -- 400 1`: how many, and the seed.
import { Instrumenter } from "@stryker-mutator/instrumenter";
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { install, node, root } from "./run.mjs";

install();
const wanted = Number(process.argv[2] ?? 400);
const seed = Number(process.argv[3] ?? 1);
const folder = join(root, ".verify/mutants");
mkdirSync(folder, { recursive: true });

const files = ["controller", "trial", "chamber", "product", "program"]
  .flatMap((part) => readdirSync(join(root, "core", part), { recursive: true }).map((f) => `core/${part}/${f}`))
  .filter((f) => f.endsWith(".ts") && !f.endsWith(".test.ts"))
  .sort();
// Words are for people, and names are checked by the compiler: neither is a fault that a unit test is there for.
const excludedMutations = ["StringLiteral"];
const silent = new Proxy({}, { get: () => () => false });
const { mutants } = await new Instrumenter(silent).instrument(
  files.map((name) => ({ name, mutate: true, content: readFileSync(join(root, name), "utf8") })),
  { plugins: null, excludedMutations: [], ignorers: [], mutator: {} },
);

/** Numbers of 0..1 in an order that the seed decides (a linear congruence, Numerical Recipes' constants). */
let random = seed >>> 0;
const next = () => (random = (Math.imul(random, 1664525) + 1013904223) >>> 0) / 2 ** 32;

const order = (m) => [m.start.line, m.start.column, m.end.line, m.end.column];
const inside = (a, b) =>
  a.fileName === b.fileName &&
  (a.location.start.line > b.location.start.line ||
    (a.location.start.line === b.location.start.line && a.location.start.column >= b.location.start.column)) &&
  (a.location.end.line < b.location.end.line ||
    (a.location.end.line === b.location.end.line && a.location.end.column <= b.location.end.column));
const possible = mutants
  .filter((m) => !excludedMutations.includes(m.mutatorName))
  .sort(
    (a, b) => a.fileName.localeCompare(b.fileName) || order(a.location).join().localeCompare(order(b.location).join()),
  );
// A place is drawn with all that lies within it; one that holds many (the whole of a function) would crowd the sample.
const places = possible.filter((m) => possible.filter((o) => inside(o, m)).length <= 4);
for (let i = places.length - 1; i > 0; i--) {
  const j = Math.floor(next() * (i + 1));
  [places[i], places[j]] = [places[j], places[i]];
}
const taken = new Set();
const ranges = [];
for (const place of places) {
  const own = possible.filter((o) => inside(o, place) && !taken.has(o));
  if (own.length === 0 || taken.size + own.length > wanted) continue;
  own.forEach((o) => taken.add(o));
  const { start, end } = place.location;
  ranges.push(`${place.fileName}:${start.line + 1}:${start.column}-${end.line + 1}:${end.column}`);
}
console.log(`${possible.length} mutants in ${files.length} files; ${taken.size} drawn with seed ${seed}`);

const report = join(folder, "report.json");
writeFileSync(
  join(folder, "config.json"),
  JSON.stringify({
    mutate: ranges,
    mutator: { excludedMutations },
    testRunner: "jest",
    jest: { configFile: "scripts/mutants.jest.mjs" },
    coverageAnalysis: "perTest",
    reporters: ["json", "progress-append-only"],
    jsonReporter: { fileName: report },
    tempDirName: join(folder, "work"),
    // What is known already is not tried again: a second run after a new test asks the survivors alone.
    incremental: true,
    incrementalFile: join(folder, `known-${wanted}-${seed}.json`),
    ignorePatterns: [".next", ".verify", "docs", "public", "e2e", "test-results"],
    concurrency: 2,
    dryRunTimeoutMinutes: 30,
    timeoutMS: 15_000,
    timeoutFactor: 1.2,
    // A number in a table is read once, before any test: which test would notice it cannot be told.
    ignoreStatic: true,
    disableTypeChecks: false,
    allowEmpty: true,
  }),
);
const done = node([
  join(root, "node_modules/@stryker-mutator/core/bin/stryker.js"),
  "run",
  join(folder, "config.json"),
]);

const { files: reported } = JSON.parse(readFileSync(report, "utf8"));
const counts = {};
for (const [name, { mutants: own, source }] of Object.entries(reported)) {
  const lines = source.split("\n");
  for (const m of own) {
    counts[m.status] = (counts[m.status] ?? 0) + 1;
    if (m.status !== "Survived" && m.status !== "NoCoverage") continue;
    const { line } = m.location.start;
    console.log(
      `${m.status} ${name}:${line} ${m.mutatorName} -> ${m.replacement?.slice(0, 60)}   ${lines[line - 1].trim().slice(0, 110)}`,
    );
  }
}
const { Killed = 0, Timeout = 0, Survived = 0, NoCoverage = 0 } = counts;
const all = Killed + Timeout + Survived + NoCoverage;
console.log(
  `${Killed + Timeout} of ${all} killed (${((100 * (Killed + Timeout)) / all).toFixed(1)} %): ${JSON.stringify(counts)}`,
);
process.exit(done ? 0 : 1);
