/** One who takes a piece of work; the lead itself or a worker beside it. */
export type Hand<T, R> = (task: T) => R | Promise<R>;

/**
 * Deals tasks to hands: each takes the next one when it is free. Answers stand in the order of the tasks, whoever
 * worked on them. A hand that fails ends the whole; `stop` is asked before every task.
 * @returns null where it was stopped
 */
export async function deal<T, R>(
  tasks: readonly T[],
  hands: readonly Hand<T, R>[],
  stop: () => boolean,
  onDone: (finished: number) => void = () => undefined,
): Promise<R[] | null> {
  const answers: R[] = [];
  let next = 0;
  let finished = 0;
  let broken = false;
  const work = async (hand: Hand<T, R>) => {
    while (next < tasks.length && !stop() && !broken) {
      const at = next++;
      try {
        answers[at] = await hand(tasks[at]!);
      } catch (error) {
        broken = true;
        throw error;
      }
      onDone(++finished);
    }
  };
  await Promise.all(hands.map(work));
  return stop() ? null : answers;
}
