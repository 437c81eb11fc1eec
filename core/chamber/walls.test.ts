import { cabinetKinds, type Cabinet, type CabinetKind, type Edit } from "../model";
import { chamberWith } from "../testing/build";
import {
  asOneLayer,
  boxes,
  buildNetwork,
  cabinetDefaults,
  contentsCapacity,
  isBought,
  lossCoefficient,
  midWallArea,
  steadyState,
  surfaceResistance,
  thermalDefaults,
  transmittanceOf,
  vesselSurface,
} from ".";
import { wallLossBefore } from "./lossBefore";

// ISO 6946:2017: R_T = R_si + Σ d/λ + R_se, U = 1/R_T; surface resistances of its table 7. Conductivities: ISO 10456.
it("layers one behind the other are one wall of one stuff, as thick and as leaky", () => {
  const layers = [
    { thickness: 0.012, conductivity: 0.13 },
    { thickness: 0.05, conductivity: 0.033 },
    { thickness: 0.002, conductivity: 0.22 },
  ];
  const one = asOneLayer(layers)!;
  expect(one.thickness).toBeCloseTo(0.064, 12);
  expect(transmittanceOf([one])).toBeCloseTo(transmittanceOf(layers), 12);
  expect(asOneLayer([])).toBeNull();
});

describe("walls by ISO 6946, worked by hand", () => {
  const { inside, outside } = surfaceResistance;
  it.each<[string, [number, number][], [number, number], number]>([
    ["50 mm XPS 0.033 to the open", [[0.05, 0.033]], [inside, outside], 0.593],
    ["50 mm XPS 0.033 between two rooms", [[0.05, 0.033]], [inside, inside], 0.563],
    // 12 mm plywood 0.13, 40 mm EPS 0.035, 12 mm plywood 0.13: 0.13 + 0.0923 + 1.1429 + 0.0923 + 0.13 = 1.5875.
    [
      "plywood, foam, plywood",
      [
        [0.012, 0.13],
        [0.04, 0.035],
        [0.012, 0.13],
      ],
      [inside, inside],
      1 / 1.5875,
    ],
    // 110 mm brick 0.77 to the open: 0.13 + 0.1429 + 0.04 = 0.3129.
    ["half-brick wall to the open", [[0.11, 0.77]], [inside, outside], 1 / 0.3129],
    // 1 mm steel 50: the sheet itself is nothing.
    ["steel sheet", [[0.001, 50]], [inside, outside], 1 / 0.17002],
  ])("%s", (_, layers, faces, expected) =>
    expect(
      transmittanceOf(
        layers.map(([thickness, conductivity]) => ({ thickness, conductivity })),
        faces,
      ),
    ).toBeCloseTo(expected, 3),
  );
});

