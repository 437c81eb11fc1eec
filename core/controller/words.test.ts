import { displayMoments, type Settings, type Unit } from "../model";
import { celsius, kelvins, type Scale } from "../quantity";
import { settingsOf } from "../testing/build";
import {
  findingsOf,
  fitToUnit,
  genericUnit,
  keyingSteps,
  parametersOf,
  printSetting,
  questionsOf,
  sentenceOf,
  displayMomentLabel,
  shownThen,
  settingEdits,
  settingTable,
  switchingParametersOf,
  type ControlRequest,
  type QuestionContext,
} from ".";

const unitOf = (kind: Unit["kind"], more: Partial<Unit> = {}, scale: Scale = "C"): Unit => ({
  ...genericUnit(scale, kind),
  ...more,
});
/** Plain spaces: what is held together on the screen does not matter here. */
const plain = (text: string) => text.replace(/\u00a0/g, " ");
const sane: Settings = { ...settingsOf(20, 1, 1.5), lowAlarm: celsius(16.5), highAlarm: celsius(23.5) };
const both = { heater: true, cooler: true, compressor: true };

describe("what a unit will do, in words", () => {
  const say = (settings: Settings, unit: Unit, plugged: Parameters<typeof sentenceOf>[2] = both, scale?: Scale) =>
    sentenceOf(settings, unit, plugged, scale).map(plain);
  it("heat and cold, with the rest of the compressor and both alarms", () => {
    expect(say(sane, unitOf("twoDifferentials"))).toEqual([
      "At 19.0 °C and below the heater comes on; it goes off at 20.0 °C.",
      "At 21.5 °C and above the fridge comes on, once it has rested 5 min; it goes off at 20.0 °C.",
      "Between the two, both are off. The alarm sounds at 16.5 °C and below, and at 23.5 °C and above.",
    ]);
  });
  it("without a delay at once; cooling that is no compressor; an alarm that waits", () => {
    expect(say({ ...sane, compressorDelay: 0 }, unitOf("twoDifferentials"))[1]).toMatch(/comes on, at once; it/);
    expect(say(sane, unitOf("twoDifferentials", { delayHigh: 0 }))[1]).toMatch(/comes on, at once; it/);
    expect(say(sane, unitOf("twoDifferentials"), { ...both, compressor: false })[1]).toMatch(/above the cooling comes/);
    expect(say(sane, unitOf("twoDifferentials", { alarmDelay: 600 })).at(-1)).toMatch(
      /23\.5 °C and above, once that has lasted 10 min\.$/,
    );
  });
  it("says what is missing, and what this unit does not switch", () => {
    const none = { heater: false, cooler: false, compressor: false };
    expect(say(sane, unitOf("twoDifferentials"), none).slice(0, 2)).toEqual([
      "There is no heater: nothing lifts the temperature but the room and the product itself.",
      "There is no cooling: nothing brings the temperature down but a colder room.",
    ]);
    expect(say(sane, unitOf("cutOut", { outlet: "cool" }))[0]).toBe("The heater is not switched by this unit.");
    expect(say(sane, unitOf("cutOut", { outlet: "heat" }))[1]).toBe("The cooling is not switched by this unit.");
    expect(say(sane, unitOf("cutOut", { outlet: "heat" })).at(-1)).toMatch(/^The alarm/);
    // What another unit switches needs no word here.
    const elsewhere = { ...none, heater: true, coolerElsewhere: true };
    expect(say(sane, unitOf("cutOut", { outlet: "heat" }), elsewhere)).toHaveLength(2);
    expect(
      say(sane, unitOf("cutOut", { outlet: "cool" }), { ...none, cooler: true, heaterElsewhere: true }),
    ).toHaveLength(2);
    expect(say(sane, unitOf("watch"))[0]).toBe("It only watches: nothing is switched by it.");
    expect(say(sane, unitOf("watch"))).toHaveLength(2);
  });
  it("one alarm, and none", () => {
    const unit = unitOf("twoDifferentials", { alarms: "deviation" });
    const low = { ...sane, lowDeviation: kelvins(2) };
    expect(say(low, unit).at(-1)).toBe("Between the two, both are off. The alarm sounds at 18.0 °C and below.");
    expect(say({ ...sane, highDeviation: kelvins(3) }, unit).at(-1)).toMatch(/sounds at 23\.0 °C and above\.$/);
    expect(say(sane, unit).at(-1)).toBe("Between the two, both are off. No alarm will sound.");
  });
  it("in its own resolution, and in tenths in the other scale", () => {
    const unit = unitOf("twoDifferentials", { resolution: 1 });
    expect(say(sane, unit)[0]).toBe("At 19 °C and below the heater comes on; it goes off at 20 °C.");
    expect(say(sane, unit, both, "F")[0]).toBe("At 66.2 °F and below the heater comes on; it goes off at 68.0 °F.");
  });
});

