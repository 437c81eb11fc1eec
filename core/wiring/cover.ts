import { candidatesOf, Dead, type DeadTest } from "./candidates";
import { compiledOf, faulted } from "./compiled";
import { NONE, type Fault } from "./fault";
import { consequencesOf, type Consequence } from "./hazards";
import type { Compiled } from "./compiled";
import { toldApart } from "./reading";
import type { WiringPlan } from "./plan";
import { isDangerous, weightOf } from "./severity";

/** A plan's dead proof: the tests that are asked, all that could be, and what none of them tells. */
export interface DeadProof {
  base: Compiled;
  sound: Dead;
  asked: DeadTest[];
  candidates: DeadTest[];
  /** Dangerous faults that no dead test tells from a sound wiring. */
  untold: Consequence[];
  untoldPairs: Fault[];
}

const ROUNDS = 16;

/** A test inside of the enclosure, or with something moved by hand, is dearer than one at plug and outlets. */
function costOf(base: Compiled, { between, hand }: DeadTest): number {
  const within = between.filter((id) => base.net.pins.get(id)!.role.is === "inner").length;
  return 1 + 0.02 * within + (hand === null ? 0 : 0.3);
}

/** Tests that together tell all of `told`: each time the one that gains most for its cost, then without the needless. */
function chosenBy(
  tells: readonly (readonly number[])[],
  told: ReadonlySet<number>,
  costs: readonly number[],
  worth: readonly number[],
): number[] {
  const open = new Set(told);
  const chosen: number[] = [];
  while (open.size > 0) {
    let best = 0;
    let most = -1;
    for (const [i, list] of tells.entries()) {
      let gain = 0;
      for (const k of list) if (open.has(k)) gain += worth[k]!;
      if (gain / costs[i]! > most) {
        most = gain / costs[i]!;
        best = i;
      }
    }
    chosen.push(best);
    for (const k of tells[best]!) open.delete(k);
  }
  const times = worth.map(() => 0);
  for (const i of chosen) for (const k of tells[i]!) times[k]!++;
  return chosen.filter((i) => {
    if (tells[i]!.some((k) => told.has(k) && times[k]! < 2)) return true;
    for (const k of tells[i]!) times[k]!--;
    return false;
  });
}

/** What every test that could be made tells of single faults; worked out once for a plan. */
interface Told {
  base: Compiled;
  sound: Dead;
  candidates: DeadTest[];
  dangerous: Consequence[];
  /** For each candidate, which of the dangerous ones it tells. */
  tells: number[][];
}

const known = new WeakMap<WiringPlan, Told>();

/** Which of some faults each test tells from a sound wiring. */
function toldBy(base: Compiled, candidates: readonly DeadTest[], faults: readonly Fault[]): number[][] {
  const circuits = faults.map(({ change }) => new Dead(faulted(base, change)));
  return candidates.map((test) => {
    const [a, b] = [base.index.get(test.between[0])!, base.index.get(test.between[1])!];
    return circuits.flatMap((c, k) => (toldApart(test.sound, c.between(test.hand, a, b), test.asks) ? [k] : []));
  });
}

function toldOf(plan: WiringPlan): Told {
  const found = known.get(plan);
  if (found) return found;
  const base = compiledOf(plan);
  const sound = new Dead(faulted(base, NONE.change));
  const candidates = candidatesOf(base, sound);
  const dangerous = consequencesOf(plan).filter((c) => (isDangerous(c) || c.fault.asked) && c.fault.of !== "house");
  const faults = dangerous.map((c) => c.fault);
  const all = { base, sound, candidates, dangerous, tells: toldBy(base, candidates, faults) };
  known.set(plan, all);
  return all;
}

/**
 * The least set of dead tests that tells every dangerous fault that a dead test can tell, the worst told first (greedy).
 * @param pairs two faults at a time that have to be told too
 */
export function deadProofOf(plan: WiringPlan, pairs: readonly Fault[] = []): DeadProof {
  const { base, sound, candidates, dangerous, tells: singles } = toldOf(plan);
  const more = toldBy(base, candidates, pairs);
  const tells = singles.map((list, i) => [...list, ...more[i]!.map((k) => k + dangerous.length)]);
  const weights = [...dangerous.map(weightOf), ...pairs.map(() => 0)];
  const told = new Set(weights.map((_, k) => k).filter((k) => tells.some((list) => list.includes(k))));
  const costs = candidates.map((test) => costOf(base, test));
  // A greedy choice is not always the least: the least of several, each with other things a little dearer.
  const dearer = (i: number, round: number) => 1 + 0.04 * round * (((i * 7919 + round * 104_729) % 97) / 97);
  const needed = Array.from({ length: ROUNDS }, (_, round) =>
    chosenBy(
      tells,
      told,
      // By turns with what is nearest at hand, and by number alone.
      costs.map((cost, i) => (round % 2 === 0 ? cost : 1) * dearer(i, round)),
      weights.map((w) => 1 + [0.05, 0, 0.3][round % 3]! * w),
    ),
  ).reduce((least, other) => (other.length < least.length ? other : least));
  const worst = (i: number) => Math.max(0, ...tells[i]!.map((k) => weights[k]!));
  const asked = needed
    .map((i) => ({ test: candidates[i]!, worst: worst(i) }))
    .sort((a, b) => Number(a.test.hand !== null) - Number(b.test.hand !== null) || b.worst - a.worst)
    .map(({ test }) => test);
  return {
    base,
    sound,
    asked,
    candidates,
    untold: dangerous.filter((_, k) => !told.has(k)),
    untoldPairs: pairs.filter((_, k) => !told.has(k + dangerous.length)),
  };
}
