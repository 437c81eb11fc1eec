import { addController, addDevice, addProbe, describe as describeChamber } from "../chamber";
import type { Happening, HappeningKind } from "../model";
import { celsius, kelvins } from "../quantity";
import { keyedIn, recordWith, settingsOf } from "../testing/build";
import { changed, set, staged, after } from "../testing/configurations";
import { trialOf } from "./input";
import { planOf } from "./plan";
import { startRun } from "./run";
import { changeSteps, numbersNow, shifted, situationAt, withSetpoint } from "./timeline";

const record = changed(
  recordWith(),
  addProbe,
  addDevice("heater"),
  addDevice("cooler"),
  addController,
  set("cabinet", "fan", true),
);
const input = (...happenings: Record<string, unknown>[]) => {
  const plan = planOf({
    ...record,
    happenings: happenings.map((h, i) => ({ id: `h${i}`, at: 100, ...h })) as unknown as Happening[],
  });
  return trialOf(plan, 2, 10);
};
/** What holds at a step, less what always holds. */
const at = (step: number, ...happenings: Record<string, unknown>[]) => situationAt(input(...happenings), step);

describe("what holds at a moment", () => {
  const calm = at(0);
  it("nothing where nothing happens", () => {
    expect(calm).toEqual({
      conditions: {
        open: false,
        fanStopped: false,
        stirred: false,
        film: 0,
        probes: ["place", "place"],
        loadsIn: 0,
        out: [],
        ice: [],
      },
      probes: [
        { fault: 0, drifted: 0, driftRate: 0 },
        { fault: 0, drifted: 0, driftRate: 0 },
      ],
      power: true,
      heaters: [
        { staysOff: false, cutOut: false, fuelOut: false },
        { staysOff: false, cutOut: false, fuelOut: false },
      ],
      coolers: [
        { fails: false, iceForgotten: false },
        { fails: false, iceForgotten: false },
      ],
      controllers: [
        { heatStuck: "", coldStuck: "", setpoint: null },
        { heatStuck: "", coldStuck: "", setpoint: null },
      ],
    });
  });

  it.each<[HappeningKind, Record<string, unknown>, unknown]>([
    ["setpoint", { which: "u2", to: 25 }, { controllers: [{ setpoint: null }, { setpoint: 25 }] }],
    ["door", { lasting: 60 }, { conditions: { open: true } }],
    ["lidOff", { lasting: 60 }, { conditions: { open: true } }],
    ["probeOut", { which: "p2", lasting: 0, to: "room" }, { conditions: { probes: ["place", "room"] } }],
    ["probeFault", { which: "p2", lasting: 0, fault: "open" }, { probes: [{ fault: 0 }, { fault: 1 }] }],
    ["probeFault", { which: "p1", lasting: 0, fault: "short" }, { probes: [{ fault: 2 }, { fault: 0 }] }],
    ["powerCut", { lasting: 60 }, { power: false }],
    ["heaterStaysOff", { which: "h2", lasting: 0 }, { heaters: [{ staysOff: false }, { staysOff: true }] }],
    ["heaterCutOut", { which: "h2", lasting: 0 }, { heaters: [{ cutOut: false }, { cutOut: true }] }],
    [
      "relayStuck",
      { which: "u2", lasting: 0, outlet: "heat", to: "on" },
      { controllers: [{}, { heatStuck: "on", coldStuck: "" }] },
    ],
    [
      "relayStuck",
      { which: "u1", lasting: 0, outlet: "cold", to: "off" },
      { controllers: [{ heatStuck: "", coldStuck: "off" }, {}] },
    ],
    ["coldFails", { which: "c2", lasting: 0 }, { coolers: [{ fails: false }, { fails: true }] }],
    ["fanStops", { lasting: 0 }, { conditions: { fanStopped: true } }],
    ["loadIn", { volume: 0.001, temperature: 5 }, { conditions: { loadsIn: 1 } }],
    ["iceForgotten", { which: "c2", lasting: 0 }, { coolers: [{ iceForgotten: false }, { iceForgotten: true }] }],
    ["fuelOut", { which: "h2" }, { heaters: [{ fuelOut: false }, { fuelOut: true }] }],
  ])("%s: to what it happens to, from its moment on, and to nothing that is not there", (kind, more, expected) => {
    const happening = { kind, ...more };
    expect(at(9, happening)).toEqual(calm);
    expect(at(10, happening)).toMatchObject(expected as object);
    if ("which" in more) expect(at(10, { ...happening, which: "gone" })).toEqual(calm);
  });

  it("ends after so long, and lasts where nothing is said", () => {
    const door = (lasting: number) => ({ kind: "door", lasting });
    expect([9, 10, 15, 16].map((s) => at(s, door(60)).conditions.open)).toEqual([false, true, true, false]);
    expect(at(15_000, door(0)).conditions.open).toBe(true);
  });

  it("of two the later one wins; loads add up; drifts add up, each from its own moment", () => {
    const to = (at: number, value: number) => ({ kind: "setpoint", which: "u1", at, to: value });
    expect(at(99, to(200, 22), to(100, 21)).controllers[0]!.setpoint).toBe(22);
    const load = (at: number) => ({ kind: "loadIn", at, volume: 0.001, temperature: 5 });
    expect([5, 10, 20].map((s) => at(s, load(200), load(100)).conditions.loadsIn)).toEqual([0, 1, 2]);
    const drift = (at: number, perDay: number) => ({ kind: "probeDrift", which: "p1", at, lasting: 0, perDay });
    const [probe] = at(8640 + 10, drift(100, 2), drift(100 + 43_200, 4)).probes;
    expect(probe!.drifted).toBeCloseTo(2 + 2, 9);
    expect(probe!.driftRate).toBeCloseTo(6 / 86_400, 12);
  });

  it("changes at the first step from each moment on; the weather and what never ends change nothing more", () => {
    const steps = changeSteps(
      input(
        { kind: "door", at: 95, lasting: 60 },
        { kind: "powerCut", at: 0, lasting: 155 },
        { kind: "weather", at: 50, lasting: 60, by: 3 },
        { kind: "coldFails", at: 33, lasting: 0, which: "c1" },
      ),
    );
    expect(steps).toEqual([4, 10, 16]);
  });
});

