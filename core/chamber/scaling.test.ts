import { cabinetKinds, type Cabinet, type CabinetKind, type Vessel } from "../model";
import { celsius } from "../quantity";
import { chamberWith } from "../testing/build";
import { changed, set } from "../testing/configurations";
import { recordWith } from "../testing/build";
import {
  addDevice,
  addVessel,
  cabinetDefaults,
  contentsCapacity,
  coolersFor,
  describe as describeChamber,
  hasCompressor,
  hasCooler,
  hasFire,
  hasHeater,
  hasLid,
  hasIce,
  heaterBodies,
  heaterPower,
  heatersFor,
  heatNeeded,
  insideOf,
  isBath,
  isOnePlate,
  isRound,
  isSmoker,
  jobs,
  midWallArea,
  newHappening,
  outsideArea,
  sealLength,
  standDevice,
  thermalDefaults,
  tryEdits,
  vesselSize,
  vesselSurface,
  wallConductance,
} from ".";

const of = (kind: CabinetKind, more: Partial<Cabinet> = {}): Cabinet => ({ ...cabinetDefaults(kind), ...more });
const chamberOf = (kind: CabinetKind) => chamberWith(set("cabinet", "kind", kind));
const vesselOf = (kind: CabinetKind): Vessel => chamberOf(kind).vessels[0]!;
const shellOf = (cabinet: Cabinet, vessel = vesselOf(cabinet.kind)) => thermalDefaults(cabinet, vessel);
const bigger = (cabinet: Cabinet): Cabinet => ({
  ...cabinet,
  height: cabinet.height * 1.4,
  width: cabinet.width * 1.2,
});

describe("measures of a box", () => {
  it("inside: the walls come off twice, the base of what has a compressor once, a collar goes on", () => {
    expect(insideOf(of("upright"))).toMatchObject({
      height: expect.closeTo(1.7 - 0.1 - 0.1, 9) as number,
      width: expect.closeTo(0.5, 9) as number,
      depth: expect.closeTo(0.5, 9) as number,
      volume: expect.closeTo(1.5 * 0.25, 9) as number,
      area: expect.closeTo(2 * 0.25 + 4 * 0.5 * 1.5, 9) as number,
    });
    expect(insideOf(of("chest", { collar: 0.2 })).height).toBeCloseTo(0.85 + 0.2 - 0.13 - 0.05, 9);
    expect(insideOf(of("foam")).height).toBeCloseTo(0.35 - 0.05, 9);
    const drum = insideOf(of("drum"));
    expect(drum.depth).toBe(drum.width);
    expect(drum.volume).toBeCloseTo((Math.PI / 4) * drum.width ** 2 * drum.height, 12);
    expect(drum.area).toBeCloseTo(Math.PI * drum.width * drum.height + (Math.PI / 2) * drum.width ** 2, 12);
    expect(outsideArea(of("upright"))).toBeCloseTo(2 * 0.36 + 4 * 0.6 * 1.7, 9);
    expect(outsideArea(of("upright", { collar: 0.1 }))).toBeCloseTo(2 * 0.36 + 4 * 0.6 * 1.8, 9);
  });
  it("the seal runs around a lid or around a door", () => {
    for (const kind of ["chest", "foam"] as const) {
      const c = of(kind);
      expect(sealLength(c)).toBeCloseTo(2 * (c.width + c.depth), 12);
    }
    expect(sealLength(of("upright"))).toBeCloseTo(2 * (1.7 + 0.6), 12);
  });
  it("vessels: a slab by its thickness, a round one by its contents and its headspace", () => {
    const tray = vesselSize({ volume: 0.0018, form: "tray" });
    expect(tray).toEqual({ diameter: Math.sqrt(0.0018 / 0.03), height: 0.03 });
    expect(vesselSurface({ volume: 0.0018, form: "tray" })).toBeCloseTo(
      2 * tray.diameter ** 2 + 4 * tray.diameter * 0.03,
      12,
    );
    const pail = vesselSize({ volume: 0.019, form: "pail" });
    expect((Math.PI / 4) * pail.diameter ** 2 * pail.height).toBeCloseTo(0.019 * 1.05, 12);
    expect(pail.height / pail.diameter).toBeCloseTo(1.1, 12);
    expect(vesselSurface({ volume: 0.019, form: "pail" })).toBeCloseTo(
      Math.PI * pail.diameter * pail.height + (Math.PI / 2) * pail.diameter ** 2,
      12,
    );
  });
});

