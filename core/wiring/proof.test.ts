import { abs, complex, lusolve, matrix, subtract, zeros, type Complex, type Matrix } from "mathjs";
import { tries } from "../testing/hard";
import { Built, Dense, shown, type Draw } from "../testing/meterTruth";
import { random, randomPlan } from "../testing/wirings";
import { NONE } from "./fault";
import { faultsOf } from "./faults";
import { suppliesOf } from "./orientations";
import { hasTwoCords, type WiringPlan } from "./plan";
import { explaining, isRight, nameFaults, proofOf, type Proof } from "./proof";
import type { Orientation } from "./position";

const drawOf = (plan: WiringPlan, next: () => number): Draw => ({
  next,
  // 25 to 60 W, cold to hot.
  lampOhms:
    { one230: 230, one120: 120, one100: 100, two240: 240, two208: 208 }[plan.wiring.mains] ** 2 /
    (25 + 35 * next()) /
    (1 + 11 * next()),
  mains: 0.9 + 0.2 * next(),
  neutral: 5 * next(),
  leaky: next() < 0.5,
});

/** All dead readings of a wiring as it is built. */
function readDead(proof: Proof, built: Built, next: () => number): Record<string, number> {
  const by = new Map<string | null, (a: string, b: string) => number>();
  return Object.fromEntries(
    proof.asked.map((t) => {
      const at = by.get(t.hand) ?? built.ohms(t.hand);
      by.set(t.hand, at);
      return [t.id, shown(at(...t.between), t.asks, next)];
    }),
  );
}

function readLive(proof: Proof, built: Built, way: Orientation, next: () => number): Record<string, number> {
  return Object.fromEntries(
    proof.live.map((t) => [
      t.id,
      shown(built.volts({ called: t.called, lamp: t.lamp }, way)(...t.between), "volts", next),
    ]),
  );
}

describe("the proof by meter, against readings of an independent topology and solver", () => {
  it("the independent solver agrees with a general library on random networks", () => {
    const next = random(17);
    for (let n = 0; n < 200; n++) {
      const size = 4 + Math.floor(8 * next());
      const name = (i: number) => `n${i}`;
      const branches = Array.from({ length: 3 * size }, (_, k) => ({
        a: name(k < size - 1 ? k : Math.floor(size * next())),
        b: name(k < size - 1 ? k + 1 : Math.floor(size * next())),
        ohms: 10 ** (6 * next() - 2),
        farads: next() < 0.4 ? 1e-9 * 10 ** (3 * next()) : 0,
      }));
      const sources = [
        { at: "n0", re: 230, im: 0 },
        { at: name(size - 1), re: 0, im: 100 * next() },
      ];
      const y = zeros(size, size) as Matrix;
      const i = zeros(size, 1) as Matrix;
      const add = (m: Matrix, r: number, c: number, re: number, im: number) => {
        const was = complex(m.get([r, c]) as Complex);
        m.set([r, c], complex(was.re + re, was.im + im));
      };
      const at = (t: string) => Number(t.slice(1));
      for (let k = 0; k < size; k++) add(y, k, k, 1e-13, 0);
      for (const { a, b, ohms, farads } of branches) {
        if (a === b) continue;
        const [re, im] = [1 / ohms, 2 * Math.PI * 50 * farads];
        for (const [r, c, sign] of [
          [at(a), at(a), 1],
          [at(b), at(b), 1],
          [at(a), at(b), -1],
          [at(b), at(a), -1],
        ] as const)
          add(y, r, c, sign * re, sign * im);
      }
      for (const s of sources) {
        add(y, at(s.at), at(s.at), 5, 0);
        add(i, at(s.at), 0, 5 * s.re, 5 * s.im);
      }
      const v = matrix(lusolve(y, i));
      const of = (t: string) => v.get([at(t), 0]) as Complex;
      const theirs = Number(abs(subtract(of("n1"), of("n2")) as Complex));
      expect(new Dense(branches, sources).volts("n1", "n2")).toBeCloseTo(theirs, 6);
    }
  });

  it("the true fault is always in the class; nothing dangerous passes; nothing sound is blamed; nothing live is offered early", () => {
    const next = random(20_261_201);
    const counts = {
      plans: 0,
      faults: 0,
      dead: 0,
      live: 0,
      foundDead: 0,
      passes: 0,
      dangerousPasses: 0,
      blamed: 0,
      most: [0, 0],
    };
    for (let n = 0; n < tries(36, 500); n++) {
      const plan = randomPlan(next);
      const proof = proofOf(plan);
      counts.plans++;
      const two = hasTwoCords(plan) ? 1 : 0;
      counts.most[two] = Math.max(counts.most[two]!, proof.asked.length);
      for (const fault of [NONE, ...faultsOf(plan)]) {
        counts.faults++;
        const draw = drawOf(plan, next);
        const built = new Built(plan, fault, draw);
        const dead = readDead(proof, built, next);
        counts.dead += proof.asked.length;
        const isIn = (readings: Record<string, number>) => {
          if (explaining(proof, readings, [fault]).length === 1) return;
          const wrong = Object.entries(readings).filter(
            ([id, v]) => explaining(proof, { [id]: v }, [fault]).length === 0,
          );
          throw new Error(
            `${fault.key} is not in the class: ${JSON.stringify(wrong)} (${JSON.stringify(plan.wiring)})`,
          );
        };
        isIn(dead);
        const wrong = proof.asked.filter((t) => !isRight(proof, t, dead[t.id]!));
        if (fault === NONE && wrong.length > 0) {
          counts.blamed++;
          throw new Error(
            `sound, and blamed by ${wrong[0]!.says}: ${dead[wrong[0]!.id]} (${JSON.stringify(plan.wiring)})`,
          );
        }
        if (wrong.length > 0) {
          counts.foundDead++;
          // With what was right alone, then with the first that is not: nothing live is offered, nothing passes.
          if (next() < 0.15) {
            const named = nameFaults(proof, dead);
            expect(named).toMatchObject({ deadDone: false, pass: false });
            expect(named.possible.map((f) => f.key)).toContain(fault.key);
            expect(named.next === null || named.next.asks !== "volts").toBe(true);
          }
          continue;
        }
        // Dead all is right: a dangerous fault here has to be told live, or forbids the pass.
        for (const way of suppliesOf(plan)) {
          const live = readLive(proof, built, way, next);
          counts.live += proof.live.length;
          isIn({ ...dead, ...live });
          const named = nameFaults(proof, { ...dead, ...live });
          if (fault === NONE) {
            if (named.wrong.length > 0) throw new Error(`sound, and blamed by ${named.wrong[0]!.says}`);
            expect(named.sound).toBe(true);
            // Where both conductors stand at half of the volts it is said, and no pass.
            expect(named.pass).toBe(!way.half || !named.halfSupply);
          }
          if (named.pass) {
            counts.passes++;
            if (proof.dangerous.has(fault.key)) counts.dangerousPasses++;
          }
        }
      }
    }
    process.stdout.write(`proof by meter: ${JSON.stringify(counts)}\n`);
    expect(counts).toMatchObject({ dangerousPasses: 0, blamed: 0 });
    expect(counts.most[0]).toBeLessThanOrEqual(40);
    expect(counts.most[1]).toBeLessThanOrEqual(60);
  });
});
