import { buildNetwork } from "../chamber";
import { cabinetKinds, type CabinetKind, type ChamberRecord, type Edit } from "../model";
import { celsius } from "../quantity";
import { meeting, plainTrial, planned, recordWith, steadyRoom } from "../testing/build";
import { largestDifference, recorder } from "../testing/replay";
import { imbalance } from "./energy";
import { planOf } from "./plan";
import { runTrial } from "./runTrial";
import { startRun } from "./run";
import { advance } from "./stepper";

const HOUR = 3600;
/** Room, start and band of a usual job in each kind of box, °C. */
const usual: Record<CabinetKind, [room: number, start: number, low: number, high: number]> = {
  upright: [24, 20, 19, 21],
  underCounter: [24, 20, 19, 21],
  fridgeFreezer: [24, 20, 19, 21],
  chest: [24, 20, 19, 21],
  wine: [20, 12, 6, 8],
  foam: [20, 22, 30, 32],
  warmBox: [18, 18, 41, 43],
  crock: [20, 5, 59, 61],
  kettle: [18, 15, 64, 66],
  drum: [15, 5, 115, 125],
  brick: [12, 5, 75, 85],
  jacketed: [24, 12, 19, 21],
};

const edit = (section: string, field: string, value: unknown): Edit => ({ section, field, value }) as Edit;
function boxOf(kind: CabinetKind, ...more: Edit[]): ChamberRecord {
  const [room, start, low, high] = usual[kind];
  const inMedium = ["crock", "kettle", "drum", "brick"].includes(kind);
  return recordWith(
    edit("cabinet", "kind", kind),
    edit("product", "kind", "hold"),
    edit("room", "low", celsius(room - 4)),
    edit("room", "high", celsius(room + 4)),
    edit("vessel", "startTemperature", celsius(start)),
    edit("stage", "low", celsius(low)),
    edit("stage", "high", celsius(high)),
    edit("probe", "place", inMedium ? "air" : "bare"),
    ...more,
  );
}

function compare(record: ChamberRecord, hours: number, dt: number) {
  const { chamber, settings } = planned(record);
  const input = plainTrial(chamber, settings, hours / 24, dt);
  const run = startRun(input);
  const recorded = recorder(run.network.nodes.length);
  advance(run, run.steps, recorded);
  return { recorded, worst: largestDifference(run.network, input, recorded, 1e-11, false) };
}

describe("the network against the general solver odex, same switching", () => {
  it.each(cabinetKinds)("%s, in a swinging room, with all that it has at work", (kind) => {
    const { recorded, worst } = compare(boxOf(kind), 24, 5);
    expect(recorded.heating.includes(true) || recorded.cooling.some(Boolean)).toBe(true);
    expect(worst).toBeLessThan(1e-5);
  });

  it.each<[string, ChamberRecord]>([
    [
      "door open, fan stopped, probe fallen into the air and out into the room, a load put in",
      meeting(
        boxOf("upright", edit("cabinet", "fan", true), ...steadyRoom(26)),
        { kind: "door", at: 2 * HOUR, lasting: 600 },
        { kind: "fanStops", at: 4 * HOUR, lasting: 2 * HOUR },
        { kind: "probeOut", at: 7 * HOUR, lasting: HOUR, to: "air" },
        { kind: "probeOut", at: 10 * HOUR, lasting: HOUR, to: "room" },
        { kind: "loadIn", at: 13 * HOUR, volume: 0.005, temperature: celsius(60) },
      ),
    ],
    [
      "a frost-free fridge in a heat wave, its compressor failing for a while",
      meeting(
        boxOf(
          "chest",
          edit("cooler", "defrostEvery", HOUR),
          edit("cooler", "defrostFor", 900),
          edit("heater", "power", 0),
        ),
        { kind: "weather", at: 2 * HOUR, lasting: 20 * HOUR, by: 12 as never },
        { kind: "coldFails", at: 8 * HOUR, lasting: 4 * HOUR },
      ),
    ],
    ["a kettle with its lid off", meeting(boxOf("kettle"), { kind: "lidOff", at: 5 * HOUR, lasting: HOUR })],
    [
      "ice in a foam box, through its melting, changed once",
      boxOf(
        "foam",
        edit("cooler", "kind", "ice"),
        edit("cooler", "iceMass", 1),
        edit("cooler", "iceEvery", 14 * HOUR),
        edit("heater", "power", 0),
        edit("stage", "low", celsius(8)),
        edit("stage", "high", celsius(12)),
      ),
    ],
    [
      "a plate that cools a foam box",
      boxOf(
        "foam",
        edit("cooler", "kind", "peltier"),
        edit("stage", "low", celsius(12)),
        edit("stage", "high", celsius(14)),
      ),
    ],
    ["three pails of honey in shells", boxOf("warmBox", edit("vessel", "count", 3), edit("vessel", "jacket", 0.01))],
  ])("%s", (_, record) => expect(compare(record, 24, 5).worst).toBeLessThan(1e-5));
});

