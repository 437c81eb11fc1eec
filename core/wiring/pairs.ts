import { Dead, type DeadTest } from "./candidates";
import { faulted } from "./compiled";
import { both, type Fault } from "./fault";
import { broughtBy, consequencesOf } from "./hazards";
import type { Interval } from "./ohms";
import { isLive, testOf, type Proof, type Readings } from "./proof";
import { explains, toldApart } from "./reading";
import { isDangerous } from "./severity";

/** Between so many pairs others have their turn. */
const EACH = 40;
/** So many are enough to say that there are several. */
const MOST = 20;

/** What has to be so of one test. */
interface Condition {
  test: DeadTest;
  fits: (lies: Interval) => boolean;
}

/** Two dangerous faults at a time that explain the dead readings together, by what is joined: volts are left out. */
export const pairsThatExplain = (proof: Proof, readings: Readings): Generator<undefined, Fault[]> =>
  pairsThatFit(
    proof,
    Object.entries(readings).flatMap(([id, value]): Condition[] => {
      const test = testOf(proof, id);
      return test && !isLive(test) ? [{ test, fits: (lies) => explains(lies, value, test.asks) }] : [];
    }),
  );

/** Two dangerous faults at a time that may show what a sound wiring shows, of every test that is asked. */
export const pairsThatPass = (proof: Proof): Generator<undefined, Fault[]> =>
  pairsThatFit(
    proof,
    proof.asked.map((test) => ({ test, fits: (lies) => !toldApart(test.sound, lies, test.asks) })),
  );

/** Those whose dangers cancel each other are not among them. */
function* pairsThatFit(proof: Proof, conditions: readonly Condition[]): Generator<undefined, Fault[]> {
  const { base } = proof.dead;
  const at = conditions.map(
    ({
      test: {
        between: [a, b],
      },
    }) => [base.index.get(a)!, base.index.get(b)!] as const,
  );
  const all = consequencesOf(proof.plan).filter((c) => isDangerous(c) && c.fault.of !== "house");
  const found: Fault[] = [];
  let n = 0;
  // What one pair failed at the next one often fails at too: it is asked first.
  let first = 0;
  for (const [i, { fault: one }] of all.entries())
    for (const { fault: other } of all.slice(i + 1)) {
      if (++n % EACH === 0) yield undefined;
      const fault = both(one, other);
      const circuit = new Dead(faulted(base, fault.change));
      const fails = (k: number) => {
        const { test, fits } = conditions[k]!;
        return !fits(circuit.between(test.hand, ...at[k]!));
      };
      if (conditions.length > 0 && fails(first)) continue;
      const failing = conditions.findIndex((_, k) => fails(k));
      if (failing >= 0) {
        first = failing;
        continue;
      }
      if (!isDangerous({ hazards: broughtBy(proof.plan, fault) })) continue;
      found.push(fault);
      if (found.length >= MOST) return found;
    }
  return found;
}
