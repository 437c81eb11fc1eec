import { Built, shown } from "../testing/meterTruth";
import { loadOf, planWith, random } from "../testing/wirings";
import { proofAnswer, type ProofAnswer } from "./answer";
import { straight } from "./position";
import { faultsOf } from "./faults";
import type { WiringPlan } from "./plan";
import { nameFaults, proofOf, type Readings } from "./proof";
import { BEEPS, EARTH_OHMS, EARTH_WAY, explains, OPEN, SILENT, toldApart } from "./reading";

const two = { heat: loadOf(60), cold: loadOf(90, true), heatOhms: { low: 820, high: 980 } } as const;
const one120 = { mains: "one120", plugTurns: false } as const;
const whole = <T>(work: Generator<undefined, T>): T => {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
};
const answerTo = (plan: WiringPlan, readings: Readings): ProofAnswer => whole(proofAnswer(plan, readings));
const draw = () => ({ next: random(5), lampOhms: 400, mains: 1, neutral: 1, leaky: false });

/** Readings of a plan as somebody built it, in the order in which they are asked for, until something is wrong or all is done. */
function readUntilWrong(plan: WiringPlan, key: string): { readings: Record<string, number>; answer: ProofAnswer } {
  const built = new Built(plan, { key }, draw());
  const next = random(9);
  const readings: Record<string, number> = {};
  for (const test of answerTo(plan, {}).dead) {
    const [hand, a, b] = test.id.split("|") as [string, string, string];
    readings[test.id] = shown(built.ohms(hand === "" ? null : hand)(a, b), test.asks, next);
    const answer = answerTo(plan, readings);
    if (answer.stop) return { readings, answer };
  }
  return { readings, answer: answerTo(plan, readings) };
}

