// Mutation test: a seeded sample of small faults is put into the heart of core/, one at a time, and the unit tests have
// to notice. The faults are those of Stryker's instrumenter. Those that are drawn stand behind switches in one build,
// the tests stay loaded in a process for each core, and a fault is asked of the tests that meet it, the short ones
// first. Prints the survivors; judges nothing. What has been tried is kept in .verify and not tried again until the
// file or a test has changed. `npm run mutants -- 400 1`: how many, and the seed; a third number is for a first look:
// no fault is asked of more tests than run in so many seconds. What follows it says where: `... 100 1 60 trial/leap`.
import { Instrumenter } from "@stryker-mutator/instrumenter";
import { build, transformSync } from "esbuild";
import { fork } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { availableParallelism } from "node:os";
import { dirname, join } from "node:path";
import { install, root } from "./run.mjs";

install();
const wanted = Number(process.argv[2] ?? 400);
const seed = Number(process.argv[3] ?? 1);
const patience = 1000 * Number(process.argv[4] ?? Infinity);
const where = new RegExp(process.argv[5] ?? "");
const folder = join(root, ".verify/mutants");
mkdirSync(folder, { recursive: true });
/** A fault that makes a test run for ever is noticed too: so much longer than without it, ms. */
const longest = (ms) => 20_000 + 15 * ms;

const under = (part) => readdirSync(join(root, part), { recursive: true }).map((f) => join(part, String(f)));
const texts = new Map();
const text = (file) => {
  if (!texts.has(file)) texts.set(file, readFileSync(join(root, file), "utf8"));
  return texts.get(file);
};
const files = ["controller", "trial", "chamber", "product", "program", "wiring"]
  .flatMap((part) => under(join("core", part)))
  .filter((f) => f.endsWith(".ts") && !f.endsWith(".test.ts") && where.test(f))
  .sort();
/** The tests that are asked: what walks over many random chambers is too slow to be asked four hundred times. */
const testFiles = under("core")
  .filter((f) => f.endsWith(".test.ts") && !/(fuzz|remedies|anything|solver)\.test|core\/recommend/.test(f))
  // A part of the trial is the concern of the tests beside it.
  .filter((f) => !process.argv[5]?.startsWith("core/trial") || f.startsWith("core/trial"))
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

const tests = digest(...testFiles.map(text));
const keptIn = join(folder, "known.json");
const known = existsSync(keptIn) ? JSON.parse(readFileSync(keptIn, "utf8")) : {};
// What a test has noticed stays noticed; what none did is asked again once the tests are others.
const keyOf = (m) => digest(m.fileName, text(m.fileName), JSON.stringify(m.location), m.replacement);
const verdictOf = (m) => {
  const kept = known[keyOf(m)];
  return kept === "noticed" || kept === `survived ${tests}` ? kept : undefined;
};

/** Where a fault begins and ends in the text of its file. */
function spanOf({ fileName, location: { start, end } }) {
  const lines = text(fileName).split("\n");
  const at = ({ line, column }) => lines.slice(0, line).reduce((all, l) => all + l.length + 1, 0) + column;
  return { from: at(start), to: at(end) };
}

/** What is written before and after the place of a fault: a switch, or a note that it was met. */
function around(m, k, looking) {
  if (m.mutatorName === "BlockStatement")
    return looking ? [`{faultSeen[${k}]=1;`, "}"] : [`{if(faultNow===${k})${m.replacement}else`, "}"];
  return looking ? [`(faultSeen[${k}]=1,(`, "))"] : [`(faultNow===${k}?(${m.replacement}):(`, "))"];
}

/** A file with its faults behind switches; one fault may stand within another. */
function switched(file, faults, looking) {
  const marks = faults.flatMap(({ m, k }) => {
    const { from, to } = spanOf(m);
    const [before, after] = around(m, k, looking);
    return [
      // Where one ends and another begins, the end comes first; of two that begin together, the longer one.
      { at: from, rank: 1, within: -to, put: before },
      { at: to, rank: 0, within: -from, put: after },
    ];
  });
  marks.sort((a, b) => a.at - b.at || a.rank - b.rank || a.within - b.within);
  const source = text(file);
  let found = "";
  let last = 0;
  for (const { at, put } of marks) {
    found += source.slice(last, at) + put;
    last = at;
  }
  return found + source.slice(last);
}

