import { mainsKinds, type Edit, type Wiring } from "../model";
import { chamberWith } from "../testing/build";
import { planWith } from "../testing/wirings";
import { circuitOf } from "./circuit";
import { colourOf } from "./colours";
import { wiringFindings } from "./findings";
import { joinedIn } from "./joined";
import type { WiringPlan } from "./plan";
import { idle } from "./state";
import { wiresOf } from "./wires";

const edit = (section: string, field: string, value: unknown) => ({ section, field, value }) as Edit;

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
    ["a circuit with something else on it", { otherWatts: 3000 }, { heat: 60 }, "circuit-shared"],
    ["a fuse that is worked for hours", { fuse: 10 }, { heat: 2000, cold: null }, "continuous"],
    ["a compressor on a relay that says nothing of motors", {}, { cold: 90, motor: true }, "relay-motor"],
    ["outlets weaker than what protects them", { fuse: 0, breaker: 20, outletAmps: 10 }, {}, "outlet-protected"],
    ["a solid-state relay", { relay: "solid" }, { heat: 1000 }, "solid"],
    ["two cords", { secondCord: true }, { heat: 60, cold: 90 }, "two-cords"],
    ["a heater without a cut-out", { cutOut: false }, { heat: 60 }, "no-cut-out"],
    ["one fuse in two lines", { mains: "two240" }, {}, "one-fuse"],
    ["a relay of one pole in two lines", { mains: "two208" }, {}, "second-line"],
    ["a fixed cable without a switch that opens all", { laid: "C", mainSwitch: "one" }, {}, "fixed-switch"],
    ["a fixed cable that no table has", { laid: "A1", breaker: 63 }, {}, "no-fixed"],
  ])("%s", (_, by, more, id) => {
    expect(ids(by, more)).toContain(id);
    // The usual one has none of it: its plug turns, which is said.
    const usual = ids({ relayMotorAmps: 4 }, { heat: 60, cold: 90, motor: true });
    expect(usual.filter((i) => i !== "spark")).toEqual(["turned-relay"]);
  });
  it("a contactor opens both conductors: nothing is said of an outlet that is off", () => {
    for (const mains of mainsKinds)
      expect(ids({ mains, relay: "contactor" })).not.toEqual(
        expect.arrayContaining([expect.stringMatching(/^(turned-relay|second-line)$/) as unknown]),
      );
  });
  it("a ready-made unit is asked for its load alone", () => {
    expect(
      ids({ ownWork: false, mainSwitch: "one", outlets: "twin", linkBroken: false }, { heat: 60, cold: null }),
    ).toEqual([]);
    expect(ids({ ownWork: false, relayAmps: 5 }, { heat: 2000, cold: null })).toContain("relay-heat");
    expect(ids({ ownWork: false, residual: false }, { heat: 60, cold: null })).toEqual(["residual"]);
    // A cord that was planned for own work parts no load of a ready-made unit.
    const both = { heat: 1500, cold: 1500, motor: false };
    expect(ids({ ownWork: false, secondCord: true, relayAmps: 16, breaker: 10 }, both)).toContain("continuous");
  });
  it("a heater with its own thermostat in a cabinet whose refrigerant burns", () => {
    const sparks = chamberWith(edit("heater", "ownThermostat", true));
    expect(wiringFindings(planWith({}, { motor: true }), sparks).map((f) => f.id)).toContain("spark");
  });
  it("a 12 V supply with a fifth of it to spare for the fans that the chamber has", () => {
    const fan = { id: "f", power: 12 };
    const windy = { ...chamber, fans: [fan, { ...fan, id: "g" }] };
    const said = (supply: number) => wiringFindings(planWith({ supply }), windy).map((f) => f.id);
    // By hand: 24 W of two fans are four fifths of 30 W.
    expect(said(29)).toContain("supply-weak");
    expect(said(30)).not.toContain("supply-weak");
    expect(said(30)).toContain("supply");
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
