import { expose, transfer } from "comlink";
import { nanoid } from "nanoid";
import { breath } from "./breath";
import { helper, jobs, type Around, type Input, type JobName, type Output, type Work } from "./jobs";

/** Longest that a job goes on without letting others have their turn, ms. */
const SLICE = 16;
/** At least so often a job that goes on says so, ms. */
const SIGN = 1000;

/** The job was ended because nobody wants its answer any more. */
export class Stopped extends Error {}

/**
 * Drives a piece of work to its end in slices.
 * @param tell hears its progress, and null as a mere sign of life
 * @throws Stopped; what the work itself throws
 */
export async function drive<R>(
  begin: (around: Around) => Work<R>,
  stopped: () => boolean,
  tell: (progress: unknown) => void = () => undefined,
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
      await breath();
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

const running = new Map<number, { stopped: boolean }>();
/** So many times a worker that has nothing to do makes itself quicker. */
let warmings = 4;
/** Pause after the last job, ms: a hand that is still at it asks again within it. */
const REST = 250;
let resting: ReturnType<typeof setTimeout> | undefined;

function rest(): void {
  clearTimeout(resting);
  if (running.size || warmings <= 0) return;
  resting = setTimeout(() => {
    warmings--;
    void drive(jobs.warm, () => running.size > 0).then(rest, () => undefined);
  }, REST);
}

/** Holds a lock for as long as this worker lives; its name, or null where the browser has none (it wants a secure address). */
async function holdLock(): Promise<string | null> {
  const locks = (globalThis.navigator as Partial<Navigator> | undefined)?.locks;
  if (!locks) return null;
  const name = `gentle-crock-worker-${nanoid()}`;
  await new Promise<void>((held) => {
    void locks.request(name, () => {
      held();
      return new Promise(() => undefined);
    });
  });
  return name;
}

/** What the page asks of a worker. */
export const desk = {
  /** The lock that the browser takes from this worker when it ends. */
  pulse: holdLock,

  async run<J extends JobName>(
    id: number,
    name: J,
    input: Input<J>,
    tell?: (progress: unknown) => void,
  ): Promise<Output<J>> {
    const mine = { stopped: false };
    running.set(id, mine);
    try {
      const begin = jobs[name] as unknown as (input: Input<J>, around: Around) => Work<Output<J>>;
      return await drive(
        (around) => begin(input, around),
        () => mine.stopped,
        tell,
      );
    } finally {
      running.delete(id);
      rest();
    }
  },

  stop(id: number): void {
    const job = running.get(id);
    if (job) job.stopped = true;
  },

  /** A line on which another worker asks this one for help. */
  lend(): MessagePort {
    const { port1, port2 } = new MessageChannel();
    expose(helper, port1);
    return transfer(port2, [port2]);
  },

  /** Gets quick before the first job. */
  warm(): void {
    rest();
  },
};

export type Desk = typeof desk;