describe("what is said of a wrong reading", () => {
  it.each([
    [
      "a link that was kept",
      planWith({ ...one120, outlets: "twin" }, two),
      "twin:link-kept",
      /heater may run without end/,
    ],
    [
      "a load on the normally closed contact",
      planWith({ ...one120, relaysIn: "outside" }, two),
      "heat-relay:heat-inverse",
      /heater may run/,
    ],
    ["the mains on a probe", planWith(one120, two), "joined:unit.1|unit.probe-b", /probe or the 12 V side may be live/],
    [
      "the mains on the sheath of a probe",
      planWith(one120, two),
      "joined:unit.2|probes.sheath",
      /probe or the 12 V side/,
    ],
    ["a bridged cut-out", planWith(one120, two), "cut-out:passed", /heater may run without end/],
    ["a fuse in the neutral", planWith(one120, two), "fuse:other", /stay live|looks off/],
    ["line and earth exchanged in the plug", planWith(one120, two), "exchanged:plug.1|plug.e", /Metal may be live/],
    [
      "an earth joint of some ohms",
      planWith({ ...one120, metalBox: true }, two),
      "poor:block.e>box.m",
      /Metal may have no earth/,
    ],
    ["a main switch that does not open", planWith(one120, two), "switch:stuck2", /./],
  ] as [string, WiringPlan, string, RegExp][])(
    "%s is found dead, and its danger comes first",
    (_, plan, key, words) => {
      const { answer } = readUntilWrong(plan, key);
      expect(answer.stop).toMatch(/^Stop\. Leave the plug pulled\./);
      expect(answer.possible.map((p) => p.key)).toContain(key);
      expect(answer.deadDone || answer.pass).toBe(false);
      // What comes next is dead, or nothing more tells.
      const all = [...answer.dead, ...answer.more];
      if (answer.next !== null) expect(all.map((t) => t.id)).toContain(answer.next);
      if (words.source !== ".") expect(answer.stop).toMatch(words);
    },
  );

  it("the next test parts the class until what is left cannot be told apart", () => {
    const plan = planWith({ ...one120, relaysIn: "outside", metalBox: true }, two);
    const key = "joined:box.m|block.1";
    const { readings } = readUntilWrong(plan, key);
    const built = new Built(plan, { key }, draw());
    const next = random(2);
    let last = Infinity;
    for (let n = 0; n < 30; n++) {
      const answer = answerTo(plan, readings);
      expect(answer.possible.map((p) => p.key)).toContain(key);
      expect(answer.possible.length).toBeLessThanOrEqual(last);
      last = answer.possible.length;
      if (answer.next === null) break;
      const [hand, a, b] = answer.next.split("|") as [string, string, string];
      const test = [...answer.dead, ...answer.more].find((t) => t.id === answer.next)!;
      readings[answer.next] = shown(built.ohms(hand === "" ? null : hand)(a, b), test.asks, next);
    }
    expect(last).toBeLessThanOrEqual(8);
  });

  it("a heater on the normally closed contact is not told to be a bad relay alone", () => {
    const { answer } = readUntilWrong(planWith({ ...one120, relaysIn: "outside" }, two), "heat-relay:heat-inverse");
    const said = answer.possible.map((p) => p.is).join(" ");
    expect(said).toContain("normally closed contact");
    expect(said).toContain("does not open");
  });

  it("where no single fault explains what was read, pairs do, and all metal counts as live", () => {
    const plan = planWith({ ...one120, metalBox: true }, two);
    const sound = answerTo(plan, {});
    const readings: Record<string, number> = {};
    for (const t of sound.dead)
      readings[t.id] = t.asks === "joined" ? BEEPS : t.asks === "ohms" ? 0.1 : (t.usual ?? 900);
    // Two earths are off at once: the box and an outlet.
    for (const t of sound.dead) if (t.asks === "ohms") readings[t.id] = OPEN;
    const boxAlone = sound.dead.find((t) => /metal of the box/.test(t.says) && t.asks === "ohms")!;
    const outlet = sound.dead.find((t) => /cold outlet, earth/.test(t.says) && t.asks === "ohms")!;
    for (const t of sound.dead) if (t.asks === "ohms") readings[t.id] = t === boxAlone || t === outlet ? OPEN : 0.1;
    const answer = answerTo(plan, readings);
    expect(answer.somethingElse).toBe(true);
    expect(answer.stop).toMatch(/treat all metal as live/);
    expect(answer.pairs.map((p) => p.key)).toContain("off:block.e>cold-outlet.e + off:block.e>box.m");
  });

  it("two faults that cancel each other in part are told by tests of their own before anything is live", () => {
    const plan = planWith({ ...one120, secondCord: true, relay: "contactor", residualAt: "box" }, two);
    const plain = proofOf(plan).asked.length;
    const answer = answerTo(plan, {});
    expect(answer.dead.length).toBeGreaterThan(plain);
    expect(answer.dead.length).toBeLessThanOrEqual(60);
    expect(answer.pairs).toEqual([]);
  });
});

