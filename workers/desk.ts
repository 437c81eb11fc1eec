import { expose, transfer } from "comlink";
import { nanoid } from "nanoid";
import { breath } from "./breath";
import { drive, type Around, type Work } from "./drive";
import { helperThat, jobs, type Input, type JobName, type Output } from "./jobs";

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

/** What is lent waits for so long for the worker's own jobs, and looks after them so often, ms. */
const PATIENCE = 2000;
const LOOK = 4;

/** Resolves when this worker has nothing of its own to do. */
async function ownFirst(): Promise<void> {
  await breath();
  for (let waited = 0; running.size > 0 && waited < PATIENCE; waited += LOOK)
    await new Promise((resolve) => setTimeout(resolve, LOOK));
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
    expose(helperThat(ownFirst), port1);
    return transfer(port2, [port2]);
  },

  /** Gets quick before the first job. */
  warm(): void {
    rest();
  },
};

export type Desk = typeof desk;
