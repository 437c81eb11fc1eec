import { deadProofOf } from "./cover";
import type { Fault } from "./fault";
import { consequencesSlowly } from "./hazards";
import { outletsIn, type WiringPlan } from "./plan";
import { pairsThatExplain, pairsThatPass } from "./pairs";
import { isLive, nameFaults, proofOf, soundOf, testOf, type MeterTest, type Proof, type Readings } from "./proof";
import { BEEPS, OPEN, type Asks } from "./reading";
import { sayHazards, stopWords, worstWords, type SaidHazard } from "./sayHazard";
import { isDangerous, rank, weightOf } from "./severity";
import { sayExpected } from "./sayExpected";

/** A test as somebody makes it: what is measured, what it has to show, whether what was read is so. */
export interface SaidTest {
  id: string;
  says: string;
  asks: Asks;
  expected: string;
  /** How the number field is filled with one press where all is well; null: only a number will do. */
  usual: number | null;
  right: boolean | null;
}

/** A fault as it is told: what it is, what mends it. */
export interface SaidFault {
  key: string;
  is: string;
  mend: string;
}

/** All that is said of a proof and its readings: plain data, so that a worker can work it out. */
export interface ProofAnswer {
  dead: SaidTest[];
  live: SaidTest[];
  /** Other tests that were read, to tell faults apart. */
  more: SaidTest[];
  next: string | null;
  /** The first words of anything wrong: danger, and what to do now; null: nothing is. */
  stop: string | null;
  hazards: SaidHazard[];
  possible: SaidFault[];
  dangerous: SaidFault[];
  somethingElse: boolean;
  sound: boolean;
  deadDone: boolean;
  halfSupply: boolean;
  pass: boolean;
  /** Two faults at a time that explain what was read, where no single one does; or that no reading excludes. */
  pairs: SaidFault[];
}

/** What only somebody licensed, or a look, can tell: it is said with every pass. */
export const beyondTheMeter: readonly string[] = [
  "insulation: an insulation tester, by somebody licensed",
  "the earth of the house: a loop test, by somebody licensed",
  "a joint that gets hot: feel plug, cord and enclosure after an hour at full load, unplugged",
  "a relay that sticks only under load: watch it switch with its heater for an hour",
];

const plain = ({ key, is, mend }: Fault): SaidFault => ({ key, is, mend });

function said(proof: Proof, test: MeterTest, read: number | undefined, wrong: readonly MeterTest[]): SaidTest {
  const intervals = soundOf(proof, test);
  const usual =
    test.asks === "joined" ? BEEPS : test.asks === "apart" && !isLive(test) && test.sound.high > 1e6 ? OPEN : null;
  return {
    id: test.id,
    says: test.says,
    asks: test.asks,
    expected: sayExpected(test.asks, isLive(test) ? intervals : [test.sound]),
    usual,
    right: read === undefined ? null : !wrong.some((t) => t.id === test.id),
  };
}

/** Pairs of faults that would pass the dead tests, and the tests that tell them; by plan. */
const ROUNDS = 12;
const pairsKnown = new WeakMap<WiringPlan, { proof: Proof; untold: Fault[] }>();

function* withPairs(plan: WiringPlan): Generator<undefined, { proof: Proof; untold: Fault[] }> {
  const found = pairsKnown.get(plan);
  if (found) return found;
  yield* consequencesSlowly(plan);
  let proof = proofOf(plan);
  const pairs: Fault[] = [];
  // What tells one pair mostly tells several: again until none is left that some test tells.
  let left: Fault[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    left = (yield* pairsThatPass(proof)).filter((f) => !pairs.some((p) => p.key === f.key));
    if (left.length === 0) break;
    pairs.push(...left);
    const dead = deadProofOf(plan, pairs);
    proof = { ...proof, dead, asked: dead.asked };
    yield undefined;
  }
  // Where the rounds did not suffice what was left last counts as told by nothing.
  const done = { proof, untold: [...proof.dead.untoldPairs, ...left] };
  pairsKnown.set(plan, done);
  return done;
}

/** Everything about a plan’s proof and what was read, bit by bit. */
export function* proofAnswer(plan: WiringPlan, readings: Readings): Generator<undefined, ProofAnswer> {
  if (outletsIn(plan).length === 0)
    return {
      dead: [],
      live: [],
      more: [],
      next: null,
      stop: null,
      hazards: [],
      possible: [],
      dangerous: [],
      somethingElse: false,
      sound: true,
      deadDone: false,
      halfSupply: false,
      pass: false,
      pairs: [],
    };
  const { proof, untold } = yield* withPairs(plan);
  const named = nameFaults(proof, readings);
  yield undefined;
  const more = Object.keys(readings).flatMap((id) => {
    const test = testOf(proof, id);
    return test && !isLive(test) && !proof.asked.some((t) => t.id === id) ? [test] : [];
  });
  const wrong = named.wrong.length > 0;
  const pairs = wrong && named.somethingElse ? yield* pairsThatExplain(proof, readings) : [];
  const live = named.wrong.some(isLive);
  const brought = named.hazards;
  const worst = named.somethingElse
    ? "No single fault explains these readings: treat all metal as live."
    : worstWords(brought, plan);
  return {
    dead: proof.asked.map((t) => said(proof, t, readings[t.id], named.wrong)),
    live: proof.live.map((t) => said(proof, t, readings[t.id], named.wrong)),
    more: [
      ...more,
      ...(named.next && wrong && !isLive(named.next) && !proof.asked.includes(named.next) ? [named.next] : []),
    ]
      .filter((t, i, all) => all.findIndex((o) => o.id === t.id) === i)
      .map((t) => said(proof, t, readings[t.id], named.wrong)),
    next: named.next?.id ?? null,
    stop: wrong ? `${stopWords(plan, live)} ${worst}`.trim() : null,
    hazards: sayHazards(brought, plan),
    possible: named.possible.map(plain),
    dangerous: named.dangerous.map(plain),
    somethingElse: named.somethingElse,
    sound: named.sound,
    deadDone: named.deadDone,
    halfSupply: named.halfSupply,
    // Two at a time that no test tells from a sound wiring are no pass either.
    pass: named.pass && untold.length === 0,
    pairs: (wrong ? pairs : untold).map(plain),
  };
}

/** What each single fault would do, the worst first, in words; those that do the same stand together. */
export interface SaidConsequence {
  faults: string[];
  danger: boolean;
  does: string[];
}

export function* consequencesSaid(plan: WiringPlan): Generator<undefined, SaidConsequence[]> {
  const all = yield* consequencesSlowly(plan);
  const groups = new Map<string, SaidConsequence & { order: number }>();
  for (const c of all) {
    const hazards = sayHazards(c.hazards, plan);
    const does = hazards.map((h) => h.text);
    const key = does.join(" ");
    const group = groups.get(key) ?? {
      faults: [],
      danger: isDangerous(c),
      does,
      // What kills before what burns; within what is not dangerous by how bad it is.
      order: Math.min(3, ...hazards.map((h) => rank[h.severity])) - weightOf(c) / 100,
    };
    group.faults.push(c.fault.is);
    groups.set(key, group);
  }
  return [...groups.values()]
    .sort((a, b) => a.order - b.order)
    .map(({ faults, danger, does }) => ({ faults, danger, does }));
}
