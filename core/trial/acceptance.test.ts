import { coldAvailable, describe as describeChamber, heatNeeded, lossCoefficient } from "../chamber";
import { fuelHours, fuelPerHour } from "../device";
import { applyEdits, type ChamberRecord, type Edit } from "../model";
import { celsius } from "../quantity";
import { lumped, meeting, plainTrial, recordWith, settingsOf, steadyRoom } from "../testing/build";
import { runTrial } from "./runTrial";

// Ranges of the design's reference for the chamber: an independent prototype, values from memory; with its films, as
// they were before its correction, where it had any.
const edit = (section: string, field: string, value: unknown): Edit => ({ section, field, value }) as Edit;
const box = (kind: string, room: number, start: number, low: number, high: number, ...more: Edit[]): ChamberRecord =>
  recordWith(
    edit("cabinet", "kind", kind),
    edit("product", "kind", "hold"),
    ...steadyRoom(room),
    edit("vessel", "startTemperature", celsius(start)),
    edit("stage", "low", celsius(low)),
    edit("stage", "high", celsius(high)),
    ...more,
  );
const trialAt = (record: ChamberRecord, settings = settingsOf(20, 1, 1), days = 4, dt?: number) =>
  runTrial(plainTrial(describeChamber(lumped(record)), settings, days, dt), 2000);
const heatOnly: Edit = edit("unit", "kind", "heatOnly");

describe("range 5: the kettle at 65 °C", () => {
  const kettle = box(
    "kettle",
    16,
    64.9,
    64,
    66,
    heatOnly,
    edit("heater", "power", 1650),
    edit("probe", "place", "air"),
  );
  it("takes about 365 W to hold", () => {
    const need = heatNeeded(describeChamber(kettle), celsius(65));
    expect(need).toBeGreaterThan(330);
    expect(need).toBeLessThan(400);
  });
  it("on/off with 0.3 swings −0.4 / +0.6 K at the probe", () => {
    const { settled } = trialAt(kettle, settingsOf(65, 0.3, 0.3), 1, 1).metrics;
    expect(65 - settled!.probe.low).toBeGreaterThan(0.25);
    expect(65 - settled!.probe.low).toBeLessThan(0.6);
    expect(settled!.probe.high - 65).toBeGreaterThan(0.3);
    expect(settled!.probe.high - 65).toBeLessThan(0.9);
  });
});

describe("range 4: the slow cooker", () => {
  it("gains about 115 K at its full 230 W", () => {
    const chamber = describeChamber(box("crock", 20, 20, 59, 61, edit("heater", "power", 230)));
    const perWatt = (60 - 20) / heatNeeded(chamber, celsius(60));
    expect(perWatt * 230).toBeGreaterThan(105);
    expect(perWatt * 230).toBeLessThan(125);
  });
});

describe("range 7: the foam box at 31 °C in a room of 20 °C", () => {
  const foam = (...more: Edit[]) =>
    box("foam", 20, 31, 30, 32, heatOnly, edit("heater", "power", 40), edit("probe", "place", "air"), ...more);
  it.each([0.3, 0.5])("with 40 W and %d K: duty 0.30 to 0.38, a cycle of 5 to 10 min, air within about 1.5 K", (d) => {
    const { metrics } = trialAt(foam(), settingsOf(31, d, d), 3);
    expect(metrics.heatDutyLastDay).toBeGreaterThan(0.28);
    expect(metrics.heatDutyLastDay).toBeLessThan(0.4);
    const { run, rest } = metrics.usualHeat!;
    expect((run + rest!) / 60).toBeGreaterThan(4);
    expect((run + rest!) / 60).toBeLessThan(11);
    const { air } = metrics.settled!;
    expect(air.high - air.low).toBeLessThan(5);
    expect(air.high - air.low).toBeGreaterThan(1.5);
  });
  const cake = (room: number, place: string) =>
    box(
      "foam",
      room,
      31,
      28,
      40,
      heatOnly,
      edit("heater", "power", 40),
      edit("probe", "place", place),
      edit("product", "heatCurve", [
        { hours: 0, watts: 10.8 },
        { hours: 200, watts: 10.8 },
      ]),
    );
  it("1.8 kg at 6 W/kg: with the probe in the cake the lamp is off and the cake at 34 to 35 °C, 38 to 39 in 24 °C", () => {
    const cool = trialAt(cake(20, "core"), settingsOf(31, 0.3, 0.3), 4).metrics;
    expect(cool.heatDutyLastDay).toBe(0);
    expect(cool.settled!.productMean).toBeGreaterThan(33);
    expect(cool.settled!.productMean).toBeLessThan(36);
    const warm = trialAt(cake(24, "core"), settingsOf(31, 0.3, 0.3), 4).metrics.settled!.productMean;
    expect(warm).toBeGreaterThan(37);
    expect(warm).toBeLessThan(40);
  });
  it("with the probe in the air the lamp still runs and the cake passes 36.5 °C", () => {
    const { metrics } = trialAt(cake(20, "air"), settingsOf(31, 0.3, 0.3), 4);
    expect(metrics.heatDutyLastDay).toBeGreaterThan(0.02);
    expect(metrics.settled!.product.high).toBeGreaterThan(36.5);
  });
});

