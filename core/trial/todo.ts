import { nextAttended, stageName, taskMoments } from "../program";
import type { Scale } from "../quantity";
import { forewarnings, puttingIn } from "./forewarned";
import { keyingTasks, type KeyingTask } from "./keying";
import type { HandTask } from "./handTask";
import type { Plan } from "./planWith";
import type { Trial } from "./runTrial";

/** What has to be done over a program: numbers to be keyed in, and things to do. */
export type Todo = KeyingTask | HandTask;
export const isKeying = (task: Todo): task is KeyingTask => "numbers" in task;

/** Where the stages of a program lie in its trial, s: the last one as long as it lasts, or to the end of the trial. */
export interface StageSpan {
  id: string;
  from: number;
  to: number;
  /** Its end came within the trial. */
  ended: boolean;
}

export function stageSpans({ stages, finishedAt, days }: Pick<Trial, "stages" | "finishedAt" | "days">): StageSpan[] {
  return stages.map(({ id, from, to }, i) => {
    const last = i === stages.length - 1;
    if (last) return { id, from, to: finishedAt ?? days * 86_400, ended: finishedAt !== null };
    return { id, from, to, ended: true };
  });
}

/** When the program has done what it is there for: its end, or the beginning of a last stage that only waits; null: not in this trial. */
export function doneAt(chamber: Plan["chamber"], trial: Pick<Trial, "stages" | "finishedAt" | "days">): number | null {
  if (trial.finishedAt !== null) return trial.finishedAt;
  const last = chamber.stages.at(-1)!;
  if (chamber.stages.length < 2 || last.ends.length > 0 || last.latest > 0) return null;
  return trial.stages.find((s) => s.id === last.id)?.from ?? null;
}

/** Things to do over a program, by the trial of it. */
export function handTasks({ chamber }: Plan, trial: Trial): HandTask[] {
  const { program } = chamber;
  return stageSpans(trial).flatMap(({ id, from, to, ended }) => {
    const stage = chamber.stages.find((s) => s.id === id)!;
    return taskMoments(stage, from, ended ? to : null, to).map((task): HandTask => {
      const attended = nextAttended(program, trial.startHour, task.at);
      return {
        id: `${id}-${task.id}`,
        at: Number.isFinite(attended) ? attended : task.at,
        stage: id,
        stageName: stageName(chamber.stages, id),
        name: task.name,
        waited: attended > task.at + 60,
      };
    });
  });
}

/** All of it, in the order of time. */
export const todoList = (plan: Plan, trial: Trial, scale: Scale): Todo[] =>
  [
    ...keyingTasks(plan, trial, scale),
    ...puttingIn(plan, trial, scale),
    ...handTasks(plan, trial),
    ...forewarnings(plan, trial, scale),
  ].sort((a, b) => a.at - b.at);

/** A thing to do that stands elsewhere in time, or says other numbers, than it did. */
export interface TodoChange {
  kind: "moved" | "changed" | "new" | "gone";
  task: Todo;
  /** As it was; null where it is new. */
  before: Todo | null;
}

const contentOf = (task: Todo): string => (isKeying(task) ? JSON.stringify(task.numbers) : task.name);
/** Nobody notices a shift of less, s. */
const NOTICED = 15 * 60;

/** What has become of a list of things to do: by the names of its entries, which last. */
export function todoChanges(before: readonly Todo[], after: readonly Todo[]): TodoChange[] {
  const found = after.flatMap((task): TodoChange[] => {
    const was = before.find((t) => t.id === task.id);
    if (!was) return [{ kind: "new", task, before: null }];
    if (contentOf(was) !== contentOf(task)) return [{ kind: "changed", task, before: was }];
    return Math.abs(was.at - task.at) >= NOTICED ? [{ kind: "moved", task, before: was }] : [];
  });
  const gone = before.filter((t) => !after.some((a) => a.id === t.id));
  return [...found, ...gone.map((task): TodoChange => ({ kind: "gone", task, before: task }))];
}
