import type { ChamberRecord, Edit } from "../model";
import { celsius } from "../quantity";
import { chamberWith, recordWith, steadyRoom } from "../testing/build";
import {
  coldAvailable,
  contradictions,
  heaterFor,
  heatNeeded,
  lossCoefficient,
  transmittance,
  tryEdits,
  heaterPower,
} from ".";

describe("heat loss", () => {
  // ISO 6946, worked by hand: 50 mm XPS of 0.033 W/mK between two inner faces of 0.13 m²K/W.
  it("50 mm of XPS let 0.593 W/m²K through", () => {
    expect(1 / (0.13 + 0.05 / 0.033 + 0.13)).toBeCloseTo(transmittance(0.05, 0.033), 12);
    expect(Math.abs(transmittance(0.05, 0.033) - 0.563)).toBeLessThan(0.001);
  });

  // The design's reference gives 0.593 with one outer face (0.13 + 0.04): the same method, other faces.
  it("agrees with the worked value once its outer face is taken into account", () => {
    const indoors = 1 / transmittance(0.05, 0.033);
    expect(Math.abs(1 / (indoors - 0.13 + 0.04) - 0.593)).toBeLessThan(0.001);
  });

  it("the tall cabinet loses about 1.7 W/K: foam and edges in series with the film inside, and a leak of 0.25", () => {
    // 0.05 m of 0.022 W/mK and an outer face of 0.13 m²K/W over 4.099 m² at mid-wall; edges a twentieth more.
    const wall = (1.05 * Math.sqrt(3.5 * 4.8)) / (0.05 / 0.022 + 0.13);
    expect(lossCoefficient(chamberWith())).toBeCloseTo(1 / (1 / (2.25 * 3.5) + 1 / wall) + 0.25, 9);
  });

  it("grows with the cabinet and shrinks with its walls", () => {
    const at = (height: number, insulation: number) =>
      lossCoefficient(
        chamberWith(
          { section: "cabinet", field: "height", value: height },
          { section: "cabinet", field: "insulation", value: insulation },
        ),
      );
    expect(at(1.9, 0.05)).toBeGreaterThan(at(1.5, 0.05));
    expect(at(1.7, 0.07)).toBeLessThan(at(1.7, 0.04));
  });
});

describe("sizing", () => {
  it("the heat needed is loss times difference and what the heater gives the wall, and none where the room is never colder", () => {
    const chamber = chamberWith(...steadyRoom(5));
    const least = lossCoefficient(chamber) * 15;
    expect(heatNeeded(chamber, celsius(20))).toBeGreaterThan(least);
    // The vessel sees the wall, which is colder than the air: it takes somewhat more than the air alone would.
    expect(heatNeeded(chamber, celsius(20))).toBeLessThan(least * 1.18);
    expect(heatNeeded(chamberWith(...steadyRoom(25)), celsius(20))).toBe(0);
    expect(heaterFor(28)).toBe(60);
  });

  it("a running compressor takes less from a colder box and in a hotter room", () => {
    const chamber = chamberWith();
    const usual = coldAvailable(chamber, celsius(20), celsius(25));
    expect(coldAvailable(chamber, celsius(2), celsius(25))).toBeLessThan(usual);
    expect(coldAvailable(chamber, celsius(20), celsius(35))).toBeLessThan(usual);
    expect(usual).toBeGreaterThan(70);
    expect(usual).toBeLessThan(160);
  });
});

describe("defaults follow what is known", () => {
  it("the band lies in the packet's range, the target in its middle", () => {
    const [stage] = chamberWith(
      { section: "product", field: "packetLow", value: celsius(24) },
      { section: "product", field: "packetHigh", value: celsius(27) },
    ).stages;
    expect(stage).toMatchObject({ low: 24.5, high: 26.5, target: 25.5 });
  });

  it("the heater grows with a colder room", () => {
    expect(heaterPower(chamberWith(...steadyRoom(-5)))).toBeGreaterThan(heaterPower(chamberWith(...steadyRoom(15))));
  });
});

describe("edits", () => {
  const low = (value: number) => ({ section: "stage", field: "low", value: celsius(value) }) as const;

  it("refuse what is impossible with a sentence, and leave the record as it was", () => {
    const record = recordWith();
    const before = JSON.stringify(record);
    const refused = tryEdits(record, [low(40)]);
    expect(!refused.ok && refused.problem).toMatch(/has to be below the warmest/);
    expect(JSON.stringify(record)).toBe(before);
    expect(tryEdits(record, [{ section: "cabinet", field: "height", value: 19 }]).ok).toBe(false);
  });

  it("all or nothing: one impossible edit among two stores neither", () => {
    const refused = tryEdits(recordWith(), [low(18), { section: "heater", field: "power", value: -5 }]);
    expect(refused.ok).toBe(false);
  });

  it("keep the origin, and put a default back", () => {
    const typed = tryEdits(recordWith(), [low(18)]);
    if (!typed.ok) throw new Error(typed.problem);
    expect(typed.value.stages[0]!.stage.low).toEqual({ value: 18, origin: "typed" });
    const back = tryEdits(typed.value, [{ ...low(0), value: undefined }]);
    expect(back.ok && back.value.stages[0]!.stage.low).toBeUndefined();
  });

  it("free a typed target that the band has left behind", () => {
    const record = recordWith({ section: "stage", field: "target", value: celsius(20.5) });
    const moved = tryEdits(record, [low(14), { section: "stage", field: "high", value: celsius(16) }]);
    expect(moved.ok && moved.value.stages[0]!.stage.target).toBeUndefined();
  });

  it("free the typed target of a vessel's own band too, by what moves it, and no other", () => {
    const band = (field: string, value: number | undefined) =>
      ({ section: "band", field, id: "v1", value: value === undefined ? value : celsius(value) }) as Edit;
    const record = recordWith(band("low", 18), band("high", 22), band("target", 21));
    const target = (r: ChamberRecord) => r.vessels[0]!.band.target?.value;
    const moved = tryEdits(record, [band("low", 10), band("high", 14)]);
    expect(moved.ok && target(moved.value)).toBeUndefined();
    const within = tryEdits(record, [band("low", 19)]);
    expect(within.ok && target(within.value)).toBe(21);
    // A target that is typed outside of its band is refused, not put back in silence.
    const outside = tryEdits(record, [band("target", 30)]);
    expect(!outside.ok && outside.problem).toMatch(/target has to lie between/);
  });

  it("know every contradiction", () => {
    const chamber = chamberWith();
    const broken = {
      ...chamber,
      room: { ...chamber.room, low: celsius(30) },
      cabinet: { ...chamber.cabinet, insulation: 0.2, width: 0.4 },
      vessels: [{ ...chamber.vessels[0]!, product: { ...chamber.vessels[0]!.product, finalGravity: 1.1 } }],
    };
    expect(contradictions(chamber)).toEqual([]);
    expect(contradictions(broken)).toHaveLength(3);
  });
});