describe("the words of its own display", () => {
  const unit = unitOf("twoDifferentials", { shows: { alarm: "HA", resting: "dLy" } });
  it("stand where an alarm is spoken of, and nowhere where nobody has said them", () => {
    expect(shownThen(unit, "alarm")).toBe(" (its display shows \u201cHA\u201d)");
    expect(shownThen(unit, "probeOpen")).toBe("");
    const say = (u: Unit) => plain(sentenceOf(sane, u, both).join(" "));
    expect(say(unit)).toContain("The alarm sounds (its display shows \u201cHA\u201d) at 16.5 °C and below");
    expect(say(unitOf("twoDifferentials"))).toContain("The alarm sounds at 16.5 °C and below");
  });
  it("every moment has a label to ask for it", () => {
    expect(Object.keys(displayMomentLabel).sort()).toEqual([...displayMoments].sort());
  });
});

describe("one setting in print", () => {
  const say = (field: keyof Settings, settings: Settings, unit = unitOf("twoDifferentials"), scale?: Scale) =>
    plain(printSetting(settings, field, unit, scale));
  it("a delay in minutes, zero too; an offset with its sign; a difference without the zero of its scale", () => {
    expect(say("compressorDelay", { ...sane, compressorDelay: 0 })).toBe("0 min");
    expect(say("compressorDelay", sane)).toBe("5 min");
    expect(say("offset", { ...sane, offset: kelvins(0.5) })).toBe("+0.5 °C");
    expect(say("offset", { ...sane, offset: kelvins(-0.5) })).toMatch(/^[−-]0\.5 °C$/);
    expect(say("heatingDifferential", sane)).toBe("1.0 °C");
    expect(say("heatingDifferential", sane, unitOf("twoDifferentials", {}, "F"))).toBe("1.8 °F");
    expect(say("setpoint", sane, unitOf("twoDifferentials", {}, "F"))).toBe("68.0 °F");
    expect(say("setpoint", sane, unitOf("twoDifferentials", { resolution: 1 }), "F")).toBe("68.0 °F");
    expect(say("setpoint", sane, unitOf("twoDifferentials", { resolution: 1 }))).toBe("20 °C");
  });
});

