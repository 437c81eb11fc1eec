import type { Wiring } from "../model";
import { chamberWith } from "../testing/build";
import { loadOf, planWith } from "../testing/wirings";
import { wiringFindings } from "./findings";
import { cordFor, earthOhms, fixedFor, inWarmAir, protectedBy, sinkFor, voltageDrop } from "./sizes";

/** Worked cases, each with the figure that it stands on; tables from memory unless another source is named. */
describe("sizes, worked by hand", () => {
  // BS 7671 table 4F3A and NEC table 400.5(A)(1), flexible cord: 0.75 mm² 6, 1.0 10, 1.25 13, 1.5 16, 2.5 25, 4 32 A;
  // 18 AWG 10, 16 13, 14 18, 12 25, 10 30, 8 40, 6 55 A, two current-carrying conductors (design's reference 10).
  it.each<[Partial<Wiring>, number, string | null]>([
    [{ mains: "one230", breaker: 16, fuse: 5 }, 30, "0.75 mm²"],
    [{ mains: "one230", breaker: 16, fuse: 10 }, 30, "1.0 mm²"],
    [{ mains: "one230", breaker: 16, fuse: 13 }, 30, "1.25 mm²"],
    [{ mains: "one230", breaker: 16, fuse: 0 }, 30, "1.5 mm²"],
    [{ mains: "one230", breaker: 20, fuse: 0 }, 30, "2.5 mm²"],
    [{ mains: "one230", breaker: 32, fuse: 0 }, 30, "4 mm²"],
    // A ring of 32 A behind a plug with its own fuse of 13, then of 3 A.
    [{ mains: "one230", breaker: 32, fuse: 0, plugFuse: 13 }, 30, "1.25 mm²"],
    [{ mains: "one230", breaker: 32, fuse: 0, plugFuse: 3 }, 30, "0.75 mm²"],
    // √(20/30) of 10 A is 8.2 A at 40 °C.
    [{ mains: "one230", breaker: 16, fuse: 10 }, 40, "1.25 mm²"],
    [{ mains: "one100", breaker: 15, fuse: 0 }, 30, "1.5 mm²"],
    [{ mains: "one120", breaker: 15, fuse: 10 }, 30, "18 AWG"],
    [{ mains: "one120", breaker: 15, fuse: 0 }, 30, "14 AWG"],
    [{ mains: "one120", breaker: 20, fuse: 0 }, 30, "12 AWG"],
    [{ mains: "two240", breaker: 30, fuse: 0 }, 30, "10 AWG"],
    [{ mains: "two240", breaker: 50, fuse: 0 }, 30, "6 AWG"],
    [{ mains: "one230", breaker: 63, fuse: 0 }, 30, null],
  ])("a cord for %o in air of %d °C is %s", (by, air, name) => {
    expect(cordFor(planWith(by), air)?.name ?? null).toBe(name);
  });
  // IEC 60364-5-52 tables B.52.2 and B.52.14 (PVC), NEC table 310.16 and 240.4(D).
  it.each([
    ["one230", "A1", 16, 30, "2.5 mm²"],
    ["one230", "B1", 16, 30, "1.5 mm²"],
    ["one230", "C", 20, 30, "2.5 mm²"],
    ["one230", "C", 32, 30, "4 mm²"],
    ["one230", "B1", 16, 40, "2.5 mm²"],
    ["one230", "C", 63, 30, "10 mm²"],
    ["one230", "B1", 63, 30, "16 mm²"],
    ["one120", "C", 15, 30, "14 AWG"],
    ["one120", "B1", 20, 30, "12 AWG"],
    ["two240", "C", 30, 30, "10 AWG"],
    ["two240", "C", 60, 30, "4 AWG"],
  ] as const)("a fixed cable on %s, method %s, %d A, %d °C: %s", (mains, laid, breaker, air, name) => {
    expect(fixedFor(planWith({ mains, laid, breaker, fuse: 5 }), air)!.name).toBe(name);
  });
  // By hand: 2 · 5 m · 8.7 A · 0.0225 / 1.5 mm² = 1.305 V; 2 · 15 m · 12 A · 0.0225 / 2.08 mm² (14 AWG) = 3.894 V.
  it.each([
    [8.7, 5, 1.5, 1.305],
    [12, 15, 2.08, 3.894],
    [10, 20, 2.5, 3.6],
  ])("%d A over %d m of %d mm² lose %d V", (amps, length, area, volts) => {
    expect(voltageDrop(amps, length, area)).toBeCloseTo(volts, 3);
  });
  // By hand: 0.0225 · 10 / 0.75 = 0.3 Ω; 0.0225 · 2 / 1 = 0.045 Ω.
  it.each([
    [10, 0.75, 0.3],
    [2, 1, 0.045],
  ])("the earth of %d m of %d mm² is %d Ω", (length, area, ohms) => {
    expect(earthOhms(length, area)).toBeCloseTo(ohms, 6);
  });
  // NEC 210.23(A)(1): a plug-in load on a circuit of 15 A may take 12 A, of 20 A 16 A.
  it.each([
    [15, 11.9, false],
    [15, 12.1, true],
    [20, 15.9, false],
    [20, 16.1, true],
  ])("on a circuit of %d A a plugged-in load of %d A is too much: %s", (breaker, amps, is) => {
    const load = { ...loadOf(1000), amps, starts: amps };
    const found = wiringFindings(
      planWith({ mains: "one120", plug: "nema5", breaker, ownWork: false, relayAmps: 20 }, { heat: load, cold: null }),
      chamberWith(),
    );
    expect(found.some((f) => f.id === "plug-load")).toBe(is);
  });
  it("what protects it is the least of breaker, fuse and plug", () => {
    expect(protectedBy({ breaker: 32, fuse: 0, plugFuse: 13, laid: "cord" })).toBe(13);
    expect(protectedBy({ breaker: 32, fuse: 10, plugFuse: 13, laid: "cord" })).toBe(10);
    expect(protectedBy({ breaker: 16, fuse: 0, plugFuse: 13, laid: "C" })).toBe(16);
  });
  it("what feeds an outlet is sized by what protects it, and the load comes last", () => {
    const small = cordFor(planWith({ fuse: 0, breaker: 16 }, { heat: loadOf(15), cold: null }), 30)!;
    const large = cordFor(planWith({ fuse: 0, breaker: 16 }, { heat: loadOf(3000), cold: null }), 30)!;
    expect(small).toEqual(large);
    // By hand: √(20/30) at 40 °C.
    expect(inWarmAir(40)).toBeCloseTo(0.8165, 4);
  });
  // Design's reference 10: 10 A, 1.2 W/A, 80 and 40 °C: 3.33 K/W less its own part.
  it("the sink of a solid-state relay", () => {
    expect(sinkFor(10, 40).watts).toBeCloseTo(12, 9);
    expect(sinkFor(10, 40, 0).most).toBeCloseTo(3.333, 3);
    expect(sinkFor(10, 40, 0.5).most).toBeCloseTo(2.833, 3);
  });
  it("warm air takes from a fixed cable as the tables of IEC and NEC have it, and a cord has no such table", () => {
    // B.52.14, PVC: 0.94 at 35, 0.87 at 40, 0.79 at 45, 0.71 at 50 °C; NEC 310.15(B)(1), 60 °C: 0.91, 0.82, 0.71, 0.58.
    for (const [t, pvc, nec] of [
      [35, 0.94, 0.91],
      [40, 0.87, 0.82],
      [45, 0.79, 0.71],
      [50, 0.71, 0.58],
    ] as const) {
      expect(Math.abs(inWarmAir(t, 70) - pvc)).toBeLessThan(0.006);
      expect(Math.abs(inWarmAir(t) - nec)).toBeLessThan(0.006);
    }
    expect(fixedFor(planWith({ laid: "cord" }), 30)).toBeNull();
    expect(fixedFor(planWith({ laid: "A1", breaker: 63 }), 30)).toBeNull();
  });
});
