import { planned, recordWith } from "../testing/build";
import type { Edit, Wiring } from "../model";
import { mainsKinds } from "../model";
import { describe as describeChamber } from "../chamber";
import { partsNeeded } from "../parts";
import { random, randomPlan } from "../testing/wirings";
import { tries } from "../testing/hard";
import { airInside, layoutOf, lengthsOf, type Piece } from "./enclosure";
import { wiringFindings } from "./findings";
import { neverHere } from "./never";
import { orderOfWork } from "./order";
import { awayOf, netlistOf } from "./netlist";
import { cordsOf, wiringPlanOf } from "./plan";

const chamberOf = (wiring: Partial<Wiring>, ...edits: Edit[]) =>
  describeChamber(
    recordWith(
      ...Object.entries({ ownWork: true, cutOut: "yes", ...wiring }).map(
        ([field, value]) => ({ section: "wiring", field, value }) as Edit,
      ),
      ...edits,
    ),
  );
/** Every way that a wiring can be chosen. */
const all = mainsKinds.flatMap((mains) =>
  (["none", "one", "both"] as const).flatMap((mainSwitch) =>
    (["mechanical", "solid"] as const).flatMap((relay) =>
      [0, 10].flatMap((fuse) => [0, 24].map((supply) => chamberOf({ mains, mainSwitch, relay, fuse, supply }))),
    ),
  ),
);

