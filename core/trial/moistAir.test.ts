import { applyEdits, type ChamberRecord, type Edit } from "../model";
import { jobEdits, jobs } from "../chamber";
import { copyAir, unaccounted, vapourIn } from "../moisture";
import { celsius } from "../quantity";
import {
  chamberWith,
  heldAt,
  meeting,
  plainTrial,
  recordWith,
  settingsOf,
  steadyRoom,
  tried,
  verdictsOn,
} from "../testing/build";
import { weigh } from "../verdict";
import { imbalance } from "./energy";
import { trialOf } from "./input";
import { planOf } from "./plan";
import { startRun } from "./run";
import { runTrial } from "./runTrial";
import { advance } from "./stepper";

const moist = (field: string, value: unknown): Edit => ({ section: "moisture", field, value }) as Edit;
const boxOf = (kind: string, ...edits: Edit[]): ChamberRecord =>
  recordWith({ section: "cabinet", field: "kind", value: kind } as Edit, ...edits);
const jobOf = (id: string, kind: "wine" | "upright" | "foam", ...edits: Edit[]): ChamberRecord =>
  applyEdits(recordWith(), [
    ...jobEdits(
      jobs.find((j) => j.id === id)!,
      kind,
    ),
    ...edits,
  ]);
const mean = (values: Float32Array, from = 0) =>
  values.slice(from).reduce((sum, v) => sum + v, 0) / (values.length - from);

describe("the water's books over a whole trial", () => {
  const ice = [
    { section: "cooler", field: "kind", value: "ice" },
    { section: "cooler", field: "iceMass", value: 4 },
  ] as Edit[];
  it.each([
    [
      "a fridge in a summer, its door opened",
      meeting(
        boxOf("upright", ...steadyRoom(30)),
        { kind: "door", at: 7205, lasting: 40 },
        { kind: "door", at: 90_000, lasting: 900 },
      ),
    ],
    ["sausage that dries between humidifier and dehumidifier", jobOf("sausage", "wine")],
    ["tempeh in a foam box", jobOf("tempeh", "foam")],
    ["bottles of ice", boxOf("foam", ...ice, ...steadyRoom(28))],
    [
      "a tray of brine and an absorber",
      boxOf("chest", moist("tray", 0.1), moist("trayActivity", 0.75), moist("absorber", 0.5)),
    ],
  ])("close within 1e-8 of what has moved: %s", (_, record) => {
    const run = startRun(trialOf(planOf(record), 5));
    const first = run.state.moisture!.air.map(copyAir);
    advance(run, run.steps, { sample: () => undefined });
    run.state.moisture!.air.forEach((air, k) => {
      const moved = [
        air.breathed,
        air.given,
        air.humidified,
        air.dehumidified,
        air.absorbed,
        ...air.fromWet,
        ...air.film,
      ];
      const all = moved.reduce((sum, kg) => sum + Math.abs(kg), 0.001);
      expect(Math.abs(unaccounted(first[k]!, air, run.moist!.volume)) / all).toBeLessThan(1e-8);
    });
  });

  it("what sausages lose is what the air is given", () => {
    const { trial, plan } = tried(jobOf("sausage", "wine"), 5);
    const [vessel] = plan.chamber.vessels;
    const loss = trial.trace.figures.find((f) => f.name === "loss")!.values.at(-1)!;
    const mass = vessel!.volume * 1050 * vessel!.count;
    expect(trial.moisture!.given / (loss * mass)).toBeGreaterThan(0.97);
    expect(trial.moisture!.given / (loss * mass)).toBeLessThan(1.03);
  });
});

