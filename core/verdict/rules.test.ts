import { applyEdits, type ChamberRecord, type Edit } from "../model";
import { addVessel, splitController, tryEdits } from "../chamber";
import { celsius, kelvins } from "../quantity";
import { heaterOf, meeting, probeAt, recordWith, steadyRoom } from "../testing/build";
import { planOf, runTrial, trialOf } from "../trial";
import { judge, type Verdict } from ".";

const HOUR = 3600;
const set = (section: string, field: string, value: unknown, id?: string): Edit =>
  ({ section, field, value, ...(id === undefined ? {} : { id }) }) as Edit;
const band = (low: number, high: number, start = (low + high) / 2) => [
  set("product", "kind", "hold"),
  set("stage", "low", celsius(low)),
  set("stage", "high", celsius(high)),
  set("vessel", "startTemperature", celsius(start)),
];
const box = (kind: string) => set("cabinet", "kind", kind);
const unit = (kind: string, outlet = "heat") => [set("unit", "kind", kind), set("unit", "outlet", outlet)];
const room = (low: number, high: number) => [set("room", "low", celsius(low)), set("room", "high", celsius(high))];

function verdictsOn(record: ChamberRecord, days: number): Verdict[] {
  const plan = planOf(record);
  return judge(plan, runTrial(trialOf(plan, days)), "C");
}

const winter = [...steadyRoom(5), ...band(19, 21)];
const summer = [...steadyRoom(30), ...band(19, 21)];
const foam = [box("foam"), ...steadyRoom(18), ...unit("heatOnly")];
/** A small differential in the air of a light box: many starts. */
const fidgety = [
  ...foam,
  ...band(30, 32),
  set("heater", "power", 60),
  set("probe", "place", "air"),
  set("settings", "heatingDifferential", kelvins(0.3)),
];
const drum = [box("drum"), ...steadyRoom(12), ...band(110, 125, 5), ...unit("heatOnly"), set("heater", "power", 6000)];
const bucketOf = (...edits: Edit[]) => addVessel(recordWith(...edits));

/** Two opposed units on one probe. */
const opposed = (...edits: Edit[]) =>
  applyEdits(splitController("u1")(recordWith(...steadyRoom(20), ...band(19, 21), heaterOf(120))), edits);