describe("what is keyed in", () => {
  it("the parameters that decide over switching are told apart from alarms, delay and offset", () => {
    expect(switchingParametersOf(unitOf("twoDifferentials"))).toEqual([
      "setpoint",
      "heatingDifferential",
      "coolingDifferential",
    ]);
    expect(switchingParametersOf(unitOf("watch"))).toEqual([]);
    const fields = (only: boolean) =>
      settingEdits(sane, unitOf("cutOut"), { id: "u2", stage: "s1" }, only).map((e) => [e.field, e.id, e.stage]);
    expect(fields(true)).toEqual([
      ["setpoint", "u2", "s1"],
      ["heatingDifferential", "u2", "s1"],
    ]);
    expect(fields(false).length).toBeGreaterThan(3);
  });
  it("every step of a unit without a sheet: a label and a number, then off again and a look", () => {
    const unit = unitOf("twoDifferentials");
    const steps = keyingSteps(sane, unit, both);
    expect(plain(steps.map((s) => `${s.text} = ${s.value}`).join("; "))).toBe(
      [
        "Enter the unit\u2019s settings. = ",
        "Setpoint = 20.0 °C",
        "Heating differential = 1.0 °C",
        "Cooling differential = 1.5 °C",
        "Compressor delay = 5 min",
        "Low alarm = 16.5 °C",
        "High alarm = 23.5 °C",
        "Probe offset = 0.0 °C",
        "Save and leave the settings. = ",
        "Watch it switch: warm the probe in your hand, let it cool, and see each outlet come on and go off. = ",
      ].join("; "),
    );
    const heats = keyingSteps(sane, unit, { ...both, cooler: false }).map((s) => s.text);
    expect(heats).not.toContain("Compressor delay");
    const named = unitOf("twoDifferentials", {
      labels: { setpoint: { label: "", position: 3 }, offset: { label: "Trim", position: 0 } },
      pause: "saves",
      pauseAfter: 30,
      leave: "press twice",
    });
    const texts = keyingSteps(sane, named, both).map((s) => plain(s.text));
    expect(texts[1]).toBe("Setpoint (number 3)");
    expect(texts).toContain("Trim, which is the probe offset");
    expect(texts.at(-2)).toBe("Leave: press twice A pause of 30 s saves what you have changed.");
  });
  it("labels follow what the outlet does, limits the unit", () => {
    const label = (name: keyof typeof settingTable, kind: Unit["kind"], heat: boolean, cold: boolean) =>
      settingTable[name].label({ kind, heat, cold });
    expect(label("heatingDifferential", "twoDifferentials", true, true)).toBe("Heating differential");
    expect(label("heatingDifferential", "oneDifferential", true, true)).toBe("Differential");
    expect(label("heatingDifferential", "cutOut", true, false)).toBe("Differential");
    expect(label("coolingDifferential", "twoDifferentials", true, true)).toBe("Cooling differential");
    expect(label("coolingDifferential", "cutOut", false, true)).toBe("Differential");
    expect([label("lowLimit", "twoLimits", true, false), label("lowLimit", "twoLimits", false, true)]).toEqual([
      "On at (low limit)",
      "Off at (low limit)",
    ]);
    expect([label("highLimit", "twoLimits", true, false), label("highLimit", "twoLimits", false, true)]).toEqual([
      "Off at (high limit)",
      "On at (high limit)",
    ]);
    const unit = unitOf("twoDifferentials", {
      setpointLow: celsius(-7),
      setpointHigh: celsius(77),
      differentialLow: kelvins(0.4),
      differentialHigh: kelvins(9),
      delayHigh: 540,
      offsetLimit: kelvins(6),
    });
    const limits = Object.entries(settingTable).map(([name, s]) => [name, s.limits(unit)]);
    const [points, differences] = [
      [-7, 77],
      [0.4, 9],
    ];
    expect(Object.fromEntries(limits)).toEqual({
      setpoint: points,
      heatingDifferential: differences,
      coolingDifferential: differences,
      lowLimit: points,
      highLimit: points,
      lowAlarm: points,
      highAlarm: points,
      compressorDelay: [0, 540],
      lowDeviation: [0, 100],
      highDeviation: [0, 100],
      offset: [-6, 6],
    });
  });
});