describe("a proof", () => {
  it("asks for nothing live before all is dead and right; a short, a stuck relay and the rest are told dead", () => {
    for (const by of [{}, { relay: "contactor" }, { outlets: "twin", relay: "solid", supply: 12 }] as const) {
      const plan = planWith({ ...one120, ...by }, two);
      const proof = proofOf(plan);
      expect(proof.dead.untold.map((u) => u.fault.key)).toEqual([]);
      const named = nameFaults(proof, {});
      expect(named.next?.asks).not.toBe("volts");
      expect(named).toMatchObject({ deadDone: false, pass: false });
    }
  });
  it("a reading of an unknown test, or of another plan's, counts for nothing", () => {
    const plan = planWith(one120, two);
    expect(answerTo(plan, { "|nowhere.1|unit.1": BEEPS, nonsense: 3 }).stop).toBeNull();
  });
  it("a live reading that is wrong ends it, and what comes next is dead", () => {
    const plan = planWith(one120, two);
    const proof = proofOf(plan);
    const built = new Built(plan, { key: "none" }, draw());
    const next = random(1);
    const readings: Record<string, number> = {};
    for (const t of answerTo(plan, {}).dead) {
      const [hand, a, b] = t.id.split("|") as [string, string, string];
      readings[t.id] = shown(built.ohms(hand === "" ? null : hand)(a, b), t.asks, next);
    }
    expect(answerTo(plan, readings).deadDone).toBe(true);
    const [test] = proof.live;
    const volts = new Built(plan, { key: "none" }, draw()).volts(
      { called: test!.called, lamp: test!.lamp },
      straight,
    )(...test!.between);
    expect(answerTo(plan, { ...readings, [test!.id]: volts }).stop).toBeNull();
    const wrong = answerTo(plan, { ...readings, [test!.id]: 0 });
    expect(wrong.stop).toMatch(/^Stop\. Pull the plug\./);
    expect(wrong.deadDone && wrong.stop === null).toBe(false);
    expect(wrong.next === null || !wrong.next.startsWith("live")).toBe(true);
  });
  it("readings that are right one by one, each with the plug another way round, are wrong together", () => {
    const plan = planWith({ mains: "one230", plugTurns: true }, two);
    const readings: Record<string, number> = {};
    for (const t of answerTo(plan, {}).dead)
      readings[t.id] = t.asks === "joined" ? BEEPS : t.asks === "ohms" ? 0.1 : (t.usual ?? 900);
    const lamp = (id: string) => `live heat heat ${id}`;
    // Line to earth 230 V and neutral to earth 230 V: the plug cannot stand both ways.
    const live = { [lamp("lamp")]: 230, [lamp("first")]: 230, [lamp("second")]: 2 };
    expect(answerTo(plan, { ...readings, ...live }).stop).toBeNull();
    expect(answerTo(plan, { ...readings, ...live, [lamp("second")]: 230 }).stop).toMatch(/^Stop\. Pull the plug\./);
  });
  it("every plan with outlets asks every part's own dangerous fault, and names it by its terminals", () => {
    const plan = planWith({ ...one120, relay: "solid", supply: 12, metalBox: true, pilots: true }, two);
    for (const { is } of faultsOf(plan)) expect(is).not.toMatch(/undefined|heat-|cold-/);
  });
});

describe("what a meter may show", () => {
  // Design's reference: a beep must sound below 10 Ω and not above 100; ±(1 % + 3 digits); 0.2 to 0.5 Ω of leads.
  it("a beep stands for up to 100 Ω, silence for 10 and more, no reading for a megohm and more", () => {
    expect(explains({ low: 0, high: 0.2 }, BEEPS, "joined")).toBe(true);
    expect(explains({ low: 60, high: 90 }, BEEPS, "joined")).toBe(true);
    expect(explains({ low: 200, high: 900 }, BEEPS, "joined")).toBe(false);
    expect(explains({ low: 0, high: 5 }, SILENT, "joined")).toBe(false);
    expect(explains({ low: 0, high: 50 }, SILENT, "joined")).toBe(true);
    expect(explains({ low: 150, high: 2000 }, OPEN, "apart")).toBe(false);
    expect(explains({ low: 1e9, high: Infinity }, OPEN, "apart")).toBe(true);
    expect(explains({ low: 1e9, high: Infinity }, 450, "apart")).toBe(false);
  });
  it("an earth reads half an ohm or less, not by the beep: a joint of an ohm is told", () => {
    expect(explains(EARTH_WAY, EARTH_OHMS, "ohms")).toBe(true);
    expect(explains(EARTH_WAY, EARTH_OHMS + 0.02, "ohms")).toBe(false);
    expect(explains({ low: 1, high: 100 }, 0.6, "ohms")).toBe(false);
    expect(explains({ low: 1, high: 100 }, 0.8, "ohms")).toBe(true);
    expect(toldApart(EARTH_WAY, { low: 1, high: 100 }, "ohms")).toBe(true);
    expect(toldApart(EARTH_WAY, { low: 1, high: 100 }, "joined")).toBe(false);
  });
});