/** Each rule on a real trial that it fires on, and on its nearest neighbour that it leaves alone. */
const cases: [id: string, firing: ChamberRecord, silent: ChamberRecord, days?: number][] = [
  ["heater-stays-off", recordWith(...winter, set("heater", "staysOff", true)), recordWith(...winter)],
  [
    "heater-cuts-out",
    recordWith(...winter, set("heater", "ownThermostat", true), set("heater", "ownThermostatAt", celsius(35))),
    recordWith(...winter, set("heater", "ownThermostat", true), set("heater", "ownThermostatAt", celsius(300))),
  ],
  [
    "heater-cuts-out",
    recordWith(...winter, set("heater", "timer", 1200)),
    recordWith(...winter, set("heater", "timer", 86_400)),
  ],
  [
    "heater-oversized",
    recordWith(...steadyRoom(17), ...band(19, 21), heaterOf(250)),
    recordWith(...steadyRoom(17), ...band(19, 21), heaterOf(40)),
  ],
  ["cold-barely", recordWith(...steadyRoom(33), ...band(18, 22), set("cooler", "power", 15)), recordWith(...summer), 4],
  [
    "outside-model",
    recordWith(...steadyRoom(-8), ...band(1, 4), heaterOf(0)),
    recordWith(...steadyRoom(-8), ...band(1, 4)),
  ],
  ["outside-model", recordWith(...steadyRoom(44), ...band(41, 43)), recordWith(...steadyRoom(30), ...band(27, 29))],
  ["surface-hot", recordWith(...winter, heaterOf(180)), recordWith(...winter, heaterOf(40))],
  [
    "fridge-thermostat",
    recordWith(...summer, set("cooler", "ownThermostat", true), set("cooler", "ownThermostatAt", celsius(17))),
    recordWith(...summer, set("cooler", "ownThermostat", true), set("cooler", "ownThermostatAt", celsius(-25))),
  ],
  ["fridge-stays-off", recordWith(...summer, set("cooler", "staysOff", true)), recordWith(...summer)],
  [
    "light",
    recordWith(...steadyRoom(10), set("heater", "kind", "bulb")),
    recordWith(...steadyRoom(10), set("heater", "kind", "lamp")),
  ],
  ["fuel-ends", recordWith(...drum, set("heater", "fuel", 4)), recordWith(...drum, set("heater", "fuel", 20)), 1],
  ["glow-too-strong", recordWith(...drum, set("heater", "idlePower", 4000)), recordWith(...drum), 0.5],
  [
    "ice-ends",
    recordWith(...foam, ...band(8, 12, 9), set("cooler", "kind", "ice"), heaterOf(0)),
    recordWith(
      ...foam,
      ...band(8, 12, 9),
      set("cooler", "kind", "ice"),
      set("cooler", "iceEvery", 8 * HOUR),
      heaterOf(0),
    ),
  ],
  [
    "one-sided",
    recordWith(box("foam"), ...room(14, 34), ...band(29, 31), ...unit("heatOnly"), set("room", "monthly", kelvins(0))),
    recordWith(box("foam"), ...room(14, 24), ...band(29, 31), ...unit("heatOnly")),
  ],
  [
    "wasted-energy",
    opposed(set("settings", "setpoint", celsius(21), "u1"), set("settings", "setpoint", celsius(18), "u2")),
    opposed(),
  ],
  [
    "units-fight",
    opposed(set("settings", "setpoint", celsius(21), "u1"), set("settings", "setpoint", celsius(18), "u2")),
    opposed(),
  ],
  [
    "boils",
    recordWith(
      box("kettle"),
      ...steadyRoom(18),
      ...band(90, 99, 20),
      ...unit("heatOnly"),
      set("heater", "power", 3000),
    ),
    recordWith(box("kettle"), ...steadyRoom(18), ...band(60, 65, 20), ...unit("heatOnly")),
    0.5,
  ],
  [
    "differential-too-fine",
    recordWith(...winter, set("probe", "noise", kelvins(0.4))),
    recordWith(...winter, set("probe", "noise", kelvins(0.02))),
  ],
  [
    "offset-hides",
    recordWith(...winter, set("settings", "offset", kelvins(1.5))),
    recordWith(...winter, set("probe", "error", kelvins(-1.5))),
  ],
  [
    "probe-loose",
    meeting(recordWith(...winter, heaterOf(120)), { kind: "probeOut", at: 48 * HOUR, lasting: 0, to: "room" }),
    recordWith(...winter, heaterOf(120)),
  ],
  ["no-alarm", recordWith(...winter, ...unit("oneDifferential")), recordWith(...winter)],
  [
    "limits-reversed",
    recordWith(
      ...winter,
      ...unit("twoLimits"),
      set("settings", "lowLimit", celsius(21)),
      set("settings", "highLimit", celsius(19)),
    ),
    recordWith(...winter, ...unit("twoLimits")),
  ],
  [
    "delay-too-long",
    recordWith(...summer, set("unit", "delayHigh", 3600), set("settings", "compressorDelay", 2400)),
    recordWith(...summer, set("unit", "delayHigh", 3600)),
  ],
  [
    "lies-in-layers",
    recordWith(...steadyRoom(18), ...band(9.5, 11.5, 10.5)),
    // The same with a fan that stirs it; what ferments stirs itself (below).
    recordWith(...steadyRoom(18), ...band(9.5, 11.5, 10.5), set("cabinet", "fan", true)),
  ],
  [
    "lies-in-layers",
    // A crash to a kelvin and a half above where it freezes.
    recordWith(...steadyRoom(18), ...band(1.6, 2.4, 2)),
    recordWith(...steadyRoom(18), ...band(4, 8, 6)),
  ],
  [
    "relay-wears",
    recordWith(...fidgety),
    // The same behind an electronic relay, which does not wear.
    recordWith(...fidgety, set("unit", "switchedBy", "solidState")),
  ],
  [
    "overshoot",
    recordWith(...steadyRoom(12), ...band(19.5, 20.5, 8), heaterOf(400), probeAt("dryWell")),
    recordWith(...steadyRoom(12), ...band(19.5, 20.5, 20), heaterOf(60)),
  ],
  [
    "two-temperatures",
    (() => {
      const two = bucketOf(...steadyRoom(15));
      return {
        ...two,
        vessels: [
          two.vessels[0]!,
          { id: "v2", vessel: {}, product: { kind: { value: "lager" as const, origin: "typed" as const } }, band: {} },
        ],
      };
    })(),
    bucketOf(...steadyRoom(15)),
  ],
];

