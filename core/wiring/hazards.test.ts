import { tries } from "../testing/hard";
import { loadOf, planWith, random, randomPlan } from "../testing/wirings";
import { both, NONE } from "./fault";
import { faultsOf } from "./faults";
import type { Hazard } from "./hazard";
import { broughtBy, consequencesOf, hazardsIn } from "./hazards";
import type { WiringPlan } from "./plan";
import { sayHazards, stopWords, worstWords } from "./sayHazard";

const two = { heat: loadOf(60), cold: loadOf(90, true), heatOhms: null } as const;
const named = (list: readonly Hazard[]): string[] => [
  ...new Set(list.map((h) => ("turned" in h && h.turned ? `${h.kind}, turned` : h.kind))),
];
const kinds = (plan: WiringPlan): string[] => named(hazardsIn(plan)).sort();
const one120 = { mains: "one120", plugTurns: false } as const;

describe("what must not be, over all states", () => {
  // By hand, on paper: what the circuit of two outlets does.
  it("of a sound wiring on 120 V with a plug that cannot be turned: nothing", () => {
    expect(kinds(planWith(one120, two))).toEqual([]);
    expect(kinds(planWith({ ...one120, relay: "contactor", pilots: true, supply: 12, metalBox: true }, two))).toEqual(
      [],
    );
    expect(kinds(planWith({ ...one120, residualAt: "box", metalVessel: true }, two))).toEqual([]);
  });
  it("a plug that turns leaves an outlet live that is off, and what is behind a blown fuse; a contactor does not", () => {
    expect(kinds(planWith({ plugTurns: true }, two))).toEqual(["blownLive, turned", "offLive, turned"]);
    expect(kinds(planWith({ plugTurns: true, relay: "contactor" }, two))).toEqual(["blownLive, turned"]);
    // What is laid fixed has no plug.
    expect(kinds(planWith({ plugTurns: true, laid: "B1" }, two))).toEqual([]);
  });
  it("two lines: a relay of one pole leaves the second on the outlets, a switch of one pole on everything", () => {
    for (const mains of ["two240", "two208"] as const) {
      expect(kinds(planWith({ mains, plugTurns: false, fuse: 0 }, two))).toEqual(["offLive"]);
      expect(kinds(planWith({ mains, plugTurns: false, fuse: 0, mainSwitch: "one" }, two))).toEqual([
        "offLive",
        "switchLive",
      ]);
      expect(kinds(planWith({ mains, plugTurns: false }, two))).toContain("blownLive");
    }
  });
  it("two cords: with one pulled what hangs on the other stays live, and the main switch reaches one of them", () => {
    const hazards = hazardsIn(planWith({ ...one120, secondCord: true }, two));
    const wheres = (kind: string) => hazards.flatMap((h) => (h.kind === kind && "where" in h ? [h.where] : []));
    expect(named(hazards).sort()).toEqual(["pulledLive", "switchLive"]);
    expect(wheres("switchLive").sort()).toEqual(["fuse2.in", "fuse2.out", "unit.cold-in"]);
    expect(wheres("pulledLive")).toEqual(expect.arrayContaining(["unit.cold-in", "block.1", "heat-outlet.1"]));
  });
});

