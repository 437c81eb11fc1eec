import type { Chamber, Happening } from "../model";
import { celsius } from "../quantity";
import { recordWith, chamberWith } from "../testing/build";
import { changed, set, twoUnits } from "../testing/configurations";
import {
  addDevice,
  addVessel,
  buildNetwork,
  calm,
  contentsCapacity,
  describe as describeChamber,
  judgedOf,
  massOf,
  standDevice,
  steadyState,
  variant,
  vesselSurface,
  type Conditions,
  type Network,
} from ".";

const between = ({ links }: Network, a: number, b: number) =>
  links.filter((l) => (l.a === a && l.b === b) || (l.a === b && l.b === a)).reduce((sum, l) => sum + l.conductance, 0);
const built = (chamber: Chamber) => ({ chamber, network: buildNetwork(chamber) });

describe("what is joined to what", () => {
  it("heaters and coolers to air and wall, and to the vessel that they stand at, not to another", () => {
    const record = changed(
      recordWith(set("heater", "kind", "belt"), set("heater", "power", 40)),
      addVessel,
      addDevice("cooler"),
      set("cooler", "kind", "peltier", "c2"),
      set("cooler", "toVessel", 3, "c2"),
      standDevice("h1", "v2"),
    );
    const { chamber, network } = built(describeChamber(record));
    const [h] = network.heaters;
    const [c1, c2] = network.coolers;
    const [v1, v2] = network.vessels as [number, number];
    expect(between(network, h!.node, v2)).toBe(chamber.heaters[0]!.toVessel);
    expect(between(network, h!.node, v1)).toBe(0);
    expect(between(network, h!.node, network.air)).toBe(chamber.heaters[0]!.toAir);
    expect(between(network, c1!.node, network.air)).toBe(chamber.coolers[0]!.toAir);
    expect(between(network, c1!.node, network.lining)).toBe(chamber.coolers[0]!.toLining);
    expect(between(network, c2!.node, v1)).toBe(3);
    expect(between(network, c2!.node, v2)).toBe(0);
    expect(network.nodes[c2!.node]).toMatchObject({ kind: "cold", index: 1, capacity: 600, toRoom: 0.3 });
    expect([h!.power, c1!.iceMass, c2!.law.power]).toEqual([40, 0, 60]);
  });
  it("one plate is one body that is joined once; a second heater beside it is a body of its own", () => {
    const record = changed(
      recordWith(set("cabinet", "kind", "jacketed")),
      addDevice("heater"),
      set("heater", "kind", "plate", "h2"),
    );
    const { chamber, network } = built(describeChamber(record));
    const [first, second] = network.heaters;
    const [plate] = network.coolers;
    expect(first!.node).toBe(plate!.node);
    expect(second!.node).not.toBe(plate!.node);
    expect(between(network, plate!.node, network.vessels[0]!)).toBe(chamber.heaters[0]!.toVessel);
    expect(between(network, plate!.node, network.lining)).toBe(chamber.coolers[0]!.toLining);
    expect(between(network, second!.node, network.vessels[0]!)).toBe(chamber.heaters[1]!.toVessel);
  });
  it("what is not there has no body and no power", () => {
    const network = buildNetwork(chamberWith(set("heater", "kind", "none"), set("cooler", "kind", "none")));
    expect(network.heaters).toMatchObject([{ node: -1, power: 0 }]);
    expect(network.coolers).toMatchObject([{ node: -1, iceMass: 0 }]);
    expect(network.nodes.map((n) => n.kind)).not.toContain("heater");
    const ice = buildNetwork(chamberWith(set("cooler", "kind", "ice"), set("cooler", "iceMass", 2)));
    expect(ice.coolers[0]).toMatchObject({ iceMass: 2, law: { power: 0 } });
    expect(ice.coolers[0]!.node).toBeGreaterThanOrEqual(0);
  });
  it("vessels: films by their surface, a jacket in series, as often as they are there", () => {
    const { thermal, vessels } = chamberWith();
    const surface = vesselSurface(vessels[0]!);
    const film = (more: Parameters<typeof chamberWith>) => {
      const n = buildNetwork(chamberWith(...more));
      return [between(n, n.vessels[0]!, n.air), between(n, n.vessels[0]!, n.lining)];
    };
    expect(film([])[0]).toBeCloseTo(thermal.filmToAir * surface, 9);
    expect(film([])[1]).toBeCloseTo(thermal.filmToLining * surface, 9);
    expect(film([set("vessel", "count", 3)])[0]).toBeCloseTo(3 * thermal.filmToAir * surface, 9);
    expect(film([set("vessel", "jacket", 0.01)])[0]).toBeCloseTo(surface / (1 / thermal.filmToAir + 0.01 / 0.035), 9);
    expect(film([set("cabinet", "kind", "drum")])[1]).toBe(0);
  });
  it("stiff contents: five shells that hold all of it, and conduct more the further out, to the surface in series", () => {
    const chamber = chamberWith(set("cabinet", "kind", "warmBox"), set("vessel", "count", 2));
    const network = buildNetwork(chamber);
    const [vessel] = chamber.vessels;
    const [shells] = network.shells;
    expect(shells!.map((s) => Number(s.share.toFixed(6)))).toEqual([0.008, 0.056, 0.152, 0.296, 0.488]);
    const all = shells!.reduce((sum, s) => sum + network.nodes[s.node]!.capacity, 0);
    expect(all).toBeCloseTo(contentsCapacity(vessel!), 6);
    const steps = shells!.slice(1).map((s, i) => between(network, shells![i]!.node, s.node));
    // Similar surfaces at a relative size s: in the ratio of s².
    expect(steps.map((g) => Number((g / steps[0]!).toFixed(9)))).toEqual([1, 4, 9, 16]);
    const surface = vesselSurface(vessel!);
    const bare = chamber.thermal.filmToAir * surface;
    const toSkin = 1 / ((1 / between(network, shells!.at(-1)!.node, network.air)) * 2 - 1 / bare);
    // The last half shell: twice as near as a whole step at the full surface.
    expect(toSkin / ((steps[0]! / 2 / 0.04) * 2)).toBeCloseTo(1, 6);
    expect(network.vessels[0]).toBe(shells![0]!.node);
    expect(massOf(vessel!)).toBeCloseTo(0.019 * 1420, 9);
  });
  it("a kettle holds its liquid twice: three tenths around the element, seven above", () => {
    const chamber = chamberWith(set("cabinet", "kind", "kettle"));
    const network = buildNetwork(chamber);
    expect(network.nodes[network.vessels[0]!]!.capacity).toBeCloseTo(0.7 * contentsCapacity(chamber.vessels[0]!), 6);
    expect(network.nodes[network.air]!.capacity).toBeCloseTo(0.3 * 0.027 * 4.18e6, 6);
  });
  it("each probe to the contents or the skin of its own vessel, and to the air", () => {
    const { network, chamber } = built(describeChamber(twoUnits()));
    chamber.probes.forEach((probe, i) => {
      const seat = chamber.vessels.findIndex((v) => v.id === probe.in);
      expect(between(network, network.probes[i]!, network.vessels[seat]!)).toBeGreaterThan(0);
      expect(between(network, network.probes[i]!, network.vessels[1 - seat]!)).toBe(0);
    });
    const honey = buildNetwork(chamberWith(set("cabinet", "kind", "warmBox"), set("probe", "place", "strapped")));
    expect(between(honey, honey.probes[0]!, honey.shells[0]!.at(-1)!.node)).toBeGreaterThan(0);
    expect(between(honey, honey.probes[0]!, honey.shells[0]![0]!.node)).toBe(0);
    const deep = buildNetwork(chamberWith(set("cabinet", "kind", "warmBox"), set("probe", "place", "core")));
    expect(between(deep, deep.probes[0]!, deep.shells[0]![0]!.node)).toBeGreaterThan(0);
  });
  it("loads are bodies in the order in which they come, and are joined to nothing before", () => {
    const load = (id: string, at: number, volume: number): Happening => ({
      kind: "loadIn",
      id,
      at,
      volume,
      temperature: celsius(5),
    });
    const chamber: Chamber = {
      ...chamberWith(),
      happenings: [load("b", 7200, 0.004), { kind: "door", id: "d", at: 5000, lasting: 60 }, load("a", 3600, 0.001)],
    };
    const network = buildNetwork(chamber);
    expect(network.loads.map((l) => network.nodes[l]!.capacity)).toEqual([4180, 16_720]);
    for (const l of network.loads) expect(network.links.some((k) => k.a === l || k.b === l)).toBe(false);
    const inside = (loadsIn: number, c = chamber) => variant(network, c, { ...calm(), loadsIn });
    expect(network.loads.map((l) => between(inside(1), l, network.air) > 0)).toEqual([true, false]);
    expect(between(inside(2), network.loads[1]!, network.air)).toBeCloseTo(50 * 0.004 ** (2 / 3), 9);
    const bath: Chamber = { ...chamber, cabinet: { ...chamber.cabinet, bath: 0.004 } };
    expect(between(inside(2, bath), network.loads[1]!, network.air)).toBeCloseTo(9 * 50 * 0.004 ** (2 / 3), 9);
  });
});

