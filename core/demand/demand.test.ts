import { coldNeeded, heatNeeded, jobEdits, jobs, lossCoefficient, newChamber } from "../chamber";
import { applyEdits, type Edit } from "../model";
import { peakHeatOfAll } from "../product";
import { celsius } from "../quantity";
import { chamberWith, heldAt, plainTrial, recordWith, settingsOf, steadyRoom } from "../testing/build";
import { describe as describeChamber } from "../chamber";
import { runTrial } from "../trial";
import {
  arrivalOf,
  bringing,
  distanceFor,
  faceAt,
  faceOf,
  iceTable,
  iceTakes,
  surfacesOf,
  worstCold,
  worstHeat,
} from ".";

const edit = (section: string, field: string, value: unknown): Edit => ({ section, field, value }) as Edit;
const stageOf = (chamber: ReturnType<typeof chamberWith>) => chamber.stages[0]!;

describe("the worst hour each way", () => {
  it.each(jobs.flatMap((job) => job.boxes.map((box) => [job.id, box, job] as const)))(
    "%s in a %s: what holds is what the network at rest takes",
    (_, box, job) => {
      const chamber = describeChamber(applyEdits(newChamber("d", "D", "2026-01-01T00:00:00.000Z"), jobEdits(job, box)));
      const stage = stageOf(chamber);
      const heat = worstHeat(chamber, stage);
      const need = heatNeeded(chamber, stage.target, stage);
      // The parts add up to it; where hardly anything is needed, what saves may be more than what asks.
      if (need > 5) expect(Math.abs(heat.hold - need)).toBeLessThan(0.05 * need + 0.5);
      const cold = worstCold(chamber, stage);
      const asked = coldNeeded(chamber, stage.target, peakHeatOfAll(chamber.vessels, stage.target));
      const loads = [...chamber.fans, ...chamber.lights].reduce((sum, d) => sum + d.power, 0);
      const dries = chamber.vessels.reduce((sum, v) => sum + v.count * v.evaporation, 0);
      expect(Math.abs(cold.hold - Math.max(0, asked + loads + dries))).toBeLessThan(0.3 + dries);
    },
  );

  // By hand: 23 L of water by 18 K in 12 h, and the bucket's own wall.
  it("what is put in warm takes m·c·ΔT over the hours allowed", () => {
    const chamber = chamberWith(...heldAt(38), edit("build", "loadHours", 12), edit("vessel", "wall", "none"));
    const { pull } = worstCold(chamber, stageOf(chamber));
    expect(Math.abs(pull!.watts / ((0.023 * 4.18e6 * (38 - 20)) / (12 * 3600)) - 1)).toBeLessThan(0.02);
    expect(worstHeat(chamber, stageOf(chamber)).pull).toBeNull();
  });

  it("says how long it takes as its own trial has it, and never where the devices do not even hold", () => {
    const id = "s1";
    const weak = chamberWith(...heldAt(10), ...steadyRoom(5), edit("heater", "power", 10));
    expect(arrivalOf({ chamber: weak, side: "heat", id })).toBeNull();
    const chamber = chamberWith(...heldAt(12), ...steadyRoom(12), edit("heater", "power", 120));
    const trial = runTrial(plainTrial(chamber, settingsOf(20, 0.2, 5), 3));
    const hours = trial.trace.low.product.findIndex((t) => t >= 18) * (trial.trace.width / 3600);
    expect(Math.abs(arrivalOf({ chamber, side: "heat", id })! - hours)).toBeLessThan(1);
    // Never sooner than the heat alone allows: m·c·ΔT over all that the heater gives.
    expect(hours).toBeGreaterThan((0.023 * 4.18e6 * 6) / 120 / 3600);
    const cold = chamberWith(...heldAt(30), ...steadyRoom(25));
    expect(arrivalOf({ chamber: cold, side: "cold", id })).toBeGreaterThan(2);
  });

  it("counts each of two heaters and two coolers", () => {
    const record = recordWith(...steadyRoom(30));
    record.devices.push(
      { id: "h2", device: "heater", at: null, heater: { power: { value: 25, origin: "typed" } } },
      { id: "c2", device: "cooler", at: null, cooler: { kind: { value: "peltier", origin: "typed" } } },
    );
    const chamber = describeChamber(record);
    expect(worstHeat(chamber, stageOf(chamber)).devices.map((d) => d.id)).toEqual(["h1", "h2"]);
    const { devices, gives } = worstCold(chamber, stageOf(chamber));
    expect(devices).toHaveLength(2);
    expect(gives).toBeCloseTo(devices[0]!.watts + devices[1]!.watts, 9);
  });
});

