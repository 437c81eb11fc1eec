import { add, complex, lusolve, matrix, subtract, zeros, abs, type Complex, type Matrix } from "mathjs";
import { describe as describeChamber } from "../chamber";
import { mainsKinds, type Edit, type Wiring } from "../model";
import { chamberWith, recordWith } from "../testing/build";
import { tries } from "../testing/hard";
import { circuitOf, faultKey, idle, wiresOf, type Circuit, type Fault } from "./circuit";
import { nameFaults, predict } from "./classes";
import { colourOf } from "./colours";
import { faultsOf } from "./faults";
import { wiringFindings } from "./findings";
import { joinedIn } from "./joined";
import { METER, solve } from "./nodal";
import { wiringPlanOf, type WiringPlan } from "./plan";
import { cordFor, inWarmAir, sinkFor, voltageDrop } from "./sizes";
import { BEEP, beeped, lampOhms, meterTests } from "./tests";

const edit = (section: string, field: string, value: unknown) => ({ section, field, value }) as Edit;
const usual = wiringPlanOf(describeChamber(recordWith()));
const planWith = (by: Partial<Wiring>, more: Partial<WiringPlan> = {}): WiringPlan => ({
  ...usual,
  ...more,
  wiring: { ...usual.wiring, ownWork: true, ...by },
});

/** Plain numbers from a seed (Mulberry32). */
function random(seed: number): () => number {
  return () => {
    seed = (seed + 0x6d2b79f5) | 0;
    let t = Math.imul(seed ^ (seed >>> 15), 1 | seed);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}
function randomPlan(next: () => number): WiringPlan {
  const of = <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)]!;
  return planWith(
    {
      mains: of(mainsKinds),
      plugTurns: next() < 0.5,
      fuse: of([0, 5, 10]),
      mainSwitch: of(["none", "one", "both"] as const),
      outlets: of(["two", "twin"] as const),
      linkBroken: true,
      relay: of(["mechanical", "solid"] as const),
      metalBox: next() < 0.5,
    },
    of<Partial<WiringPlan>>([
      { heat: 60, cold: 80, motor: true },
      { heat: 1500, cold: null, motor: false },
      { heat: null, cold: 90, motor: true },
    ]),
  );
}

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
    for (let k = 0; k < tries(25, 200); k++) {
      const plan = randomPlan(next);
      const faults: Fault[] = [{ kind: "none" }, ...faultsOf(plan)];
      const fault = faults[Math.floor(next() * faults.length)]!;
      const tests = meterTests(plan).filter((t) => t.live);
      const test = tests[Math.floor(next() * tests.length)]!;
      const circuit = circuitOf(plan, test.state, fault);
      const ours = solve(circuit);
      expect(ours.volts(...test.between)).toBeCloseTo(byMathjs(circuit, test.between)(...test.between), 4);
      const theirs = byMathjs(circuit);
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

  it("foretells every test for every single fault, all of them finite or open", () => {
    const { hypotheses, tests } = predict(planWith({ outlets: "twin", metalBox: true }));
    expect(hypotheses.length).toBeGreaterThan(15);
    expect(tests.length).toBeGreaterThan(15);
    for (const { intervals } of hypotheses)
      for (const { low, high } of intervals) {
        expect(low).toBeGreaterThanOrEqual(0);
        expect(high).toBeGreaterThan(low);
      }
  });
});

/** What a meter shows of a fault: by the solver, in mains that are somewhat higher or lower. */
const solutions = new Map<string, ReturnType<typeof solve>>();
function solvedOnce(plan: WiringPlan, test: ReturnType<typeof meterTests>[number], fault: Fault) {
  const key = JSON.stringify([plan, test.state, fault]);
  const known = solutions.get(key);
  if (known) return known;
  const fresh = solve(circuitOf(plan, test.state, fault));
  solutions.set(key, fresh);
  return fresh;
}
function readingOf(plan: WiringPlan, test: ReturnType<typeof meterTests>[number], fault: Fault, mains: number): number {
  const solved = solvedOnce(plan, test, fault);
  if (test.live) return solved.volts(...test.between) * mains;
  return beeped(solved.ohms(...test.between) < (BEEP.must + BEEP.mayNot) / 2);
}