describe("parameters of a box follow its measures", () => {
  it.each(cabinetKinds.filter((k) => !["crock", "kettle", "jacketed"].includes(k)))(
    "%s: air by its volume, walls by their area, the leak by the seal",
    (kind) => {
      const [a, b] = [of(kind), bigger(of(kind))];
      const [one, two] = [shellOf(a), shellOf(b)];
      const volume = insideOf(b).volume / insideOf(a).volume;
      const area = insideOf(b).area / insideOf(a).area;
      const outside = outsideArea(b) / outsideArea(a);
      const middle = midWallArea(b) / midWallArea(a);
      const seal = sealLength(b) / sealLength(a);
      expect(two.airCapacity / one.airCapacity).toBeCloseTo(volume, 9);
      expect(two.airToLining / one.airToLining).toBeCloseTo(kind === "drum" ? outside : area, 9);
      expect(two.liningCapacity / one.liningCapacity).toBeCloseTo(
        kind === "drum" ? outside : kind === "brick" ? middle : area,
        9,
      );
      expect(two.liningToRoom / one.liningToRoom).toBeCloseTo(kind === "drum" ? outside : middle, 9);
      const leak = kind === "brick" ? 1 : kind === "drum" ? outside : seal;
      expect(two.airToRoom / one.airToRoom).toBeCloseTo(leak, 9);
      expect([two.filmToAir, two.filmToLining]).toEqual([one.filmToAir, one.filmToLining]);
      if (!["chest", "foam", "drum", "brick"].includes(kind))
        expect(two.openToRoom / one.openToRoom).toBeCloseTo(seal, 9);
      if (kind === "drum") expect(two.openToRoom / one.openToRoom).toBeCloseTo(outside, 9);
    },
  );

  it("the boxes that have no reference of their own size: each figure over the measures that it was taken at", () => {
    // The figures of docs/sources.md with the measures that they belong to (engineering estimates).
    const [foam, drum] = [of("foam"), of("drum")];
    const inside = insideOf(foam);
    expect(shellOf(foam)).toMatchObject({
      airCapacity: (150 * inside.volume) / 0.0525,
      liningCapacity: (900 * inside.area) / 0.645,
      airToLining: expect.closeTo(2.25 * inside.area, 9) as number,
      airToRoom: expect.closeTo((0.15 * sealLength(foam)) / 1.9, 9) as number,
      openToRoom: 6,
      filmToAir: 2.25,
    });
    const steel = outsideArea(drum) / 2.086;
    expect(shellOf(drum)).toMatchObject({
      airCapacity: expect.closeTo((300 * insideOf(drum).volume) / 0.2221, 9) as number,
      liningCapacity: 11_000 * steel,
      airToLining: 28 * steel,
      liningToRoom: 26 * steel,
      airToRoom: 4 * steel,
      openToRoom: 55 * steel,
      filmToAir: 13,
    });
    expect(shellOf(of("brick"))).toMatchObject({
      airCapacity: 1250 * insideOf(of("brick")).volume,
      airToLining: 12 * insideOf(of("brick")).area,
      airToRoom: 4,
      openToRoom: 80,
      filmToAir: 11,
      filmToLining: 3,
    });
    expect(shellOf(of("jacketed"))).toMatchObject({
      airCapacity: 60,
      airToLining: 0.4,
      airToRoom: 0.05,
      filmToLining: 25,
    });
  });

  it("a fan lays its wind on walls and vessels, and its own heat into the air", () => {
    const gain = (kind: CabinetKind) => {
      const [still, blown] = [shellOf(of(kind, { fan: false })), shellOf(of(kind, { fan: true }))];
      return [blown.airToLining / still.airToLining, blown.filmToAir / still.filmToAir, blown.fanHeat, still.fanHeat];
    };
    // 8 to 15 W/m²K with a fan, 2.0 to 2.5 without (films.ts).
    for (const kind of ["upright", "warmBox", "chest", "foam"] as const)
      expect(gain(kind).map((g) => Number(g.toFixed(9)))).toEqual([4.444444444, 4.444444444, 4, 0]);
    expect(gain("kettle").map((g) => Number(g.toFixed(9)))).toEqual([1, 2, 10, 0]);
    expect(gain("drum")[0]).toBe(1);
  });

  it("a pot by its bath, a kettle and a jacketed vessel by what they hold: skins grow with the two-thirds power", () => {
    const pot = (bath: number) => shellOf(of("crock", { bath }));
    const skin = 8 ** (2 / 3);
    const [one, eight] = [pot(0.0045), pot(0.036)];
    expect(one).toMatchObject({ airCapacity: 18_840, liningCapacity: 3200, airToLining: 8, liningToRoom: 0.5 });
    expect(eight.airCapacity / one.airCapacity).toBeCloseTo(8, 9);
    for (const name of ["liningCapacity", "airToLining", "liningToRoom", "airToRoom", "openToRoom"] as const)
      expect(eight[name] / one[name]).toBeCloseTo(skin, 9);
    expect(pot(0).airCapacity).toBeCloseTo(1884, 9);
    const kettle = (volume: number) => shellOf(of("kettle"), { ...vesselOf("kettle"), volume });
    const [small, large] = [kettle(0.027), kettle(0.216)];
    expect(small.airCapacity).toBeCloseTo(0.3 * 0.027 * 4.18e6, 6);
    expect(large.airCapacity / small.airCapacity).toBeCloseTo(8, 9);
    for (const name of ["liningCapacity", "airToLining", "liningToRoom", "airToRoom", "openToRoom"] as const)
      expect(large[name] / small[name]).toBeCloseTo(skin, 9);
    // The surface grows as the skin does: the films stay what they are.
    expect(large.filmToAir / small.filmToAir).toBeCloseTo(1, 9);
    expect(small.filmToAir * vesselSurface(vesselOf("kettle"))).toBeCloseTo(400, 9);
    expect(small.filmToLining * vesselSurface(vesselOf("kettle"))).toBeCloseTo(42, 9);
    const jacketed = (volume: number) => shellOf(of("jacketed"), { ...vesselOf("jacketed"), volume });
    expect(jacketed(0.16).liningCapacity / jacketed(0.02).liningCapacity).toBeCloseTo(4, 9);
    expect(jacketed(0.16).liningToRoom / jacketed(0.02).liningToRoom).toBeCloseTo(4, 9);
    const surface = vesselSurface(vesselOf("jacketed"));
    expect(jacketed(0.02).liningCapacity).toBeCloseTo((4000 * surface) / 0.45, 9);
    expect(jacketed(0.02).liningToRoom).toBeCloseTo(surface / (0.03 / 0.028 + 0.13), 9);
  });

  it("walls: foam and brick by ISO 6946 with one film of their own, steel by its thickness, a collar beside the chest", () => {
    expect(shellOf(of("foam")).liningToRoom).toBeCloseTo(midWallArea(of("foam")) / (0.025 / 0.037 + 0.13), 9);
    const brick = shellOf(of("brick"));
    expect(brick.liningToRoom).toBeCloseTo(midWallArea(of("brick")) / (0.11 / 0.77 + 0.04), 9);
    expect(brick.liningCapacity).toBeCloseTo(midWallArea(of("brick")) * 0.11 * 1.6e6, 3);
    expect(brick.wallLayers).toBe(3);
    const thick = shellOf(of("drum", { insulation: 0.002 }));
    const thin = shellOf(of("drum"));
    expect(thick.liningCapacity / thin.liningCapacity).toBeCloseTo(2, 9);
    const chest = (collar: number) => shellOf(of("chest", { collar }));
    const boards = 1 / (0.26 + 0.02 / 0.035);
    expect(chest(0.2).liningToRoom - chest(0).liningToRoom).toBeCloseTo(2 * (0.75 + 0.55) * 0.2 * boards * 0.85, 9);
    expect(chest(0.2).airToRoom / chest(0).airToRoom).toBeCloseTo(2, 9);
    expect(shellOf(of("warmBox")).airToRoom / shellOf(of("upright")).airToRoom).toBeCloseTo(0.37 / 0.25, 9);
    expect(wallConductance(of("upright"))).toBeCloseTo(midWallArea(of("upright")) / (0.26 + 0.05 / 0.022), 9);
  });
});