describe("the air of a box", () => {
  const still = [...heldAt(20), ...steadyRoom(20), moist("airChanges", 0)];
  const input = (...edits: Edit[]) => plainTrial(chamberWith(...still, ...edits), settingsOf(20, 5, 5), 10, 10);

  // Greenspan 1977: over its saturated brine table salt holds 75.5 % at 20 °C (value from memory).
  it("over salt in its brine comes to 75 %, from the dry side and from the moist one", () => {
    for (const room of [0.3, 0.95]) {
      const { trace } = runTrial(input(moist("room", room), moist("tray", 0.2), moist("trayActivity", 0.755)));
      expect(trace.humidity!.usual.at(-1)).toBeCloseTo(0.755, 2);
    }
  });

  it("without anything that gives or takes keeps its vapour, and with the door open takes the room's", () => {
    const shut = runTrial(input(moist("room", 0.5)));
    expect(shut.trace.humidity!.usual.at(-1)).toBeCloseTo(0.5, 2);
    const dry = applyEdits(recordWith(), [...still, moist("room", 0.7), moist("absorber", 2)]);
    const opened = tried(meeting(dry, { kind: "door", at: 86_400, lasting: 7200 }), 1.08).trial;
    expect(opened.trace.humidity!.usual[Math.floor(opened.trace.bins / 2)]).toBeLessThan(0.3);
    expect(opened.trace.humidity!.usual.at(-1)).toBeGreaterThan(0.6);
  });

  it("wets a wall that is colder than its dew point and no other", () => {
    const cellar = (room: number) =>
      plainTrial(
        chamberWith(...heldAt(30), ...steadyRoom(room), moist("tray", 0.3), moist("airChanges", 0.05), {
          section: "cabinet",
          field: "kind",
          value: "foam",
        }),
        settingsOf(30, 1, 1),
        3,
        10,
      );
    const [cold, warm] = [5, 30].map((room) => runTrial(cellar(room)).moisture!.surfaces[0]!);
    expect(cold!.wetFor).toBeGreaterThan(86_400);
    expect(warm!.most).toBeLessThan(cold!.most / 20);
  });

  it("is drier where a plate is colder: on it ice grows, and thaws into the drain where it is let", () => {
    const summer = [...steadyRoom(32), moist("room", 0.8), moist("airChanges", 2)];
    const cold = [
      { section: "stage", field: "low", value: celsius(3) },
      { section: "stage", field: "high", value: celsius(5) },
      { section: "product", field: "kind", value: "serving" },
    ] as Edit[];
    // A weak compressor hardly ever rests, so that its plate never thaws.
    const record = boxOf("upright", ...summer, ...cold, { section: "cooler", field: "power", value: 52 });
    const verdicts = verdictsOn(record, 7);
    const iced = verdicts.find((v) => v.id === "ice-grows")!;
    expect(iced).toBeDefined();
    const plain = tried(record, 7).trial;
    expect(mean(plain.trace.humidity!.usual, 40)).toBeLessThan(0.8);
    expect(weigh(record, iced, verdicts, 7, "C").some((e) => e.cures)).toBe(true);
    const thawed = tried(
      applyEdits(record, [
        { section: "cooler", field: "defrostEvery", value: 6 * 3600 },
        { section: "cooler", field: "defrostFor", value: 1800 },
      ] as Edit[]),
      7,
    ).trial;
    expect(thawed.moisture!.drained).toBeGreaterThan(1);
    expect(thawed.moisture!.surfaces[1]!.mostIce).toBeLessThan(plain.moisture!.surfaces[1]!.mostIce / 2);
  });

  it("shows a shade that holds the usual course, and the same trial does not hang on its step", () => {
    const [fine, usual] = [1, 5].map((dt) => runTrial(trialOf(planOf(boxOf("upright")), 2, dt)).trace.humidity!);
    expect(Math.abs(mean(fine!.usual) - mean(usual!.usual))).toBeLessThan(0.01);
    usual!.usual.forEach((v, i) => {
      expect(v).toBeGreaterThanOrEqual(usual!.low[i]! - 1e-6);
      expect(v).toBeLessThanOrEqual(usual!.high[i]! + 1e-6);
    });
  });

  it("is as typed where nobody wants it worked out, and in boxes that breathe the room's", () => {
    for (const record of [boxOf("upright", moist("reckoned", false)), boxOf("drum"), boxOf("kettle")]) {
      const { trial } = tried(record, 0.5);
      expect(trial.moisture).toBeNull();
      expect(trial.trace.humidity).toBeNull();
    }
  });
});

