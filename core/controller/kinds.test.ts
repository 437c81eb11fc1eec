import fc from "fast-check";
import { unitKinds, type Settings, type Unit } from "../model";
import { celsius, kelvins, type Scale } from "../quantity";
import { settingsOf } from "../testing/build";
import {
  alarmsOf,
  bandOf,
  onOffNumbers,
  fitToUnit,
  genericSheets,
  genericUnit,
  keyingSteps,
  labelOf,
  NO_READING,
  outletsOf,
  parametersOf,
  pointsOf,
  noOutput,
  powerUp,
  questionsOf,
  readSheet,
  resolutionOf,
  sentenceOf,
  settingsAt,
  settingsForLimits,
  stepOnOff,
  switchingOf,
  wishedPoints,
  wishFor,
  writeSheet,
  type ControlRequest,
  type OnOffNumbers,
} from ".";

const out = noOutput();
const step = (state: ReturnType<typeof powerUp>, numbers: OnOffNumbers, reading: number, dt: number) =>
  stepOnOff(state, numbers, reading, dt, out);

const asked = (low: number, high: number, wish: ControlRequest["wish"] = "band"): ControlRequest => ({
  low: celsius(low),
  high: celsius(high),
  target: celsius((low + high) / 2),
  error: kelvins(0),
  margins: { heating: kelvins(0.4), cooling: kelvins(0.3) },
  wish,
});
const unitOf = (kind: Unit["kind"], outlet: Unit["outlet"] = "heat", scale: Scale = "C"): Unit => ({
  ...genericUnit(scale, kind),
  outlet,
});
/** The readings at which a unit switches on and off when the reading sinks from warm and rises from cold. */
function swept(settings: Settings, unit: Unit) {
  const counts = [onOffNumbers({ ...settings, compressorDelay: 0 }, unit)];
  const run = (from: number, to: number) => {
    const states = counts.map(() => powerUp());
    const seen: Record<string, number> = {};
    let [heat, cold] = [false, false];
    for (let r = from; from < to ? r <= to : r >= to; r += from < to ? 1 : -1) {
      states.forEach((s, i) => step(s, counts[i]!, r, 5));
      const [h, c] = [states.some((s) => s.callForHeat), states.some((s) => s.coldOutlet)];
      if (h !== heat) seen[h ? "heatOn" : "heatOff"] ??= r / 10;
      if (c !== cold) seen[c ? "coldOn" : "coldOff"] ??= r / 10;
      [heat, cold] = [h, c];
    }
    return seen;
  };
  const [down, up] = [run(300, 100), run(100, 300)];
  return { heatOn: down.heatOn, heatOff: up.heatOff, coldOn: up.coldOn, coldOff: down.coldOff };
}

// The switching rules of the kinds as the design's practice paper states them (common practice, no source).
describe("each kind switches by its rule", () => {
  const s: Settings = {
    ...settingsOf(20, 1, 1.5),
    lowLimit: celsius(18),
    highLimit: celsius(19.5),
  };
  it.each<[Unit["kind"], Unit["outlet"], ReturnType<typeof swept>]>([
    ["twoDifferentials", "heat", { heatOn: 19, heatOff: 20, coldOn: 21.5, coldOff: 20 }],
    ["oneDifferential", "heat", { heatOn: 19, heatOff: 20, coldOn: 21, coldOff: 20 }],
    ["cutIn", "heat", { heatOn: 20, heatOff: 21, coldOn: undefined, coldOff: undefined }],
    ["cutIn", "cool", { heatOn: undefined, heatOff: undefined, coldOn: 20, coldOff: 18.5 }],
    ["cutOut", "heat", { heatOn: 19, heatOff: 20, coldOn: undefined, coldOff: undefined }],
    ["cutOut", "cool", { heatOn: undefined, heatOff: undefined, coldOn: 21.5, coldOff: 20 }],
    ["twoLimits", "heat", { heatOn: 18, heatOff: 19.5, coldOn: undefined, coldOff: undefined }],
    ["twoLimits", "cool", { heatOn: undefined, heatOff: undefined, coldOn: 19.5, coldOff: 18 }],
    ["heatOnly", "heat", { heatOn: 19, heatOff: 20, coldOn: undefined, coldOff: undefined }],
    ["watch", "heat", { heatOn: undefined, heatOff: undefined, coldOn: undefined, coldOff: undefined }],
  ])("%s (%s)", (kind, outlet, expected) => expect(swept(s, unitOf(kind, outlet))).toEqual(expected));
});

