import { add, complex, lusolve, matrix, subtract, zeros, abs, type Complex, type Matrix } from "mathjs";
import { tries } from "../testing/hard";
import { random, randomPlan } from "../testing/wirings";
import { circuitOf, type Circuit } from "./circuit";
import { faultsOf } from "./faults";
import { METER, solve } from "./nodal";
import { orientationsOf } from "./orientations";
import { idle, type Fault } from "./state";
import { lampOhms, meterTests } from "./tests";

/** The same circuit put to a general library for matrices: the matrix is built here, by hand. */
function byMathjs({ conductors, branches, sources, hertz }: Circuit, meter?: readonly [string, string]) {
  const names = [
    ...new Set(
      [...conductors, ...branches]
        .flatMap(({ a, b }) => [a, b])
        .concat(
          sources.map((s) => s.at),
          meter ?? [],
        ),
    ),
  ];
  const n = names.length;
  const y = zeros(n, n) as Matrix;
  const i = zeros(n, 1) as Matrix;
  const at = (name: string) => names.indexOf(name);
  const plus = (m: Matrix, r: number, c: number, value: Complex) => m.set([r, c], add(m.get([r, c]) as Complex, value));
  const between = (a: number, b: number, value: Complex) => {
    plus(y, a, a, value);
    plus(y, b, b, value);
    plus(y, a, b, complex(-value.re, -value.im));
    plus(y, b, a, complex(-value.re, -value.im));
  };
  for (const c of conductors) between(at(c.a), at(c.b), complex(1 / c.ohms, 0));
  for (const b of branches) between(at(b.a), at(b.b), complex(1 / b.ohms, 2 * Math.PI * hertz * (b.farads ?? 0)));
  if (meter) between(at(meter[0]), at(meter[1]), complex(1 / METER, 0));
  for (let k = 0; k < n; k++) plus(y, k, k, complex(1e-12, 0));
  for (const s of sources) {
    plus(y, at(s.at), at(s.at), complex(1 / s.ohms, 0));
    plus(i, at(s.at), 0, complex(s.re / s.ohms, s.im / s.ohms));
  }
  const v = lusolve(y, i);
  const of = (name: string) => (matrix(v).get([at(name), 0]) ?? 0) as Complex;
  return (a: string, b: string): number => Number(abs(subtract(of(a), of(b)) as Complex));
}

describe("the solver", () => {
  it("volts and currents as of a general library, its matrix built here: random wirings, faults, states", () => {
    const next = random(20_261_127);
    for (let k = 0; k < tries(10, 200); k++) {
      const plan = randomPlan(next);
      const faults: Fault[] = [{ kind: "none" }, ...faultsOf(plan)];
      const fault = faults[Math.floor(next() * faults.length)]!;
      const tests = meterTests(plan).filter((t) => t.live);
      const test = tests[Math.floor(next() * tests.length)]!;
      const ways = orientationsOf(plan);
      const circuit = circuitOf(plan, test.state, fault, ways[Math.floor(next() * ways.length)]!);
      const ours = solve(circuit);
      expect(ours.volts(...test.between)).toBeCloseTo(byMathjs(circuit, test.between)(...test.between), 4);
      const theirs = byMathjs(circuit);
      // A load that is put in besides shows what it shows as a branch of the circuit.
      const o = test.state.load.heat === null ? "cold" : "heat";
      const bare = { ...circuit, branches: circuit.branches.filter((b) => b.id !== `${o} load`) };
      const loaded = solve(bare).volts(...test.between, { a: `${o} 1`, b: `${o} 2`, ohms: test.state.load[o]! });
      expect(loaded).toBeCloseTo(ours.volts(...test.between), 6);
      for (const c of circuit.conductors.slice(0, 6))
        expect(ours.current(c.id)).toBeCloseTo(theirs(c.a, c.b) / c.ohms, 3);
      // Ohms: a current is driven through the dead circuit and its volts are read.
      const dead = circuitOf(plan, { ...idle, live: false }, fault);
      const [a, b] = ["plug 2", "heat 2"] as const;
      const by: Circuit = {
        ...dead,
        sources: [
          { at: a, re: 1, im: 0, ohms: 1e-3 },
          { at: b, re: 0, im: 0, ohms: 1e-3 },
        ],
      };
      if (!dead.conductors.some((c) => c.b === b || c.a === b)) continue;
      const driven = byMathjs(by)(a, b);
      // 1 V over two resistances of 1 mΩ and what lies between: R = 2e-3·v/(1 − v).
      const ohms = (2e-3 * driven) / (1 - driven);
      if (ohms < 1000) expect(solve(dead).ohms(a, b)).toBeCloseTo(ohms, 2);
    }
  });

  // 230 V, 50 Hz, a meter of 10 MΩ, worked out independently for the design's reference: what an idle outlet reads.
  it.each([
    ["300 pF of cord", { ohms: Infinity, farads: 3e-10 }, 158, 0],
    ["a snubber of 0.1 µF", { ohms: Infinity, farads: 1e-7 }, 230, 6],
    ["a solid-state relay that leaks 1 mA", { ohms: 230_000 }, 230, 1],
  ])("an idle outlet behind %s reads up to the mains, and next to nothing under a lamp", (_, leak, bare, lit) => {
    const circuit = (load: number | null): Circuit => ({
      conductors: [],
      branches: [
        { kind: "leak", id: "leak", a: "line", b: "out", ...leak },
        ...(load === null ? [] : [{ kind: "load" as const, id: "lamp", a: "out", b: "neutral", ohms: load }]),
      ],
      sources: [
        { at: "line", re: 230, im: 0, ohms: 0.2 },
        { at: "neutral", re: 0, im: 0, ohms: 0.2 },
      ],
      hertz: 50,
    });
    const reads = (load: number | null) => solve(circuit(load)).volts("out", "neutral");
    expect(Math.abs(reads(null) - bare)).toBeLessThan(6);
    expect(Math.abs(reads(lampOhms(230)) - lit)).toBeLessThan(1);
  });
});