describe("the inside of an enclosure", () => {
  const apart = (a: Piece, b: Piece) =>
    a.x + a.width <= b.x + 1e-9 ||
    b.x + b.width <= a.x + 1e-9 ||
    a.y + a.height <= b.y + 1e-9 ||
    b.y + b.height <= a.y + 1e-9;

  it("holds every part, none over another, mains to the left of the barrier and low voltage to its right", () => {
    for (const chamber of all) {
      const layout = layoutOf(wiringPlanOf(chamber));
      layout.pieces.forEach((a, i) => {
        expect(a.x).toBeGreaterThan(0);
        expect(a.y).toBeGreaterThan(0);
        expect(a.x + a.width).toBeLessThan(layout.width);
        expect(a.y + a.height).toBeLessThan(layout.height + 1e-9);
        if (a.side === "mains") expect(a.x + a.width).toBeLessThan(layout.barrier);
        else expect(a.x).toBeGreaterThan(layout.barrier);
        layout.pieces.slice(i + 1).forEach((b) => expect(apart(a, b)).toBe(true));
      });
    }
  });

  const many = () => {
    const next = random(23);
    return Array.from({ length: tries(60, 400) }, () => randomPlan(next));
  };
  const stretchesOf = (way: readonly (readonly [number, number])[]) =>
    way.slice(1).map((to, i) => [way[i]!, to] as const);

  it("no mains wire crosses the barrier, and each begins and ends at its terminals", () => {
    for (const plan of many()) {
      const { barrier, pieces, ways, width } = layoutOf(plan);
      for (const wire of netlistOf(plan).wires) {
        const way = ways[wire.id]!;
        expect(way.every(([x]) => x > 0 && x < (wire.job === "low" ? width : barrier))).toBe(true);
        for (const [id, [x, y]] of [
          [wire.from, way[0]!],
          [wire.to, way[way.length - 1]!],
        ] as const) {
          const at = pieces.find((p) => id in p.terminals)?.terminals[id];
          if (!at) continue;
          // Several at one pin stand beside each other.
          expect(Math.abs(at[0] - x)).toBeLessThan(0.015);
          expect(y).toBeCloseTo(at[1], 9);
        }
      }
    }
  });

  it("no wire runs over a part, none along another, and so low voltage none of the mains'", () => {
    for (const plan of many()) {
      const { pieces, ways } = layoutOf(plan);
      const along = netlistOf(plan).wires.flatMap((w) =>
        stretchesOf(ways[w.id]!).flatMap(([[x, y], [u, v]]) =>
          Math.abs(x - u) + Math.abs(y - v) < 1e-9 ? [] : [{ w, x, y, u, v, flat: Math.abs(y - v) < 1e-9 }],
        ),
      );
      const wrong: string[] = [];
      for (const s of along) {
        const [left, right] = [Math.min(s.x, s.u), Math.max(s.x, s.u)];
        const [low, high] = [Math.min(s.y, s.v), Math.max(s.y, s.v)];
        for (const p of pieces)
          if (right > p.x + 1e-9 && left < p.x + p.width - 1e-9 && high > p.y + 1e-9 && low < p.y + p.height - 1e-9)
            wrong.push(`${s.w.id} over ${p.id}`);
      }
      // Two level stretches at one height never overlap.
      for (const [i, a] of along.entries())
        for (const b of along.slice(i + 1))
          if (a.w !== b.w && a.flat && b.flat && Math.abs(a.y - b.y) < 1e-9)
            if (Math.max(a.x, a.u) >= Math.min(b.x, b.u) && Math.max(b.x, b.u) >= Math.min(a.x, a.u))
              wrong.push(`${a.w.id} along ${b.w.id}`);
      expect(wrong).toEqual([]);
    }
  });

  it("a wire is as long as its way, with its ends; what runs outside has that besides", () => {
    const plan = wiringPlanOf(chamberOf({ cordLength: 3 }));
    const lengths = lengthsOf(plan);
    const net = netlistOf(plan);
    const { ways } = layoutOf(plan);
    for (const wire of net.wires) {
      const way = ways[wire.id]!;
      const straight = Math.hypot(way.at(-1)![0] - way[0]![0], way.at(-1)![1] - way[0]![1]);
      expect(lengths[wire.id]).toBeGreaterThan(straight + awayOf(net, wire));
      expect(lengths[wire.id]).toBeLessThan(2 + awayOf(net, wire));
      if (wire.from === "plug.1") expect(awayOf(net, wire)).toBe(3);
    }
  });

  // By hand: 12 A through a solid-state relay at 1.2 W an ampere, a unit of 3 W, a fuse of 1 W.
  it("its air is warmer by the heat of the parts over what the box gives off", () => {
    const chamber = chamberOf({ relay: "solid", fuse: 16 }, { section: "heater", field: "power", value: 2760 });
    const plan = wiringPlanOf(chamber);
    const { watts, rise, width, height, depth } = layoutOf(plan);
    const cold = 1.2 * plan.cold!.amps;
    expect(watts).toBeCloseTo(1.2 * 12 + cold + 3 + 1, 1);
    expect(rise).toBeCloseTo(watts / (5.5 * (width * height + 2 * depth * (width + height))), 9);
    expect(airInside(plan, chamber)).toBeCloseTo(chamber.room.high + rise, 9);
    expect(
      wiringFindings(plan, { ...chamber, room: { ...chamber.room, high: 40 as never } }).map((f) => f.id),
    ).toContain("enclosure-hot");
  });

  it("a bulb on a relay that is not made for lamps is said; a heater of the same power is not", () => {
    const ids = (kind: "bulb" | "tube") =>
      wiringFindings(
        wiringPlanOf(
          chamberOf(
            { relayAmps: 2 },
            { section: "heater", field: "kind", value: kind },
            { section: "heater", field: "power", value: 60 },
          ),
        ),
        chamberOf(
          { relayAmps: 2 },
          { section: "heater", field: "kind", value: kind },
          { section: "heater", field: "power", value: 60 },
        ),
      ).map((f) => f.id);
    expect(ids("bulb")).toContain("relay-lamp");
    expect(ids("tube")).not.toContain("relay-lamp");
  });
});