describe("read-back is the inverse of setting", () => {
  const kinds = fc.record({
    kind: fc.constantFrom(...unitKinds),
    outlet: fc.constantFrom<Unit["outlet"]>("heat", "cool"),
    scale: fc.constantFrom<Scale>("C", "F"),
    low: fc.integer({ min: -20, max: 600 }),
    width: fc.integer({ min: 10, max: 80 }),
    wish: fc.constantFrom<ControlRequest["wish"]>("band", "tight", "restful", "edge"),
  });
  it("for every kind, wish and scale, up to the unit's resolution", () => {
    fc.assert(
      fc.property(kinds, ({ kind, outlet, scale, low, width, wish }) => {
        const unit = unitOf(kind, outlet, scale);
        const ask = asked(low / 10, (low + width) / 10, wish);
        const points = wishedPoints(ask);
        const exact = pointsOf(wishFor(ask, unit), unit);
        const { heat, cold } = outletsOf(unit);
        const fitted = pointsOf(fitToUnit(wishFor(ask, unit), unit), unit);
        const step = resolutionOf(unit);
        const sides = [
          heat ? (["heatOn", "heatOff"] as const) : [],
          cold ? (["coldOn", "coldOff"] as const) : [],
        ].flat();
        for (const side of sides) {
          if (kind !== "oneDifferential") expect(exact[side]).toBeCloseTo(points[side], 9);
          expect(Math.abs(fitted[side] - exact[side])).toBeLessThanOrEqual(step + 1e-6);
        }
        if (sides.length === 0) return; // it only watches
        const band = bandOf(fitToUnit(wishFor(ask, unit), unit), unit);
        expect(band.low).toBeLessThan(band.high);
      }),
      { numRuns: 400 },
    );
  });
  it("settingsAt and pointsOf undo each other", () => {
    for (const kind of unitKinds)
      for (const outlet of ["heat", "cool"] as const) {
        const unit = unitOf(kind, outlet);
        const shared = kind === "oneDifferential" ? 1 : 1.5;
        const points = {
          heatOn: celsius(18),
          heatOff: celsius(19),
          coldOn: celsius(19 + shared),
          coldOff: celsius(19),
        };
        const back = pointsOf(settingsAt(points, unit, settingsOf(0, 0, 0)), unit);
        const { heat, cold } = outletsOf(unit);
        if (heat) expect(back).toMatchObject({ heatOn: 18, heatOff: 19 });
        if (cold) expect(back).toMatchObject({ coldOn: 19 + shared, coldOff: 19 });
      }
  });
  it("two limits become the points halfway between them", () => {
    const settings = settingsForLimits(celsius(18), celsius(22), unitOf("twoDifferentials"), settingsOf(0, 0, 0));
    expect(settings).toMatchObject({ setpoint: 20, heatingDifferential: 2, coolingDifferential: 2 });
    const limits = settingsForLimits(celsius(18), celsius(22), unitOf("twoLimits"), settingsOf(0, 0, 0));
    expect(limits).toMatchObject({ lowLimit: 18, highLimit: 22 });
  });
  it("a tight wish is never wider than a restful one, and keeps the margins", () => {
    const [tight, restful] = [wishedPoints(asked(18, 22, "tight")), wishedPoints(asked(18, 22, "restful"))];
    expect(tight.heatOff - tight.heatOn).toBeCloseTo(0.4, 9);
    expect(tight.coldOn - tight.coldOff).toBeCloseTo(0.3, 9);
    expect(restful.heatOff - restful.heatOn).toBeGreaterThan(tight.heatOff - tight.heatOn);
    expect(wishFor(asked(18, 22, "restful")).compressorDelay).toBe(600);
  });
});

