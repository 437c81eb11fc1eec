import { candidatesOf, Dead, type DeadTest } from "./candidates";
import { compiledOf, faulted } from "./compiled";
import { NONE } from "./fault";
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
}

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

/** The least set of dead tests that tells every dangerous fault that a dead test can tell, the worst told first (greedy). */
export function deadProofOf(plan: WiringPlan): DeadProof {
  const base = compiledOf(plan);
  const sound = new Dead(faulted(base, NONE.change));
  const candidates = candidatesOf(base, sound);
  const dangerous = consequencesOf(plan).filter((c) => (isDangerous(c) || c.fault.asked) && c.fault.of !== "house");
  const circuits = dangerous.map(({ fault }) => new Dead(faulted(base, fault.change)));
  const at = candidates.map(({ between: [a, b] }) => [base.index.get(a)!, base.index.get(b)!] as const);
  const tells = candidates.map((test, i) => {
    const list: number[] = [];
    for (let k = 0; k < circuits.length; k++)
      if (toldApart(test.sound, circuits[k]!.between(test.hand, ...at[i]!), test.asks)) list.push(k);
    return list;
  });
  const weights = dangerous.map(weightOf);
  const told = new Set(dangerous.map((_, k) => k).filter((k) => tells.some((list) => list.includes(k))));
  const costs = candidates.map((test) => costOf(base, test));
  // A greedy choice is not always the least: the least of several.
  const needed = [0.05, 0, 0.3]
    .map((worth) =>
      chosenBy(
        tells,
        told,
        costs,
        weights.map((w) => 1 + worth * w),
      ),
    )
    .reduce((least, other) => (other.length < least.length ? other : least));
  const worst = (i: number) => Math.max(0, ...tells[i]!.map((k) => weights[k]!));
  const asked = needed
    .map((i) => ({ test: candidates[i]!, worst: worst(i) }))
    .sort((a, b) => Number(a.test.hand !== null) - Number(b.test.hand !== null) || b.worst - a.worst)
    .map(({ test }) => test);
  return { base, sound, asked, candidates, untold: dangerous.filter((_, k) => !told.has(k)) };
}
