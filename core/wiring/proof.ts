import { deadTest, Dead, type DeadTest } from "./candidates";
import { faulted } from "./compiled";
import type { Orientation } from "./position";
import { deadProofOf, type DeadProof } from "./cover";
import { NONE, type Fault } from "./fault";
import { faultsOf } from "./faults";
import type { Hazard } from "./hazard";
import { consequencesOf } from "./hazards";
import { liveIntervals, liveTestsOf, type LiveTest } from "./live";
import { METAL, type Interval } from "./ohms";
import { suppliesOf } from "./orientations";
import { outletsIn, type WiringPlan } from "./plan";
import { EARTH_WAY, explains, shownOf, toldApart } from "./reading";
import { isDangerous, worstFirst } from "./severity";

/** Readings by the id of their test: Ω or V, or what stands for a beep, silence and no reading. */
export type Readings = Readonly<Record<string, number>>;
export type MeterTest = DeadTest | LiveTest;
export const isLive = (test: MeterTest): test is LiveTest => test.asks === "volts";

/** A plan’s whole proof by meter. */
export interface Proof {
  plan: WiringPlan;
  dead: DeadProof;
  /** The dead tests that are asked, the worst told first; then those under voltage. */
  asked: readonly DeadTest[];
  live: readonly LiveTest[];
  hazards: ReadonlyMap<string, readonly Hazard[]>;
  dangerous: ReadonlySet<string>;
}

const known = new WeakMap<WiringPlan, Proof>();

/** The proof of a plan; worked out once. */
export function proofOf(plan: WiringPlan): Proof {
  const found = known.get(plan) ?? made(plan);
  known.set(plan, found);
  return found;
}

function made(plan: WiringPlan): Proof {
  const all = consequencesOf(plan);
  const dead = deadProofOf(plan);
  return {
    plan,
    dead,
    asked: outletsIn(plan).length === 0 ? [] : dead.asked,
    live: liveTestsOf(plan),
    hazards: new Map(all.map((c) => [c.fault.key, c.hazards])),
    dangerous: new Set(all.filter(isDangerous).map((c) => c.fault.key)),
  };
}

const circuits = new WeakMap<Proof, Map<string, Dead>>();
function circuitOf(proof: Proof, fault: Fault): Dead {
  const all = circuits.get(proof) ?? new Map<string, Dead>();
  circuits.set(proof, all);
  const found = all.get(fault.key) ?? new Dead(faulted(proof.dead.base, fault.change));
  all.set(fault.key, found);
  return found;
}

/** What lies between the points of a dead test, with a fault in it. */
export const deadInterval = (proof: Proof, fault: Fault, test: DeadTest): Interval => {
  const { index } = proof.dead.base;
  const lies = circuitOf(proof, fault).between(test.hand, index.get(test.between[0])!, index.get(test.between[1])!);
  return test.asks === "ohms" && lies === METAL ? EARTH_WAY : lies;
};

const liveKnown = new WeakMap<Proof, Map<string, Interval[]>>();
/** What each live test may show, with a fault in it. */
export function liveOf(proof: Proof, fault: Fault, way: Orientation): Interval[] {
  const all = liveKnown.get(proof) ?? new Map<string, Interval[]>();
  liveKnown.set(proof, all);
  const key = `${fault.key} ${way.turned[0]} ${way.turned[1]} ${way.half}`;
  const found = all.get(key) ?? liveIntervals(proof.plan, proof.live, fault, way);
  all.set(key, found);
  return found;
}

/** A test that readings speak of: one that is asked, or another dead one, by its id. */
export function testOf(proof: Proof, id: string): MeterTest | null {
  const asked = [...proof.asked, ...proof.live].find((t) => t.id === id);
  if (asked) return asked;
  const [hand, a, b] = id.split("|");
  const { index } = proof.dead.base;
  if (hand === undefined || a === undefined || b === undefined || !index.has(a) || !index.has(b)) return null;
  return deadTest(proof.dead.base, proof.dead.sound, hand === "" ? null : hand, a, b);
}

/** What a sound wiring may show of a test: dead as the meter shows it; live in each way in which the plugs may stand. */
export function soundOf(proof: Proof, test: MeterTest): Interval[] {
  if (!isLive(test)) return [shownOf(test.sound, test.asks)];
  const i = proof.live.indexOf(test);
  return suppliesOf(proof.plan)
    .filter((w) => !w.half)
    .map((way) => shownOf(liveOf(proof, NONE, way)[i]!, "volts"));
}

/** Whether a reading is as it has to be. */
export function isRight(proof: Proof, test: MeterTest, read: number): boolean {
  if (!isLive(test)) return explains(test.sound, read, test.asks);
  const i = proof.live.indexOf(test);
  return suppliesOf(proof.plan).some((way) => explains(liveOf(proof, NONE, way)[i]!, read, "volts"));
}