describe("alarms and faults", () => {
  const unit: Unit = { ...unitOf("twoDifferentials"), alarmDelay: 60, alarmHysteresis: kelvins(0.5) };
  const settings = { ...settingsOf(20, 1, 1), highAlarm: celsius(25) };
  it("wait for their delay, and stop once the reading has come back by their hysteresis", () => {
    const counts = onOffNumbers(settings, unit);
    const state = powerUp();
    const sounds = [250, 250, 249, 249, 246, 244].map((r) => {
      step(state, counts, r, 30);
      return state.highAlarm;
    });
    expect(sounds).toEqual([false, true, true, true, true, false]);
  });
  it.each([
    ["high", 250, 246, 245, 244],
    ["low", 160, 164, 165, 166],
  ] as const)(
    "%s: at the number itself it sounds; half a degree back it still does, a tenth further it does not",
    (side, at, near, edge, gone) => {
      const numbers = onOffNumbers(
        { ...settings, lowAlarm: celsius(16), highAlarm: celsius(25) },
        { ...unit, alarmDelay: 0 },
      );
      const state = powerUp();
      const sounds = (reading: number) => {
        step(state, numbers, reading, 5);
        return side === "high" ? state.highAlarm : state.lowAlarm;
      };
      const beside = side === "high" ? at - 1 : at + 1;
      expect([beside, at, near, edge, gone, edge].map(sounds)).toEqual([false, true, true, true, false, false]);
    },
  );
  it("deviation alarms move with the setpoint; 0 is off", () => {
    const heatOnly = unitOf("heatOnly");
    const s = { ...settingsOf(31, 1, 1), lowDeviation: kelvins(2), highDeviation: kelvins(0) };
    expect(alarmsOf(s, heatOnly)).toEqual({ low: 29, high: null });
    expect(sentenceOf(s, heatOnly, { heater: true, cooler: false }).at(-1)).toMatch(/29\.0.*and below/);
  });
  it.each([
    ["off", false],
    ["hold", true],
  ] as const)("an unplugged probe: %s", (atFault, heats) => {
    const state = powerUp();
    const counts = onOffNumbers(settings, { ...unit, atFault });
    step(state, counts, 180, 5);
    step(state, counts, NO_READING, 5);
    expect([state.callForHeat, state.highAlarm]).toEqual([heats, true]);
  });
  it("without a rest at power-up the compressor starts at once, but not after its own stop", () => {
    const counts = onOffNumbers(settings, unit);
    const state = powerUp(false);
    step(state, counts, 215, 5);
    expect(state.coldOutlet).toBe(true);
    step(state, counts, 200, 5);
    step(state, counts, 215, 5);
    expect(state.coldOutlet).toBe(false);
  });
});

describe("questions", () => {
  const about = (heating: number, cooling: number) => ({
    request: asked(18, 22),
    advised: settingsOf(20, heating, cooling),
    room: {
      low: celsius(10),
      high: celsius(15),
      warmestHour: 15,
      monthly: kelvins(0),
      winter: kelvins(0),
      summer: kelvins(0),
    },
    plugged: { heater: true, cooler: true, compressor: true },
    ownHeat: false,
  });
  /** Beside a unit that heats from 19 to 20 °C. */
  const beside = (heating: number, cooling: number) => ({
    ...about(heating, cooling),
    heatOfAnother: { heatOn: celsius(19), heatOff: celsius(20) },
  });
  const sane = { ...settingsOf(20, 1, 1), lowAlarm: celsius(16.5), highAlarm: celsius(23.5) };
  const ids = (s: Settings, unit = unitOf("twoDifferentials"), of = about(1, 1)) =>
    questionsOf(s, unit, of).map((q) => q.id);

  it("none on sane settings", () => {
    expect(ids(sane)).toEqual([]);
    expect(ids({ ...sane, setpoint: celsius(20.5) }, unitOf("cutOut", "cool"), beside(1, 1))).toEqual([]);
  });
  it.each<[string, string, Settings, Unit, ReturnType<typeof about>]>([
    // 2 °C of differential is 3.6 °F, not 35.6.
    [
      "35.6 °F as a differential",
      "converted",
      { ...sane, heatingDifferential: kelvins(35.6 / 1.8) },
      unitOf("twoDifferentials", "heat", "F"),
      about(1, 1),
    ],
    [
      "the setpoint as a differential",
      "converted",
      { ...sane, coolingDifferential: kelvins(20) },
      unitOf("twoDifferentials"),
      about(1, 1),
    ],
    [
      "exchanged differentials",
      "exchanged",
      { ...sane, heatingDifferential: kelvins(2), coolingDifferential: kelvins(0.5) },
      unitOf("twoDifferentials"),
      about(0.5, 2),
    ],
    [
      "a low alarm at freezing",
      "alarm-late",
      { ...sane, lowAlarm: celsius(0) },
      unitOf("twoDifferentials"),
      about(1, 1),
    ],
    [
      "an alarm inside of the switching",
      "alarm-inside",
      { ...sane, highAlarm: celsius(20.5) },
      unitOf("twoDifferentials"),
      about(1, 1),
    ],
    ["no delay on a compressor", "no-delay", { ...sane, compressorDelay: 0 }, unitOf("twoDifferentials"), about(1, 1)],
    [
      "heat only in a warmer room",
      "warmer-room",
      sane,
      unitOf("cutOut"),
      { ...about(1, 1), room: { ...about(1, 1).room, high: celsius(28) } },
    ],
    [
      "limits the wrong way round",
      "limits-reversed",
      { ...sane, lowLimit: celsius(22), highLimit: celsius(18) },
      unitOf("twoLimits"),
      about(1, 1),
    ],
    [
      "opposed units that overlap",
      "units-fight",
      { ...sane, setpoint: celsius(18) },
      unitOf("cutOut", "cool"),
      beside(1, 1),
    ],
    [
      "opposed units too near",
      "units-fight",
      { ...sane, setpoint: celsius(20), coolingDifferential: kelvins(0.5) },
      unitOf("cutOut", "cool"),
      beside(1, 1),
    ],
    [
      "cold outlet with a heater only",
      "no-outlet",
      sane,
      unitOf("cutOut", "cool"),
      { ...about(1, 1), plugged: { heater: true, cooler: false, compressor: false } },
    ],
  ])("%s", (_, id, settings, unit, of) => expect(ids(settings, unit, of)).toContain(id));
});

