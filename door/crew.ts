import type { Call } from "./schemas";
import type { Reply } from "./reply";

export interface Job {
  call: Call;
  text: string;
}

/** A thread that does one job at a time. */
export interface Thread {
  run(job: Job): Promise<Reply>;
  /** Ends it at once, whatever it is at. */
  kill(): void;
}

/** Calls that are answered at once have a thread of their own: heavy ones never stand before them. */
export type Lane = "light" | "heavy";

interface Limits {
  /** Threads of a lane. */
  threads: number;
  /** Jobs of a lane that may wait. */
  waiting: number;
  /** Longest that a job may run, ms. */
  longest: number;
}

/** So many are waiting that it would be no use to wait too. */
export class Crowded extends Error {}
/** It took longer than a job may, and was ended. */
export class Overrun extends Error {}
/** Nobody waits for the answer any more. */
export class Abandoned extends Error {}

interface Waiting {
  begin: (thread: Thread) => void;
  fail: (why: unknown) => void;
}

/**
 * Threads that do the work of the door, so that the one that serves the pages stays free. A job that takes too long, or
 * for which nobody waits any more, ends with its thread; the next one gets a new one.
 */
export class Crew {
  private readonly idle: Record<Lane, Thread[]> = { light: [], heavy: [] };
  private readonly busy: Record<Lane, number> = { light: 0, heavy: 0 };
  private readonly queue: Record<Lane, Waiting[]> = { light: [], heavy: [] };

  constructor(
    private readonly start: () => Thread,
    private readonly limits: Record<Lane, Limits>,
  ) {}

  /**
   * Has a job done.
   * @param signal of who waits for it
   * @throws Crowded, Overrun, Abandoned; what the thread died of
   */
  async have(lane: Lane, job: Job, signal?: AbortSignal): Promise<Reply> {
    const thread = await this.turn(lane, signal);
    const { longest } = this.limits[lane];
    let stop!: (why: Error) => void;
    const stopped = new Promise<never>((_, reject) => (stop = reject));
    const leave = () => stop(new Abandoned());
    const clock = setTimeout(() => stop(new Overrun()), longest);
    signal?.addEventListener("abort", leave);
    if (signal?.aborted) leave();
    let whole = false;
    try {
      const reply = await Promise.race([thread.run(job), stopped]);
      whole = true;
      return reply;
    } finally {
      clearTimeout(clock);
      signal?.removeEventListener("abort", leave);
      if (!whole) thread.kill();
      this.done(lane, whole ? thread : null);
    }
  }

  /** A thread for a job, as soon as one is free. */
  private turn(lane: Lane, signal?: AbortSignal): Promise<Thread> {
    const { threads, waiting } = this.limits[lane];
    if (signal?.aborted) return Promise.reject(new Abandoned());
    if (this.busy[lane] < threads) {
      const thread = this.idle[lane].pop() ?? this.start();
      this.busy[lane]++;
      return Promise.resolve(thread);
    }
    const queue = this.queue[lane];
    if (queue.length >= waiting) return Promise.reject(new Crowded());
    return new Promise((resolve, reject) => {
      const mine: Waiting = { begin: resolve, fail: reject };
      queue.push(mine);
      signal?.addEventListener("abort", () => {
        const at = queue.indexOf(mine);
        if (at < 0) return;
        queue.splice(at, 1);
        reject(new Abandoned());
      });
    });
  }

  private done(lane: Lane, thread: Thread | null): void {
    for (let next = this.queue[lane].shift(); next; next = this.queue[lane].shift()) {
      try {
        return next.begin(thread ?? this.start());
      } catch (error) {
        next.fail(error);
      }
    }
    this.busy[lane]--;
    if (thread) this.idle[lane].push(thread);
  }
}
