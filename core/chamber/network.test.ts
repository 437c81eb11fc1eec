import { abs, arg, complex, lusolve, matrix, subtract, type Complex } from "mathjs";
import type { Edit } from "../model";
import { placementDefaults, placementOf } from "../probe";
import { celsius } from "../quantity";
import { chamberWith, heaterOf, heldAt, plainTrial, settingsOf, steadyRoom } from "../testing/build";
import { ROOM, runTrial, stateSpace } from "../trial";
import { buildNetwork } from "./network";

const idle: Edit[] = [...heldAt(20), heaterOf(0), { section: "cooler", field: "power", value: 0 }];
const rowsOf = (values: Float64Array, n: number, m: number) =>
  Array.from({ length: n }, (_, i) => Array.from(values.subarray(i * m, i * m + m)));

describe("the network as a system of equations", () => {
  it("conserves heat: without room and sources, the flows between nodes add up to nothing", () => {
    const network = buildNetwork(chamberWith());
    const { n, a } = stateSpace(network, 0);
    for (let j = 0; j < n; j++) {
      let out = 0;
      for (let i = 0; i < n; i++) out += a[i * n + j]! * network.nodes[i]!.capacity;
      expect(out).toBeCloseTo(-network.nodes[j]!.toRoom, 9);
    }
  });

  // mathjs solves the steady state; the trial has to arrive there by stepping.
  it("comes to rest where A·x = −B·u, with the heater on for good", () => {
    const chamber = chamberWith(...heldAt(20), ...steadyRoom(10), heaterOf(30), {
      section: "cooler",
      field: "power",
      value: 0,
    });
    const network = buildNetwork(chamber);
    const { n, m, a, b } = stateSpace(network, 0);
    // The constant, the room, the heater; nothing else gives any heat, and no water condenses at these temperatures.
    const u = Array.from({ length: m }, (_, i) => [1, 10, 30][i] ?? 0);
    const right = rowsOf(b, n, m).map((row) => [-row.reduce((sum, value, k) => sum + value * u[k]!, 0)]);
    const steady = (lusolve(matrix(rowsOf(a, n, n)), matrix(right)) as unknown as { toArray(): number[][] }).toArray();
    const { trace } = runTrial(plainTrial(chamber, settingsOf(90, 1, 1), 30, 10), 30);
    expect(trace.high.product.at(-1)).toBeCloseTo(steady[network.vessels[0]!]![0]!, 1);
    expect(trace.high.air.at(-1)).toBeCloseTo(steady[network.air]![0]!, 1);
  });

  // The complex frequency response (iω·I − A)⁻¹·B by mathjs; the passive box has to follow it after its start is forgotten.
  it("answers the daily swing of the room with the amplitude and the delay of its frequency response", () => {
    const mean = 15;
    const swing = 10;
    const chamber = chamberWith(
      ...idle,
      { section: "room", field: "low", value: celsius(mean - swing) },
      { section: "room", field: "high", value: celsius(mean + swing) },
      { section: "room", field: "warmestHour", value: 15 },
    );
    const network = buildNetwork(chamber);
    const { n, m, a, b } = stateSpace(network, 0);
    const omega = (2 * Math.PI) / 86_400;
    const system = Array.from({ length: n }, (_, i) =>
      Array.from(
        { length: n },
        (_, j) => subtract(complex(0, i === j ? omega : 0), complex(a[i * n + j]!, 0)) as Complex,
      ),
    );
    const input = Array.from({ length: n }, (_, i) => [complex(b[i * m + ROOM]!, 0)]);
    const response = (lusolve(system as never, input as never) as unknown as Complex[][]).map((row) => row[0]!);
    const days = 40;
    const { trace, startHour } = runTrial(plainTrial(chamber, settingsOf(20, 5, 5), days, 20), days * 48);
    for (const [channel, node] of [
      ["product", network.vessels[0]!],
      ["air", network.air],
    ] as const) {
      const lastDays = Array.from(trace.high[channel].slice(-96));
      const amplitude = (Math.max(...lastDays) - Math.min(...lastDays)) / 2;
      expect(amplitude / (swing * (abs(response[node]!) as unknown as number))).toBeCloseTo(1, 1);
      const warmest = startHour + (trace.bins - 96 + lastDays.indexOf(Math.max(...lastDays)) + 0.5) / 2;
      const delay = -(arg(response[node]!) as unknown as number) / omega / 3600;
      const difference = (((warmest - 15 - delay) % 24) + 36) % 24;
      expect(Math.abs(difference - 12)).toBeLessThan(0.6);
    }
  });
});

describe("probe placements", () => {
  // By construction of the two-path model: τ = C/(G_product + G_air), share w = G_product/(G_product + G_air).
  it.each([
    ["air", 150, 0],
    ["bare", 120, 0.55],
    ["strapped", 180, 0.85],
    ["dryWell", 300, 0.97],
    ["filledWell", 80, 0.99],
  ] as const)("%s answers with τ = %d s and a share of %d of the product", (place, tau, share) => {
    const { capacity, toProduct, toAir } = placementOf({ place, ...placementDefaults(place, chamberWith().cabinet) });
    expect(capacity / (toProduct + toAir)).toBeCloseTo(tau, 9);
    expect(toProduct / (toProduct + toAir)).toBeCloseTo(share, 9);
  });

  it("a bottle of water is calm: a time constant of about 4900 s", () => {
    const { capacity, toAir } = placementOf({
      place: "waterBottle",
      ...placementDefaults("waterBottle", chamberWith().cabinet),
    });
    expect(Math.abs(capacity / toAir - 4900)).toBeLessThan(50);
  });
});
