import { tries } from "../testing/hard";
import { planWith, random, randomPlan } from "../testing/wirings";
import { circuitOf, type Branch } from "./circuit";
import { nameFaults, possibleFaults, predict } from "./classes";
import { factored, type Solved } from "./nodal";
import { orientationsOf } from "./orientations";
import type { WiringPlan } from "./plan";
import { faultKey, stateKey, straight, type Fault, type Orientation } from "./state";
import { BEEP, beeped, OPEN, type MeterTest } from "./tests";
import { outletsIn, plugOf } from "./wires";

interface Truth {
  fault: Fault;
  orientation: Orientation;
  /** The mains against what they are called, and the lamp's ohms against hot. */
  mains: number;
  lamp: number;
  /** Something that leaks besides. */
  leaks?: Branch[];
}
const plain: Truth = { fault: { kind: "none" }, orientation: straight, mains: 1, lamp: 1 };

/** What a meter shows: by the solver, with the lamp as a branch of the circuit, in mains that are as they are. */
function readAll(plan: WiringPlan, tests: readonly MeterTest[], truth: Truth): Record<string, number> {
  const solved = new Map<string, Solved>();
  return Object.fromEntries(
    tests.map((test) => {
      const part = (ohms: number | null) => (ohms === null ? null : ohms * truth.lamp);
      const { load } = test.state;
      const own = test.asks === "ohms" ? { own: (plan.heatOhms!.low + plan.heatOhms!.high) / 2 } : {};
      const state = { ...test.state, ...own, load: { heat: part(load.heat), cold: part(load.cold) } };
      const key = stateKey(state);
      let at = solved.get(key);
      if (!at) {
        const circuit = circuitOf(plan, state, truth.fault, truth.orientation);
        const all = { ...circuit, branches: [...circuit.branches, ...(truth.leaks ?? [])] };
        at = factored(all).under(all.sources);
        solved.set(key, at);
      }
      const [a, b] = test.between;
      if (test.live) return [test.id, at.volts(a, b) * truth.mains];
      const ohms = at.ohms(a, b);
      return [test.id, test.asks === "ohms" ? Math.min(ohms, OPEN) : beeped(ohms < (BEEP.must + BEEP.mayNot) / 2)];
    }),
  );
}

/** Whether two faults show the same of a test, as closely as a meter shows it. */
const alike = ({ live }: MeterTest, a: number, b: number): boolean =>
  live ? Math.abs(a - b) < 1 : a === b || Math.abs(a - b) < 0.02 * Math.max(a, b);

