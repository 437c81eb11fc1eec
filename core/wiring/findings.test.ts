import { applyEdits, mainsKinds, plugKinds, type Edit, type Wiring } from "../model";
import { describe as describeChamber } from "../chamber";
import { chamberWith, recordWith } from "../testing/build";
import { loadOf, planWith } from "../testing/wirings";
import { checkedList, uncheckedList, wiringFindings } from "./findings";
import { wiringPlanOf, type WiringPlan } from "./plan";

const edit = (section: string, field: string, value: unknown) => ({ section, field, value }) as Edit;

describe("a plan before anybody buys a wire", () => {
  const chamber = chamberWith();
  const all = (by: Partial<Wiring>, more: Partial<WiringPlan> = {}) => wiringFindings(planWith(by, more), chamber);
  const ids = (by: Partial<Wiring>, more: Partial<WiringPlan> = {}) => all(by, more).map((f) => f.id);
  const severity = (id: string, by: Partial<Wiring>, more: Partial<WiringPlan> = {}) =>
    all(by, more).find((f) => f.id === id)?.severity;
  const heat = (watts: number): Partial<WiringPlan> => ({ heat: loadOf(watts), cold: null });
  it.each<[string, Partial<Wiring>, Partial<WiringPlan>, string, string]>([
    ["a twin socket whose link is whole", { outlets: "twin", linkBroken: false }, {}, "outlets-together", "danger"],
    ["a switch of one pole in two lines", { mains: "two240", mainSwitch: "one" }, {}, "half-off", "danger"],
    ["a switch of one pole on a plug that turns", { mainSwitch: "one", plugTurns: true }, {}, "turned", "warning"],
    ["no residual-current protection", { residual: "none" }, {}, "residual", "danger"],
    ["nobody has looked for one", { residual: "unknown" }, {}, "residual-unknown", "warning"],
    ["a heater too strong for the relay", { relayAmps: 5 }, heat(2000), "weak-switching unit", "danger"],
    ["a relay that its fuse does not protect", { relayAmps: 8 }, heat(500), "unprotected-switching unit", "danger"],
    [
      "a relay outside of the unit, unprotected",
      { relaysIn: "outside", relayAmps: 8 },
      heat(500),
      "unprotected-plain relay",
      "danger",
    ],
    [
      "a contactor, unprotected",
      { relay: "contactor", relayAmps: 8 },
      heat(500),
      "unprotected-two-pole contactor",
      "danger",
    ],
    [
      "outlets weaker than what protects them",
      { fuse: 0, breaker: 20, outletAmps: 10, relayAmps: 20, cutOutAmps: 20 },
      {},
      "unprotected-single outlet",
      "danger",
    ],
    [
      "a twin outlet, and so its link, weaker than that",
      { outlets: "twin", outletAmps: 5 },
      { heat: loadOf(60), cold: loadOf(60) },
      "unprotected-twin outlet",
      "danger",
    ],
    ["a cut-out weaker than its fuse", { cutOutAmps: 5 }, heat(500), "unprotected-one-shot cut-out", "danger"],
    ["a cut-out too weak for the heater", { cutOutAmps: 5 }, heat(1500), "weak-one-shot cut-out", "danger"],
    ["a circuit with something else on it", { otherWatts: 3000 }, heat(60), "circuit-shared", "warning"],
    ["a fuse that is worked for hours", { fuse: 10 }, heat(2000), "continuous", "warning"],
    ["more than a plug carries", { plug: "as3112", breaker: 20, fuse: 0 }, heat(2500), "plug-weak", "danger"],
    ["a motor on a relay whose paper says nothing of it", {}, { cold: loadOf(90, true) }, "motor-cold", "warning"],
    [
      "a motor stronger than the rating for motors",
      { relayMotorAmps: 0.5 },
      { cold: loadOf(90, true) },
      "motor-weak-cold",
      "danger",
    ],
    [
      "a motor stronger than the outlet's",
      { outletMotorAmps: 0.5, relayMotorAmps: 4 },
      { cold: loadOf(90, true) },
      "motor-weak-cold",
      "danger",
    ],
    ["a solid-state relay", { relay: "solid" }, heat(1000), "solid", "warning"],
    ["two cords", { secondCord: true }, { heat: loadOf(60), cold: loadOf(90) }, "two-cords", "warning"],
    ["a heater without a cut-out", { cutOut: "no" }, heat(60), "no-cut-out", "danger"],
    ["nobody has planned one", { cutOut: "unknown" }, heat(60), "no-cut-out", "danger"],
    ["one fuse in two lines", { mains: "two240" }, {}, "one-fuse", "warning"],
    ["a relay of one pole in two lines", { mains: "two208" }, {}, "second-line", "warning"],
    ["a fixed cable without a switch that opens all", { laid: "C", mainSwitch: "one" }, {}, "fixed-switch", "danger"],
    ["a fixed cable that no table has", { laid: "A1", breaker: 63 }, {}, "no-fixed", "danger"],
    ["a cord that no table has", { fuse: 0, breaker: 63 }, {}, "no-cord", "danger"],
    ["a cord whose earth is long", { cordLength: 20 }, {}, "earth-long", "warning"],
    ["a power strip", {}, {}, "strip", "note"],
    ["a splashed place", { place: "splash" }, {}, "water", "note"],
  ])("%s", (_, by, more, id, how) => {
    expect(severity(id, by, more)).toBe(how);
    // The usual one has none of it but what is said of every plan.
    const usual = ids({ relayMotorAmps: 4, outletMotorAmps: 4 }, { heat: loadOf(60), cold: loadOf(90, true) });
    expect(usual.filter((i) => i !== "spark")).toEqual(["turned-relay", "water", "fuse-kind", "strip"]);
  });
  it("dangers come first", () => {
    const order = ["danger", "warning", "note"];
    const found = all({ residual: "none", otherWatts: 4000, place: "splash" }, heat(2000)).map((f) =>
      order.indexOf(f.severity),
    );
    expect(found).toEqual([...found].sort((a, b) => a - b));
  });
  it("a contactor opens both conductors: nothing is said of an outlet that is off", () => {
    for (const mains of mainsKinds)
      expect(ids({ mains, relay: "contactor" })).not.toEqual(
        expect.arrayContaining([expect.stringMatching(/^(turned-relay|second-line)$/) as unknown]),
      );
  });
  it("a ready-made unit is asked for its load, its protection and its cut-out, and nothing of wires", () => {
    const ready = { ownWork: false } as const;
    expect(ids({ ...ready, mainSwitch: "one", outlets: "twin", linkBroken: false }, heat(60))).toEqual(["strip"]);
    expect(severity("relay-heater", { ...ready, relayAmps: 5 }, heat(2000))).toBe("danger");
    expect(severity("residual", { ...ready, residual: "none" }, heat(60))).toBe("danger");
    expect(severity("cut-out-unknown", { ...ready, cutOut: "unknown" }, heat(60))).toBe("warning");
    expect(severity("no-cut-out", { ...ready, cutOut: "no" }, heat(60))).toBe("danger");
    // A cord that was planned for own work parts no load of a ready-made unit.
    const both = { heat: loadOf(1500), cold: loadOf(1500) };
    expect(ids({ ...ready, secondCord: true, relayAmps: 16, breaker: 10 }, both)).toContain("continuous");
  });
  it("a heater with its own thermostat in a cabinet whose refrigerant burns", () => {
    const sparks = chamberWith(edit("heater", "ownThermostat", true));
    expect(wiringFindings(planWith({}, { cold: loadOf(90, true) }), sparks).map((f) => f.id)).toContain("spark");
  });
  it("a 12 V supply with a fifth of it to spare for the fans that the chamber has", () => {
    const fan = { id: "f", power: 12 };
    const windy = { ...chamber, fans: [fan, { ...fan, id: "g" }] };
    const said = (supply: number) => wiringFindings(planWith({ supply }), windy).map((f) => f.id);
    // By hand: 24 W of two fans are four fifths of 30 W.
    expect(said(29)).toContain("supply-weak");
    expect(said(30)).not.toContain("supply-weak");
    expect(said(30)).toContain("supply-margin");
  });
  it("no plan is called safe: what was checked, what was not, and what is not covered at all is said", () => {
    expect(checkedList).toMatch(/^Checked:/);
    expect(uncheckedList).toMatch(/three-phase.*low-voltage refrigerators.*gas/);
  });
  it("a plug brings its own fuse, socket and breaker, and whether it turns", () => {
    const wiring = (plug: Wiring["plug"]) =>
      describeChamber(applyEdits(recordWith(), [edit("wiring", "plug", plug)])).wiring;
    // BS 1363: 3 to 13 A fuses, a ring behind 32 A; CEE 7/7 goes in both ways; AS/NZS 3112 and SEV 1011 carry 10 A.
    expect(wiring("bs1363")).toMatchObject({ plugFuse: 13, plugTurns: false, outletAmps: 13, breaker: 32 });
    expect(wiring("cee7")).toMatchObject({ plugFuse: 0, plugTurns: true, outletAmps: 16 });
    expect(wiring("as3112")).toMatchObject({ plugTurns: false, outletAmps: 10 });
    for (const plug of plugKinds) expect(wiring(plug).plug).toBe(plug);
  });
  it("currents: nameplate before watts, a motor by its power factor and start, a defrost heater and a plate by what they draw", () => {
    const cooled = (...edits: Edit[]) => wiringPlanOf(describeChamber(recordWith(...edits))).cold!;
    // By hand: 100 W of cold draw 70 W, over 230 V and a power factor of 0.5.
    const plain = cooled(edit("cooler", "power", 100), edit("cooler", "defrostEvery", 0));
    expect(plain.amps).toBeCloseTo(70 / 230 / 0.5, 6);
    expect(plain.starts).toBeCloseTo(8 * plain.amps, 6);
    expect(cooled(edit("wiring", "coldAmps", 1.4)).amps).toBeCloseTo(1.4, 6);
    const frostFree = cooled(
      edit("cooler", "power", 100),
      edit("cooler", "defrostEvery", 43_200),
      edit("cooler", "defrostPower", 450),
    );
    expect(frostFree.amps).toBeCloseTo(450 / 230, 6);
    expect(frostFree.watts).toBe(450);
    // Design's reference 1: a plate of 42 W of cold draws 100 to 150 W.
    const plate = cooled(
      edit("cooler", "kind", "peltier"),
      edit("cooler", "power", 42),
      edit("cooler", "electric", 120),
    );
    expect(plate.watts).toBeGreaterThanOrEqual(100);
    expect(plate.watts).toBeLessThanOrEqual(150);
    expect(plate.motor).toBe(false);
  });
});