describe("which parameters a kind of unit has", () => {
  it.each<[Unit["kind"], Partial<Unit>, string[]]>([
    ["twoDifferentials", {}, ["setpoint", "heatingDifferential", "coolingDifferential", "compressorDelay"]],
    ["twoDifferentials", { delayHigh: 0 }, ["setpoint", "heatingDifferential", "coolingDifferential"]],
    ["oneDifferential", {}, ["setpoint", "heatingDifferential", "compressorDelay"]],
    ["cutIn", { outlet: "heat" }, ["setpoint", "heatingDifferential"]],
    ["cutIn", { outlet: "cool" }, ["setpoint", "coolingDifferential", "compressorDelay"]],
    ["cutOut", { outlet: "heat" }, ["setpoint", "heatingDifferential"]],
    ["cutOut", { outlet: "cool" }, ["setpoint", "coolingDifferential", "compressorDelay"]],
    ["twoLimits", { outlet: "heat" }, ["lowLimit", "highLimit"]],
    ["twoLimits", { outlet: "cool" }, ["lowLimit", "highLimit", "compressorDelay"]],
    ["heatOnly", {}, ["setpoint", "heatingDifferential"]],
    ["watch", {}, []],
  ])("%s %j", (kind, more, expected) => {
    const bare = { offsetLimit: kelvins(0), alarms: "none" as const };
    const unit = unitOf(kind, { ...more, ...bare });
    expect(parametersOf(unit)).toEqual(expected);
    expect(parametersOf({ ...unit, alarms: "absolute" })).toEqual([...expected, "lowAlarm", "highAlarm"]);
    const distance = kind === "watch" ? ["setpoint"] : expected;
    expect(parametersOf({ ...unit, alarms: "deviation" })).toEqual([...distance, "lowDeviation", "highDeviation"]);
    expect(parametersOf({ ...unit, offsetLimit: kelvins(5) })).toEqual([...expected, "offset"]);
  });
  it("one differential is one number: both sides of the switching have it", () => {
    const wished = { ...sane, heatingDifferential: kelvins(0.8), coolingDifferential: kelvins(2) };
    expect(fitToUnit(wished, unitOf("oneDifferential"))).toMatchObject({
      heatingDifferential: 0.8,
      coolingDifferential: 0.8,
    });
    expect(fitToUnit(wished, unitOf("twoDifferentials")).coolingDifferential).toBe(2);
  });
  it("limits are rounded inwards, times to minutes", () => {
    const unit = unitOf("twoDifferentials", {
      resolution: 0.5,
      setpointLow: celsius(-3.2),
      setpointHigh: celsius(20.2),
      differentialLow: kelvins(0.6),
      delayHigh: 560,
    });
    const fit = (more: Partial<Settings>) => fitToUnit({ ...sane, ...more }, unit);
    expect(fit({ setpoint: celsius(-40) }).setpoint).toBe(-3);
    expect(fit({ setpoint: celsius(40) }).setpoint).toBe(20);
    expect(fit({ heatingDifferential: kelvins(0.1) }).heatingDifferential).toBe(1);
    expect([100, 89, 9999].map((compressorDelay) => fit({ compressorDelay }).compressorDelay)).toEqual([120, 60, 540]);
  });
});

