import { heatNeeded } from "@/core/chamber";
import { celsius } from "@/core/quantity";
import { chamberWith, heaterOf, heldAt, meeting, recordWith, steadyRoom, tried } from "@/core/testing/build";
import type { Trial } from "@/core/trial";
import { figuresOf, printChange, printFigure, wholeOf, type Figure } from "./figures";
import { graceWords } from "./Happenings";

const trialFor = (record = recordWith(), days = 4): Trial => tried(record, days).trial;
const named = (figures: Figure[], name: string | RegExp) =>
  figures.find((f) => (typeof name === "string" ? f.name === name : name.test(f.name)))!;
const numberOf = (text: string) => Number(text.replace("\u2212", "-").replace(/[^\d.-].*$/, ""));

const cold = [...heldAt(20), ...steadyRoom(5), heaterOf(60)];
const trial = trialFor(recordWith(...cold));
const figures = figuresOf(wholeOf(trial), "C", "Product");

describe("figures of a trial", () => {
  it("agree with each other: the heater's energy is its power times its share of a day", () => {
    const share = named(figures, "Heat on").value!;
    const joules = named(figures, /Electricity of the heater/).value!;
    expect(joules).toBeCloseTo(share * 60 * 86_400, -3);
    // 1 kWh = 3.6 MJ by definition.
    expect(numberOf(printFigure(named(figures, /Electricity of the heater/)))).toBeCloseTo(joules / 3.6e6, 2);
    const starts = named(figures, "Starts of the heat a day");
    expect(Number(starts.value) * 4).toBeCloseTo(trial.heat.filter((_, i) => i % 2 === 0).length, 0);
  });

  it("the mean heat of the last day is what the network at rest asks for", () => {
    const { low, high } = trial.metrics.settled!.product;
    const need = heatNeeded(chamberWith(...cold), celsius((low + high) / 2));
    expect((trial.metrics.heatDutyLastDay * 60) / need).toBeCloseTo(1, 1);
  });

  it("in °F a temperature is 1.8·t + 32, a difference only 1.8 times as large", () => {
    const other = figuresOf(wholeOf(trial), "F", "Product");
    const warmest = "Product at its warmest";
    expect(numberOf(printFigure(named(other, warmest)))).toBeCloseTo(1.8 * named(figures, warmest).value! + 32, 1);
    const swing = "Product: swing once settled";
    expect(numberOf(printFigure(named(other, swing)))).toBeCloseTo(1.8 * named(figures, swing).value!, 1);
  });

  it("says never, and a dash, where there is nothing to say", () => {
    const lost = figuresOf(
      wholeOf(trialFor(recordWith(...heldAt(5), ...steadyRoom(2), heaterOf(0)), 1)),
      "C",
      "Product",
    );
    expect(printFigure(named(lost, "From start to the band"))).toBe("never");
    expect(printFigure(named(lost, "In the band since then"))).toBe("\u2013");
    expect(printFigure(named(lost, "Product: swing once settled"))).toBe("\u2013");
  });

  it("a fire has fuel where others have electricity", () => {
    const fire = trialFor(
      recordWith(
        { section: "cabinet", field: "kind", value: "drum" },
        { section: "heater", field: "kind", value: "charcoal" },
        { section: "unit", field: "kind", value: "heatOnly" },
        { section: "stage", field: "high", value: celsius(115) },
        { section: "stage", field: "low", value: celsius(105) },
      ),
      1,
    );
    const names = figuresOf(wholeOf(fire), "C", "Air").map((f) => f.name);
    expect(names).toContain("Fuel burned");
    expect(names.join()).not.toMatch(/Electricity of the heater/);
  });
});

describe("the change of a figure", () => {
  const wider = figuresOf(
    wholeOf(trialFor(recordWith(...cold, { section: "stage", field: "low", value: celsius(16) }))),
    "C",
    "Product",
  );
  it("has its sign, and is now minus before", () => {
    const name = "Product: swing once settled";
    const [before, now] = [named(figures, name), named(wider, name)];
    const change = printChange(before, now);
    expect(change).toMatch(/^\+/);
    expect(numberOf(change.slice(1))).toBeCloseTo(now.value! - before.value!, 1);
    expect(printChange(now, before)).toMatch(/^\u2212/);
  });
  it("is the same where nothing that is shown changes, a dash where there is nothing to compare", () => {
    const swing = named(figures, "Heat on");
    expect(printChange(swing, { ...swing, value: swing.value! + 1e-6 })).toBe("same");
    expect(printChange(undefined, swing)).toBe("\u2013");
    expect(printChange({ ...swing, value: null }, swing)).toBe("\u2013");
    const never = { ...named(figures, "From start to the band"), value: Infinity };
    expect(printChange(never, never)).toBe("same");
    expect(printChange(never, { ...never, value: 60 })).toBe("\u2013");
  });
});

describe("grace in words", () => {
  it("follows what the trial found", () => {
    const cut = { kind: "powerCut", at: 2 * 86_400, lasting: 0 } as const;
    const { grace } = trialFor(meeting(recordWith(...cold), cut)).metrics;
    expect(graceWords(grace[0])).toMatch(/^Hours of grace: .* then it gets too cold\.$/);
    const short = trialFor(meeting(recordWith(...cold), { ...cut, lasting: 600 })).metrics.grace[0];
    expect(graceWords(short)).toBe("It stays in its band to the end of the trial.");
    expect(graceWords(undefined)).toMatch(/^Not in this trial/);
  });
});
