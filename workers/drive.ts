import { breath } from "./breath";

/** What a job is told by, and what it asks of, the one who drives it. */
export interface Around {
  progress: (progress: unknown) => void;
  /** Nobody wants its answer any more. */
  stopped: () => boolean;
}

/**
 * A piece of work in small steps. Between two of them others have their turn, and it can be ended. A promise that it
 * yields is waited for, and its answer given back.
 */
export type Work<R> = Generator<Promise<unknown> | undefined, R, unknown>;

/** Longest that a job goes on without letting others have their turn, ms. */
const SLICE = 16;
/** At least so often a job that goes on says so, ms. */
const SIGN = 1000;

/** The job was ended because nobody wants its answer any more. */
export class Stopped extends Error {}

/**
 * Drives a piece of work to its end in slices.
 * @param tell hears its progress, and null as a mere sign of life
 * @param way is waited for between two slices: what lends a hand gives way to what its own worker is asked
 * @throws Stopped; what the work itself throws
 */
export async function drive<R>(
  begin: (around: Around) => Work<R>,
  stopped: () => boolean,
  tell: (progress: unknown) => void = () => undefined,
  way: () => Promise<void> = breath,
): Promise<R> {
  let told = performance.now();
  const say = (progress: unknown) => {
    told = performance.now();
    tell(progress);
  };
  const work = begin({ progress: say, stopped });
  let since = performance.now();
  let step = work.next();
  while (!step.done) {
    let go = () => work.next();
    if (step.value)
      go = await step.value.then(
        (given) => () => work.next(given),
        // It gets to tidy up after what failed.
        (error: unknown) => () => work.throw(error),
      );
    const now = performance.now();
    if (now - told > SIGN) say(null);
    if (now - since > SLICE) {
      await way();
      since = performance.now();
    }
    if (stopped()) {
      work.return(undefined as never);
      throw new Stopped("It was stopped.");
    }
    step = go();
  }
  return step.value;
}
