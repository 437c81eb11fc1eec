import { chilled, seared } from "..";

describe("after the bath", () => {
  it("in stirred slush a slab of 75 mm passes, at 109 min to 21 °C, one of 80 mm fails, at 123 (the design's reference)", () => {
    const slab = (thickness: number) => chilled({ shape: "slab", thickness }, 57);
    const [thin, thick] = [slab(0.075), slab(0.08)];
    expect(thin.passes).toBe(true);
    expect(thick.passes).toBe(false);
    expect(Math.abs(thin.toFirst! / 60 - 109)).toBeLessThan(6);
    expect(Math.abs(thick.toFirst! / 60 - 123)).toBeLessThan(7);
  });
  it("a thicker piece never chills sooner; one too thick for a day has no answer", () => {
    const times = [0.02, 0.04, 0.06, 0.1].map((thickness) => chilled({ shape: "ball", thickness }, 60).toLast!);
    expect([...times].sort((a, b) => a - b)).toEqual(times);
    expect(chilled({ shape: "slab", thickness: 0.5 }, 60).toLast).toBeNull();
  });
  it("a sear warms the edge and hardly the core; a longer one goes deeper", () => {
    const steak = { shape: "slab", thickness: 0.03 } as const;
    const [short, long] = [40, 180].map((s) => seared(steak, 54, s, 62));
    expect(short!.core - 54).toBeLessThan(5);
    expect(short!.share).toBeGreaterThan(0);
    expect(long!.share).toBeGreaterThan(short!.share);
    expect(long!.core).toBeGreaterThan(short!.core);
  });
});