describe("naming what is wrong", () => {
  it("the true fault is always in the class, a sound wiring is never blamed, and nothing that a test rules out stays", () => {
    const next = random(7);
    const plans = Array.from({ length: tries(24, 500) }, () => randomPlan(next));
    for (const plan of plans) {
      const predicted = predict(plan);
      for (const { fault } of predicted.hypotheses) {
        const mains = 0.93 + next() * 0.14;
        const readings: Record<string, number> = {};
        const order = [...predicted.tests].sort(() => next() - 0.5);
        let before = predicted.hypotheses.length;
        for (const test of order) {
          readings[test.id] = readingOf(plan, test, fault, mains);
          const { possible } = nameFaults(predicted, readings);
          expect(possible.map(faultKey)).toContain(faultKey(fault));
          // More readings never bring a fault back.
          expect(possible.length).toBeLessThanOrEqual(before);
          before = possible.length;
        }
        const { possible, pass, somethingElse } = nameFaults(predicted, readings);
        expect(somethingElse).toBe(false);
        if (fault.kind === "none") expect(pass).toBe(true);
        // What is left beside it shows the same wherever one may look.
        for (const other of possible)
          for (const test of predicted.tests)
            if (!test.live) expect(readingOf(plan, test, other, 1)).toBe(readings[test.id]);
      }
    }
  });
  it("finds a link that was left in a twin socket, by following the test that tells most", () => {
    const plan = planWith({ outlets: "twin" });
    const predicted = predict(plan);
    const readings: Record<string, number> = {};
    const truth: Fault = { kind: "linkKept" };
    let steps = 0;
    for (
      let named = nameFaults(predicted, readings);
      named.next && steps < 40;
      named = nameFaults(predicted, readings)
    ) {
      readings[named.next.id] = readingOf(plan, named.next, truth, 1);
      steps++;
    }
    const { possible } = nameFaults(predicted, readings);
    expect(possible.map(faultKey)).toEqual(["linkKept"]);
    expect(steps).toBeLessThan(16);
    // Everything dead comes before the first live test.
    const first = Object.keys(readings).findIndex((id) => predicted.tests.find((t) => t.id === id)!.live);
    const dead = predicted.tests.filter((t) => !t.live).length;
    expect(first === -1 || first === dead).toBe(true);
  });
  it("says something else where nothing single explains the readings", () => {
    const plan = planWith({});
    const predicted = predict(plan);
    const sound = Object.fromEntries(predicted.tests.map((t) => [t.id, readingOf(plan, t, { kind: "none" }, 1)]));
    expect(nameFaults(predicted, sound).pass).toBe(true);
    const odd = { ...sound, "heat-earth": beeped(false), "cold-earth": beeped(false), "heat-second": beeped(false) };
    expect(nameFaults(predicted, odd)).toMatchObject({ somethingElse: true, pass: false });
  });
});