describe("energy balances", () => {
  const cases: [string, ChamberRecord][] = [
    ...cabinetKinds.map((kind): [string, ChamberRecord] => [kind, boxOf(kind)]),
    ["ice in a foam box", boxOf("foam", edit("cooler", "kind", "ice"), edit("cooler", "iceEvery", 20 * HOUR))],
    ["a plate in a foam box", boxOf("foam", edit("cooler", "kind", "peltier"))],
    ["a frost-free fridge", boxOf("upright", edit("cooler", "defrostEvery", HOUR))],
    ["a drum whose food dries", boxOf("drum", edit("vessel", "evaporation", 200), edit("heater", "fuel", 3))],
  ];
  it.each(cases)("close within 1e-8: %s", (_, record) => {
    const { chamber, settings } = planned(record);
    expect(imbalance(runTrial(plainTrial(chamber, settings, 2, 5)).metrics.energy)).toBeLessThan(1e-8);
  });

  // 333.6 kJ/kg (CRC Handbook): the heat that melts the ice is its mass times this, whatever the path.
  it("a kilogram of ice takes 333.6 kJ and its warming, and says when it is gone", () => {
    const record = boxOf(
      "foam",
      edit("cooler", "kind", "ice"),
      edit("cooler", "iceMass", 1),
      edit("heater", "power", 0),
    );
    const { metrics } = runTrial(plainTrial(planOf(record).chamber, planned(record).settings, 3));
    expect(metrics.energy.melted).toBeCloseTo(333_600, 6);
    expect(metrics.iceGoneAt).toBeGreaterThan(2 * HOUR);
    // By hand: the box lets G·(room − 0) in at most, so it cannot melt sooner than latent and sensible heat over that.
    const most = (333_600 + 2090 * 16) / (1.35 * 24 + 40);
    expect(metrics.iceGoneAt!).toBeGreaterThan(most);
  });

  // ṁ = P/(H·η): the fuel burned is the heat given divided by what a kilogram brings.
  it("fuel burned and heat given agree, and the fire ends with the usable fuel", () => {
    const record = boxOf("drum");
    const { chamber, settings } = planned(record);
    const { metrics } = runTrial(plainTrial(chamber, settings, 2, 1));
    expect(metrics.fuelBurned * 29e6 * 0.85).toBeCloseTo(metrics.energy.heater, 0);
    expect(metrics.fuelBurned).toBeCloseTo(7.5 * 0.9, 3);
    expect(metrics.fuelOutAt).not.toBeNull();
    expect(metrics.whole.product.high).toBeGreaterThan(115);
  });
});

describe("nodes of a network", () => {
  it("identical vessels are one node with their capacities added", () => {
    const heat = (count: number) => {
      const network = buildNetwork(planOf(boxOf("upright", edit("vessel", "count", count))).chamber);
      return network.nodes[network.vessels[0]!]!.capacity;
    };
    expect(heat(4)).toBeCloseTo(4 * heat(1), 6);
  });
});