describe("devices by their box", () => {
  it("what can go in", () => {
    expect(heatersFor("crock")).toEqual(["element", "immersion", "none"]);
    expect(heatersFor("kettle")).toEqual(["immersion", "plate", "none"]);
    expect([heatersFor("drum"), heatersFor("brick")].map((l) => l[0])).toEqual(["charcoal", "charcoal"]);
    expect(heatersFor("jacketed")).toEqual(["plate", "belt", "none"]);
    expect(heatersFor("upright")).toHaveLength(7);
    const none = (["kettle", "crock", "drum", "brick"] as const).map(coolersFor);
    expect(none).toEqual(none.map(() => ["none"]));
    expect(coolersFor("jacketed")).toEqual(["peltier", "none"]);
    expect(coolersFor("foam")).toEqual(["none", "ice", "peltier"]);
    expect(coolersFor("chest")).toEqual(["compressor", "none", "ice", "peltier"]);
  });
  it("bodies: a tube in a chest, a fan around any of them, a shared plate, a thermostat of its own", () => {
    const heater = (kind: string, cabinet: string, fan = false) =>
      chamberWith(
        set("cabinet", "kind", cabinet),
        set("cabinet", "fan", fan),
        set("heater", "kind", kind),
        set("heater", "power", 60),
      ).heaters[0]!;
    expect(heater("tube", "upright")).toMatchObject({
      bodyCapacity: 450,
      toAir: 0.8,
      toLining: 0.4,
      toVessel: 0,
      ownThermostatAt: 45,
    });
    expect(heater("tube", "chest")).toMatchObject({ bodyCapacity: 600, toAir: 1.5, toLining: 0 });
    expect(heater("lamp", "chest")).toMatchObject({ bodyCapacity: 100, toAir: 1.2, toLining: 0.8 });
    expect(heater("tube", "upright", true).toAir).toBeCloseTo(1.2, 12);
    expect(heater("immersion", "kettle", true).toAir).toBe(heaterBodies.immersion.toAir);
    expect(heater("fanHeater", "upright").ownThermostatAt).toBe(60);
    expect(heater("plate", "jacketed").toVessel).toBe(12);
    expect(heater("none", "upright").power).toBe(0);
    expect(heaterBodies.bulb.light).toBe(true);
    expect(heaterBodies.element.toRoom).toBe(0.25);
  });
  it("coolers: a compressor grows with the loss of its box, a plate with its place, ice with its mass", () => {
    const cooler = (kind: string, cabinet: string, ...more: Parameters<typeof chamberWith>) =>
      chamberWith(set("cabinet", "kind", cabinet), set("cooler", "kind", kind), ...more).coolers[0]!;
    expect(cooler("compressor", "chest")).toMatchObject({ power: 42, toAir: 0.5, toLining: 15, bodyCapacity: 2500 });
    expect(cooler("compressor", "upright")).toMatchObject({ power: 70, toAir: 4.5, toLining: 1, bodyCapacity: 2500 });
    expect(cooler("compressor", "upright", set("cabinet", "fan", true)).toAir).toBeCloseTo(6.75, 12);
    const double = cooler("compressor", "upright", set("cooler", "power", 140));
    expect(double).toMatchObject({ toAir: 9, toLining: 2, bodyCapacity: 5000 });
    expect(cooler("compressor", "upright", set("cooler", "power", 5)).bodyCapacity).toBeCloseTo(500, 9);
    const share = wallConductance(of("underCounter")) / wallConductance(of("upright"));
    expect(cooler("compressor", "underCounter").power).toBe(Math.round((70 * Math.max(0.5, share)) / 5) * 5);
    expect(cooler("peltier", "jacketed")).toMatchObject({ power: 60, bodyCapacity: 900, toVessel: 12, toAir: 0 });
    expect(cooler("peltier", "foam")).toMatchObject({ power: 60, bodyCapacity: 600, toAir: 4, toVessel: 0 });
    expect(cooler("ice", "foam", set("cooler", "iceMass", 3))).toMatchObject({ bodyCapacity: 6270, toAir: 1.5 });
    expect(cooler("none", "upright").power).toBe(0);
  });
  it("what is there: heater, cooler, compressor, ice, fire, one plate", () => {
    const says = (kind: CabinetKind, ...more: Parameters<typeof chamberWith>) => {
      const c = chamberWith(set("cabinet", "kind", kind), ...more);
      return [hasHeater(c), hasCooler(c), hasCompressor(c), hasIce(c), hasFire(c)];
    };
    expect(says("upright")).toEqual([true, true, true, false, false]);
    expect(says("foam")).toEqual([true, false, false, false, false]);
    expect(says("foam", set("cooler", "kind", "ice"))).toEqual([true, false, false, true, false]);
    expect(says("foam", set("cooler", "kind", "ice"), set("cooler", "iceMass", 0))).toEqual([
      true,
      false,
      false,
      false,
      false,
    ]);
    expect(says("jacketed")).toEqual([true, true, false, false, false]);
    expect(says("drum")).toEqual([true, false, false, false, true]);
    expect(says("drum", set("heater", "power", 0))).toEqual([false, false, false, false, false]);
    expect(says("upright", set("heater", "kind", "none"), set("cooler", "power", 0))[1]).toBe(false);
    const plate = { kind: "plate", power: 50 } as const;
    const peltier = { kind: "peltier", power: 60 } as const;
    expect(isOnePlate(plate, peltier)).toBe(true);
    expect(isOnePlate({ ...plate, kind: "belt" }, peltier)).toBe(false);
    expect(isOnePlate(plate, { ...peltier, kind: "compressor" })).toBe(false);
    expect(isOnePlate({ ...plate, power: 0 }, peltier)).toBe(false);
    expect(isOnePlate(plate, { ...peltier, power: 0 })).toBe(false);
    const two = changed(recordWith(set("heater", "power", 40)), addDevice("heater"), set("heater", "power", 25, "h2"));
    expect(heaterPower(describeChamber(two))).toBe(65);
  });
  it("a plate stands off its vessel where there is nothing that it cools with", () => {
    const one = chamberWith(set("cabinet", "kind", "jacketed"));
    expect(one.heaters[0]!.toVessel).toBe(12);
    const kettle = chamberWith(set("cabinet", "kind", "kettle"), set("heater", "kind", "plate"));
    expect(kettle.heaters[0]!.toVessel).toBe(heaterBodies.plate.toVessel);
  });
});