describe("every box", () => {
  it.each(cabinetKinds)("%s: its network at rest loses what its coefficient says, whatever the layers", (kind) => {
    if (kind === "jacketed") return; // its loss is met by the vessel, see its own acceptance range
    const chamber = chamberWith(
      { section: "cabinet", field: "kind", value: kind },
      { section: "heater", field: "kind", value: "none" },
    );
    for (const wallLayers of [1, 3]) {
      const coolers = chamber.coolers.map((c) => ({ ...c, toLining: 0 }));
      const layered = { ...chamber, coolers, thermal: { ...chamber.thermal, wallLayers, filmToLining: 0 } };
      const network = buildNetwork(layered);
      const sources = network.nodes.map((_, i) => (i === network.air ? 10 : 0));
      const t = steadyState(network, 20, sources);
      expect(10 / (t[network.air]! - 20)).toBeCloseTo(lossCoefficient(layered), 9);
      for (const v of network.vessels) expect(t[v]).toBeCloseTo(t[network.air]!, 9);
    }
  });

  it("keeps the parameters of the design's reference where it has them", () => {
    const of = (kind: (typeof cabinetKinds)[number]) =>
      chamberWith({ section: "cabinet", field: "kind", value: kind }).thermal;
    expect(of("upright")).toMatchObject({
      airCapacity: 500,
      liningCapacity: 15_000,
    });
    expect(of("chest")).toMatchObject({ liningCapacity: 9000 });
    expect(chamberWith({ section: "cabinet", field: "kind", value: "chest" }).coolers[0]!.toLining).toBe(15);
    expect(of("crock")).toMatchObject({
      liningCapacity: 3200,
      airCapacity: 18_840,
      airToLining: 8,
    });
    expect(chamberWith({ section: "cabinet", field: "kind", value: "crock" }).heaters[0]!.bodyCapacity).toBe(800);
    expect(of("drum").liningToRoom).toBeCloseTo(26, 2);
    const foam = of("foam");
    expect(foam.liningToRoom).toBeCloseTo(1.21, 2);
  });

  it("what a vessel holds agrees with the reference for 23 L in the tall fridge and 19 L in the chest", () => {
    const tall = chamberWith();
    expect(contentsCapacity(tall.vessels[0]!)).toBeCloseTo(98_000, 6);
    const chest = chamberWith({ section: "cabinet", field: "kind", value: "chest" });
    expect(Math.abs(contentsCapacity(chest.vessels[0]!) / 81_500 - 1)).toBeLessThan(0.01);
  });

  it("a typed parameter replaces its default and nothing else", () => {
    const typed = chamberWith({ section: "thermal", field: "liningToRoom", value: 3.3 });
    const { cabinet, vessels } = typed;
    expect(typed.thermal).toEqual({ ...thermalDefaults(cabinet, vessels[0]!), liningToRoom: 3.3 });
    expect(Object.keys(boxes)).toEqual([...cabinetKinds]);
  });

  it("a jacket and a collar change the loss the way they should", () => {
    const chest = (collar: number) =>
      lossCoefficient(
        chamberWith(
          { section: "cabinet", field: "kind", value: "chest" },
          { section: "cabinet", field: "collar", value: collar },
        ),
      );
    expect(chest(0.2)).toBeGreaterThan(chest(0));
    const film = (jacket: number) => {
      const network = buildNetwork(chamberWith({ section: "vessel", field: "jacket", value: jacket }));
      return network.links.filter((l) => l.a === network.vessels[0]).reduce((sum, l) => sum + l.conductance, 0);
    };
    expect(film(0.02)).toBeLessThan(film(0) * 0.35);
  });
});

describe("what a new box loses against the sum of its layers, both faces with it (ISO 6946)", () => {
  const isoSum = (chamber: ReturnType<typeof chamberWith>) => {
    const { cabinet, vessels } = chamber;
    const { inside } = surfaceResistance;
    const u = 1 / (2 * inside + cabinet.insulation / cabinet.conductivity);
    const area = cabinet.kind === "jacketed" ? vesselSurface(vessels[0]!) : midWallArea(cabinet);
    return u * area;
  };
  // Ours: lining to room and air to room, as a share of that sum. Why it is what it is stands beside it.
  it.each<[CabinetKind, number, number, string]>([
    ["upright", 1.1, 1.34, "edges a twentieth, a seal of 4.6 m, its inner film apart"],
    ["underCounter", 1.1, 1.34, "the same, more seal to its volume"],
    ["fridgeFreezer", 1.1, 1.34, "the same"],
    ["wine", 1.1, 1.34, "the same"],
    ["chest", 1.1, 1.34, "edges a twentieth, a lid that lies on its seal"],
    ["warmBox", 1.1, 1.45, "a seal that nobody mends"],
    ["foam", 1.05, 1.34, "its inner film apart, and a lid that only lies on"],
    ["brick", 1.3, 2.5, "it stands in the open: 0.04 outside for 0.13, its inner film apart"],
    ["jacketed", 1, 1.3, "its inner film is the liquid's"],
    ["crock", 0.5, 1.8, "thin: films alone, and water that evaporates under its lid"],
    ["kettle", 1.2, 3.4, "thin: films alone; liquid inside, and steam at its lid"],
    ["drum", 2, 3.9, "thin: wind, and it radiates at 120 °C"],
  ])("%s: between %d and %d times it: %s", (kind, from, to) => {
    const chamber = chamberWith({ section: "cabinet", field: "kind", value: kind });
    const { liningToRoom, airToRoom } = chamber.thermal;
    const ratio = (liningToRoom + airToRoom) / isoSum(chamber);
    expect(ratio).toBeGreaterThan(from);
    expect(ratio).toBeLessThan(to);
  });

  it("the chest of 140 L: 0.75 W/K by its layers, a quarter more with edges and seal; 1.40 before", () => {
    const chamber = chamberWith({ section: "cabinet", field: "kind", value: "chest" });
    expect(Math.abs(isoSum(chamber) - 0.75)).toBeLessThan(0.03);
    expect(chamber.thermal.liningToRoom + chamber.thermal.airToRoom).toBeLessThan(1);
    expect(wallLossBefore(0, chamber) + 0.1).toBeCloseTo(1.4, 9);
  });
});

