import { jobEdits, jobs, newChamber } from ".";
import { applyEdits, type Edit } from "../model";
import { describe as describeChamber } from "./describe";
import { ventArea, ventsNeeded } from "./vents";

// By hand: two holes of 20 cm² in a box of 0.5 m, 32 °C inside, 22 °C around. Draught √(2·9.81·0.35·10/305.15) = 0.4744
// m/s; one hole behind the other 0.65·0.002·0.4744/√2 = 4.361e-4 m³/s, which carry 0.523 W/K.
it("two holes of 20 cm² take half a watt a kelvin", () => {
  expect(ventArea(0.5233, 0.5, 32, 22) * 1e4).toBeCloseTo(20, 1);
  expect(ventArea(1, 0.5, 22, 22)).toBe(Infinity);
});

describe("vents for tempeh at its height", () => {
  const chamber = (room: number, trays = 1) => {
    const job = jobs.find((j) => j.id === "tempeh")!;
    return describeChamber(
      applyEdits(newChamber("v", "V", "2026-01-01T00:00:00.000Z"), [
        ...jobEdits(job, "foam"),
        { section: "thermal", field: "airToRoom", value: 0.05 } as Edit,
        { section: "cabinet", field: "insulation", value: 0.05 } as Edit,
        { section: "vessel", field: "count", value: trays } as Edit,
        { section: "room", field: "low", value: room } as Edit,
        { section: "room", field: "high", value: room } as Edit,
      ]),
    );
  };
  it("more trays, or a warmer room, want more of them; put in, they hold the warm end", () => {
    const needs = (room: number, trays: number) => {
      const c = chamber(room, trays);
      return ventsNeeded(c, c.stages[0]!);
    };
    expect(needs(22, 4).more!).toBeGreaterThan(needs(22, 2).more!);
    expect(needs(26, 4).more!).toBeGreaterThan(needs(22, 4).more!);
    expect(needs(40, 4).more).toBeNull();
    const c = chamber(22, 4);
    const { more, rests } = ventsNeeded(c, c.stages[0]!);
    expect(rests).toBeGreaterThan(c.stages[0]!.high);
    const vented = { ...c, thermal: { ...c.thermal, airToRoom: c.thermal.airToRoom + more! } };
    const after = ventsNeeded(vented, c.stages[0]!);
    expect(after.rests).toBeLessThanOrEqual(c.stages[0]!.high);
    expect(after.rests).toBeGreaterThan(c.stages[0]!.high - 0.2);
    expect(after.more).toBe(0);
  });
});
