import { planWith, random, randomPlan } from "../testing/wirings";
import { consequencesOf, hazardsIn, type Hazard } from "./hazards";
import { sayFault } from "./faults";
import { sayHazard, sayHazards } from "./sayHazard";
import { faultKey, type Fault } from "./state";
import type { WiringPlan } from "./plan";

const two = { heat: 60, cold: 90, motor: true, heatOhms: null } as const;
const kinds = (plan: WiringPlan, fault?: Fault): string[] => [
  ...new Set(hazardsIn(plan, fault).map((h) => ("turned" in h && h.turned ? `${h.kind}, turned` : h.kind))),
];
const one120 = { mains: "one120", plugTurns: false } as const;

describe("what must not be, over all states", () => {
  // By hand, on paper: what the circuit of two outlets does.
  it("of a sound wiring on 120 V with a plug that cannot be turned: nothing", () => {
    expect(kinds(planWith(one120, two))).toEqual([]);
    expect(kinds(planWith({ ...one120, relay: "contactor", pilots: true, supply: 12, metalBox: true }, two))).toEqual(
      [],
    );
  });
  it("a plug that turns leaves an outlet live that is off, and what is behind a blown fuse; a contactor does not", () => {
    expect(kinds(planWith({ plugTurns: true }, two)).sort()).toEqual(["blownLive, turned", "offLive, turned"]);
    expect(kinds(planWith({ plugTurns: true, relay: "contactor" }, two))).toEqual(["blownLive, turned"]);
    // What is laid fixed has no plug.
    expect(kinds(planWith({ plugTurns: true, laid: "B1" }, two))).toEqual([]);
  });
  it("two lines: a relay of one pole leaves the second on the outlets, a switch of one pole on everything", () => {
    for (const mains of ["two240", "two208"] as const) {
      expect(kinds(planWith({ mains, plugTurns: false, fuse: 0 }, two))).toEqual(["offLive"]);
      expect(kinds(planWith({ mains, plugTurns: false, fuse: 0, mainSwitch: "one" }, two)).sort()).toEqual([
        "offLive",
        "switchLive",
      ]);
    }
  });
  it("two cords: with one pulled what hangs on the other stays live, and the main switch reaches one of them", () => {
    const hazards = hazardsIn(planWith({ ...one120, secondCord: true }, two));
    const of = (kind: Hazard["kind"]) => hazards.filter((h) => h.kind === kind);
    expect(of("pulledLive")).toEqual([
      { kind: "pulledLive", cord: 1, where: "cold relay in" },
      { kind: "pulledLive", cord: 2, where: "common 1" },
      { kind: "pulledLive", cord: 2, where: "heat 1" },
    ]);
    expect(of("switchLive")).toEqual([{ kind: "switchLive", where: "cold relay in", turned: false }]);
    expect(hazards).toHaveLength(4);
  });
});

describe("what one fault does", () => {
  const brings = (plan: WiringPlan) =>
    Object.fromEntries(consequencesOf(plan).map((c) => [faultKey(c.fault), c.hazards.map((h) => h.kind)]));
  it("is as it is on paper", () => {
    const of = brings(planWith({ ...one120, outlets: "twin", metalBox: true }, two));
    expect(of.linkKept).toEqual(expect.arrayContaining(["runsUncalled"]));
    expect(of.swapped).toEqual(expect.arrayContaining(["offLive", "blownLive"]));
    expect(of.fuseInSecond).toEqual(["blownLive"]);
    expect(of["neutralToEarth:heat"]).toEqual(["returnOnEarth"]);
    expect(of["welded:heat"]).toEqual(["runsUncalled"]);
    expect(of["loadToEarth:heat"]).toEqual(["short"]);
    expect(of["off:box-earth"]).toEqual(["noEarth"]);
    expect(of["off:earth"]).toEqual(["noEarth", "noEarth", "noEarth"]);
    expect(of["off:heat-feed"]).toEqual(["dead"]);
    // A twin socket joins its neutrals: with one of its two wires off all of it runs on by the other.
    expect(of["off:heat-second"]).toEqual([]);
    // Of two single outlets: nothing runs, and the heater carries the line on to the contact that nothing holds.
    expect(brings(planWith(one120, two))["off:heat-second"]).toEqual(["liveThroughLoad"]);
    expect(of["off:unit-1"]).toEqual(["dead", "dead"]);
  });
  it("a twin socket whose other link was kept: two cords share their way back, a contactor leaves a line on the other", () => {
    const cords = brings(planWith({ ...one120, outlets: "twin", secondCord: true }, two));
    expect(cords.secondLinkKept).toEqual(["sharedReturn"]);
    const lines = brings(planWith({ mains: "two240", plugTurns: false, outlets: "twin", relay: "contactor" }, two));
    expect(lines.secondLinkKept).toContain("offLive");
    // Where both hang on one neutral anyway nothing of it is asked.
    expect(brings(planWith({ ...one120, outlets: "twin" }, two))).not.toHaveProperty("secondLinkKept");
    expect(
      kinds(planWith({ mains: "two240", plugTurns: false, fuse: 0, outlets: "twin", relay: "contactor" }, two)),
    ).toEqual([]);
  });
  it("an earth that is off is nothing to what is double insulated", () => {
    expect(brings(planWith({ ...one120, heatDouble: true }, two))["off:heat-earth"]).toEqual([]);
    expect(brings(planWith(one120, two))["off:heat-earth"]).toEqual(["noEarth"]);
  });
  it("neutrals of two cords that meet: the way back is shared; with plugs that turn it is a short, and a live pin", () => {
    expect(brings(planWith({ ...one120, secondCord: true }, two)).secondsJoined).toEqual(["sharedReturn"]);
    expect(brings(planWith({ secondCord: true, plugTurns: true }, two)).secondsJoined).toEqual(
      expect.arrayContaining(["sharedReturn", "shortTurned", "shortOtherLine", "pinLive"]),
    );
  });
  it("a link that was kept between two circuits of different lines is a short", () => {
    const of = brings(planWith({ ...one120, secondCord: true, outlets: "twin" }, two));
    expect(of.linkKept).toEqual(expect.arrayContaining(["shortOtherLine", "pinLive"]));
  });
  it("of a contactor one pole that welds leaves one conductor live, and nothing runs", () => {
    const of = brings(planWith({ ...one120, relay: "contactor" }, two));
    expect(of["welded:heat"]).toEqual(["offLive"]);
    expect(of["welded:heat:2"]).toEqual([]);
  });
});

it("low voltage never meets the mains, and every sentence is whole: random wirings, all single faults", () => {
  const next = random(3);
  for (let n = 0; n < 25; n++) {
    const plan = randomPlan(next);
    for (const { fault, hazards } of consequencesOf(plan)) {
      expect(hazards.map((h) => h.kind)).not.toContain("lowLive");
      const said = [sayFault(fault, plan).is, ...sayHazards(hazards, plan).map((h) => h.text)];
      for (const text of said) expect(text).toMatch(/^[A-Z](?!.*(undefined|null|NaN| {2})).+/);
    }
    for (const h of hazardsIn(plan)) expect(sayHazard(h, plan).text).toMatch(/\.$/);
  }
});