describe("what is laid around a box, and its years", () => {
  const of = (kind: CabinetKind, change: Partial<Cabinet> = {}): Cabinet => ({ ...cabinetDefaults(kind), ...change });
  const shell = (cabinet: Cabinet) => thermalDefaults(cabinet, chamberWith(...kindOf(cabinet.kind)).vessels[0]!);
  const kindOf = (kind: CabinetKind): Edit[] => [{ section: "cabinet", field: "kind", value: kind }];
  const loss = (kind: CabinetKind, jacket: number) =>
    lossCoefficient(chamberWith(...kindOf(kind), { section: "cabinet", field: "jacket", value: jacket }));

  it("a kettle in 3 cm of wool, worked out by hand: its side in series with the wool, lid and bottom as they were", () => {
    // Side of 0.36 m across and 0.38 m high: 0.4298 m² of 0.6333 m². Of 6 W/K 4.071 go through it; 0.03/0.04 = 0.75 m²K/W.
    const side = Math.PI * 0.36 * 0.38;
    const share = side / (side + (Math.PI / 2) * 0.36 ** 2);
    expect(share).toBeCloseTo(0.6786, 4);
    const wrapped = shell(of("kettle", { jacket: 0.03 })).liningToRoom / shell(of("kettle")).liningToRoom;
    expect(wrapped).toBeCloseTo(0.4051, 3);
  });

  it.each(cabinetKinds.filter((kind) => !isBought(kind)))("makes a %s lose less, the more the thicker", (kind) => {
    const [bare, thin, thick] = [0, 0.02, 0.06].map((j) => loss(kind, j));
    expect(thin!).toBeLessThan(bare! * 0.97);
    expect(thick!).toBeLessThan(thin!);
    // The room is still there through lid, bottom and air.
    expect(thick!).toBeGreaterThan(0);
  });

  it("another material of the wall counts in a pot, a kettle and a drum too", () => {
    for (const kind of ["crock", "kettle", "drum"] as const) {
      const wooden = shell(of(kind, { insulation: 0.02, conductivity: 0.13 }));
      expect(wooden.liningToRoom).toBeLessThan(shell(of(kind)).liningToRoom * 0.95);
    }
    // A wall of wool does not weigh what as much steel would.
    expect(shell(of("drum", { insulation: 0.05, conductivity: 0.04 })).liningCapacity).toBe(
      shell(of("drum")).liningCapacity,
    );
  });

  it("layers of foam and brick add up by ISO 6946", () => {
    const resistance = (c: Cabinet) => midWallArea(c) / shell(c).liningToRoom;
    for (const kind of ["foam", "brick"] as const)
      expect(resistance(of(kind, { jacket: 0.03 })) - resistance(of(kind))).toBeCloseTo(0.03 / 0.04, 9);
  });

  it.each(cabinetKinds.filter(isBought))("years cost a %s a fifth and a half of its loss, seal and walls", (kind) => {
    const fresh = shell(of(kind));
    for (const [age, factor] of [
      ["worn", 1.2],
      ["old", 1.5],
    ] as const) {
      const aged = shell(of(kind, { age }));
      expect(aged.liningToRoom / fresh.liningToRoom).toBeCloseTo(factor, 9);
      expect(aged.airToRoom / fresh.airToRoom).toBeCloseTo(factor, 9);
      expect(aged.airToLining).toBe(fresh.airToLining);
    }
  });
});
