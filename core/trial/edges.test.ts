import { eachEdge, edgeChambers } from "../testing/edges";
import { tries } from "../testing/hard";
import type { ChamberRecord } from "../model";
import { imbalance } from "./energy";
import { trialOf } from "./input";
import { LeftGround } from "./leftGround";
import { planOf } from "./plan";
import { runTrial, type Trial } from "./runTrial";

const SEED = Number(process.env.HARD_SEED ?? 20261201);

/** The first number of a trial that is none, or lies beyond what the model stands for; empty where there is none. */
function flawOf(trial: Trial): string {
  const { low, high, layers, humidity, figures } = trial.trace;
  for (const name of ["air", "product", "reading"] as const)
    for (const row of [low[name], high[name]])
      if (row.some((t) => !(t > -120 && t < 600))) return `${name} ${String(row.find((t) => !(t > -120 && t < 600)))}`;
  for (const layer of layers) if (layer.high.some((t) => !(t < 2000))) return `layer ${layer.kind}`;
  for (const row of humidity ? [humidity.usual, humidity.low, humidity.high] : [])
    if (row.some((h) => !(h >= -1e-9 && h <= 1))) return "humidity";
  for (const figure of figures) if (figure.values.some((v) => v === Infinity || v === -Infinity)) return figure.name;
  const off = imbalance(trial.metrics.energy);
  return off < 1e-6 ? "" : `the account is off by ${off}`;
}

/** A trial comes to its end with figures that are finite and sane, or says that it left the ground. */
function outcome(record: ChamberRecord): string {
  try {
    return flawOf(runTrial(trialOf(planOf(record), 1, 10), 40));
  } catch (error) {
    return error instanceof LeftGround ? "" : String(error);
  }
}

describe("fields at the edges of what they accept", () => {
  it("alone: every trial is finite and sane, or ends with that said", () => {
    const flaws: string[] = [];
    for (const { name, record } of eachEdge(process.env.HARD !== undefined)) {
      const flaw = outcome(record);
      if (flaw) flaws.push(`${name}: ${flaw}`);
    }
    expect(flaws).toEqual([]);
  });

  it.each([2, 4])("%i at once, in chambers drawn at random", (fields) => {
    const flaws: string[] = [];
    for (const { name, record } of edgeChambers(tries(60, 1500), fields, SEED + fields)) {
      const flaw = outcome(record);
      if (flaw) flaws.push(`${name}: ${flaw}`);
    }
    expect(flaws).toEqual([]);
  });
});