describe("settings that move", () => {
  const settings = { ...settingsOf(20, 1, 2), lowLimit: celsius(18), highLimit: celsius(21), lowAlarm: celsius(15) };
  it("with a new setpoint: the limits too, alarms stay", () => {
    expect(withSetpoint(settings, celsius(23))).toEqual({
      ...settings,
      setpoint: 23,
      lowLimit: 21,
      highLimit: 24,
    });
  });
  it("on the way from another stage: all of them; by nothing they are what they are", () => {
    expect(shifted(settings, 0)).toBe(settings);
    expect(shifted(settings, -1.5)).toEqual({
      ...settings,
      setpoint: 18.5,
      lowLimit: 16.5,
      highLimit: 19.5,
      lowAlarm: 13.5,
      highAlarm: settings.highAlarm - 1.5,
    });
  });
  it("each controller works with its own numbers of the present stage, and with a setpoint that somebody has set", () => {
    const two = staged(record, { band: [18, 22], ends: [after(60)] }, { band: [12, 16] });
    const plan = planOf(two);
    const trial = trialOf(plan, 1, 10);
    const { state } = startRun(trial);
    const numbers = (stage: number, to: number | null = null, shift = 0) => {
      const situation = situationAt(trial, 0);
      situation.controllers[0]!.setpoint = to === null ? null : celsius(to);
      return numbersNow(trial, situation, { ...state.program, stage, shift })[0]!;
    };
    const keyed = [0, 1].map((s) => keyedIn(plan, s));
    expect([0, 1].map((s) => numbers(s).heatOff)).toEqual(keyed.map((k) => Math.round(k.setpoint * 10)));
    expect(numbers(1, null, 2).heatOff).toBe(Math.round((keyed[1]!.setpoint + 2) * 10));
    expect(numbers(1, 30, 2).heatOff).toBe(300);
    expect(numbers(1, 30).heatOn).toBe(300 - Math.round(keyed[1]!.heatingDifferential * 10));
    expect(describeChamber(two).stages.map((s) => s.target)).toEqual([celsius(20), celsius(14)]);
    expect(kelvins(keyed[0]!.setpoint - keyed[1]!.setpoint)).toBeGreaterThan(4);
  });
});