// A tray of 2 m² in a foam box gives and takes ten times what its air carries away: one after the other they run off.
describe("water that hangs on its heat more than the box can carry", () => {
  it.each([
    ["foam", 2],
    ["foam", 0.8],
    ["warmBox", 2],
    ["chest", 2],
  ])("a %s with %d m² of open water stays between room and heater, and its books and heat close", (kind, area) => {
    const input = trialOf(planOf(boxOf(kind, ...heldAt(20), moist("tray", area))), 4);
    const run = startRun(input);
    const first = copyAir(run.state.moisture!.air[0]!);
    let [low, high] = [Infinity, -Infinity];
    advance(run, run.steps, {
      sample: ({ x }) => {
        low = Math.min(low, x[run.network.air]!);
        high = Math.max(high, x[run.network.air]!);
      },
    });
    expect(low).toBeGreaterThan(-12);
    expect(high).toBeLessThan(60);
    const usual = run.state.moisture!.air[0]!;
    const moved =
      Math.abs(usual.fromWet[0]!) + usual.film.reduce((sum, kg) => sum + kg, 0) + Math.abs(usual.breathed) + 0.001;
    expect(Math.abs(unaccounted(first, usual, run.moist!.volume)) / moved).toBeLessThan(1e-8);
    expect(imbalance(runTrial(input).metrics.energy)).toBeLessThan(1e-8);
  });

  it("a steady one is where its own balance puts it, whatever the step", () => {
    // By hand: at rest the tray gives to a box without a leak just what condenses; nothing is left but the heater's heat.
    const rest = (dt: number) => {
      const record = boxOf("foam", ...heldAt(20), ...steadyRoom(20), moist("tray", 2), moist("airChanges", 0));
      const { trace } = runTrial(trialOf(planOf(record), 3, dt));
      return [trace.low.air.at(-1)!, trace.humidity!.usual.at(-1)!];
    };
    const [fine, usual] = [rest(2), rest(10)];
    expect(Math.abs(fine[0]! - usual[0]!)).toBeLessThan(0.1);
    expect(Math.abs(fine[1]! - usual[1]!)).toBeLessThan(0.01);
  });
});

describe("what is said of the water", () => {
  it("a humidifier against a cold plate is said with its litres and kilowatt-hours, and what is offered ends it", () => {
    const record = jobOf("cure", "upright", moist("humidifier", 3e-5), moist("between", 0.02), ...steadyRoom(26));
    const verdicts = verdictsOn(record, 5);
    const fight = verdicts.find((v) => v.id === "water-fights")!;
    expect(fight.text).toMatch(/\d.L of water go in and .*.kWh/);
    expect(weigh(record, fight, verdicts, 5, "C").some((e) => e.cures)).toBe(true);
    expect(verdictsOn(boxOf("upright"), 5).some((v) => v.id === "water-fights")).toBe(false);
  });

  it("a humidity that nothing holds is said, and what is offered holds it", () => {
    const record = jobOf("cure", "upright", moist("humidifier", 0), moist("dehumidifier", 0));
    const verdicts = verdictsOn(record, 7);
    const off = verdicts.find((v) => v.id === "humidity-off")!;
    expect(off.title).toMatch(/moister/);
    expect(weigh(record, off, verdicts, 7, "C").some((e) => e.cures && !e.harms)).toBe(true);
    expect(verdictsOn(jobOf("cure", "upright"), 7).some((v) => v.id === "humidity-off")).toBe(false);
  });

  it("a dry room and a fan that blows it through dry the air below what is wanted", () => {
    const record = jobOf("cure", "upright", moist("humidifier", 0), moist("room", 0.2), moist("airChanges", 8));
    const verdicts = verdictsOn(record, 7);
    const off = verdicts.find((v) => v.id === "humidity-off")!;
    expect(off.title).toMatch(/drier/);
    expect(weigh(record, off, verdicts, 7, "C").some((e) => e.cures)).toBe(true);
  });

  it("a full absorber is said", () => {
    const record = boxOf("upright", moist("absorber", 0.02), moist("tray", 0.1));
    expect(verdictsOn(record, 7).map((v) => v.id)).toContain("absorber-full");
  });

  it("a wall in a cold room drips, and the cable's loop is spoken of where something live is inside", () => {
    const record = boxOf(
      "foam",
      ...heldAt(30),
      ...steadyRoom(4),
      moist("tray", 0.3),
      {
        section: "stage",
        field: "low",
        value: celsius(28),
      },
      { section: "stage", field: "high", value: celsius(32) },
    );
    const wet = verdictsOn(record, 3).find((v) => v.id === "wet-inside")!;
    expect(wet.severity).toBe("warning");
    expect(wet.text).toMatch(/loop/);
    expect(wet.text).toMatch(/no drain/);
  });

  it("vapour of the room is that of its own humidity", () => {
    const run = startRun(trialOf(planOf(boxOf("upright", ...steadyRoom(25), moist("room", 0.6))), 0.1));
    expect(run.state.moisture!.air[0]!.vapour).toBeCloseTo(vapourIn(0.6, 25), 12);
  });
});
