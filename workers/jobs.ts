import { transfer, wrap, type Remote } from "comlink";
import { newChamber } from "@/core/chamber";
import { RoomReader, type TimeUnit } from "@/core/formats";
import type { ChamberRecord, RoomReadings, WorkshopRecord } from "@/core/model";
import { read, refuse, type Read, type Scale } from "@/core/quantity";
import {
  gentlest,
  type Gentlest,
  lastSetups,
  progressOf,
  searchOf,
  tryTask,
  type Recommendation,
  type RecommendOptions,
  type SearchProgress,
  type Task,
  type Tried,
} from "@/core/recommend";
import {
  beginEnsemble,
  drawCourse,
  gatherEnsemble,
  planBack,
  planOf,
  stretchOf,
  trialOf,
  trialSteps,
  usualGrace,
  type BackPlanned,
  type Course,
  type Ensemble,
  type FailureGrace,
  type KeptRun,
  type Member,
  type Metrics,
  type Plan,
  type Shown,
  type StageResult,
  type Trace,
  type Trial,
} from "@/core/trial";
import { calmStages, calmSteps, judge, weigh, type Effect, type Verdict } from "@/core/verdict";
import { consequencesSaid, proofAnswer, type ProofAnswer, type SaidConsequence, type WiringPlan } from "@/core/wiring";
import { breath } from "./breath";
import type { Envelope, SeriesNotes } from "@/core/series";
import { deal, type Hand } from "./deal";
import { drive, type Around, type Work } from "./drive";
import type { BackupContents } from "@/workshop/backup";
import type { Packed } from "@/workshop/pack";
import { packing, readingsFor, shelf } from "./readings";

/** What a hand at a handle waits for: it is there before the verdicts are. */
export interface FirstAnswer {
  /** The plan that the trial ran on: worked out here, once. */
  plan: Plan;
  trial: Trial;
  /** Milliseconds spent on each part of it. */
  took: { plan: number; trial: number };
}

export interface TrialAnswer extends FirstAnswer {
  verdicts: Verdict[];
  /** How its stages go where nothing happens: what is normal. */
  calm: StageResult[];
  took: { plan: number; trial: number; verdicts: number };
}

/** How far the reading of a table is. */
export interface ReadProgress {
  /** 0 to 1 of the file. */
  share: number;
  rows: number;
}

/** A table is read in pieces of so many bytes. */
const PIECE = 512 * 1024;

type Kept = Pick<KeptRun, "run" | "checkpoints">;
/** The last trials, so that any stretch of them can be looked at closely without running all of it again. */
const kept = new Map<string, Kept>();
const MOST_KEPT = 3;
const keyOf = (record: ChamberRecord, days: number) => `${days}|${JSON.stringify(record)}`;

function* run(record: ChamberRecord, days: number): Work<KeptRun & { plan: Plan; planned: number }> {
  yield readingsFor(record);
  const plan = planOf(record);
  const planned = performance.now();
  const done = yield* trialSteps(trialOf(plan, days));
  if (kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value!);
  kept.set(keyOf(record, days), { run: done.run, checkpoints: done.checkpoints });
  return { ...done, plan, planned };
}

const buffersOf = ({ low, high, layers, heat, cold, alarm }: Trace): ArrayBuffer[] =>
  [...Object.values(low), ...Object.values(high), ...layers.flatMap((l) => [l.low, l.high]), heat, cold, alarm].map(
    (a) => a.buffer as ArrayBuffer,
  );

const setupsFor = lastSetups();
/** What a worker lends to another one's search, and to its draws. */
export interface Helper {
  attempt(record: ChamberRecord, options: RecommendOptions, task: Task): Promise<Tried>;
  draw(record: ChamberRecord, shown: Shown, step: number, member: Member): Promise<Course>;
}

/** @param way is waited for between two pieces of what is lent */
export const helperThat = (way: () => Promise<void>): Helper => ({
  async attempt(record, options, task) {
    await way();
    return tryTask(setupsFor(record, options), task);
  },
  async draw(record, shown, step, member) {
    await readingsFor(record);
    await way();
    return drive(
      () => drawCourse({ plan: planOf(record), shown, step }, member),
      () => false,
      undefined,
      way,
    );
  },
});

/** The last wirings: what was worked out of one is kept with it. */
const plans = new Map<string, WiringPlan>();
function samePlan(plan: WiringPlan): WiringPlan {
  const key = JSON.stringify(plan);
  const found = plans.get(key) ?? plan;
  if (!plans.has(key) && plans.size >= MOST_KEPT) plans.delete(plans.keys().next().value!);
  plans.set(key, found);
  return found;
}