describe("range 8: three 27 kg pails of honey at 43 °C", () => {
  const honey = (filling: string, room = 20) =>
    box(
      "warmBox",
      room,
      20,
      39,
      44,
      heatOnly,
      edit("heater", "power", 250),
      edit("vessel", "count", 3),
      edit("vessel", "filling", filling),
      edit("probe", "place", "air"),
    );
  const daysTo = (t: number, filling: string) => {
    const { trace } = trialAt(honey(filling), settingsOf(43, 1, 1), 6);
    return ((trace.low.product.findIndex((v) => v >= t) + 0.5) * trace.width) / 86_400;
  };
  it("the centre reaches 40 °C after 1.1 to 1.4 days and 42 °C after 2 to 2.4; set honey takes a third longer", () => {
    expect(daysTo(40, "honey")).toBeGreaterThan(1);
    expect(daysTo(40, "honey")).toBeLessThan(1.5);
    expect(daysTo(40, "setHoney") / daysTo(40, "honey")).toBeGreaterThan(1.2);
    expect(daysTo(40, "setHoney") / daysTo(40, "honey")).toBeLessThan(1.45);
  });
});

describe("range 9: the drum at 121 °C", () => {
  const drum = box("drum", 20, 5, 116, 126, edit("vessel", "evaporation", 200), edit("heater", "power", 6000));
  const chamber = describeChamber(drum);
  it("takes about 2.5 kW from the fire, 0.35 to 0.40 kg/h, 17 to 20 h from 7.5 kg", () => {
    const need = heatNeeded(chamber, celsius(121));
    expect(need).toBeGreaterThan(2200);
    expect(need).toBeLessThan(2800);
    expect(fuelPerHour(chamber.heaters[0]!, need)).toBeGreaterThan(0.33);
    expect(fuelPerHour(chamber.heaters[0]!, need)).toBeLessThan(0.42);
    expect(fuelHours(chamber.heaters[0]!, need)).toBeGreaterThan(16);
    expect(fuelHours(chamber.heaters[0]!, need)).toBeLessThan(20.5);
  });
  it("loses 40 to 55 K with its lid off for a minute", () => {
    const at = 6 * 3600;
    const lid = meeting(drum, { kind: "lidOff", at, lasting: 60 });
    const { chamber: c } = { chamber: describeChamber(lid) };
    const { trace } = runTrial(plainTrial(c, settingsOf(121, 2, 2), 0.5, 1), 4320);
    const bin = Math.floor(at / trace.width);
    const before = trace.high.air[bin - 1]!;
    const lowest = Math.min(...trace.low.air.slice(bin, bin + 8));
    expect(before - lowest).toBeGreaterThan(35);
    expect(before - lowest).toBeLessThan(60);
  });
});

describe("range 10: the plate vessel", () => {
  // 20 L over 8 K in 4.5 h: the net heat follows from the heat capacity, the delivered one from the loss to the room.
  it.each([24, 16, 10])("20 L from 12 to 20 °C in about 4.5 h with 43 W less its gain from a room of %d °C", (room) => {
    const record = box("jacketed", room, 12, 19, 21, heatOnly, edit("vessel", "volume", 0.02));
    const loss = lossCoefficient(describeChamber(record));
    const power = 43 - loss * (room - 16);
    const { trace } = trialAt(recordWithPower(record, power), settingsOf(90, 1, 1), 1);
    const hours = ((trace.low.product.findIndex((t) => t >= 20) + 0.5) * trace.width) / 3600;
    expect(hours).toBeGreaterThan(4.2);
    expect(hours).toBeLessThan(5.2);
  });
  const recordWithPower = (record: ChamberRecord, power: number): ChamberRecord =>
    applyEdits(record, [edit("heater", "power", power), edit("cooler", "kind", "none")]);
});

describe("range 11: pull-down of a chest", () => {
  it("falls as a curve that flattens: the rate at the start is more than twice the one at the setpoint", () => {
    const record = box("chest", 25, 30, 3, 5, edit("heater", "power", 0), edit("probe", "place", "strapped"));
    const { trace } = trialAt(record, settingsOf(2, 1, 1), 4);
    const perHour = (from: number) => {
      const i = trace.low.product.findIndex((t) => t <= from);
      const j = trace.low.product.findIndex((t) => t <= from - 2);
      return 2 / (((j - i) * trace.width) / 3600);
    };
    expect(perHour(28) / perHour(6)).toBeGreaterThan(2);
    expect(coldAvailable(describeChamber(record), celsius(20), celsius(25))).toBeGreaterThan(
      coldAvailable(describeChamber(record), celsius(4), celsius(25)),
    );
  });
});
