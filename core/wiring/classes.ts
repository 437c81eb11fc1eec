import { faultKey, type Fault } from "./circuit";
import { faultsOf } from "./faults";
import { BEEP, expectedOf, meterTests, type Interval, type MeterTest } from "./tests";
import type { WiringPlan } from "./plan";

/** A reading: volts, or ohms where a meter shows them; beeping and silence count as far below and far above. */
export type Readings = Readonly<Record<string, number>>;

/** Whether a reading can be where something is wrong: dead tests go by the beep, which every meter has. */
export function explains(test: MeterTest, { low, high }: Interval, read: number): boolean {
  if (test.live) return read >= low && read <= high;
  const beeps = read < BEEP.must;
  const silent = read > BEEP.mayNot;
  if (beeps) return low < BEEP.mayNot;
  if (silent) return high > BEEP.must;
  return low <= BEEP.mayNot && high >= BEEP.must;
}

/** Everything that single faults predict of all tests, worked out once for a plan. */
export interface Predicted {
  tests: MeterTest[];
  hypotheses: { fault: Fault; intervals: Interval[] }[];
}

export function predict(plan: WiringPlan): Predicted {
  const tests = meterTests(plan);
  const all: Fault[] = [{ kind: "none" }, ...faultsOf(plan)];
  return { tests, hypotheses: all.map((fault) => ({ fault, intervals: expectedOf(plan, tests, fault) })) };
}

/** What the readings so far leave possible. */
export interface Named {
  /** Single faults, or none, that explain all readings; the truth may always be something else besides. */
  possible: Fault[];
  /** No single thing explains them: something else, or more than one. */
  somethingElse: boolean;
  /** The test that tells most of what is left, every dead one before the first live one; null: none tells anything more. */
  next: MeterTest | null;
  /** All tests are done and nothing being wrong explains them. */
  pass: boolean;
}

/** What a test would show, coarsely, so that hypotheses that show the same stay together. */
function outcome(test: MeterTest, { low, high }: Interval): string {
  if (!test.live) return high < BEEP.must ? "beeps" : low > BEEP.mayNot ? "silent" : "either";
  return high < 40 ? "nothing" : low > 40 ? `${Math.round(Math.log2(low + high) * 2)}` : "either";
}

/** The class of faults that explains the readings, never one name out of several that fit. */
export function nameFaults({ tests, hypotheses }: Predicted, readings: Readings): Named {
  const done = tests.flatMap((t, i) => (readings[t.id] === undefined ? [] : [i]));
  const left = hypotheses.filter(({ intervals }) =>
    done.every((i) => explains(tests[i]!, intervals[i]!, readings[tests[i]!.id]!)),
  );
  const open = tests.map((_, i) => i).filter((i) => !done.includes(i));
  // Nobody measures live before all has been looked at dead.
  const dead = open.filter((i) => !tests[i]!.live);
  const allowed = dead.length > 0 ? dead : open;
  let next: MeterTest | null = null;
  let fewest = left.length;
  for (const i of allowed) {
    const groups = new Map<string, number>();
    for (const { intervals } of left) {
      const key = outcome(tests[i]!, intervals[i]!);
      groups.set(key, (groups.get(key) ?? 0) + 1);
    }
    const worst = Math.max(0, ...groups.values());
    if (worst < fewest) {
      fewest = worst;
      next = tests[i]!;
    }
  }
  if (next === null && dead.length > 0) next = tests[dead[0]!]!;
  const possible = left.map((h) => h.fault);
  return {
    possible,
    somethingElse: possible.length === 0,
    next,
    pass: open.length === 0 && possible.some((f) => faultKey(f) === "none"),
  };
}