describe("questions", () => {
  const request = (low: number, high: number): ControlRequest => ({
    low: celsius(low),
    high: celsius(high),
    target: celsius((low + high) / 2),
    error: kelvins(0),
    margins: null,
  });
  const about = (more: Partial<QuestionContext> = {}): QuestionContext => ({
    request: request(18, 22),
    advised: settingsOf(20, 1, 1),
    room: {
      low: celsius(10),
      high: celsius(15),
      warmestHour: 15,
      monthly: kelvins(0),
      winter: kelvins(0),
      summer: kelvins(0),
    },
    plugged: both,
    ownHeat: false,
    ...more,
  });
  const asked = (s: Settings, unit = unitOf("twoDifferentials"), of = about()) =>
    questionsOf(s, unit, of).map((q) => `${q.id} ${q.field}`);
  const textOf = (s: Settings, unit = unitOf("twoDifferentials"), of = about()) =>
    questionsOf(s, unit, of)
      .map((q) => plain(q.text))
      .join(" ");

  it("differentials that are exchanged: only where both are, and where they differ enough for it to matter", () => {
    const turned = about({ advised: settingsOf(20, 0.5, 2) });
    const with2 = (heating: number, cooling: number) => ({
      ...sane,
      heatingDifferential: kelvins(heating),
      coolingDifferential: kelvins(cooling),
    });
    const unit = unitOf("twoDifferentials");
    expect(asked(with2(2, 0.5), unit, turned)).toEqual(["exchanged heatingDifferential"]);
    expect(asked(with2(2.1, 0.6), unit, turned)).toEqual(["exchanged heatingDifferential"]);
    expect(asked(with2(2, 2), unit, turned)).toEqual([]);
    expect(asked(with2(0.5, 0.5), unit, turned)).toEqual([]);
    expect(asked(with2(2.2, 0.5), unit, turned)).toEqual([]);
    expect(asked(with2(2, 0.7), unit, turned)).toEqual([]);
    expect(asked(with2(0.9, 0.5), unit, about({ advised: settingsOf(20, 0.5, 0.9) }))).toEqual([]);
    expect(asked(with2(2, 0.5), unitOf("cutOut"), turned)).toEqual([]);
    expect(textOf(with2(2, 0.5), unit, turned)).toMatch(/asks for 0\.5 °C on the side of the heat and 2\.0? °C on the/);
  });
  it("an alarm that is late: more than five kelvins past the band, at either end", () => {
    const low = (t: number) => ({ ...sane, lowAlarm: celsius(t) });
    const high = (t: number) => ({ ...sane, highAlarm: celsius(t) });
    expect(asked(low(13))).toEqual([]);
    expect(asked(low(12.9))).toEqual(["alarm-late lowAlarm"]);
    expect(asked(high(27))).toEqual([]);
    expect(asked(high(27.1))).toEqual(["alarm-late highAlarm"]);
    expect(textOf(low(12))).toMatch(/waits for 12\.0? °C, 6\.0? °C below the coldest that you allow: it can never/);
    expect(textOf(low(9))).toMatch(/that you allow, and colder than the room ever is: it can never/);
    expect(textOf(low(10))).not.toMatch(/ever is/);
    expect(textOf(high(30))).toMatch(/waits for 30\.0? °C, 8\.0? °C above the warmest/);
    const distance = unitOf("twoDifferentials", { alarms: "deviation" });
    expect(asked({ ...sane, lowDeviation: kelvins(8) }, distance)).toEqual(["alarm-late lowDeviation"]);
    expect(asked({ ...sane, highDeviation: kelvins(8) }, distance)).toEqual(["alarm-late highDeviation"]);
  });
  it("an alarm inside of the switching, at the point itself too; not for what is not switched", () => {
    expect(asked({ ...sane, lowAlarm: celsius(19) })).toEqual(["alarm-inside lowAlarm"]);
    expect(asked({ ...sane, lowAlarm: celsius(18.9) })).toEqual([]);
    expect(asked({ ...sane, highAlarm: celsius(21.5) })).toEqual(["alarm-inside highAlarm"]);
    expect(asked({ ...sane, highAlarm: celsius(21.6) })).toEqual([]);
    const heats = about({ plugged: { heater: true, cooler: false, compressor: false } });
    expect(asked({ ...sane, highAlarm: celsius(21) }, unitOf("twoDifferentials"), heats)).toEqual([]);
    expect(asked({ ...sane, lowAlarm: celsius(19.5) }, unitOf("cutOut", { outlet: "cool" }))).toEqual([]);
  });
  it("no delay on a compressor: by choice, or since the unit has none", () => {
    const now = { ...sane, compressorDelay: 0 };
    expect(asked(now)).toEqual(["no-delay compressorDelay"]);
    expect(textOf(now)).toMatch(/^A delay of zero on a compressor/);
    expect(textOf(now, unitOf("twoDifferentials", { delayHigh: 0 }))).toMatch(/^This unit has no compressor delay/);
    expect(asked(now, unitOf("twoDifferentials"), about({ plugged: { ...both, compressor: false } }))).toEqual([]);
    expect(asked(now, unitOf("cutOut"))).not.toContain("no-delay compressorDelay");
  });
  it("heat alone in a room that gets warmer than it holds, unless another unit cools or the product is warm itself", () => {
    const warm = {
      low: celsius(10),
      high: celsius(21),
      warmestHour: 15,
      monthly: kelvins(0),
      winter: kelvins(0),
      summer: kelvins(0),
    };
    const heats = { heater: true, cooler: false, compressor: false };
    const unit = unitOf("heatOnly");
    expect(asked(sane, unit, about({ room: warm, plugged: heats }))).toEqual(["warmer-room setpoint"]);
    expect(asked(sane, unit, about({ room: { ...warm, high: celsius(20) }, plugged: heats }))).toEqual([]);
    expect(asked(sane, unit, about({ room: warm, plugged: heats, ownHeat: true }))).toEqual([]);
    expect(asked(sane, unit, about({ room: warm, plugged: { ...heats, coolerElsewhere: true } }))).toEqual([]);
    expect(asked(sane, unitOf("twoDifferentials"), about({ room: warm }))).toEqual([]);
    // The target lies above the setpoint: the room has to be warmer than both.
    const above = about({ room: warm, plugged: heats, request: request(19, 25) });
    expect(asked(sane, unit, above)).toEqual([]);
  });
  it("limits of which the low one is not below the high one, on a unit that is set by them", () => {
    const limits = (low: number, high: number) => ({ ...sane, lowLimit: celsius(low), highLimit: celsius(high) });
    const unit = unitOf("twoLimits");
    expect(asked(limits(19, 20), unit)).toEqual([]);
    expect(asked(limits(20, 20), unit)).toContain("limits-reversed lowLimit");
    expect(asked(limits(20, 19))).toEqual([]);
    expect(textOf(limits(20, 19), unit)).toMatch(/Heat comes on at the low one and goes off at the high one/);
    expect(textOf(limits(20, 19), unitOf("twoLimits", { outlet: "cool" }))).toMatch(/Cold comes on at the high one/);
  });
  it("two units on one product: both at once, the one undoing the other, or too near", () => {
    const cold = unitOf("cutOut", { outlet: "cool" });
    const at = (setpoint: number, differential: number, heatOff = 20, heatOn = 19) =>
      textOf(
        { ...sane, setpoint: celsius(setpoint), coolingDifferential: kelvins(differential) },
        cold,
        about({ heatOfAnother: { heatOn: celsius(heatOn), heatOff: celsius(heatOff) } }),
      );
    expect(at(18, 1)).toMatch(/heat runs up to 20\.0? °C while cold runs down to 18\.0? °C, both at once for 1\.1 °C/);
    expect(at(19.5, 1.5)).toMatch(/The heat goes off at 20\.0? °C, above where the cold goes off \(19\.5 °C\)/);
    expect(at(20, 0.9)).toMatch(/^Only 0\.9 °C lie between/);
    expect(at(20, 1)).toBe("");
    expect(at(20, 1.5)).toBe("");
    // Cold that goes off where the heat comes on: at that reading both run.
    expect(at(19, 1.5)).toMatch(/both at once for 0\.1 °C/);
    expect(at(20.5, 0.3)).toMatch(/^Only 0\.8 °C lie/);
  });
  it("what hangs on an outlet that the unit does not have; one that only watches is not asked", () => {
    const only = (heater: boolean) => about({ plugged: { heater, cooler: !heater, compressor: false } });
    expect(asked(sane, unitOf("cutOut", { outlet: "cool" }), only(true))).toEqual(["no-outlet setpoint"]);
    expect(textOf(sane, unitOf("cutOut", { outlet: "cool" }), only(true))).toMatch(/switches cold, but only a heater/);
    expect(textOf(sane, unitOf("cutOut", { outlet: "heat" }), only(false))).toMatch(/switches heat, but only cooling/);
    expect(asked(sane, unitOf("cutOut", { outlet: "heat" }), only(true))).toEqual([]);
    expect(asked(sane, unitOf("watch"), only(true))).toEqual([]);
    expect(asked(sane, unitOf("cutOut", { outlet: "cool" }))).toEqual([]);
  });
});