describe("the surface of a heater", () => {
  it("is the air and P/ΣG above it, as a trial of a heater that never rests finds it", () => {
    const chamber = chamberWith(...heldAt(20), edit("heater", "power", 60), edit("cabinet", "kind", "upright"));
    const [surface] = surfacesOf(chamber, stageOf(chamber));
    const { toAir, toLining } = chamber.heaters[0]!;
    expect(surface!.without).toBeCloseTo(20 + 60 / (toAir + toLining), 1);
  });

  it("a lamp of 250 W may touch nothing, a mat of 15 W everything; one with its own thermostat gets no hotter than that", () => {
    const hot = chamberWith(edit("heater", "kind", "lamp"), edit("heater", "power", 250));
    expect(surfacesOf(hot, stageOf(hot))[0]!.may).toEqual([]);
    const mild = chamberWith(edit("heater", "kind", "mat"), edit("heater", "power", 15));
    expect(surfacesOf(mild, stageOf(mild))[0]!.never).toEqual([]);
    const cut = chamberWith(
      edit("heater", "kind", "lamp"),
      edit("heater", "power", 250),
      edit("heater", "ownThermostat", true),
      edit("heater", "ownThermostatAt", celsius(55)),
    );
    expect(surfacesOf(cut, stageOf(cut))[0]!.without).toBe(55);
  });
});

describe("so many litres from here to there in so many hours", () => {
  // The design's reference, range 10: 20 L from 12 to 20 °C in 4.5 h take 41 to 43 W net.
  it("takes 41 to 43 W net for 20 L by 8 K in 4.5 h, and with a room what it loses on the way", () => {
    const box = [edit("cabinet", "kind", "jacketed"), edit("vessel", "wall", "none")];
    const chamber = chamberWith(...box, ...steadyRoom(16));
    const asked = { volume: 0.02, from: 12, to: 20, seconds: 4.5 * 3600 };
    const { net, inRoom } = bringing(chamber, chamber.vessels[0]!, asked);
    expect(net).toBeGreaterThan(41);
    expect(net).toBeLessThan(43);
    // Halfway it is as warm as the room: nothing is lost on average.
    expect(inRoom).toBeCloseTo(net, 9);
    const cold = chamberWith(...box, ...steadyRoom(6));
    const there = bringing(cold, cold.vessels[0]!, asked);
    expect(there.inRoom - there.net).toBeCloseTo(10 * lossCoefficient(cold), 9);
    expect(bringing(chamber, chamber.vessels[0]!, { ...asked, from: 20, to: 12 }).net).toBeCloseTo(-net, 9);
  });
});