describe("heat that is needed", () => {
  const at = (record: ReturnType<typeof recordWith>, id?: string) => {
    const c = describeChamber(record);
    return heatNeeded(c, celsius(40), c.stages[0], id);
  };
  const base = recordWith(set("cabinet", "kind", "warmBox"), set("room", "low", 10), set("room", "high", 10));
  it("what evaporates from every vessel is needed once more, and counts as often as there are vessels", () => {
    const wet = (count: number, watts: number) =>
      at(changed(base, set("vessel", "count", count), set("vessel", "evaporation", watts)));
    // By the superposition of a linear network: each watt that is taken costs the same.
    const [none, one, two] = [wet(1, 0), wet(1, 10), wet(1, 20)];
    expect(one - none).toBeGreaterThan(5);
    expect(two - none).toBeCloseTo(2 * (one - none), 6);
    const [dry3, wet3] = [wet(3, 0), wet(3, 10)];
    expect((wet3 - dry3) / (one - none)).toBeGreaterThan(1.5);
  });
  it("for the vessel that is asked for: the one that the heater stands at needs less of it", () => {
    const record = changed(base, set("heater", "kind", "belt"), addVessel, standDevice("h1", "v2"));
    expect(at(record, "v2")).toBeLessThan(at(record, "v1"));
    expect(at(record)).toBeCloseTo(at(record, "v1"), 9);
  });
  it("none where the heater does not reach it, and none below zero", () => {
    expect(at(changed(base, set("room", "low", 45), set("room", "high", 45)))).toBe(0);
    const shared = changed(
      base,
      addDevice("heater"),
      set("heater", "power", 40, "h1"),
      set("heater", "power", 80, "h2"),
    );
    const alone = changed(base, set("heater", "power", 120, "h1"));
    // Two bodies between air and wall pass a little more than one.
    expect(Math.abs(at(shared) - at(alone))).toBeLessThan(0.05);
  });
});

