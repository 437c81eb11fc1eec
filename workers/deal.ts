/** One who takes a piece of work; the lead itself or a worker beside it. */
export type Hand<T, R> = (task: T) => R | Promise<R>;

/** For so long the lead waits for a sign of the others when it has nothing left to do, ms. */
const PATIENCE = 5000;

/**
 * Deals tasks to hands: each takes the next one when it is free. Answers stand in the order of the tasks, whoever
 * worked on them. A hand that fails ends the whole; `stop` is asked before every task. What a hand that has gone silent
 * had begun the first hand does once more.
 * @returns null where it was stopped
 */
export async function deal<T, R>(
  tasks: readonly T[],
  hands: readonly Hand<T, R>[],
  stop: () => boolean,
  onDone: (finished: number) => void = () => undefined,
  patience = PATIENCE,
): Promise<R[] | null> {
  const answers: R[] = [];
  const open = new Set(tasks.keys());
  let next = 0;
  let broken = false;
  let heard: () => void = () => undefined;
  const answer = async (hand: Hand<T, R>, at: number) => {
    try {
      const given = await hand(tasks[at]!);
      if (!open.delete(at)) return;
      answers[at] = given;
      onDone(tasks.length - open.size);
    } catch (error) {
      broken = true;
      throw error;
    } finally {
      heard();
    }
  };
  const work = async (hand: Hand<T, R>) => {
    while (next < tasks.length && !stop() && !broken) await answer(hand, next++);
  };
  const [lead, ...others] = hands;
  const own = work(lead!);
  const helped = Promise.all(others.map(work));
  helped.catch(() => undefined);
  await own;
  while (open.size > 0 && !stop()) {
    const sign = new Promise<boolean>((resolve) => {
      const clock = setTimeout(() => resolve(false), patience);
      heard = () => {
        clearTimeout(clock);
        resolve(true);
      };
    });
    // A hand that failed says why.
    if (await Promise.race([sign, helped.then(() => open.size === 0)])) continue;
    await answer(lead!, open.values().next().value!);
  }
  return stop() ? null : answers;
}