describe("a unit's own sheet", () => {
  const own: Unit = {
    ...unitOf("twoDifferentials"),
    enter: "hold the round button for three seconds",
    leave: "hold it again",
    pause: "drops",
    pauseAfter: 8,
    labels: {
      setpoint: { label: "Target", position: 2 },
      coolingDifferential: { label: "Span up", position: 1 },
    },
  };
  it("puts its parameters in its own order, with its own labels", () => {
    expect(parametersOf(own).slice(0, 3)).toEqual(["coolingDifferential", "setpoint", "heatingDifferential"]);
    expect(labelOf("setpoint", own)).toBe("Target");
    const steps = keyingSteps(settingsOf(20, 1, 1.5), own, { heater: true, cooler: true });
    expect(steps[0]!.text).toMatch(/round button/);
    expect(steps[1]!.text).toMatch(/^Span up \(number 1\), which is the cooling differential/);
    expect(steps[1]!.value.replace("\u00a0", " ")).toBe("1.5 °C");
    expect(steps.at(-2)!.text).toMatch(/8\u00a0s drops what you have changed/);
  });
  it("goes out as a file and comes back the same; a wrong one says what is wrong", () => {
    const back = readSheet(writeSheet(own));
    // A sheet of the version before did not say what the display shows.
    const { shows: _shows, ...older } = own;
    const lifted = readSheet(JSON.stringify({ format: "gentle-crock-unit-sheet", version: 2, unit: older }));
    expect(lifted).toEqual({ ok: true, value: { ...own, shows: {} } });
    expect(back.ok && back.value).toEqual(own);
    for (const [text, words] of [
      ["{", /complete JSON/],
      ["{}", /no unit sheet/],
      [writeSheet({ ...own, resolution: 7 }), /resolution/],
    ] as const) {
      const read = readSheet(text);
      expect(!read.ok && read.problem).toMatch(words);
    }
  });
  it("plain sheets of every kind ship with it, empty of labels", () => {
    for (const scale of ["C", "F"] as const) {
      const sheets = genericSheets(scale);
      expect(sheets.map((s) => s.kind)).toEqual([...unitKinds]);
      for (const { unit } of sheets) expect(unit.labels).toEqual({});
    }
  });
  it("switching is null for an outlet that the unit lacks", () =>
    expect(switchingOf(settingsOf(20, 1, 1), unitOf("cutOut", "cool"), kelvins(0))).toMatchObject({
      heatOn: null,
      coldOn: expect.closeTo(20.95, 6) as number,
    }));
});