/** Everything that is done beside the page. */
export const jobs = {
  *trial(
    { record, days, scale }: { record: ChamberRecord; days: number; scale: Scale },
    { progress }: Around,
  ): Work<TrialAnswer> {
    const started = performance.now();
    const { trial, plan, planned } = yield* run(record, days);
    const ran = performance.now();
    const first = { plan: planned - started, trial: ran - planned };
    // Where something happens in it, its verdicts want a second trial: the first is not kept waiting for that.
    if (plan.chamber.happenings.length) {
      progress({ plan, trial, took: first } satisfies FirstAnswer);
      yield* calmSteps(plan, trial);
    }
    const verdicts = judge(plan, trial, scale);
    const took = { ...first, verdicts: performance.now() - ran };
    return transfer({ plan, trial, verdicts, calm: calmStages(plan, trial), took }, buffersOf(trial.trace));
  },

  /** A stretch of a chamber's trial in bins of its own. */
  *stretch(asked: { record: ChamberRecord; days: number; from: number; to: number; bins: number }): Work<Trace> {
    const { record, days, from, to, bins } = asked;
    const trace = stretchOf(kept.get(keyOf(record, days)) ?? (yield* run(record, days)), from, to, bins);
    return transfer(trace, buffersOf(trace));
  },

  /** What each remedy of a verdict does. */
  *weigh(asked: {
    record: ChamberRecord;
    verdict: Verdict;
    all: Verdict[];
    days: number;
    scale: Scale;
  }): Work<Effect[]> {
    yield readingsFor(asked.record);
    const effects: Effect[] = [];
    for (const remedy of asked.verdict.remedies) {
      const one = { ...asked.verdict, remedies: [remedy] };
      effects.push(...weigh(asked.record, one, asked.all, asked.days, asked.scale));
      yield;
    }
    return effects;
  },

  /** Hours of grace of the usual failures in a stage, for what its metrics are of. */
  *grace({ plan, metrics }: { plan: Plan; metrics: Metrics }): Work<FailureGrace[]> {
    yield readingsFor(plan.chamber);
    return usualGrace(plan, metrics);
  },

  /** Between what a trial's products may come out, and when they may be ready: trials of their own, by many hands. */
  *range(
    { record, shown, hands }: { record: ChamberRecord; shown: Shown; hands: MessagePort[] },
    { progress, stopped }: Around,
  ): Work<Ensemble> {
    const helpers = hands.map((port): Remote<Helper> => wrap<Helper>(port));
    try {
      yield readingsFor(record);
      const begun = yield* beginEnsemble(planOf(record), shown);
      const { step, members } = begun;
      const of = members.length + 1;
      progress({ done: 1, of } satisfies SearchProgress);
      const mine: Hand<Member, Course> = (member) => drive(() => drawCourse(begun, member), stopped);
      const others = helpers.map(
        (h): Hand<Member, Course> =>
          (member) =>
            h.draw(record, shown, step, member),
      );
      const tell = (finished: number) => progress({ done: finished + 1, of } satisfies SearchProgress);
      const courses = (yield deal(members, [mine, ...others], stopped, tell)) as Course[] | null;
      return gatherEnsemble(begun, courses ?? []);
    } finally {
      for (const port of hands) port.close();
    }
  },

  /** When a program has to begin to be ready by a moment in nine of ten cases. */
  *planBack({ record, finishBy }: { record: ChamberRecord; finishBy: string }): Work<BackPlanned> {
    yield readingsFor(record);
    return yield* planBack(planOf(record), finishBy);
  },

  /** The coolest band in which a program is done within a time, s, in its slow case. */
  *gentlest({ record, within }: { record: ChamberRecord; within: number }): Work<Gentlest> {
    yield readingsFor(record);
    return yield* gentlest(record, within);
  },

  /** Searches for the best settings, with the help of other workers where there are any. */
  *recommend(
    { record, options, hands }: { record: ChamberRecord; options: RecommendOptions; hands: MessagePort[] },
    { progress, stopped }: Around,
  ): Work<Recommendation> {
    const helpers = hands.map((port): Remote<Helper> => wrap<Helper>(port));
    try {
      const steps = searchOf(record, options, setupsFor);
      let step = steps.next();
      while (!step.done) {
        const batch = step.value;
        const mine: Hand<Task, Tried> = async (task) => {
          const tried = tryTask(setupsFor(batch.record, batch.options), task);
          await breath();
          return tried;
        };
        const others = helpers.map(
          (h): Hand<Task, Tried> =>
            (task) =>
              h.attempt(batch.record, batch.options, task),
        );
        const tell = (finished: number) => progress(progressOf(batch, finished) satisfies SearchProgress);
        const tried = yield deal(batch.tasks, [mine, ...others], stopped, tell);
        // Stopped in the middle of a batch: the driver ends it here.
        step = steps.next((tried ?? []) as Tried[]);
      }
      return step.value;
    } finally {
      for (const port of hands) port.close();
    }
  },

  /** Reads a recorded room out of a table into the store, a piece at a time: a long one is never held as a whole. */
  *readRoom(
    { file, scale, unit }: { file: File; scale: Scale; unit?: TimeUnit },
    { progress }: Around,
  ): Work<Read<{ readings: RoomReadings; ends: [first: string, last: string] }>> {
    const { SeriesPen, ROOM_COLUMNS, dropSeries, recordedRoom } = (yield shelf()) as Awaited<ReturnType<typeof shelf>>;
    const pen = new SeriesPen(ROOM_COLUMNS, new Date().toISOString());
    const reader = new RoomReader(scale, (seconds, temperature) => pen.append(seconds, temperature), unit);
    const decoder = new TextDecoder();
    let whole = false;
    try {
      for (let at = 0; at < file.size; at += PIECE) {
        const bytes = (yield file.slice(at, at + PIECE).arrayBuffer()) as ArrayBuffer;
        const problem = reader.push(decoder.decode(bytes, { stream: true }));
        if (problem) return refuse(problem);
        yield pen.store();
        progress({ share: Math.min(1, (at + PIECE) / file.size), rows: reader.rows } satisfies ReadProgress);
      }
      const problem = reader.finish();
      if (problem) return refuse(problem);
      const notes = (yield pen.store(true)) as SeriesNotes;
      whole = true;
      return read({ readings: recordedRoom(pen.id, file.name, notes), ends: reader.ends });
    } finally {
      // Stopped, or wrong in some line: nothing of it stays. What cannot be taken out now is swept later.
      if (!whole) void dropSeries(pen.id).catch(() => undefined);
    }
  },

  /** The whole workshop as a file. */
  *exportBackup({ records, now }: { records: WorkshopRecord[]; now: string }): Work<Packed> {
    const { packBackup } = (yield packing()) as Awaited<ReturnType<typeof packing>>;
    return yield* packBackup(records, now);
  },

  /** What a backup file holds. */
  *lookIntoBackup({ file }: { file: Blob }): Work<Read<BackupContents>> {
    const { lookInto } = (yield packing()) as Awaited<ReturnType<typeof packing>>;
    return yield* lookInto(file);
  },

  /** Stores the readings of chambers that are brought in; the chambers come back as they speak of them. */
  *bringReadings(asked: { file: Blob; chambers: ChamberRecord[]; now: string }): Work<Read<ChamberRecord[]>> {
    const { unpackSeries } = (yield packing()) as Awaited<ReturnType<typeof packing>>;
    return yield* unpackSeries(asked.file, asked.chambers, asked.now);
  },

  /** A stretch of a recorded room for drawing; null where its readings are not in this browser. */
  *drawSeries(asked: { series: string; from: number; to: number; bins: number }): Work<Envelope | null> {
    const { stretchOfSeries } = (yield shelf()) as Awaited<ReturnType<typeof shelf>>;
    return (yield stretchOfSeries(asked.series, 0, asked)) as Envelope | null;
  },

  /** What a meter has to show of a wiring, what was read, and what that leaves possible. */
  *wiringProof(asked: { plan: WiringPlan; readings: Record<string, number> }): Work<ProofAnswer> {
    return yield* proofAnswer(samePlan(asked.plan), asked.readings);
  },

  /** What each single fault of a wiring would do. */
  *wiringFaults({ plan }: { plan: WiringPlan }): Work<SaidConsequence[]> {
    return yield* consequencesSaid(samePlan(plan));
  },

  /** Makes the worker quick before it is needed: a trial of the usual chamber. */
  *warm(): Work<void> {
    yield* trialSteps(trialOf(planOf(newChamber("warm", "Warm", "2026-01-01T00:00:00.000Z")), 3));
  },
} satisfies Record<string, (input: never, around: Around) => Work<unknown>>;

export type JobName = keyof typeof jobs;
export type Input<J extends JobName> = Parameters<(typeof jobs)[J]>[0];
type Answered<G> = G extends Generator<unknown, infer R, unknown> ? R : never;
export type Output<J extends JobName> = Answered<ReturnType<(typeof jobs)[J]>>;