/** Whether a fault can stand behind a switch: else it gets a build of its own. */
function placeable(m) {
  const { from, to } = spanOf(m);
  const source = text(m.fileName);
  // Parentheses would end the short way out of an optional chain; a case of a switch is no expression.
  if (source.slice(from, to).includes("?.") && /^\s*[.[(!?]/.test(source.slice(to))) return false;
  if (/^(case|default)\b/.test(m.replacement)) return false;
  try {
    for (const looking of [true, false])
      transformSync(switched(m.fileName, [{ m, k: 0 }], looking), { loader: "ts", logLevel: "silent" });
    return true;
  } catch {
    return false;
  }
}

/** Builds the tests with what they test into one file. `contents` gives the sources that are not as they stand. */
async function bundle(name, contents) {
  const outfile = join(folder, `${name}.mjs`);
  const imports = testFiles.map((f) => `import "./${f}";`).join("\n");
  await build({
    stdin: {
      contents: `import { serve } from "./scripts/mutants.desk.mjs";\n${imports}\nserve();`,
      resolveDir: root,
      loader: "ts",
    },
    inject: [join(root, "scripts/mutants.desk.mjs")],
    outfile,
    bundle: true,
    platform: "node",
    format: "esm",
    // All but what the desk shares with its tests: some packages cannot be taken by their names from where they lie.
    external: ["expect"],
    // Those that are older than modules of this kind ask for what they need by a call.
    banner: { js: "import { createRequire as callFor } from 'node:module'; const require = callFor(import.meta.url);" },
    // What the page need not load because nothing of it is used is loaded here all the same: tests are asked for by no name.
    ignoreAnnotations: true,
    logLevel: "error",
    plugins: [
      {
        name: "faults",
        setup: (b) =>
          b.onLoad({ filter: /core\/.*\.ts$/ }, ({ path }) => {
            const file = path.slice(root.length + 1);
            // What a trial keeps for the next one must not go from one fault to another.
            if (file === "core/trial/memo.ts") {
              const source = text(file).replace("JSON.stringify(argument)", "faultNow + JSON.stringify(argument)");
              if (source === text(file)) throw new Error("the memo is not what it was");
              return { contents: source, loader: "ts" };
            }
            const own = contents(file);
            // In one file for all, each still finds what lies beside its own.
            const placed = (own ?? text(file)).replaceAll("__dirname", JSON.stringify(dirname(path)));
            return { contents: placed, loader: "ts" };
          }),
      },
    ],
  });
  return outfile;
}

const faults = drawn.map((m, k) => ({ m, k })).filter(({ m }) => m.fileName !== "core/trial/memo.ts" && placeable(m));
const placed = new Set(faults.map(({ m }) => m));
const inFile = (file) => faults.filter(({ m }) => m.fileName === file);
const withSwitches = (looking) => (file) => (inFile(file).length ? switched(file, inFile(file), looking) : undefined);

const lookAt = await bundle("look", withSwitches(true));
const desk = await bundle("desk", withSwitches(false));
const { loading, seen } = await new Promise((resolve, reject) => {
  const child = fork(lookAt, { env: { ...process.env, LOOK: "1" } });
  child.once("message", (found) => {
    resolve(found);
    child.kill();
  });
  child.once("exit", (code) => reject(new Error(`the tests fail without a fault (${code})`)));
});
const total = seen.reduce((all, t) => all + t.ms, 0);
console.log(`${seen.length} tests take ${(total / 1000).toFixed(0)} s; ${placed.size} faults behind switches`);
const byTime = seen.map((t, index) => ({ ...t, index })).sort((a, b) => a.ms - b.ms);
/** The quick ones of some tests first, and of a first look no more than that. */
const inOrder = (so) => {
  let spent = 0;
  return byTime.filter((t) => so(t) && (spent += t.ms) <= patience).map((t) => t.index);
};
const everything = inOrder(() => true);

/** A process that tries faults, until one kills it. */
class Desk {
  /** Asks the tests of `order`; true once one notices. `file` and `preset` are for faults that act on loading. */
  async ask(fault, order, file = desk, preset = false) {
    if (this.file !== file || preset) this.leave();
    if (!this.child) {
      this.file = file;
      this.child = fork(file, {
        stdio: "ignore",
        env: { ...process.env, ...(preset ? { FAULT: String(fault) } : {}) },
      });
    }
    const { child } = this;
    const noticed = await new Promise((resolve) => {
      let clock;
      const within = (ms) => {
        clearTimeout(clock);
        clock = setTimeout(() => child.kill("SIGKILL"), longest(ms));
      };
      within(5000);
      const end = (answer) => {
        clearTimeout(clock);
        child.removeAllListeners();
        resolve(answer);
      };
      child.on("exit", () => {
        this.child = null;
        this.ready = false;
        end(true);
      });
      child.on("message", ({ ready, asking, by, spoilt }) => {
        if (ready) {
          this.ready = true;
          child.send({ fault, order });
        } else if (asking !== undefined) within(seen[asking].ms);
        else {
          if (spoilt) this.leave();
          end(by >= 0);
        }
      });
      if (this.ready) child.send({ fault, order });
    });
    if (preset || file !== desk) this.leave();
    return noticed;
  }

  leave() {
    this.child?.removeAllListeners();
    this.child?.kill("SIGKILL");
    this.child = null;
    this.ready = false;
  }
}

async function tried(m, at) {
  const k = drawn.indexOf(m);
  if (!placed.has(m)) {
    const { from, to } = spanOf(m);
    const source = text(m.fileName);
    const own = await bundle(`own-${k}`, (file) =>
      file === m.fileName ? source.slice(0, from) + m.replacement + source.slice(to) : undefined,
    ).catch(() => null);
    return own === null ? true : at.ask(-1, everything, own);
  }
  if (loading.includes(k)) return at.ask(k, everything, desk, true);
  const order = inOrder((t) => t.met.includes(k));
  return order.length > 0 && at.ask(k, order);
}

const left = drawn.filter((m) => !verdictOf(m));
let done = drawn.length - left.length;
await Promise.all(
  Array.from({ length: availableParallelism() }, async () => {
    const at = new Desk();
    for (let m = left.shift(); m; m = left.shift()) {
      const noticed = await tried(m, at);
      if (noticed || patience === Infinity) known[keyOf(m)] = noticed ? "noticed" : `survived ${tests}`;
      writeFileSync(keptIn, JSON.stringify(known));
      if (++done % 20 === 0) console.log(`${done} of ${drawn.length} tried`);
      if (!noticed) console.log(said(m));
    }
    at.leave();
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