describe("what stands differently for a while", () => {
  const under = (conditions: Partial<Conditions>, ...edits: Parameters<typeof chamberWith>) => {
    const { chamber, network } = built(chamberWith(...edits));
    const other = variant(network, chamber, { ...calm(), ...conditions });
    return { chamber, network, other };
  };
  const windOn = ({ network, other }: ReturnType<typeof under>) =>
    [network.lining, network.vessels[0]!, network.coolers[0]!.node, network.heaters[0]!.node]
      .filter((n) => n >= 0)
      .map((n) => Number((between(other, network.air, n) / between(network, network.air, n)).toFixed(9)));

  it("an open door lets the room at the air, and nothing else changes", () => {
    const { chamber, network, other } = under({ open: true });
    expect(other.nodes[network.air]!.toRoom - network.nodes[network.air]!.toRoom).toBe(chamber.thermal.openToRoom);
    expect(other.links).toEqual(network.links);
    expect(other.nodes.filter((_, i) => i !== network.air)).toEqual(network.nodes.filter((_, i) => i !== network.air));
  });
  it("a stopped fan takes its wind and its heat away; where there is none nothing stops", () => {
    const fan = set("cabinet", "fan", true);
    expect(new Set(windOn(under({ fanStopped: true }, fan)))).toEqual(new Set([0.225, 0.666666667]));
    expect(under({ fanStopped: true }, fan).other.fanHeat).toBe(0);
    expect(under({}, fan).other.fanHeat).toBe(4);
    expect(new Set(windOn(under({ fanStopped: true })))).toEqual(new Set([1]));
    expect(new Set(windOn(under({ fanStopped: true }, set("cabinet", "kind", "kettle"))))).toEqual(new Set([0.5]));
  });
  it("a fan on an outlet gives a still box that wind, a blown one nothing more, a probe nothing", () => {
    // 2.25 to 10 W/m²K on surfaces, half as much again on bodies (films.ts).
    expect(new Set(windOn(under({ stirred: true })))).toEqual(new Set([4.444444444, 1.5]));
    const fan = set("cabinet", "fan", true);
    expect(new Set(windOn(under({ stirred: true }, fan)))).toEqual(new Set([1]));
    expect(new Set(windOn(under({ stirred: true, fanStopped: true }, fan)))).toEqual(new Set([1]));
    const { network, other } = under({ stirred: true });
    expect(between(other, network.probes[0]!, network.air)).toBe(between(network, network.probes[0]!, network.air));
  });
  it("a probe that hangs is joined to air or room alone, and follows it within two and a half minutes", () => {
    const hang = (probes: Conditions["probes"]) => under({ probes }, set("probe", "place", "bare"));
    const air = hang(["air"]);
    const [p] = air.network.probes as [number];
    const { capacity } = air.network.nodes[p]!;
    expect(between(air.other, p, air.network.air)).toBeCloseTo(capacity / 150, 12);
    expect(air.other.links.filter((l) => l.a === p || l.b === p)).toHaveLength(1);
    expect(air.other.nodes[p]!.toRoom).toBe(0);
    const room = hang(["room"]);
    expect(room.other.links.filter((l) => l.a === p || l.b === p)).toHaveLength(0);
    expect(room.other.nodes[p]!.toRoom).toBeCloseTo(capacity / 150, 12);
    expect(hang(["place"]).other).toEqual(hang([]).other);
  });
  it("ice that has become water holds twice as much", () => {
    const ice = [set("cooler", "kind", "ice"), set("cooler", "iceMass", 2)];
    const of = (phase: "frozen" | "water") => {
      const { network, other } = under({ ice: [phase] }, ...ice);
      return other.nodes[network.coolers[0]!.node]!.capacity;
    };
    expect(of("frozen")).toBe(2 * 2090);
    expect(of("water")).toBeCloseTo(2 * 4186, 9);
    const { network, other } = under({ ice: ["water"] });
    expect(other.nodes).toEqual(network.nodes);
  });
});

