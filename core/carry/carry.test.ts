import fc from "fast-check";
import { describe as describeChamber } from "../chamber";
import type { Edit } from "../model";
import { recordWith } from "../testing/build";
import { beamBent, boardMaterials, boardUnder, carriedBy, loadOn, plateBent } from ".";

const strip = { span: 0.5, width: 0.3, thickness: 0.018, stiffness: 6e9 };
const inertia = (strip.width * strip.thickness ** 3) / 12;
const P = 300;

// Beam formulas of the handbooks (Roark; Gere and Timoshenko, from memory): greatest sag and moment as shares of
// P·L³/(E·I) and P·L.
describe("a beam", () => {
  it.each([
    ["simple", 0, 1 / 48, 1 / 4],
    ["simple", strip.span, 5 / 384, 1 / 8],
    ["fixed", 0, 1 / 192, 1 / 8],
    ["fixed", strip.span, 1 / 384, 1 / 12],
  ] as const)("on %s ends, the load on %d m", (ends, on, sag, moment) => {
    const bent = beamBent(strip, P, on, ends);
    expect(bent.sag / ((P * strip.span ** 3) / (strip.stiffness * inertia))).toBeCloseTo(sag, 9);
    expect((bent.stress * inertia * 2) / strip.thickness / (P * strip.span)).toBeCloseTo(moment, 9);
  });
  it("bends less the wider the load lies and the thicker it is", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 0.4, noNaN: true }),
        fc.double({ min: 0.01, max: 0.1, noNaN: true }),
        (on, more) => {
          const [a, b] = [on, on + more].map((c) => beamBent(strip, P, c, "simple"));
          expect(b!.sag).toBeLessThan(a!.sag);
          expect(b!.stress).toBeLessThan(a!.stress);
        },
      ),
    );
    const twice = beamBent({ ...strip, thickness: 0.036 }, P, 0, "simple");
    expect(beamBent(strip, P, 0, "simple").sag / twice.sag).toBeCloseTo(8, 9);
  });
});

// Timoshenko and Woinowsky-Krieger, tables 8 and 23 (values from memory): simply supported, ν 0.3; evenly loaded:
// w = α·q·a⁴/D and M = β·q·a²; under a point in the middle w = α·P·a²/D.
describe("a plate on four edges", () => {
  const plate = (b: number) => ({ a: 0.5, b, thickness: 0.003, stiffness: 210e9, poisson: 0.3 });
  const rigidity = (210e9 * 0.003 ** 3) / (12 * (1 - 0.09));
  it.each([
    [1, 0.00406, 0.0479],
    [1.5, 0.00772, 0.0812],
    [2, 0.01013, 0.1017],
  ])("evenly loaded, b/a %d", (ratio, sag, moment) => {
    const p = plate(0.5 * ratio);
    const q = 1000;
    const bent = plateBent(p, q * p.a * p.b, [p.a, p.b]);
    expect(Math.abs((bent.sag * rigidity) / (q * p.a ** 4) / sag - 1)).toBeLessThan(0.005);
    expect(Math.abs((bent.stress * p.thickness ** 2) / 6 / (q * p.a ** 2) / moment - 1)).toBeLessThan(0.01);
  });
  it.each([
    [1, 0.0116],
    [1.4, 0.01486],
    [2, 0.01651],
  ])("under a small patch in the middle, b/a %d", (ratio, sag) => {
    const p = plate(0.5 * ratio);
    const bent = plateBent(p, P, [0.01, 0.01]);
    expect(Math.abs((bent.sag * rigidity) / (P * p.a ** 2) / sag - 1)).toBeLessThan(0.01);
  });
  it("a point on a patch: the smaller its radius, the greater the stress, without end", () => {
    const stress = (r: number) => plateBent(plate(0.5), P, [r, r]).stress;
    expect(stress(0.05)).toBeGreaterThan(stress(0.1));
    expect(stress(0.02)).toBeGreaterThan(stress(0.05));
  });
});

describe("what carries a load", () => {
  const board = (edges: "two" | "four", thickness: number, material: keyof typeof boardMaterials = "plywood") =>
    boardUnder({ mass: 30, on: [0.3, 0.3] }, { span: 0.5, depth: 0.5 }, boardMaterials[material], thickness, edges, 3);
  it("on four edges bends less than on two, in wood more after months, in steel not", () => {
    expect(board("four", 0.012).sag).toBeLessThan(board("two", 0.012).sag);
    expect(board("two", 0.012).sagLater / board("two", 0.012).sag).toBeCloseTo(2, 9);
    expect(board("two", 0.003, "steel").sagLater).toBe(board("two", 0.003, "steel").sag);
  });
  it("a thin board sags too far, the least that is sold holds, one thinner does not", () => {
    const edit = (field: string, value: unknown) => ({ section: "build", field, value }) as Edit;
    for (const material of ["plywood", "steel", "softwood"] as const) {
      const record = recordWith(edit("boardMaterial", material), edit("boardThickness", 0.001));
      const { now, least, edge, load } = carriedBy(describeChamber(record));
      expect(now.holds).toBe(false);
      expect(least!.holds).toBe(true);
      expect(edge).toBeCloseTo(load.mass / 2, 9);
      const { stock } = boardMaterials[material];
      const before = stock[stock.indexOf(least!.thickness) - 1];
      if (before === undefined) continue;
      const thinner = carriedBy(
        describeChamber(recordWith(edit("boardMaterial", material), edit("boardThickness", before))),
      );
      expect(thinner.now.holds).toBe(false);
    }
  });
  it("counts every vessel, and what lies flat on the whole of it", () => {
    const edit = (field: string, value: unknown) => ({ section: "vessel", field, value }) as Edit;
    const one = loadOn(describeChamber(recordWith()));
    const two = loadOn(describeChamber(recordWith(edit("count", 2))));
    expect(two.mass).toBeCloseTo(2 * one.mass, 9);
    const flat = loadOn(describeChamber(recordWith(edit("form", "piece"), edit("filling", "meat"))));
    expect(flat.on[0]).toBeGreaterThan(0.4);
  });
});