/** What the readings so far leave possible. */
export interface Named {
  /** Single faults that explain all readings, the dangerous ones first, and whether none does. */
  possible: Fault[];
  sound: boolean;
  /** No single thing explains them. */
  somethingElse: boolean;
  /** Tests whose reading is not as it has to be. */
  wrong: MeterTest[];
  /** What the possible faults do, the worst first. */
  hazards: Hazard[];
  /** Dangerous faults that are still possible. */
  dangerous: Fault[];
  /** All dead tests are done and right. */
  deadDone: boolean;
  /** The next test; while anything is wrong a dead one. Null: none tells more. */
  next: MeterTest | null;
  /** Both conductors stand at half of the volts: only so the live readings are explained. */
  halfSupply: boolean;
  /** Every test is done and right, and no dangerous fault is left. */
  pass: boolean;
}

/** The faults, and none, that explain the readings in some way in which the plugs may stand. */
export function explaining(
  proof: Proof,
  readings: Readings,
  faults: readonly Fault[] = [NONE, ...faultsOf(proof.plan)],
): Fault[] {
  const read = Object.entries(readings).flatMap(([id, value]) => {
    const test = testOf(proof, id);
    return test ? [{ test, value }] : [];
  });
  const deadRead = read.filter(({ test }) => !isLive(test)) as { test: DeadTest; value: number }[];
  const liveRead = read.flatMap(({ test, value }) => (isLive(test) ? [{ i: proof.live.indexOf(test), value }] : []));
  const left = faults.filter((fault) =>
    deadRead.every(({ test, value }) => explains(deadInterval(proof, fault, test), value, test.asks)),
  );
  if (liveRead.length === 0) return left;
  const ways = suppliesOf(proof.plan);
  return left.filter((fault) =>
    ways.some((way) => {
      const intervals = liveOf(proof, fault, way);
      return liveRead.every(({ i, value }) => explains(intervals[i]!, value, "volts"));
    }),
  );
}

/** The class of faults that explains the readings, never one name out of several that fit, and what to measure next. */
export function nameFaults(proof: Proof, readings: Readings): Named {
  const left = explaining(proof, readings);
  const possible = left.filter((f) => f.key !== NONE.key);
  const sound = possible.length < left.length;
  const wrong: MeterTest[] = Object.entries(readings).flatMap(([id, value]) => {
    const test = testOf(proof, id);
    return test && !isRight(proof, test, value) ? [test] : [];
  });
  const liveRead = proof.live.filter((t) => readings[t.id] !== undefined);
  // Each may be right with the plug in some way, and all of them in none.
  if (!sound && wrong.length === 0) wrong.push(...liveRead);
  const dangerous = possible.filter((f) => proof.dangerous.has(f.key));
  const open = proof.asked.filter((t) => readings[t.id] === undefined);
  const deadDone = open.length === 0 && wrong.length === 0 && proof.asked.length > 0;
  const liveOpen = proof.live.filter((t) => readings[t.id] === undefined);
  const hazards = [
    ...new Map(
      possible.flatMap((f) => proof.hazards.get(f.key) ?? []).map((h) => [JSON.stringify(h), h] as const),
    ).values(),
  ].sort(worstFirst);
  const halfSupply = sound && liveRead.length > 0 && !soundInPlain(proof, readings);
  return {
    possible: [...dangerous, ...possible.filter((f) => !dangerous.includes(f))],
    sound,
    somethingElse: left.length === 0,
    wrong,
    hazards,
    dangerous,
    deadDone,
    next: wrong.length > 0 ? splitting(proof, readings, left) : (open[0] ?? liveOpen[0] ?? null),
    halfSupply,
    pass: deadDone && liveOpen.length === 0 && sound && dangerous.length === 0 && !halfSupply,
  };
}

const soundInPlain = (proof: Proof, readings: Readings): boolean =>
  suppliesOf(proof.plan)
    .filter((w) => !w.half)
    .some((way) => {
      const intervals = liveOf(proof, NONE, way);
      return proof.live.every(
        (t, i) => readings[t.id] === undefined || explains(intervals[i]!, readings[t.id]!, "volts"),
      );
    });

/** The dead test that parts what is left most evenly: of those that are asked, else of all that could be. */
function splitting(proof: Proof, readings: Readings, left: readonly Fault[]): DeadTest | null {
  const best = (tests: readonly DeadTest[]): { test: DeadTest | null; parts: number } => {
    let found: DeadTest | null = null;
    let most = 0;
    for (const test of tests) {
      if (readings[test.id] !== undefined) continue;
      // How many pairs with the first of each kind it tells apart: what shows the same stays together.
      const intervals = left.map((f) => deadInterval(proof, f, test));
      const kinds: Interval[] = [];
      const counts: number[] = [];
      for (const interval of intervals) {
        const k = kinds.findIndex((other) => !toldApart(other, interval, test.asks));
        if (k < 0) {
          kinds.push(interval);
          counts.push(1);
        } else counts[k]!++;
      }
      const told = left.length - Math.max(0, ...counts);
      if (told > most) {
        most = told;
        found = test;
      }
    }
    return { test: found, parts: most };
  };
  if (left.length < 2) return null;
  const asked = best(proof.asked);
  if (asked.parts >= left.length / 3) return asked.test;
  const any = best(proof.dead.candidates);
  return any.parts > asked.parts ? any.test : asked.test;
}
