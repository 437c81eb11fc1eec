import { Dead, type DeadTest } from "./candidates";
import { faulted } from "./compiled";
import { both, type Fault } from "./fault";
import { broughtBy, consequencesOf } from "./hazards";
import { isLive, testOf, type Proof, type Readings } from "./proof";
import { explains } from "./reading";
import { isDangerous } from "./severity";

/** Between so many pairs others have their turn. */
const EACH = 40;
/** So many are enough to say that there are several. */
const MOST = 20;

/**
 * Two dangerous faults at a time that explain the dead readings together, by what is joined: volts are left out.
 * Those whose dangers cancel each other are not among them.
 */
export function* pairsThatExplain(
  proof: Proof,
  readings: Readings,
  progress: (share: number) => void = () => undefined,
): Generator<undefined, Fault[]> {
  const read = Object.entries(readings).flatMap(([id, value]) => {
    const test = testOf(proof, id);
    return test && !isLive(test) ? [{ test: test as DeadTest, value }] : [];
  });
  const { base } = proof.dead;
  const at = read.map(
    ({
      test: {
        between: [a, b],
      },
    }) => [base.index.get(a)!, base.index.get(b)!] as const,
  );
  const all = consequencesOf(proof.plan).filter((c) => isDangerous(c) && c.fault.of !== "house");
  const found: Fault[] = [];
  let n = 0;
  // A reading that both of a pair fail to explain tells most: the last one that did is asked first.
  let first = 0;
  for (const [i, { fault: one }] of all.entries())
    for (const { fault: other } of all.slice(i + 1)) {
      if (++n % EACH === 0) {
        progress((2 * n) / (all.length * (all.length - 1)));
        yield undefined;
      }
      const fault = both(one, other);
      const circuit = new Dead(faulted(base, fault.change));
      const fails = (k: number) => {
        const { test, value } = read[k]!;
        return !explains(circuit.between(test.hand, ...at[k]!), value, test.asks);
      };
      if (read.length > 0 && fails(first)) continue;
      const failing = read.findIndex((_, k) => fails(k));
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