describe("what a band is for", () => {
  it("every vessel, with its own band where it has one; of an air that is held the air, and those that differ", () => {
    const record = changed(
      recordWith(),
      addVessel,
      set("band", "low", celsius(10), "v2"),
      set("band", "high", celsius(14), "v2"),
    );
    const { chamber, network } = built(describeChamber(record));
    expect(judgedOf(network, chamber, { of: "product" }).map((j) => [j.id, j.own?.target ?? null, j.vessel])).toEqual([
      ["v1", null, 0],
      ["v2", 12, 1],
    ]);
    expect(judgedOf(network, chamber, { of: "air" }).map((j) => [j.id, j.node])).toEqual([
      ["air", network.air],
      ["v2", network.vessels[1]],
    ]);
  });
});

describe("a network at rest", () => {
  it("a body that nothing touches stays at zero and disturbs no other", () => {
    const network = buildNetwork(chamberWith());
    const lone = {
      ...network,
      nodes: [...network.nodes, { kind: "load" as const, index: 0, capacity: 100, toRoom: 0 }],
    };
    const sources = network.nodes.map((_, i) => (i === network.air ? 20 : 0));
    const [a, b] = [steadyState(network, 10, sources), steadyState(lone, 10, sources)];
    expect(b.at(-1)).toBe(0);
    a.forEach((t, i) => expect(b[i]).toBeCloseTo(t, 9));
  });
});

