import { carriedOver, chilled, film, heatedThrough, pieceOf, seared, SHELLS, stepPiece, MEAT } from "..";
import { leftAtCore, rootsOf } from "../testing/series";

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

describe("a cooked finish", () => {
  // Fourier's series of a slab (Incropera, chapter 5): h 95, k 0.48, α 1.4e-7; 1 − θ = (62.8 − 15)/(72 − 15).
  it("of a slab is as long as the series says, and four minutes", () => {
    const half = 0.02;
    const roots = rootsOf("slab", (95 * half) / 0.48, 12);
    let seconds = 0;
    while (72 - (72 - 15) * leftAtCore(roots, (1.4e-7 * seconds) / half ** 2) < 62.8) seconds += 5;
    const found = heatedThrough({ shape: "slab", thickness: 2 * half }, 15, 72)!;
    expect(Math.abs(found / (seconds + 240) - 1)).toBeLessThan(0.04);
  });
  it("is longer for what is thicker or a cooler bath, and none below what is asked", () => {
    const at = (thickness: number, bath: number) => heatedThrough({ shape: "roll", thickness }, 15, bath);
    expect(at(0.06, 72)!).toBeGreaterThan(at(0.045, 72)!);
    expect(at(0.045, 66)!).toBeGreaterThan(at(0.045, 80)!);
    expect(at(0.045, 62)).toBeNull();
  });
});

describe("carried over", () => {
  it("rises to less than the mean of the piece, more where the surface is hotter, and not where it is even", () => {
    const roast = { shape: "slab", thickness: 0.08 } as const;
    const mild = carriedOver(roast, 60, 70);
    const hot = carriedOver(roast, 60, 85);
    expect(mild.core).toBeGreaterThan(60.5);
    // Without any loss a slab with a parabola in it comes to a third of the difference (by hand).
    expect(mild.core).toBeLessThan(60 + 10 / 3 + 0.2);
    expect(hot.core).toBeGreaterThan(mild.core);
    expect(carriedOver(roast, 60, 60)).toEqual({ core: 60, after: 0 });
  });
  it("agrees with the piece itself, taken from its oven", () => {
    const piece = { shape: "chunk", thickness: 0.1 } as const;
    const shells = new Float64Array(SHELLS).fill(5);
    for (let s = 0; shells[0]! < 60; s += 10) stepPiece(shells, pieceOf(piece), MEAT, film(20, 120), 10);
    const predicted = carriedOver(piece, shells[0]!, shells[SHELLS - 1]!);
    let peak = shells[0]!;
    for (let s = 0; s < 3 * 3600; s += 10) {
      stepPiece(shells, pieceOf(piece), MEAT, film(10, 22), 10);
      peak = Math.max(peak, shells[0]!);
    }
    expect(Math.abs(predicted.core - peak)).toBeLessThan(2);
  });
});