describe("further rules on real trials", () => {
  it.each(cases)("%s fires where it should, and not beside it", (id, firing, silent, days = 5) => {
    const found = verdictsOn(firing, days);
    expect(found.map((v) => v.id)).toContain(id);
    expect(verdictsOn(silent, days).map((v) => v.id)).not.toContain(id);
    const verdict = found.find((v) => v.id === id)!;
    expect(verdict.text).toMatch(/\d/);
    expect(verdict.text).not.toMatch(/NaN|Infinity|undefined|null/);
  });

  it.each(cases)(
    "%s: of the remedies that it offers at least one cures it, by a trial run here",
    (id, firing, _, days = 5) => {
      const { remedies } = verdictsOn(firing, days).find((v) => v.id === id)!;
      const cured = remedies.filter(({ edits }) => {
        const changed = tryEdits(firing, edits);
        if (!changed.ok) throw new Error(changed.problem);
        return !verdictsOn(changed.value, days).some((v) => v.id === id);
      });
      if (remedies.length > 0) expect(cured.map((r) => r.id)).not.toEqual([]);
    },
  );

  it("layers are a danger to what may freeze, a note to a narrow band, and nothing to what stirs itself or lies flat", () => {
    const severity = (...edits: Edit[]) =>
      verdictsOn(recordWith(...steadyRoom(18), ...edits), 3).find((v) => v.id === "lies-in-layers")?.severity;
    expect(severity(...band(1.6, 2.4, 2))).toBe("warning");
    expect(severity(...band(9.5, 11.5, 10.5))).toBe("note");
    expect(severity(...band(9.5, 11.5, 10.5), set("product", "kind", "lager"))).toBeUndefined();
    expect(severity(...band(9.5, 11.5, 10.5), set("vessel", "form", "tray"))).toBeUndefined();
    expect(severity(...band(8, 13, 10.5))).toBeUndefined();
  });

  it("a hot box is outside of what can be computed only where its compressor runs in the heat, at that moment", () => {
    const hot = recordWith(...steadyRoom(44), ...band(41, 43));
    const plan = planOf(hot);
    const trial = runTrial(trialOf(plan, 5));
    const { moment } = judge(plan, trial, "C").find((v) => v.id === "outside-model")!;
    const bin = Math.floor((moment! - trial.trace.from) / trial.trace.width);
    expect(trial.trace.cold[bin]).toBeGreaterThan(0);
    expect(trial.trace.high.air[bin]).toBeGreaterThan(40);
    // The same heat from a heater alone, in a cold room: no compressor runs in it.
    const warmed = verdictsOn(recordWith(...steadyRoom(20), ...band(41, 43), heaterOf(120)), 5);
    expect(warmed.map((v) => v.id)).not.toContain("outside-model");
  });

  describe("a unit that only cools, with a heater that hangs on it", () => {
    const cools = [...unit("cutOut", "cool"), heaterOf(120)];
    it.each<[string, ChamberRecord, string]>([
      ["never gets warm enough", recordWith(...steadyRoom(5), ...band(19, 21, 6), ...cools), "never-arrives"],
      ["cools out", recordWith(...room(4, 26), ...band(17, 21), ...cools), "one-sided"],
    ])("is told that it does not switch the heater, and not that its watts do not do: it %s", (_, record, id) => {
      const all = verdictsOn(record, 5);
      const found = all.find((v) => v.id === id)!;
      expect(found.text).toMatch(/switch(es)? the heater/);
      expect(found.text).not.toMatch(/120\sW/);
      expect(all.map((v) => v.id)).not.toContain("heater-too-weak");
      const [remedy] = found.remedies.filter((r) => r.id === "switch-heat");
      const mended = tryEdits(record, remedy!.edits);
      if (!mended.ok) throw new Error(mended.problem);
      expect(verdictsOn(mended.value, 5).map((v) => v.id)).not.toContain(id);
    });
  });

  it.each<[string, ChamberRecord, string, string]>([
    [
      "only heats, in a fridge that could cool",
      recordWith(...steadyRoom(16), ...band(3, 6, 14), ...unit("heatOnly"), set("heater", "power", 40)),
      "never-arrives",
      "switch-cold",
    ],
    [
      "only watches, in a hot room",
      recordWith(...room(22, 32), ...band(17, 21), ...unit("watch")),
      "leaves-band",
      "switch-cold",
    ],
    [
      "only watches, in a cold room",
      recordWith(...room(4, 10), ...band(17, 21), ...unit("watch")),
      "leaves-band",
      "switch-heat",
    ],
  ])("a unit that %s: one of two outlets is offered, and cures", (_, record, id, remedy) => {
    const found = verdictsOn(record, 5).find((v) => v.id === id)!;
    const mended = tryEdits(record, found.remedies.find((r) => r.id === remedy)!.edits);
    if (!mended.ok) throw new Error(mended.problem);
    expect(verdictsOn(mended.value, 5).map((v) => v.id)).not.toContain(id);
  });

  it.each<[string, number, RegExp]>([
    ["bucket", 0.03, /With its airlock a bucket of this volume is .* this is a usual bucket\.$/],
    ["bucket", 0.2, /With its airlock a drum of this volume is .* this is a usual drum\.$/],
    ["carboy", 0.1, /a tank of this volume/],
    ["pail", 0.06, /^A pail of this volume is .* this is a usual pail\.$/],
  ])("what does not fit is called what it is: a %s of %d m³", (form, volume, words) => {
    const record = recordWith(
      ...winter,
      box("underCounter"),
      set("cabinet", "height", 0.55),
      set("vessel", "form", form),
      set("vessel", "volume", volume),
    );
    expect(verdictsOn(record, 1).find((v) => v.id === "does-not-fit")!.text).toMatch(words);
  });
});