describe("a piece of food has the surface of its shape", () => {
  const piece = (kind: "smoke" | "sausage" | "hold", shape: "slab" | "roll" | "chunk" | "ball", thickness: number) =>
    vesselSurface({ volume: 0.0046, form: "piece", product: { kind, shape, thickness } });
  // By hand: 4.6 L, 15 cm through and square: 17.5 cm wide, 2·0.0307 + 4·0.15·0.1751 = 0.1664 m².
  it("15 cm through, not a slab of 4 cm", () => {
    expect(piece("smoke", "chunk", 0.15)).toBeCloseTo(0.1664, 3);
    expect(vesselSurface({ volume: 0.0046, form: "piece" })).toBeCloseTo(0.284, 3);
    expect(piece("hold", "chunk", 0.15)).toBeCloseTo(0.284, 3);
  });
  // A sphere of 4.6 L has 20.6 cm across and 0.1338 m²: no shape has less.
  it("a sphere has the least, a roll by its own length", () => {
    expect(piece("smoke", "ball", 0.1)).toBeCloseTo(0.1338, 3);
    for (const shape of ["slab", "roll", "chunk"] as const)
      for (const t of [0.02, 0.1, 0.4]) expect(piece("smoke", shape, t)).toBeGreaterThan(0.1337);
    // π·0.05·2.343 + π/2·0.05² m².
    expect(piece("sausage", "slab", 0.05)).toBeCloseTo(0.3719, 3);
  });
});
