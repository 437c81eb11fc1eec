import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { tries } from "../testing/hard";
import { loadOf, planWith, random, randomPlan } from "../testing/wirings";
import { colourOf, oldColours } from "./colours";
import { compiledOf, faulted } from "./compiled";
import { piecesOf } from "./pieces";
import { dead } from "./position";
import { netlistOf, pinsOnPaper, sayMarked } from "./netlist";
import { partTable } from "./parts";
import { planKey } from "./plan";

const two = { heat: loadOf(60), cold: loadOf(80, true), heatOhms: null } as const;
const plans = (n: number) => {
  const next = random(41);
  return Array.from({ length: n }, () => randomPlan(next));
};

describe("a netlist", () => {
  it("has every pin of its wires, each with a mark of its own, and every wire with a number of its own, earth first", () => {
    for (const plan of plans(tries(80, 500))) {
      const net = netlistOf(plan);
      const marks = [...net.pins.values()].map((p) => p.mark);
      expect(new Set(marks).size).toBe(marks.length);
      expect(new Set(net.wires.map((w) => w.id)).size).toBe(net.wires.length);
      expect(net.wires.map((w) => w.number)).toEqual(net.wires.map((_, i) => i + 1));
      const order = ["earth", "second", "first", "switched", "low"];
      const jobs = net.wires.map((w) => order.indexOf(w.job));
      expect([...jobs].sort((a, b) => a - b)).toEqual(jobs);
      for (const { from, to } of net.wires) {
        expect(net.pins.has(from) && net.pins.has(to)).toBe(true);
        expect(from).not.toBe(to);
      }
      // Low voltage ends at low-voltage pins, and nothing of the mains does.
      for (const { job, from, to } of net.wires)
        for (const id of [from, to]) expect(net.pins.get(id)!.role.is === "low").toBe(job === "low");
    }
  });

  it("joins what it should where nothing is wrong: plug to outlets when all is closed, nothing across", () => {
    for (const plan of plans(tries(40, 300))) {
      const base = compiledOf(plan);
      const levers = base.net.parts.flatMap((p) => p.hands).filter((h) => h.kind === "lever");
      const joined = (hand: string | null, a: string, b: string) => {
        const { of } = piecesOf(faulted(base, {}), { ...dead, hand }, []);
        return of[base.index.get(a)!] === of[base.index.get(b)!];
      };
      const all = [...base.net.pins.values()];
      for (const s of all)
        for (const o of all) {
          if (s.role.is !== "source" || o.role.is !== "socket") continue;
          const own = plan.wiring.secondCord && plan.heat && plan.cold && o.role.outlet === "cold" ? 2 : 1;
          const expected =
            s.role.pole === o.role.pole &&
            // All earths are one; everything else stays with its cord.
            (s.role.pole === "e" || (s.role.cord === own && s.role.pole === 2 && plan.wiring.relay !== "contactor"));
          expect(joined(null, s.id, o.id)).toBe(expected);
          // A contactor pressed by hand closes both of its poles, and those of no other.
          for (const { name, outlet } of levers)
            expect(joined(name, s.id, o.id)).toBe(
              s.role.pole === "e"
                ? o.role.pole === "e"
                : outlet === o.role.outlet && s.role.cord === own && s.role.pole === o.role.pole,
            );
        }
    }
  });

  it("no file outside of parts/ names a type of part", () => {
    const root = join(__dirname, "../..");
    const places = ["core/wiring", "core/parts", "parts/wiring", "bench/stations/wiring", "rooms"];
    const types = partTable.map((p) => p.type);
    expect(new Set(types).size).toBe(types.length);
    const files = places.flatMap((dir) =>
      readdirSync(join(root, dir))
        .filter((f) => /\.tsx?$/.test(f) && !f.includes(".test."))
        .map((f) => join(dir, f)),
    );
    expect(files.length).toBeGreaterThan(40);
    for (const file of files) {
      const text = readFileSync(join(root, file), "utf8");
      for (const type of types) expect([file, text.includes(`"${type}"`)]).toEqual([file, false]);
      // Nor does anybody reach past the face of the folder.
      expect([file, /from "\.\/parts\/|wiring\/parts/.test(text)]).toEqual([file, false]);
    }
  });

  it("each type of part has a file of its own, and every part says what is its own", () => {
    const files = readdirSync(join(__dirname, "parts")).map((f) => readFileSync(join(__dirname, "parts", f), "utf8"));
    for (const { type } of partTable)
      expect(files.filter((text) => new RegExp(`: PartType = \\{\\s+type: "${type}"`).test(text))).toHaveLength(1);
    for (const plan of plans(40))
      for (const p of netlistOf(plan).parts) {
        expect(partTable.map((t) => t.type)).toContain(p.type);
        const keys = p.pins.map((q) => q.key);
        const known = (key: string) => key.includes(".") || keys.includes(key);
        for (const j of p.joins) expect(known(j.a) && known(j.b)).toBe(true);
        for (const [a, b] of [...p.beside, ...p.touching]) expect(known(a) && known(b)).toBe(true);
        for (const f of p.faults)
          for (const key of Object.keys(f.sets ?? {})) expect(p.joins.map((j) => j.key)).toContain(key);
      }
  });

  it("a pin is called as on the unit's own paper, marked all the same", () => {
    const plan = planWith({}, { ...two, names: { "unit.heat-out": "K1 14" } });
    const net = netlistOf(plan);
    expect(pinsOnPaper(net)).toContain("unit.heat-out");
    expect(sayMarked("unit.heat-out", net)).toMatch(/^[A-Z]\d+ unit, K1 14$/);
  });

  it("the key of a plan follows what is built and what hangs on it, and neither names nor symbols", () => {
    const plan = planWith({}, two);
    const key = planKey(plan);
    expect(key.length).toBeLessThanOrEqual(40);
    expect(planKey({ ...plan, names: { "unit.1": "L" } })).toBe(key);
    expect(planKey(planWith({ symbols: "ansi", residual: "unknown" }, two))).toBe(key);
    for (const other of [
      { fuse: 5 },
      { metalBox: true },
      { relay: "solid" },
      { cordLength: 3 },
      { plugTurns: false },
    ] as const)
      expect(planKey(planWith(other, two))).not.toBe(key);
    expect(planKey({ ...plan, heat: loadOf(61) })).not.toBe(key);
  });

  // IEC 60445, NEC 200.6 and 250.119, the usual of Japan; the old British colours (from memory).
  it.each([
    ["second", "one230", "blue"],
    ["second", "one120", "white"],
    ["second", "two240", "red"],
    ["earth", "one230", "green-yellow"],
    ["earth", "one120", "green"],
    ["earth", "one100", "green"],
    ["first", "one100", "black"],
  ] as const)("the %s conductor on %s is %s", (job, mains, colour) => {
    expect(colourOf({ job }, { mains })).toBe(colour);
  });
  it("an old cable has other colours", () => {
    expect(oldColours({ mains: "one230", colours: "before" })).toBe("line red, neutral black, earth green");
    expect(oldColours({ mains: "one230", colours: "now" })).toBeNull();
  });
});