describe("contents", () => {
  // Density × specific heat, worked by hand: the figures of docs/sources.md.
  it.each<[Vessel["filling"], Vessel["wall"], number]>([
    ["water", "plastic", 98_000 / 0.023],
    ["honey", "plastic", 3_408_000],
    ["setHoney", "plastic", 4_430_400],
    ["beans", "none", 3_300_000],
    ["meat", "none", 3_675_000],
    ["fish", "none", 3_780_000],
    ["water", "glass", 98_000 / 0.023 + 120_000],
    ["water", "steel", 98_000 / 0.023 + 90_000],
  ])("%s in %s hold %d J/K a cubic metre, each vessel as much", (filling, wall, capacity) => {
    const vessel = { ...vesselOf("upright"), filling, wall, volume: 0.01, count: 3 };
    expect(contentsCapacity(vessel)).toBeCloseTo(0.03 * capacity, 6);
  });
});

describe("usual values of happenings", () => {
  it("each lasts as long, and is as strong, as it usually is", () => {
    const chamber = chamberWith();
    const made = (kind: Parameters<typeof newHappening>[0], of = chamber) =>
      newHappening(kind, "h", 60, of, of.stages[0]!);
    expect(made("door")).toMatchObject({ id: "h", at: 60, lasting: 600 });
    expect(made("lidOff")).toMatchObject({ lasting: 60 });
    expect(made("setpoint")).toMatchObject({ which: "u1", to: chamber.stages[0]!.target + 2 });
    expect(made("probeDrift")).toMatchObject({ which: "p1", lasting: 0, perDay: 0.5 });
    expect(made("loadIn")).toMatchObject({ volume: 0.002, temperature: 5 });
    expect(made("weather")).toMatchObject({ lasting: 48 * 3600, by: -8 });
    expect(made("powerCut")).toMatchObject({ lasting: 8 * 3600 });
    expect(made("fanStops")).toMatchObject({ lasting: 0 });
    expect(made("relayStuck")).toMatchObject({ which: "u1", outlet: "heat", to: "on" });
    expect(made("relayStuck", chamberWith(set("heater", "kind", "none")))).toMatchObject({ outlet: "cold" });
    expect(made("coldFails")).toMatchObject({ which: "c1", lasting: 0 });
  });
});

it.each(jobs.map((j) => [j.id, j] as const))(
  "the job %s can be done in every box that it is offered",
  (_, { boxes, edits }) => {
    expect(boxes.length).toBeGreaterThan(0);
    for (const kind of boxes) {
      const tried = tryEdits(recordWith(), [set("cabinet", "kind", kind), ...edits]);
      expect(tried.ok ? "" : tried.problem).toBe("");
    }
  },
);

it("round boxes are round", () => {
  expect(cabinetKinds.filter(isRound)).toEqual(expect.arrayContaining(["crock", "kettle", "drum", "jacketed"]));
  expect(cabinetKinds.filter(isRound)).toHaveLength(4);
  expect([...cabinetKinds.filter(hasLid)].sort()).toEqual(["chest", "crock", "drum", "foam", "jacketed", "kettle"]);
  expect(cabinetKinds.filter(isSmoker)).toEqual(expect.arrayContaining(["drum", "brick"]));
  expect(cabinetKinds.filter(isBath)).toEqual(expect.arrayContaining(["crock", "kettle"]));
  expect(cabinetKinds.filter((k) => isSmoker(k) || isBath(k))).toHaveLength(4);
});