describe("naming what is wrong", () => {
  it("the true fault is always in the class, whatever is measured first, a sound wiring is never blamed, and the class is what shows the same", () => {
    const next = random(7);
    for (let n = 0; n < tries(200, 1000); n++) {
      const plan = randomPlan(next);
      const predicted = predict(plan);
      const { tests } = predicted;
      const orientations = orientationsOf(plan);
      const faults = [...new Map(predicted.hypotheses.map(({ fault }) => [faultKey(fault), fault])).values()];
      const orientation = orientations[Math.floor(next() * orientations.length)]!;
      const some = { orientation, mains: 0.93 + next() * 0.14, lamp: 1 / (1 + 11 * next()) };
      const shown = faults.map((fault) => ({ fault, read: readAll(plan, tests, { ...some, fault }) }));
      for (const { fault, read } of shown) {
        const order = [...tests].sort(() => next() - 0.5);
        const readings: Record<string, number> = {};
        let before = Infinity;
        for (const [i, test] of order.entries()) {
          readings[test.id] = read[test.id]!;
          // After each third of them, in whatever order.
          if (i % Math.ceil(order.length / 3) !== 0) continue;
          const keys = possibleFaults(predicted, readings).map(faultKey);
          // More readings never bring a fault back.
          if (!keys.includes(faultKey(fault)) || keys.length > before)
            throw new Error(`${faultKey(fault)} after ${test.id}: ${keys.join(", ")} (${JSON.stringify(plan.wiring)})`);
          before = keys.length;
        }
        const left = new Set(possibleFaults(predicted, readings).map(faultKey));
        // What shows the same of every test is in the class, as it has to be.
        for (const other of shown)
          if (!left.has(faultKey(other.fault)) && tests.every((t) => alike(t, other.read[t.id]!, read[t.id]!)))
            throw new Error(`${faultKey(other.fault)} shows the same as ${faultKey(fault)} and is not named`);
        // What is in it shows the same wherever one may look dead, whichever way the plug stands.
        for (const other of shown)
          if (left.has(faultKey(other.fault)))
            for (const t of tests)
              if (t.asks === "beep" && other.read[t.id] !== read[t.id])
                throw new Error(
                  `${faultKey(other.fault)} stays beside ${faultKey(fault)} though ${t.id} tells them apart`,
                );
      }
      const sound = nameFaults(predicted, shown[0]!.read);
      expect(sound).toMatchObject({ pass: true, somethingElse: false });
    }
  });

  it("a capacitor of 0.1 µF as of a charger, or a leak of 1 mA, behind an idle outlet is no fault", () => {
    const next = random(11);
    for (let n = 0; n < tries(20, 200); n++) {
      const plan = randomPlan(next);
      const predicted = predict(plan);
      for (const o of outletsIn(plan)) {
        const feed = plugOf(plan, o) === "plug" ? "common 1" : "cold relay in";
        const between = [
          [feed, `${o} 1`],
          [`${o} 1`, `${o} 2`],
        ] as const;
        for (const [a, b] of between)
          for (const part of [{ ohms: Infinity, farads: 1e-7 }, { ohms: 230_000 }]) {
            const leaks: Branch[] = [{ kind: "leak", id: "more", a, b, ...part }];
            for (const orientation of orientationsOf(plan)) {
              const read = readAll(plan, predicted.tests, { ...plain, orientation, leaks });
              expect(possibleFaults(predicted, read).map(faultKey)).toContain("none");
            }
          }
      }
    }
  });

  it.each([
    ["a link that was left in a twin socket", planWith({ outlets: "twin" }), { kind: "linkKept" }, ["linkKept"]],
    [
      "the neutrals of two cords that are joined",
      planWith({ secondCord: true }),
      { kind: "secondsJoined" },
      ["secondsJoined"],
    ],
    [
      "a heater that is open",
      planWith({}, { heat: 60, heatOhms: { low: 820, high: 980 } }),
      { kind: "loadOpen" },
      ["loadOpen"],
    ],
    // A contactor that is not driven: its three wires show the same at the outlet.
    [
      "a contactor that is not driven",
      planWith({ relay: "contactor" }),
      { kind: "wireOff", wire: "heat-drive" },
      ["off:heat-drive-feed", "off:heat-drive", "off:heat-drive-back"],
    ],
  ] as [string, WiringPlan, Fault, string[]][])(
    "finds %s, by following the test that tells most",
    (_, plan, fault, keys) => {
      const predicted = predict(plan);
      const all = readAll(plan, predicted.tests, { ...plain, fault });
      const readings: Record<string, number> = {};
      let steps = 0;
      for (
        let named = nameFaults(predicted, readings);
        named.next && steps < 40;
        named = nameFaults(predicted, readings)
      ) {
        readings[named.next.id] = all[named.next.id]!;
        steps++;
      }
      expect(possibleFaults(predicted, readings).map(faultKey)).toEqual(keys);
      // Everything dead comes before the first live test.
      const first = Object.keys(readings).findIndex((id) => predicted.tests.find((t) => t.id === id)!.live);
      const dead = predicted.tests.filter((t) => !t.live).length;
      expect(first === -1 || first === dead).toBe(true);
    },
  );

  it("says something else where nothing single explains the readings", () => {
    const predicted = predict(planWith({}));
    const sound = readAll(planWith({}), predicted.tests, plain);
    expect(nameFaults(predicted, sound).pass).toBe(true);
    const odd = { ...sound, "heat-earth": beeped(false), "cold-earth": beeped(false), "heat-second": beeped(false) };
    expect(nameFaults(predicted, odd)).toMatchObject({ somethingElse: true, pass: false });
  });

  it("a plug that is turned round is no fault, and line and neutral exchanged in one that does not turn is", () => {
    const turned = { ...straight, turned: [true, false] as const };
    const reads = (plan: WiringPlan) => readAll(plan, predict(plan).tests, { ...plain, orientation: turned });
    const free = planWith({ plugTurns: true });
    expect(nameFaults(predict(free), reads(free)).pass).toBe(true);
    const fixed = planWith({ plugTurns: false });
    expect(nameFaults(predict(fixed), reads(fixed)).possible.map(faultKey)).toEqual(["swapped"]);
  });
});
