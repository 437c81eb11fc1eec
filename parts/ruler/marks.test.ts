import fc from "fast-check";
import { lensOf, sayMark, ticksOf, type RulerMark } from "./marks";

const mark = (value: number, shape: RulerMark["shape"] = "point"): RulerMark => ({
  id: `${shape}${value}`,
  label: "Mark",
  value,
  glaze: "ink",
  shape,
  meaning: "Setpoint",
});

describe("the lens", () => {
  it("takes in every mark of the band with room around it, and alarms that are near", () => {
    const [low, high] = lensOf([mark(18.5), mark(20.5), mark(17, "alarm"), mark(22, "alarm")], "C");
    expect(low).toBeLessThan(17);
    expect(high).toBeGreaterThan(22);
    expect(high - low).toBeLessThan(8);
  });

  it("does not stretch to an absurd alarm", () => {
    const [low, high] = lensOf([mark(18.5), mark(20.5), mark(-40, "alarm"), mark(110, "alarm")], "C");
    expect(low).toBeGreaterThan(16);
    expect(high).toBeLessThan(23);
  });

  it("begins and ends on the grid of its scale, for any marks", () => {
    const marks = fc.array(fc.double({ min: -20, max: 150, noNaN: true }), { minLength: 1, maxLength: 6 });
    fc.assert(
      fc.property(marks, fc.constantFrom("C" as const, "F" as const), (values, scale) => {
        const [low, high] = lensOf(
          values.map((v) => mark(v)),
          scale,
        );
        expect(low).toBeLessThan(Math.min(...values));
        expect(high).toBeGreaterThan(Math.max(...values));
        const degrees = scale === "C" ? low * 2 : low * 1.8 + 32;
        expect(Math.abs(degrees - Math.round(degrees))).toBeLessThan(1e-6);
      }),
    );
  });
});

describe("ticks", () => {
  it("label every whole degree of a narrow lens, in either scale", () => {
    expect(ticksOf([18, 21], "C").flatMap((t) => t.label ?? [])).toEqual(["18", "19", "20", "21"]);
    const fahrenheit = ticksOf([18, 20], "F").flatMap((t) => t.label ?? []);
    expect(fahrenheit).toEqual(["65", "66", "67", "68"]);
  });
  it("thin out as the lens widens, and write a true minus", () => {
    const wide = ticksOf([-20, 80], "C").flatMap((t) => t.label ?? []);
    expect(wide).toContain("\u221220");
    expect(wide.length).toBeLessThan(14);
  });
});

describe("what a mark says", () => {
  it("is its meaning and both scales", () => {
    expect(sayMark(mark(20), "C", 0.1).replaceAll("\u00a0", " ")).toBe("Setpoint: 20.0 °C (68.0 °F)");
  });
});