describe("findings", () => {
  const request = (low: number, high: number, margins: [number, number] | null = null, error = 0): ControlRequest => ({
    low: celsius(low),
    high: celsius(high),
    target: celsius((low + high) / 2),
    error: kelvins(error),
    margins: margins && { heating: kelvins(margins[0]), cooling: kelvins(margins[1]) },
  });
  const texts = (of: ControlRequest, s: Settings, unit = unitOf("twoDifferentials")) =>
    findingsOf(of, s, s, unit).map((f) => `${f.id}: ${plain(f.text)}`);
  it("what cannot be set, with the nearest that can", () => {
    const unit = unitOf("twoDifferentials");
    const found = findingsOf(request(18, 22), { ...sane, setpoint: celsius(20.5), compressorDelay: 331 }, sane, unit);
    expect(found.map((f) => [f.id, f.field, plain(f.text)])).toEqual([
      ["cannot-set", "setpoint", "Setpoint: 20.5 °C cannot be set on this unit. The nearest is 20.0 °C."],
      ["cannot-set", "compressorDelay", "Compressor delay: 6 min cannot be set on this unit. The nearest is 5 min."],
    ]);
    expect(findingsOf(request(18, 22), { ...sane, compressorDelay: 330 }, sane, unit)).toEqual([]);
    expect(findingsOf(request(18, 22), { ...sane, heatingDifferential: kelvins(1.05) }, sane, unit)).toEqual([]);
    const wide = findingsOf(request(18, 22), { ...sane, heatingDifferential: kelvins(1.25) }, sane, unit);
    expect(plain(wide[0]!.text)).toMatch(/^Heating differential: 1\.25 °C cannot/);
  });
  it("switching outside of the band, and why: smallest there is, a chase, the setpoint itself, or the nearest that fits", () => {
    const least = unitOf("twoDifferentials", { differentialLow: kelvins(1) });
    const s = (h: number, c: number) => ({ ...settingsOf(20, h, c), lowAlarm: celsius(10), highAlarm: celsius(30) });
    expect(texts(request(19.5, 20.5), s(1, 1), least)).toEqual([
      "heat-leaves-band: Heat comes on at 19.05 °C at the probe, 0.45 °C below the coldest that you allow. 1.0 °C is the smallest differential this unit takes.",
      "cold-leaves-band: Cold comes on at 20.95 °C at the probe, 0.45 °C above the warmest that you allow. 1.0 °C is the smallest differential this unit takes.",
    ]);
    expect(texts(request(19.5, 20.5, [1, 1]), s(1, 1))[0]).toMatch(
      /A smaller differential than 1\.0 °C could let heat/,
    );
    expect(texts(request(19.5, 22), s(1, 1))).toEqual([
      "heat-leaves-band: Heat comes on at 19.05 °C at the probe, 0.45 °C below the coldest that you allow. A heating differential of 0.5 °C is the nearest that fits.",
    ]);
    expect(texts(request(18, 20.6), s(1, 1.5))).toEqual([
      "cold-leaves-band: Cold comes on at 21.45 °C at the probe, 0.85 °C above the warmest that you allow. A cooling differential of 0.6 °C is the nearest that fits.",
    ]);
    expect(texts(request(20.5, 24), s(1, 1))[0]).toMatch(/setpoint itself lies outside of the band: move it first/);
    expect(texts(request(15, 18.5), s(1, 1))[0]).toMatch(/setpoint itself lies outside/);
    // The probe shows two kelvins too much: at a reading of 20 the truth is 18.
    expect(texts(request(19.5, 22, null, 2), s(0.3, 1))[0]).toMatch(/setpoint itself lies outside/);
    expect(texts(request(19, 21), s(1, 1))).toEqual([]);
    // The smallest that there is, within half a step; what fits never lies below it.
    expect(
      texts(request(19.5, 22), s(1, 1), unitOf("twoDifferentials", { differentialLow: kelvins(0.96) }))[0],
    ).toMatch(/smallest differential this unit takes/);
    const most = unitOf("twoDifferentials", { differentialLow: kelvins(0.8) });
    expect(texts(request(19.5, 22), s(1.5, 1), most)[0]).toMatch(/differential of 0\.8 °C is the nearest that fits/);
    // In the other scale in tenths, whatever the unit's own steps.
    const coarse = unitOf("twoDifferentials", { resolution: 0.5 });
    const inF = findingsOf(request(18.5, 22), s(3, 1), s(3, 1), coarse, "F");
    expect(plain(inF[0]!.text)).toMatch(/A heating differential of 2\.7 °F is the nearest that fits/);
    const inC = findingsOf(request(18.3, 22), s(3, 1), s(3, 1), coarse, "C");
    expect(plain(inC[0]!.text)).toMatch(/A heating differential of 1\.5 °C is the nearest|differential of 1\.7 °C/);
  });
});
