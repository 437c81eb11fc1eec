import type { Edit } from "../model";
import { celsius } from "../quantity";
import { chamberWith, heldAt, plainTrial, probeAt, settingsOf, steadyRoom } from "../testing/build";
import { largestDifference, recorder } from "../testing/replay";
import { startRun } from "./run";
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
