// A trial against the least that it can cost on this machine: a plain C loop of as many nodes and steps, in turn with it.
import { execFileSync } from "node:child_process";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { tryChange } from "../core/chamber";
import { applyEdits, type ChamberRecord, type Edit } from "../core/model";
import { recordWith } from "../core/testing/build";
import { kelvins } from "../core/quantity";
import { advance, planOf, runTrial, startRun, trialOf, unwatched, type Given, type TrialInput } from "../core/trial";
import { hollinMill } from "../demo/hollinMill";

const ROUNDS = 8;
const folder = mkdtempSync(join(tmpdir(), "limit-"));
const compiled = new Map<string, string | null>();

/** The C loop with so many nodes, a step and a length; null where nothing compiles it. */
function limitOf(nodes: number, dt: number, days: number): string | null {
  const key = `${nodes}-${dt}-${days}`;
  if (!compiled.has(key)) {
    const out = join(folder, key);
    const sizes = [`-DN=${nodes}`, `-DSTEP=${dt.toFixed(1)}`, `-DDAYS=${days}`];
    try {
      execFileSync("cc", ["-O2", ...sizes, "-o", out, join("scripts", "limit.c"), "-lm"], { stdio: "ignore" });
      compiled.set(key, out);
    } catch {
      compiled.set(key, null);
    }
  }
  return compiled.get(key)!;
}

const sorted = (values: number[]) => values.sort((a, b) => a - b);
const ends = (values: number[]) => `${values[0]!.toFixed(0)}, median ${values[values.length >> 1]!.toFixed(0)} ms`;

/** Runs both in turn, so that a slow moment of the machine meets both. */
function compare(name: string, input: TrialInput, days = input.days): void {
  const nodes = startRun(input).network.nodes.length;
  const limit = limitOf(nodes, input.dt, days);
  const taken: { leapt: number[]; plain: number[]; limit: number[] } = { leapt: [], plain: [], limit: [] };
  let switched = 0;
  for (let i = 0; i < ROUNDS + 2; i++) {
    const started = performance.now();
    const trial = runTrial(input);
    const leapt = performance.now() - started;
    switched = trial.devices.reduce((sum, d) => sum + d.times.length, 0);
    runTrial({ ...input, plain: true });
    const plain = performance.now() - started - leapt;
    // The first two let the engine warm up.
    if (i < 2) continue;
    taken.leapt.push(leapt);
    taken.plain.push(plain);
    if (limit) taken.limit.push(Number(execFileSync(limit, ["1"], { encoding: "utf8" })));
  }
  const [leapt, plain, least] = [taken.leapt, taken.plain, taken.limit].map(sorted) as [number[], number[], number[]];
  const ratio = (of: number[]) =>
    limit
      ? `${(of[0]! / least[0]!).toFixed(2)} times as long as ${days} days in C (medians ${(of[ROUNDS >> 1]! / least[ROUNDS >> 1]!).toFixed(2)} times)`
      : "not compared: this machine has no C compiler";
  console.log(
    `${name}, ${input.days} days at ${input.dt} s, ${nodes} nodes, ${Math.round((switched * 30) / input.days)} switchings a month: fastest ${ends(leapt)}, ${ratio(leapt)}; step by step ${ends(plain)}, ${ratio(plain)}`,
  );
}

const edited = (record: ChamberRecord, ...edits: Edit[]): ChamberRecord => {
  const tried = tryChange(record, (r) => applyEdits(r, edits));
  if (!tried.ok) throw new Error(tried.problem);
  return tried.value;
};
const edit = (section: string, field: string, value: unknown): Edit => ({ section, field, value }) as Edit;

for (const record of hollinMill()) {
  const input = trialOf(planOf(record), 30);
  compare(record.name, input);
}
// What cannot leap, or hardly: there it must not be slower than stepping.
const [larder] = hollinMill();
for (const [name, ...edits] of [
  ["Larder with a noisy probe", edit("probe", "noise", kelvins(0.2))],
  [
    "Larder switched tightly",
    edit("settings", "heatingDifferential", kelvins(0.1)),
    edit("settings", "coolingDifferential", kelvins(0.1)),
  ],
] as [string, ...Edit[]][])
  compare(name, trialOf(planOf(edited(larder!, ...edits)), 30));
const held = edited(recordWith(), edit("product", "kind", "hold"), edit("moisture", "reckoned", false));
compare("Held, a year", trialOf(planOf(held), 365, 5), 30);

/** A fortnight whose switching is known: what a fit asks for again and again. */
function replay(record: ChamberRecord): void {
  const input = trialOf(planOf(record), 14);
  const run = startRun(input);
  const given: Given[] = [];
  let was = -1;
  advance(run, run.steps, {
    sample({ step, on, heating, cooling }) {
      if (on === was) return;
      was = on;
      given.push({ at: step * input.dt, outs: [Number(heating), Number(cooling)] });
    },
    leap: () => undefined,
  });
  const taken = sorted(
    Array.from({ length: 12 }, () => {
      const started = performance.now();
      const again = startRun({ ...input, given });
      advance(again, again.steps, unwatched);
      return performance.now() - started;
    }),
  );
  console.log(
    `${record.name}, a fortnight of ${given.length} seen switchings replayed: fastest ${taken[0]!.toFixed(0)}, median ${taken[6]!.toFixed(0)} ms`,
  );
}
replay(larder!);
