import { jobEdits, jobs, newChamber, tryEdits } from "../chamber";
import type { CabinetKind, ChamberRecord, Edit } from "../model";
import { celsius } from "../quantity";
import { advance, isQuick, planOf, runTrial, startRun, trialOf, type Plan } from "../trial";
import { tries } from "../testing/hard";
import { walk } from "../testing/walk";
import { judge } from ".";

const rooms = { cold: [4, 12], mild: [14, 22], hot: [22, 32] } as const;
type Room = keyof typeof rooms;

/** A new chamber as the first three questions make it. */
function made(job: (typeof jobs)[number], box: CabinetKind, room: Room): ChamberRecord {
  const [low, high] = rooms[room];
  const tried = tryEdits(newChamber("a", "A", "2026-01-01T00:00:00.000Z"), [
    ...jobEdits(job, box),
    { section: "room", field: "low", value: celsius(low) } as Edit,
    { section: "room", field: "high", value: celsius(high) } as Edit,
  ]);
  if (!tried.ok) throw new Error(tried.problem);
  return tried.value;
}

/** Kelvin-hours outside of the band a day, from the first moment within it on: a plain sum over all steps. */
function degreeHours(plan: Plan, days: number): number {
  const input = trialOf(plan, days);
  const run = startRun(input);
  const [stage] = plan.chamber.stages;
  const node = stage!.of === "air" ? run.network.air : run.network.vessels[0]!;
  let [sum, since] = [0, 0];
  let arrived = false;
  advance(run, run.steps, {
    sample({ x }) {
      const t = x[node]!;
      arrived ||= t >= stage!.low && t <= stage!.high;
      if (!arrived) return;
      sum += Math.max(0, stage!.low - t, t - stage!.high) * (input.dt / 3600);
      since += input.dt / 86_400;
    },
  });
  return arrived ? sum / Math.max(since, 1 / 24) : Infinity;
}

/**
 * What opens with something serious because the person's room makes it hard: a plate that gives nothing in a hot room,
 * a product that heats itself where nothing cools. A line that is no longer true fails below, and so does one whose
 * remedies do not lead out.
 */
const hard: Record<string, readonly Room[]> = {
  "lager jacketed": ["hot"],
  "tempeh foam": ["hot"],
  "tempeh underCounter": ["hot"],
  "tempeh upright": ["hot"],
};

describe("a new chamber in the first minute", () => {
  it.each(jobs.flatMap((job) => job.boxes.map((box) => [job.id, box, job] as const)))(
    "%s in a %s holds its band in a cold, a mild and a hot room",
    (id, box, job) => {
      const days = isQuick(box) ? 1 : tries(3, 5);
      const troubled = (Object.keys(rooms) as Room[]).filter((room) => {
        const plan = planOf(made(job, box, room));
        const serious = judge(plan, runTrial(trialOf(plan, days)), "C").filter(
          (v) => v.severity === "danger" || v.severity === "warning",
        );
        // What is said to be in order is so by a sum that knows nothing of verdicts.
        if (serious.length === 0) expect(degreeHours(plan, days)).toBeLessThan(0.6);
        return serious.length > 0;
      });
      expect(troubled).toEqual(hard[`${id} ${box}`] ?? []);
      // The first remedy that cures, pressed as often as there is one, ends in a chamber without anything serious.
      for (const room of troubled) expect(walk(made(job, box, room)).left.map((v) => v.id)).toEqual([]);
    },
  );
});