describe("a plan before anybody buys a wire", () => {
  const chamber = chamberWith();
  const ids = (by: Partial<Wiring>, more: Partial<WiringPlan> = {}) =>
    wiringFindings(planWith(by, more), chamber).map((f) => f.id);
  it.each<[string, Partial<Wiring>, Partial<WiringPlan>, string]>([
    ["a twin socket whose link is whole", { outlets: "twin", linkBroken: false }, {}, "outlets-together"],
    ["a switch of one pole in two lines", { mains: "two240", mainSwitch: "one" }, {}, "half-off"],
    ["a switch of one pole on a plug that turns", { mainSwitch: "one", plugTurns: true }, {}, "turned"],
    ["no residual-current protection", { residual: false }, {}, "residual"],
    ["a heater too strong for the relay", { relayAmps: 5 }, { heat: 2000 }, "relay-heat"],
    ["a fuse that is worked for hours", { fuse: 10 }, { heat: 2000, cold: null }, "continuous"],
    ["a compressor on a relay that says nothing of motors", {}, { cold: 90, motor: true }, "relay-motor"],
    ["outlets weaker than what protects them", { fuse: 0, breaker: 20, outletAmps: 10 }, {}, "outlet-protected"],
    ["a solid-state relay", { relay: "solid" }, { heat: 1000 }, "solid"],
  ])("%s", (_, by, more, id) => {
    expect(ids(by, more)).toContain(id);
    // The usual one has none of it but the motor that its paper does not speak of.
    expect(ids({ relayMotorAmps: 4 }, { heat: 60, cold: 90, motor: true }).filter((i) => i !== "spark")).toEqual([]);
  });
  it("a ready-made unit is asked for its load alone", () => {
    expect(
      ids({ ownWork: false, mainSwitch: "one", outlets: "twin", linkBroken: false }, { heat: 60, cold: null }),
    ).toEqual([]);
    expect(ids({ ownWork: false, relayAmps: 5 }, { heat: 2000, cold: null })).toContain("relay-heat");
    expect(ids({ ownWork: false, residual: false }, { heat: 60, cold: null })).toEqual(["residual"]);
  });
  it("a heater with its own thermostat in a cabinet whose refrigerant burns", () => {
    const sparks = chamberWith(edit("heater", "ownThermostat", true));
    expect(wiringFindings(planWith({}, { motor: true }), sparks).map((f) => f.id)).toContain("spark");
  });
  it("every conductor is in the list, joined as it says, with a colour for its job", () => {
    const plan = planWith({ metalBox: true });
    const wires = wiresOf(plan);
    expect(new Set(wires.map((w) => w.id)).size).toBe(wires.length);
    const joined = joinedIn(circuitOf(plan, idle));
    for (const w of wires) expect(joined(w.from, w.to)).toBe(true);
    expect(joined("plug 1", "heat 1")).toBe(false);
    expect(joinedIn(circuitOf(plan, { ...idle, heatOn: true }))("plug 1", "heat 1")).toBe(true);
    // IEC 60445 and NEC 200.6 (from memory).
    expect(colourOf({ job: "second" }, { mains: "one230" })).toBe("blue");
    expect(colourOf({ job: "second" }, { mains: "one120" })).toBe("white");
    expect(colourOf({ job: "earth" }, { mains: "one230" })).toBe("green-yellow");
  });
});

describe("sizes", () => {
  // NEC table 400.5(A)(1) and BS 7671 table 4F3A for flexible cords (from memory).
  it.each([
    ["one120", 15, 0, "14 AWG"],
    ["one120", 15, 10, "18 AWG"],
    ["one230", 16, 10, "1.0 mm²"],
    ["one230", 16, 0, "1.5 mm²"],
    ["two240", 20, 0, "12 AWG"],
  ] as const)("%s, protected by %d A, a fuse of %d A: %s at 30 °C", (mains, breaker, fuse, name) => {
    expect(cordFor(planWith({ mains, breaker, fuse }), 30)!.name).toBe(name);
  });
  it("what feeds an outlet is sized by what protects it, and the load comes last; warm air takes from it", () => {
    const small = cordFor(planWith({ fuse: 0, breaker: 16 }, { heat: 15, cold: null }), 30)!;
    const large = cordFor(planWith({ fuse: 0, breaker: 16 }, { heat: 3000, cold: null }), 30)!;
    expect(small).toEqual(large);
    // By hand: √(20/30) at 40 °C.
    expect(inWarmAir(40)).toBeCloseTo(0.8165, 4);
    expect(cordFor(planWith({ fuse: 10 }), 40)!.amps).toBeGreaterThan(10);
    expect(cordFor(planWith({ fuse: 0, breaker: 40 }), 40)).toBeNull();
  });
  // By hand: 2 · 5 m · 8.7 A · 0.0225 / 1.5 mm² = 1.305 V. Solid-state relay of the design's reference: 10 A, 1.2 W/A, 80
  // and 40 °C: 3.33 K/W less its own part.
  it("voltage drop, and the sink of a solid-state relay", () => {
    expect(voltageDrop(8.7, 5, 1.5)).toBeCloseTo(1.305, 3);
    expect(sinkFor(10, 40).watts).toBeCloseTo(12, 9);
    expect(sinkFor(10, 40, 0).most).toBeCloseTo(3.333, 3);
    expect(sinkFor(10, 40, 0.5).most).toBeCloseTo(2.833, 3);
  });
});
