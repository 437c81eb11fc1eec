// Mutation test: a seeded sample of small faults is put into the heart of core/, one at a time, and the unit tests have
// to notice. The faults are those of Stryker's instrumenter; each is written into a copy of the project and Jest asked,
// the nearest and shortest tests first, until one fails: with a switch for every fault in one build, as is usual, the
// inner loop would be ten times slower. Prints the survivors; judges nothing. What has been tried is kept in .verify and not tried again
// until the file or a test has changed. `npm run mutants -- 400 1`: how many, and the seed.
import { Instrumenter } from "@stryker-mutator/instrumenter";
import { spawn } from "node:child_process";
import { createHash } from "node:crypto";
import { cpSync, existsSync, mkdirSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { availableParallelism } from "node:os";
import { join } from "node:path";
import { bin, install, root } from "./run.mjs";

install();
const wanted = Number(process.argv[2] ?? 400);
const seed = Number(process.argv[3] ?? 1);
const folder = join(root, ".verify/mutants");
/** A fault that makes a test run for ever is noticed too, ms. */
const LONGEST = 200_000;

const under = (part) => readdirSync(join(root, part), { recursive: true }).map((f) => join(part, String(f)));
const texts = new Map();
const text = (file) => {
  if (!texts.has(file)) texts.set(file, readFileSync(join(root, file), "utf8"));
  return texts.get(file);
};
const files = ["controller", "trial", "chamber", "product", "program"]
  .flatMap((part) => under(join("core", part)))
  .filter((f) => f.endsWith(".ts") && !f.endsWith(".test.ts"))
  .sort();
const silent = new Proxy({}, { get: () => () => false });
const { mutants } = await new Instrumenter(silent).instrument(
  files.map((name) => ({ name, mutate: true, content: text(name) })),
  { plugins: null, excludedMutations: [], ignorers: [], mutator: {} },
);
// Words are for people, and names are checked by the compiler: neither is a fault that a unit test is there for.
const possible = mutants.filter((m) => m.mutatorName !== "StringLiteral");

const digest = (...parts) => createHash("sha256").update(parts.join("\0")).digest("hex");
/** The lot that a fault draws: by what it does and not by where in its file it stands, so that an edit elsewhere keeps it. */
const lot = ({ fileName, location: { start }, replacement }) =>
  digest(seed, fileName, text(fileName).split("\n")[start.line], start.column, replacement);
const lots = new Map(possible.map((m) => [m, lot(m)]));
const drawn = [...possible].sort((a, b) => (lots.get(a) < lots.get(b) ? -1 : 1)).slice(0, wanted);
console.log(`${possible.length} possible in ${files.length} files; ${drawn.length} drawn with seed ${seed}`);

/** A source with one fault in it. */
function faulty({ fileName, location: { start, end }, replacement }) {
  const lines = text(fileName).split("\n");
  const from = lines.slice(0, start.line).join("\n").length + (start.line > 0 ? 1 : 0) + start.column;
  const to = lines.slice(0, end.line).join("\n").length + (end.line > 0 ? 1 : 0) + end.column;
  const source = text(fileName);
  return source.slice(0, from) + replacement + source.slice(to);
}

const tests = digest(
  ...under("core")
    .filter((f) => f.endsWith(".test.ts"))
    .sort()
    .map(text),
);
const keptIn = join(folder, "known.json");
mkdirSync(folder, { recursive: true });
const known = existsSync(keptIn) ? JSON.parse(readFileSync(keptIn, "utf8")) : {};
// What a test has noticed stays noticed; what none did is asked again once the tests are others.
const keyOf = (m) => digest(m.fileName, text(m.fileName), JSON.stringify(m.location), m.replacement);
const verdictOf = (m) => {
  const kept = known[keyOf(m)];
  return kept === "noticed" || kept === `survived ${tests}` ? kept : undefined;
};

/** Copies of the project to put faults into, one for each that is tried at a time. */
const desks = Array.from({ length: availableParallelism() }, (_, i) => {
  const desk = join(folder, `desk-${i}`);
  rmSync(desk, { recursive: true, force: true });
  mkdirSync(desk, { recursive: true });
  for (const part of ["core", "demo", "scripts", "jest.config.mjs", "package.json"])
    cpSync(join(root, part), join(desk, part), { recursive: true });
  symlinkSync(join(root, "node_modules"), join(desk, "node_modules"));
  return desk;
});

/**
 * Trials frozen to the last bit would notice anything and judge nothing, and what walks over many random chambers is too
 * slow to be asked four hundred times.
 */
const asked = under("core").filter(
  (f) => f.endsWith(".test.ts") && !/(hashes|fuzz|remedies|anything|solver)\.test|core\/(recommend|formats)/.test(f),
);
/** The files of tests for a source: those of its own folder first, then the quick ones. */
function testsFor(source) {
  const folderOf = (f) => f.split("/")[1];
  const rank = (f) =>
    (folderOf(f) === folderOf(source) ? 0 : /trial|verdict/.test(f) ? 2e6 : 1e6) +
    (/boxes/.test(f) ? 1e7 : 0) +
    text(f).length;
  return [...asked].sort((a, b) => rank(a) - rank(b)).join(",");
}

/** Whether a test notices. */
function ask(desk, file) {
  return new Promise((resolve) => {
    const child = spawn(
      process.execPath,
      [bin("jest/bin/jest.js"), "-c", "scripts/mutants.jest.mjs", "--runInBand", "--silent"],
      { cwd: desk, stdio: "ignore", env: { ...process.env, NODE_ENV: "test", TESTS: testsFor(file) } },
    );
    const clock = setTimeout(() => child.kill("SIGKILL"), LONGEST);
    child.on("exit", (code) => {
      clearTimeout(clock);
      resolve(code !== 0);
    });
  });
}

const left = drawn.filter((m) => !verdictOf(m));
let done = drawn.length - left.length;
await Promise.all(
  desks.map(async (desk) => {
    for (let m = left.shift(); m; m = left.shift()) {
      const at = join(desk, m.fileName);
      writeFileSync(at, faulty(m));
      const noticed = await ask(desk, m.fileName);
      writeFileSync(at, text(m.fileName));
      known[keyOf(m)] = noticed ? "noticed" : `survived ${tests}`;
      writeFileSync(keptIn, JSON.stringify(known));
      if (++done % 20 === 0) console.log(`${done} of ${drawn.length} tried`);
      if (!noticed) console.log(said(m));
    }
  }),
);

function said({ fileName, location: { start }, mutatorName, replacement }) {
  const line = text(fileName).split("\n")[start.line].trim();
  return `  ${fileName}:${start.line + 1} ${mutatorName}: ${line.slice(0, 100)}  →  ${replacement.replace(/\s+/g, " ").slice(0, 60)}`;
}
const survivors = drawn.filter((m) => verdictOf(m) !== "noticed");
console.log(`\nSurvivors:\n${survivors.map(said).sort().join("\n")}`);
const noticed = drawn.length - survivors.length;
console.log(`\n${noticed} of ${drawn.length} noticed, ${((100 * noticed) / drawn.length).toFixed(1)} %`);
