import { faultsOf } from "./faults";
import { orientationsOf } from "./orientations";
import { faultKey, type Fault, type Orientation } from "./state";
import { BEEP, expectedOf, meterTests, type Interval, type MeterTest } from "./tests";
import type { WiringPlan } from "./plan";
import { outletsIn } from "./wires";

/** A reading: volts, or ohms where a meter shows them; beeping and silence count as far below and far above. */
export type Readings = Readonly<Record<string, number>>;

/** Whether a reading can be where something is wrong: dead tests go by the beep, which every meter has. */
export function explains(test: MeterTest, { low, high }: Interval, read: number): boolean {
  if (test.asks !== "beep") return read >= low && read <= high;
  const beeps = read < BEEP.must;
  const silent = read > BEEP.mayNot;
  if (beeps) return low < BEEP.mayNot;
  if (silent) return high > BEEP.must;
  return low <= BEEP.mayNot && high >= BEEP.must;
}

/** Everything that single faults predict of all tests, worked out once for a plan. */
export interface Predicted {
  tests: MeterTest[];
  /** Each fault in every way in which the plugs may stand in the wall: they stay so while one measures. */
  hypotheses: { fault: Fault; orientation: Orientation; intervals: Interval[] }[];
}

export function predict(plan: WiringPlan): Predicted {
  const tests = meterTests(plan);
  if (outletsIn(plan).length === 0) return { tests: [], hypotheses: [] };
  const all: Fault[] = [{ kind: "none" }, ...faultsOf(plan)];
  const orientations = orientationsOf(plan);
  return {
    tests,
    hypotheses: all.flatMap((fault) =>
      expectedOf(plan, tests, fault, orientations).map((intervals, i) => ({
        fault,
        orientation: orientations[i]!,
        intervals,
      })),
    ),
  };
}

/** What a sound wiring shows of a test, in each way in which the plugs may stand. */
export const soundIntervals = ({ hypotheses }: Predicted, test: number): Interval[] =>
  hypotheses.filter((h) => h.fault.kind === "none").map((h) => h.intervals[test]!);

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
  if (test.asks === "ohms") return `${Math.round(Math.log2(low + Math.min(high, 1e7)) * 2)}`;
  if (!test.live) return high < BEEP.must ? "beeps" : low > BEEP.mayNot ? "silent" : "either";
  return high < 40 ? "nothing" : low > 40 ? `${Math.round(Math.log2(low + high) * 2)}` : "either";
}

/** What explains all readings so far. */
const explaining = ({ tests, hypotheses }: Predicted, readings: Readings, done: readonly number[]) =>
  hypotheses.filter(({ intervals }) => done.every((i) => explains(tests[i]!, intervals[i]!, readings[tests[i]!.id]!)));

/** However the plugs stand, it is the same fault. */
const faultsAmong = (left: Predicted["hypotheses"]): Fault[] => [
  ...new Map(left.map(({ fault }) => [faultKey(fault), fault])).values(),
];

const doneOf = ({ tests }: Predicted, readings: Readings): number[] =>
  tests.flatMap((t, i) => (readings[t.id] === undefined ? [] : [i]));

/** The single faults, and none, that explain the readings. */
export const possibleFaults = (predicted: Predicted, readings: Readings): Fault[] =>
  faultsAmong(explaining(predicted, readings, doneOf(predicted, readings)));

/** The class of faults that explains the readings, never one name out of several that fit. */
export function nameFaults(predicted: Predicted, readings: Readings): Named {
  const { tests } = predicted;
  const done = doneOf(predicted, readings);
  const left = explaining(predicted, readings, done);
  const open = tests.map((_, i) => i).filter((i) => !done.includes(i));
  // Nobody measures live before all has been looked at dead.
  const dead = open.filter((i) => !tests[i]!.live);
  // What needs a fuse taken out comes when the rest has been looked at dead.
  const simple = dead.filter((i) => tests[i]!.state.fuseOut === undefined);
  const allowed = simple.length > 0 ? simple : dead.length > 0 ? dead : open;
  let next: MeterTest | null = null;
  let fewest = new Set(left.map((h) => faultKey(h.fault))).size;
  for (const i of allowed) {
    const groups = new Map<string, Set<string>>();
    for (const { fault, intervals } of left) {
      const key = outcome(tests[i]!, intervals[i]!);
      const group = groups.get(key) ?? new Set();
      groups.set(key, group.add(faultKey(fault)));
    }
    const worst = Math.max(0, ...[...groups.values()].map((g) => g.size));
    if (worst < fewest) {
      fewest = worst;
      next = tests[i]!;
    }
  }
  if (next === null && dead.length > 0) next = tests[allowed[0]!]!;
  const possible = faultsAmong(left);
  return {
    possible,
    somethingElse: possible.length === 0,
    next,
    pass: open.length === 0 && possible.some((f) => faultKey(f) === "none"),
  };
}
