import { tries } from "../testing/hard";
import { loadOf, planWith, random, randomPlan } from "../testing/wirings";
import { crossingsOf, ladderOf, usesAnsi, type Rung } from "./ladder";
import { netlistOf } from "./netlist";

const two = { heat: loadOf(60), cold: loadOf(90, true), heatOhms: null } as const;
const plans = (n: number) => {
  const next = random(5);
  return Array.from({ length: n }, () => randomPlan(next));
};
const wiresIn = (rungs: readonly Rung[]) =>
  rungs.flatMap((r) => [...r.wires, ...r.beside.flatMap((b) => b.wires), r.earth]).flatMap((w) => (w ? [w.id] : []));

describe("a ladder", () => {
  it("has every wire of the list once, each between the pins that it joins", () => {
    for (const plan of plans(tries(80, 400))) {
      const net = netlistOf(plan);
      const { rails, rungs, low, earths } = ladderOf(plan);
      const all = [
        ...rails.flatMap((r) => r.wires.map((w) => w.id)),
        ...wiresIn(rungs),
        ...low.map((w) => w.id),
        ...earths.map((w) => w.id),
      ];
      expect([...all].sort()).toEqual(net.wires.map((w) => w.id).sort());
      for (const r of rungs)
        for (const [i, e] of r.elements.entries()) {
          const [before, after] = [r.wires[i], r.wires[i + 1]];
          if (before) expect([before.from, before.to]).toContain(e.from);
          if (after) expect([after.from, after.to]).toContain(e.to);
        }
    }
  });
  it("of two outlets: the unit, and each contact before its outlet; a contactor has its coil above its contacts", () => {
    const plain = ladderOf(planWith({}, two));
    expect(plain.rungs.map((r) => r.elements.map((e) => e.symbol))).toEqual([
      ["box"],
      ["contact", "cutOut", "outlet"],
      ["contact", "outlet"],
    ]);
    const poles = ladderOf(planWith({ relay: "contactor" }, two));
    expect(poles.rungs.find((r) => r.id === "heat-coil")!.elements.map((e) => e.symbol)).toEqual(["contact", "coil"]);
    expect(poles.rungs.find((r) => r.id === "heat")!.elements.map((e) => e.symbol)).toEqual([
      "contact",
      "cutOut",
      "outlet",
      "contact",
    ]);
    expect(poles.rails.map((r) => r.elements.map((e) => e.symbol))).toEqual([
      ["fuse", "switch", "block"],
      ["switch", "block"],
    ]);
  });
  it("crosses no more than any other order of its rungs; what has a cord of its own hangs last", () => {
    const next = random(6);
    for (const plan of plans(40)) {
      const { rungs } = ladderOf(plan);
      const least = crossingsOf(rungs);
      for (let k = 0; k < 20; k++) {
        const other = [...rungs].sort(() => next() - 0.5);
        if (other.every((r, i) => r.cord === 1 || i === other.length - 1))
          expect(crossingsOf(other)).toBeGreaterThanOrEqual(least);
      }
      const own = rungs.findIndex((r) => r.cord === 2);
      if (own >= 0) expect(own).toBe(rungs.length - 1);
      // A small change moves nothing that stays.
      const changed = { ...plan, wiring: { ...plan.wiring, pilots: !plan.wiring.pilots, fuse: 13, metalBox: true } };
      expect(ladderOf(changed).rungs.map((r) => r.id)).toEqual(rungs.map((r) => r.id));
    }
  });
  it("symbols are those of the mains’ region, or as somebody prefers", () => {
    expect(usesAnsi(planWith({ mains: "one120" }))).toBe(true);
    expect(usesAnsi(planWith({ mains: "one230" }))).toBe(false);
    expect(usesAnsi(planWith({ mains: "one230", symbols: "ansi" }))).toBe(true);
  });
});