describe("the face of a lamp", () => {
  // By hand, a ceramic lamp of 100 W in air of 20 °C: 85 W from 0.0175 m² are 4857 W/m². At 229 °C it rises by
  // h = 1.32·(209/0.08)^¼ = 9.44 W/m²K: 1973 W/m²; 0.9·5.67e-8·(502.15⁴ − 293.15⁴) = 2868. Together 4841.
  it("is a balance of what it gives to the air and radiates", () => {
    expect(Math.abs(faceOf("lamp", 100, 20)!.usual - 229)).toBeLessThan(2);
    expect(9.44 * 209 + 0.9 * 5.67e-8 * (502.15 ** 4 - 293.15 ** 4)).toBeGreaterThan(4800);
  });

  // Face temperatures that are usually named; values from memory.
  it.each([
    ["bulb", 60, 120, 230],
    ["lamp", 60, 180, 280],
    ["lamp", 100, 200, 300],
    ["lamp", 250, 230, 400],
    ["tube", 60, 60, 130],
    ["mat", 20, 30, 60],
  ] as const)("of a %s of %i W lies between %i and %i °C in free air", (kind, power, from, to) => {
    const face = faceOf(kind, power, 20)!;
    expect(face.usual).toBeGreaterThan(from);
    expect(face.upper).toBeLessThan(to);
    expect(face.upper).toBeGreaterThan(face.usual);
    expect(face.covered).toBeGreaterThan(face.upper);
  });

  it("gives off what it takes in, whatever the flux; twice the power is hotter", () => {
    for (const flux of [100, 1000, 6000]) {
      const t = faceAt(flux, 25, 0.9, 0.08);
      const gives =
        1.32 * ((t - 25) / 0.08) ** 0.25 * (t - 25) + 0.9 * 5.670374419e-8 * ((t + 273.15) ** 4 - 298.15 ** 4);
      expect(Math.abs(gives / flux - 1)).toBeLessThan(0.001);
    }
    expect(faceOf("bulb", 100, 20)!.usual).toBeGreaterThan(faceOf("bulb", 50, 20)!.usual);
  });

  it("lets nothing touch it, not even at 60 W, and keeps what is shone on at a distance where it bears it", () => {
    const chamber = chamberWith(edit("heater", "kind", "lamp"), edit("heater", "power", 60));
    const [surface] = surfacesOf(chamber, stageOf(chamber));
    expect(surface!.may).toEqual([]);
    expect(surface!.judged).toBeGreaterThan(200);
    const face = surface!.face!;
    for (const { thing, distance } of surface!.distances) {
      // Twice the even share of its radiation on a surface that gives 10 W/m²K to air of the target.
      const shone = (2 * face.radiates) / (4 * Math.PI * distance! ** 2);
      expect(stageOf(chamber).target + shone / 10).toBeLessThanOrEqual(thing.upTo + 1e-6);
    }
    expect(distanceFor(face, 40, 45)).toBeNull();
    expect(distanceFor({ radiates: 160 }, 75, 31)!).toBeGreaterThan(distanceFor({ radiates: 40 }, 75, 31)!);
  });

  it("of a lamp with a thermostat of its own is none the cooler until that has cut", () => {
    const cut = chamberWith(
      edit("heater", "kind", "lamp"),
      edit("heater", "power", 100),
      edit("heater", "ownThermostat", true),
      edit("heater", "ownThermostatAt", celsius(45)),
    );
    expect(surfacesOf(cut, stageOf(cut))[0]!.judged).toBeGreaterThan(200);
  });
});

describe("ice by the clock", () => {
  const cabinet = (...edits: Edit[]) =>
    chamberWith(
      edit("cabinet", "kind", "foam"),
      edit("cooler", "kind", "ice"),
      ...heldAt(20),
      ...steadyRoom(28),
      ...edits,
    );

  // By hand: 18 K of ice at 2090, 333.6 kJ of melting, 18 K of water at 4186 J.
  it("a kilogram takes what warming, melting and warming take", () => {
    expect(iceTakes(20)).toBeCloseTo(18 * 2090 + 333_600 + 18 * 4186, 6);
  });

  it("adds up to the same heat however often it is changed, the gaps to a day", () => {
    const chamber = cabinet(edit("program", "attendedFrom", 7), edit("program", "attendedTo", 21));
    const day = [1, 2, 3, 4].map((n) => iceTable(chamber, stageOf(chamber), n, 1.4));
    for (const rows of day) {
      expect(rows.reduce((sum, r) => sum + r.lasts, 0)).toBeCloseTo(24, 9);
      expect(rows.reduce((sum, r) => sum + r.ice, 0)).toBeCloseTo(day[0]![0]!.ice, 6);
    }
    expect(day[1]!.map((r) => r.hour)).toEqual([7, 21]);
    expect(day[1]![0]!.ice).toBeGreaterThan(day[1]![1]!.ice);
  });

  it("tried, what the table says keeps a box near its target where a third of it does not", () => {
    const chamber = cabinet();
    const [row] = iceTable(chamber, stageOf(chamber), 2, 1.4);
    const warmest = (kg: number) => {
      const iced = cabinet(edit("cooler", "iceMass", kg), edit("cooler", "iceEvery", 12 * 3600));
      return Math.max(...runTrial(plainTrial(iced, settingsOf(10, 1, 1), 3)).trace.high.product.slice(140));
    };
    expect(warmest(row!.ice)).toBeLessThan(23.5);
    expect(warmest(row!.ice / 3)).toBeGreaterThan(23.5);
  });
});
