import type { ChamberRecord } from "../model";
import { celsius } from "../quantity";
import { meeting, recordWith } from "../testing/build";
import { changed, set, twoUnits } from "../testing/configurations";
import { givenAt, type Given } from "./given";
import { trialOf, type TrialInput } from "./input";
import { planOf } from "./plan";
import { startRun, unwatched } from "./run";
import { advance } from "./stepper";

const HOUR = 3600;
const room = [set("room", "low", celsius(10)), set("room", "high", celsius(26))];

/** What the outlets of a trial gave, by what the devices on them did, and where it all ended. */
function seenIn(input: TrialInput): { given: Given[]; x: Float64Array; fine: number[][] } {
  const run = startRun({ ...input, plain: true });
  const { chamber, dt } = run.input;
  const devices = [...chamber.heaters, ...chamber.coolers].map((d) => d.id);
  const given: Given[] = [];
  const fine: number[][] = [];
  advance(run, run.steps, {
    sample({ step, on, x }) {
      const runs = (ids: readonly string[]) => Number(ids.some((id) => on & (1 << devices.indexOf(id))));
      const outs = chamber.controllers.flatMap((c) => [runs(c.heat), runs(c.cold)]);
      if (given.at(-1)?.outs.join() !== outs.join()) given.push({ at: step * dt, outs });
      if (step % 7000 === 0) fine.push([...x]);
    },
  });
  return { given, x: run.state.x, fine };
}

describe("outlets that were seen", () => {
  it("are in force from their step on, until the next ones", () => {
    const given = [0, 12, 12.4, 40].map((at) => ({ at, outs: [1, 0] }));
    const at = (step: number) => givenAt(given, step, 5);
    expect([0, 2, 3, 7, 8, 99].map((s) => at(s).index)).toEqual([0, 0, 2, 2, 3, 3]);
    expect([0, 3, 8].map((s) => at(s).until)).toEqual([3, 8, Infinity]);
    expect(givenAt(given.slice(1), 0, 5)).toEqual({ index: -1, until: 3 });
  });

  // Whatever the units would decide: what they are set to in the replay is far from what they were set to.
  const cases: [string, ChamberRecord][] = [
    [
      "a fridge with heat and cold, its door opened on the way",
      meeting(recordWith(...room), { kind: "door", at: 9 * HOUR, lasting: 600 }),
    ],
    ["two units, one of them in the other scale", changed(twoUnits(), ...room)],
  ];
  it.each(cases)("%s: replayed they lead to the same temperatures, by steps and by leaps", (_, record) => {
    const input = trialOf(planOf(record), 5);
    const { given, x, fine } = seenIn(input);
    expect(given.length).toBeGreaterThan(20);
    const off = input.settings.map((stage) => stage.map((s) => ({ ...s, setpoint: celsius(s.setpoint + 9) })));
    for (const plain of [true, false]) {
      const run = startRun({ ...input, settings: off, given, plain });
      let steps = 0;
      advance(run, run.steps, {
        sample: (now) => {
          steps++;
          if (now.step % 7000 === 0)
            fine[now.step / 7000]!.forEach((t, i) => expect(Math.abs(now.x[i]! - t)).toBeLessThan(1e-8));
        },
        ...(plain ? {} : { leap: () => undefined }),
      });
      for (let i = 0; i < run.network.nodes.length; i++) expect(Math.abs(run.state.x[i]! - x[i]!)).toBeLessThan(1e-8);
      if (plain) expect(steps).toBe(run.steps);
      else expect(steps).toBeLessThan(run.steps / 20);
    }
  });

  it("none seen yet is nothing on, and a power cut takes from them what they give", () => {
    const input = trialOf(planOf(recordWith(...room)), 1);
    const idle = startRun({ ...input, given: [] });
    advance(idle, idle.steps, unwatched);
    expect(idle.state.on).toBe(0);
    const cut = trialOf(planOf(meeting(recordWith(...room), { kind: "powerCut", at: HOUR, lasting: 2 * HOUR })), 1);
    const seen: [number, number][] = [];
    const run = startRun({ ...cut, given: [{ at: 0, outs: [1, 0] }] });
    advance(run, run.steps, { sample: ({ step, on }) => seen.push([step * cut.dt, on]) });
    expect(seen.filter(([at, on]) => (on === 0) !== (at >= HOUR && at < 3 * HOUR))).toEqual([]);
  });
});