describe("the order of the work", () => {
  it("stops before it begins, before it is plugged in, and before it is live; dead tests come before live ones", () => {
    for (const chamber of all) {
      const steps = orderOfWork(wiringPlanOf(chamber));
      const at = (id: string) => steps.findIndex((s) => s.id === id);
      expect(steps[0]!.stop).toBe(true);
      expect(at("earth")).toBeLessThan(at("line"));
      expect(at("look")).toBeLessThan(at("dead"));
      expect(at("dead")).toBeLessThan(at("plug"));
      expect(at("plug")).toBeLessThan(at("live"));
      expect(new Set(steps.map((s) => s.id)).size).toBe(steps.length);
      expect(steps[at("low")]!.says).toMatch(/wires? \d+/);
    }
  });

  it("no face of a cabinet is ever called free, and every one has ways without a hole", () => {
    for (const kind of ["upright", "chest", "wine", "warmBox"] as const) {
      const { faces, ways } = neverHere(chamberOf({}, { section: "cabinet", field: "kind", value: kind }));
      expect(faces.length).toBeGreaterThanOrEqual(6);
      for (const { hides } of faces) expect(hides).not.toMatch(/safe|nothing|free/);
      expect(ways.length).toBeGreaterThanOrEqual(2);
    }
    expect(neverHere(chamberOf({}, { section: "cabinet", field: "kind", value: "foam" })).faces).toEqual([]);
  });
});

describe("parts of a wiring", () => {
  it("come in with own work alone: wire by colour as long as its ways together, a gland for each hole", () => {
    const ready = partsNeeded(planned(recordWith()).chamber).map((p) => p.key);
    expect(ready.some((k) => k.startsWith("wire-"))).toBe(false);
    const chamber = chamberOf({});
    const plan = wiringPlanOf(chamber);
    const parts = partsNeeded(chamber);
    const wire = parts.filter((p) => p.key.startsWith("wire-")).reduce((sum, p) => sum + p.quantity, 0);
    const lengths = Object.values(lengthsOf(plan)).reduce((sum, m) => sum + m, 0);
    const net = netlistOf(plan);
    const outside = net.wires.reduce((sum, w) => sum + awayOf(net, w), 0);
    expect(wire).toBeGreaterThanOrEqual(lengths - outside - 1e-9);
    expect(wire).toBeLessThan(lengths - outside + 0.5);
    // What leaves the box is sheathed, and every end has what it ends in.
    expect(parts.find((p) => p.key === "cord")!.quantity).toBe(cordsOf(plan).length * chamber.wiring.cordLength);
    expect(parts.find((p) => p.key === "sheathed")!.quantity).toBeCloseTo(1.5, 9);
    const ends = parts.filter((p) => p.key.startsWith("ends-")).reduce((sum, p) => sum + p.quantity, 0);
    expect(ends).toBe(2 * net.wires.length);
    expect(parts.find((p) => p.key === "glands")!.quantity).toBe(layoutOf(plan).glands.length);
  });
  it("of two units are those of both, each line once, the wires of both together", () => {
    const one = recordWith(
      { section: "wiring", field: "ownWork", value: true } as Edit,
      { section: "wiring", field: "cutOut", value: "yes" } as Edit,
    );
    const first = one.controllers[0]!;
    // The second unit heats, the first one cools.
    const two = {
      ...one,
      controllers: [
        { ...first, heat: [] },
        { ...first, id: "u2", cold: [] },
      ],
      stages: one.stages.map((s) => ({ ...s, settings: { ...s.settings, u2: s.settings[first.id] ?? {} } })),
    };
    const chamber = describeChamber(two);
    const plans = [0, 1].map((unit) => wiringPlanOf(chamber, unit));
    expect(plans.map((p) => [p.heat !== null, p.cold !== null])).toEqual([
      [false, true],
      [true, false],
    ]);
    const parts = partsNeeded(chamber);
    expect(new Set(parts.map((p) => p.key)).size).toBe(parts.length);
    const many = (key: string) => parts.filter((p) => p.key.startsWith(key)).reduce((sum, p) => sum + p.quantity, 0);
    expect(many("enclosure")).toBe(2);
    expect(parts.find((p) => p.key === "cord")!.quantity).toBeCloseTo(2 * chamber.wiring.cordLength, 9);
    expect(many("glands")).toBe(plans.reduce((sum, p) => sum + layoutOf(p).glands.length, 0));
    // One heater, one cut-out: that of the heater.
    expect(parts.filter((p) => /^One-shot thermal cut-out/.test(p.name))).toHaveLength(1);
    // One has no outlet for heat, and nothing is said to be missing there.
    expect(wiringFindings(plans[0]!, chamber).map((f) => f.id)).not.toContain("no-cut-out");
  });
});
