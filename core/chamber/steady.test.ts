import { lusolve, matrix } from "mathjs";
import { cabinetKinds, type Edit } from "../model";
import { celsius } from "../quantity";
import { chamberWith } from "../testing/build";
import {
  addProbe,
  addVessel,
  buildNetwork,
  coldAvailable,
  dropHappening,
  lawOf,
  newChamber,
  newHappening,
  happeningsFor,
  putHappening,
  removeProbe,
  removeVessel,
  steadyState,
  tryChange,
} from ".";

const kind = (value: (typeof cabinetKinds)[number]): Edit => ({ section: "cabinet", field: "kind", value });

// mathjs solves the same balance, written out from the conductances.
describe("a network at rest", () => {
  it.each(cabinetKinds)("%s: as mathjs solves it", (value) => {
    const network = buildNetwork(chamberWith(kind(value)));
    const n = network.nodes.length;
    const a = Array.from({ length: n }, () => new Array<number>(n).fill(0));
    for (const l of network.links) {
      a[l.a]![l.a]! += l.conductance;
      a[l.b]![l.b]! += l.conductance;
      a[l.a]![l.b]! -= l.conductance;
      a[l.b]![l.a]! -= l.conductance;
    }
    const q = network.nodes.map((_, i) => (i % 3) * 7);
    const b = network.nodes.map((node, i) => {
      a[i]![i]! += node.toRoom;
      return [node.toRoom * 12 + q[i]!];
    });
    const expected = (lusolve(matrix(a), matrix(b)) as unknown as { toArray(): number[][] }).toArray();
    steadyState(network, 12, q).forEach((t, i) => expect(t).toBeCloseTo(expected[i]![0]!, 6));
  });
});

describe("cold that is there", () => {
  // By hand: a plate pumps Q = Qmax·(1 − ΔT/ΔTmax), ΔT from the cold face to the room and its rise.
  it("a plate's law is the module's line: all of it at equal faces, nothing at the largest lift", () => {
    const cooler = chamberWith(kind("jacketed")).coolers[0]!;
    const law = lawOf(cooler);
    const q = (body: number, room: number) =>
      law.power * (1 + law.perBody * (body - law.bodyAt) + law.perRoom * (room - law.roomAt));
    expect(q(20 + cooler.hotRise, 20)).toBeCloseTo(cooler.power, 9);
    expect(q(20 + cooler.hotRise - cooler.largestLift, 20)).toBeCloseTo(0, 9);
  });
  it("is none without a cooler, and less for a plate in a warmer room", () => {
    expect(coldAvailable(chamberWith(kind("foam")), celsius(10), celsius(20))).toBe(0);
    const plate = chamberWith(kind("jacketed"));
    expect(coldAvailable(plate, celsius(12), celsius(30))).toBeLessThan(coldAvailable(plate, celsius(12), celsius(18)));
  });
});

describe("lists of a chamber", () => {
  const record = newChamber("x", "x", "2026-01-01T00:00:00.000Z");
  const made = (change: Parameters<typeof tryChange>[1], from = record) => {
    const tried = tryChange(from, change);
    if (!tried.ok) throw new Error(tried.problem);
    return tried.value;
  };
  it("grow and shrink, but never to nothing, and leave the record alone", () => {
    const before = JSON.stringify(record);
    expect(made(addVessel).vessels).toHaveLength(2);
    expect(made(removeVessel("v1")).vessels).toHaveLength(1);
    expect(made(removeProbe("p2"), made(addProbe)).probes).toHaveLength(1);
    expect(JSON.stringify(record)).toBe(before);
  });
  it("refuse more than they hold, with the place", () => {
    const full = Array.from({ length: 7 }).reduce<typeof record>((r) => made(addVessel, r), record);
    const more = tryChange(full, addVessel);
    expect(!more.ok && more.problem).toMatch(/8 vessels at the most/);
  });
  it("every kind of happening that can be placed has usual values that the record takes, and goes out again", () => {
    for (const value of cabinetKinds) {
      const chamber = chamberWith(kind(value));
      for (const h of happeningsFor(chamber)) {
        const placed = made(putHappening(newHappening(h, "h", 3600, chamber, chamber.stages[0]!)));
        expect(placed.happenings).toHaveLength(1);
        const moved = made(putHappening({ ...placed.happenings[0]!, at: 7200 }), placed);
        expect(moved.happenings.map((x) => x.at)).toEqual([7200]);
        expect(made(dropHappening("h"), moved).happenings).toEqual([]);
      }
    }
  });
});
