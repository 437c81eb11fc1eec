import type { Edit } from "../model";
import { celsius } from "../quantity";
import { chamberWith, heldAt, plainTrial, probeAt, settingsOf, steadyRoom } from "../testing/build";
import { largestDifference, odexSolver, recorder } from "../testing/replay";
import { imbalance } from "./energy";
import { startRun } from "./run";
import { runTrial } from "./runTrial";
import { advance } from "./stepper";

const swingingRoom: Edit[] = [
  { section: "room", field: "low", value: celsius(14) },
  { section: "room", field: "high", value: celsius(26) },
];

describe("against the general solver odex, same switching", () => {
  const compare = (edits: Edit[], dt: number) => {
    const input = plainTrial(chamberWith(...edits), settingsOf(20, 0.5, 0.5), 2, dt);
    const run = startRun(input);
    const recorded = recorder(run.network.nodes.length);
    advance(run, run.steps, recorded);
    expect(recorded.heating).toContain(true);
    return { recorded, worst: largestDifference(run.network, input, recorded) };
  };

  it("stays within 1e-5 K at every sample of two days in a swinging room, heat and cold at work", () => {
    const { worst, recorded } = compare([...swingingRoom, probeAt("air")], 10);
    expect(recorded.cooling.some(Boolean)).toBe(true);
    expect(worst).toBeLessThan(1e-5);
  });

  it("stays within 1e-7 K in a steady room", () => {
    expect(compare([...steadyRoom(9), ...heldAt(16)], 10).worst).toBeLessThan(1e-7);
  });
});

describe("a pull-down in still air, against odex with films that go with the fourth root of the difference", () => {
  /** The chamber's equations with films that grow without steps; no matrix and no level of the core. */
  const smooth = (growing: boolean) => {
    const chamber = chamberWith(
      ...steadyRoom(22),
      ...heldAt(32),
      { section: "cabinet", field: "kind", value: "chest" },
      { section: "moisture", field: "reckoned", value: false },
      { section: "thermal", field: "filmGrows", value: growing ? 0.25 : 0 },
    );
    const input = plainTrial(chamber, settingsOf(-4, 1, 1), 20 / 24, 10);
    const run = startRun(input);
    const { network } = run;
    const start = Array.from(run.state.x.subarray(0, network.nodes.length));
    const core: number[] = [];
    advance(run, run.steps, {
      sample: ({ x, step }) => {
        if (step % 360 === 0) core.push(x[network.vessels[0]!]!);
      },
    });
    const { air, lining } = network;
    const skin = network.vessels[0]!;
    const [cold] = network.coolers;
    const solver = new (odexSolver())(network.nodes.length);
    solver.absoluteTolerance = solver.relativeTolerance = 1e-8;
    solver.maxSteps = 1e6;
    const derivative = (t: number, y: number[]) => {
      const flow = network.nodes.map((node, i) => node.toRoom * (22 - y[i]!));
      for (const { a, b, conductance } of network.links) {
        const still = [a, b].includes(air) && ([a, b].includes(lining) || [a, b].includes(skin));
        const difference = Math.abs(y[a]! - y[b]!);
        const grown = growing && still ? Math.max(1, (difference / 1.5) ** 0.25) : 1;
        flow[a]! += grown * conductance * (y[b]! - y[a]!);
        flow[b]! -= grown * conductance * (y[b]! - y[a]!);
      }
      // The compressor waits out its delay once, and runs then.
      if (t >= 300) {
        const { power, perBody, bodyAt, perRoom, roomAt, skin: back } = cold!.law;
        const taken = power * (1 + perBody * (y[cold!.node]! - bodyAt) + perRoom * (22 - roomAt));
        flow[cold!.node]! -= taken;
        flow[lining]! += back * taken;
      }
      return flow.map((q, i) => q / network.nodes[i]!.capacity);
    };
    const theirs = core.map((_, h) => (h === 0 ? start : solver.solve(derivative, 0, start, h * 3600).y)[skin]!);
    return { core, theirs };
  };
  const grown = smooth(true);

  it("the product lies within a tenth of a kelvin of it for twenty hours, and falls by 30 K", () => {
    expect(grown.core[0]! - grown.core.at(-1)!).toBeGreaterThan(30);
    grown.core.forEach((t, h) => expect(Math.abs(t - grown.theirs[h]!)).toBeLessThan(0.1));
  });

  it("with films that do not grow it is the same to a millionth, and slower", () => {
    const fixed = smooth(false);
    fixed.core.forEach((t, h) => expect(Math.abs(t - fixed.theirs[h]!)).toBeLessThan(1e-6));
    expect(fixed.core[8]!).toBeGreaterThan(grown.core[8]! + 0.3);
  });
});

describe("energy with films that change", () => {
  it("closes to 1e-9 through a power cut and its pull-down", () => {
    const chamber = chamberWith(...steadyRoom(30), ...heldAt(30));
    const { metrics } = runTrial(plainTrial(chamber, settingsOf(4, 1, 1), 3));
    expect(imbalance(metrics.energy)).toBeLessThan(1e-9);
  });
});
