import { planWith } from "../testing/wirings";
import { cordFor, fixedFor, inWarmAir, sinkFor, voltageDrop } from "./sizes";

describe("sizes", () => {
  // NEC table 400.5(A)(1) and BS 7671 table 4F3A for flexible cords (from memory).
  it.each([
    ["one120", 15, 0, "14 AWG"],
    ["one120", 15, 10, "18 AWG"],
    ["one230", 16, 10, "1.0 mm²"],
    ["one230", 16, 0, "1.5 mm²"],
    ["two240", 20, 0, "12 AWG"],
  ] as const)("%s, protected by %d A, a fuse of %d A: %s at 30 °C", (mains, breaker, fuse, name) => {
    expect(cordFor(planWith({ mains, breaker, fuse }), 30)!.name).toBe(name);
  });
  it("what feeds an outlet is sized by what protects it, and the load comes last; warm air takes from it", () => {
    const small = cordFor(planWith({ fuse: 0, breaker: 16 }, { heat: 15, cold: null }), 30)!;
    const large = cordFor(planWith({ fuse: 0, breaker: 16 }, { heat: 3000, cold: null }), 30)!;
    expect(small).toEqual(large);
    // By hand: √(20/30) at 40 °C.
    expect(inWarmAir(40)).toBeCloseTo(0.8165, 4);
    expect(cordFor(planWith({ fuse: 10 }), 40)!.amps).toBeGreaterThan(10);
    expect(cordFor(planWith({ fuse: 0, breaker: 40 }), 40)).toBeNull();
  });
  // By hand: 2 · 5 m · 8.7 A · 0.0225 / 1.5 mm² = 1.305 V. Solid-state relay of the design's reference: 10 A, 1.2 W/A, 80
  // and 40 °C: 3.33 K/W less its own part.
  it("voltage drop, and the sink of a solid-state relay", () => {
    expect(voltageDrop(8.7, 5, 1.5)).toBeCloseTo(1.305, 3);
    expect(sinkFor(10, 40).watts).toBeCloseTo(12, 9);
    expect(sinkFor(10, 40, 0).most).toBeCloseTo(3.333, 3);
    expect(sinkFor(10, 40, 0.5).most).toBeCloseTo(2.833, 3);
  });
  // IEC 60364-5-52 tables B.52.2 and B.52.14 (PVC), NEC table 310.16 and 240.4(D): from memory.
  it.each([
    ["one230", "A1", 16, 30, "2.5 mm²"],
    ["one230", "B1", 16, 30, "1.5 mm²"],
    ["one230", "C", 20, 30, "2.5 mm²"],
    ["one230", "C", 32, 30, "4 mm²"],
    ["one230", "B1", 16, 40, "2.5 mm²"],
    ["one120", "C", 15, 30, "14 AWG"],
    ["one120", "B1", 20, 30, "12 AWG"],
    ["two240", "C", 30, 30, "10 AWG"],
  ] as const)("a fixed cable on %s, method %s, %d A, %d °C: %s", (mains, laid, breaker, air, name) => {
    expect(fixedFor(planWith({ mains, laid, breaker, fuse: 5 }), air)!.name).toBe(name);
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
