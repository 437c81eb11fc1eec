import type { Stage } from "../model";

/** Something to do in a stage, with its moment. */
export interface TaskMoment {
  id: string;
  name: string;
  /** s from the start of the program. */
  at: number;
}

/** So often a task is written down at the most: turning trays every hour for a month helps nobody. */
const MOST = 60;

/**
 * When the tasks of a stage are due.
 * @param from its beginning, s; `to` its end, or null where it is not known: what counts from it has no moment then
 * @param until as far as anything is known of it, s
 */
export function taskMoments(
  { tasks }: Pick<Stage, "tasks">,
  from: number,
  to: number | null,
  until: number,
): TaskMoment[] {
  const last = to ?? until;
  return tasks.flatMap(({ id, name, from: counted, seconds, every }) => {
    if (counted === "end" && to === null) return [];
    const first = counted === "beginning" ? from + seconds : Math.max(from, last - seconds);
    const times = every > 0 ? Math.min(MOST, 1 + Math.max(0, Math.floor((last - first) / every - 1e-9))) : 1;
    return Array.from({ length: times }, (_, i) => ({ id: `${id}-${i}`, name, at: first + i * every })).filter(
      (t) => t.at <= last + 1e-6,
    );
  });
}