describe("what one fault does", () => {
  const brings = (plan: WiringPlan) =>
    Object.fromEntries(consequencesOf(plan).map((c) => [c.fault.key, named(c.hazards)]));
  it("is as it is on paper", () => {
    const of = brings(planWith({ ...one120, outlets: "twin", metalBox: true }, two));
    expect(of["twin:link-kept"]).toEqual(expect.arrayContaining(["runsUncalled", "notEnded"]));
    expect(of["exchanged:plug.1|plug.2"]!.sort()).toEqual(["blownLive", "offLive", "polarity"]);
    expect(of["fuse:other"]).toEqual(["blownLive"]);
    expect(of["joined:twin.heat-2|twin.heat-e"]).toEqual(["returnOnEarth"]);
    expect(of["unit:heat-closed"]).toEqual(["runsUncalled"]);
    expect(of["unit:heat-inverse"]!.sort()).toEqual(["dead", "runsUncalled"]);
    expect(of["cut-out:passed"]).toEqual(["notEnded"]);
    expect(of["heat-load:toEarth"]).toEqual(["short"]);
    expect(of["off:block.e>box.m"]).toEqual(["noEarth"]);
    expect(of["poor:block.e>box.m"]).toEqual(["noEarth"]);
    expect(of["off:plug.e>block.e"]).toEqual(["noEarth"]);
    expect(of["off:block.1>unit.heat-in"]).toEqual(["dead"]);
    expect(of["joined:unit.1|unit.probe-a"]).toEqual(["lowLive"]);
    expect(of["joined:unit.2|probes.sheath"]).toEqual(["lowLive"]);
    expect(of["switch:stuck1"]).toEqual(["switchLive"]);
    // A twin socket joins its neutrals: with one of its two wires off all of it runs on by the other.
    expect(of["off:block.2>twin.heat-2"]).toEqual([]);
    // Of two single outlets: nothing runs, and the heater carries the line on to the contact that nothing holds.
    expect(brings(planWith(one120, two))["off:block.2>heat-outlet.2"]).toEqual(["liveThroughLoad"]);
    expect(of["off:block.1>unit.1"]).toEqual(["dead"]);
    // Line and earth exchanged in the plug: all metal is live.
    expect(of["exchanged:plug.1|plug.e"]).toContain("metalLive");
    expect(of["house:1"]).toEqual(expect.arrayContaining(["polarity", "blownLive"]));
  });
  it("a twin socket whose other link was kept: two cords share their way back, a contactor leaves a line on the other", () => {
    const cords = brings(planWith({ ...one120, outlets: "twin", secondCord: true }, two));
    expect(cords["twin:link2-kept"]).toEqual(["sharedReturn"]);
    const lines = brings(planWith({ mains: "two240", plugTurns: false, outlets: "twin", relay: "contactor" }, two));
    expect(lines["twin:link2-kept"]).toContain("offLive");
    // Where both hang on one neutral anyway nothing of it is asked.
    expect(brings(planWith({ ...one120, outlets: "twin" }, two))).not.toHaveProperty("twin:link2-kept");
  });
  it("an earth that is off is nothing to what is double insulated, and a live earth contact is", () => {
    const double = brings(planWith({ ...one120, heatDouble: true }, two));
    expect(double["off:block.e>heat-outlet.e"]).toEqual([]);
    expect(double["exchanged:heat-outlet.1|heat-outlet.e"]).toContain("metalLive");
    expect(brings(planWith(one120, two))["off:block.e>heat-outlet.e"]).toEqual(["noEarth"]);
  });
  it("neutrals of two cords that meet: the way back is shared; with plugs that turn it is a short, and a live pin", () => {
    expect(brings(planWith({ ...one120, secondCord: true }, two))["joined:plug.2|plug2.2"]).toEqual(["sharedReturn"]);
    expect(brings(planWith({ secondCord: true, plugTurns: true }, two))["joined:plug.2|plug2.2"]).toEqual(
      expect.arrayContaining(["sharedReturn", "shortTurned", "shortOtherLine", "pinLive"]),
    );
  });
  it("of a contactor one pole that welds leaves one conductor live, and nothing runs; half waves are bad for a motor", () => {
    const of = brings(planWith({ ...one120, relay: "contactor" }, two));
    expect(of["heat-relay:heat-closed"]).toEqual(["offLive"]);
    expect(of["heat-relay:heat-closed2"]).toEqual([]);
    const half = consequencesOf(planWith({ ...one120, relay: "solid" }, two)).filter((c) =>
      c.fault.key.endsWith("half"),
    );
    expect(half.map((c) => c.hazards)).toEqual([
      [{ kind: "halfWave", at: "heat", motor: false }],
      [{ kind: "halfWave", at: "cold", motor: true }],
    ]);
  });
  it("two at once are what both are: an earth that is off and a line that touches metal is live metal, no short", () => {
    const plan = planWith({ ...one120, metalBox: true }, two);
    const of = (key: string) => faultsOf(plan).find((f) => f.key === key)!;
    const [off, touch] = [of("off:block.e>box.m"), of("joined:box.m|block.1")];
    expect(named(broughtBy(plan, touch))).toEqual(["short"]);
    expect(named(broughtBy(plan, both(off, touch))).sort()).toEqual(["metalLive", "noEarth"]);
    expect(broughtBy(plan, NONE)).toEqual([]);
  });
});

describe("words of danger", () => {
  it("every sentence is whole, over random wirings and all single faults", () => {
    const next = random(3);
    for (let n = 0; n < tries(20, 200); n++) {
      const plan = randomPlan(next);
      for (const { fault, hazards } of consequencesOf(plan)) {
        const said = [`${fault.is}.`, fault.mend, ...sayHazards(hazards, plan).map((h) => h.text)];
        if (hazards.length > 0) said.push(worstWords(hazards, plan));
        for (const text of said) expect(text).toMatch(/^\p{Lu}[^]*[.]$/u);
        for (const text of said) expect(text).not.toMatch(/undefined|null|NaN|\.\.|heat-|cold-/);
      }
    }
  });
  it("begin with what to do now, by what feeds it", () => {
    expect(stopWords(planWith({}, two), false)).toBe("Stop. Leave the plug pulled.");
    expect(stopWords(planWith({}, two), true)).toBe("Stop. Pull the plug.");
    expect(stopWords(planWith({ secondCord: true }, two), true)).toBe("Stop. Pull both plugs.");
    expect(stopWords(planWith({ laid: "C" }, two), true)).toBe(
      "Stop. Switch the circuit off at the breaker, and lock it.",
    );
    expect(
      worstWords(
        [
          { kind: "dead", at: "heat" },
          { kind: "metalLive", where: "box.m" },
        ],
        planWith({}, two),
      ),
    ).toBe("Metal may be live.");
  });
});
