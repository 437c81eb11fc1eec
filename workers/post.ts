/** Longest that a piece of work may take without a sign of life, ms: thirty times what the longest trial takes. */
export const LONGEST_WORK = 60_000;

/** The worker that was to do something is no more: what it was at has to be asked for again. */
export class WorkLost extends Error {}

/** A worker just started, and what it is asked through. */
export interface Started<T> {
  remote: T;
  worker: Pick<Worker, "terminate" | "addEventListener">;
  /** Resolves when it has ended, whatever of; undefined where the browser does not tell. */
  ended?: Promise<unknown>;
}

/**
 * A worker that is replaced when it dies, does not load, or gives no sign of life for too long. The next question starts
 * a new one; what the old one was asked ends with a reason, and nothing waits for ever.
 */
export class Post<T> {
  private held: { remote: T; gone: Promise<never>; end: (why: WorkLost) => void } | null = null;

  constructor(
    private readonly start: () => Started<T>,
    private readonly most = LONGEST_WORK,
  ) {}

  private open() {
    const { remote, worker, ended } = this.start();
    let end!: (why: WorkLost) => void;
    const gone = new Promise<never>((_, reject) => {
      end = (why) => {
        worker.terminate();
        if (this.held === held) this.held = null;
        reject(why);
      };
    });
    gone.catch(() => undefined); // nobody may be asking just then
    worker.addEventListener("error", () => end(new WorkLost("its worker ended or could not be loaded")));
    const held = { remote, gone, end };
    // A worker that is ended from outside, or by itself, says no word.
    ended?.then(
      () => end(new WorkLost("its worker ended or could not be loaded")),
      () => undefined,
    );
    return held;
  }

  /**
   * Has a piece of work done.
   * @param job asks the worker; it calls `alive` at each sign of life, which gives it as long once more
   * @param longest that it may take in all, ms
   * @throws WorkLost where the worker is gone; what the work itself throws
   */
  async ask<R>(job: (remote: T, alive: () => void) => Promise<R>, longest = Infinity): Promise<R> {
    const held = (this.held ??= this.open());
    const end = Number.isFinite(longest)
      ? setTimeout(
          () => held.end(new WorkLost(`it took longer than ${Math.round(longest / 1000)} s and was ended`)),
          longest,
        )
      : undefined;
    let clock: ReturnType<typeof setTimeout> | undefined;
    const alive = () => {
      clearTimeout(clock);
      clock = setTimeout(
        () => held.end(new WorkLost(`it gave no sign of life for ${Math.round(this.most / 1000)} s and was ended`)),
        this.most,
      );
    };
    alive();
    try {
      return await Promise.race([job(held.remote, alive), held.gone]);
    } finally {
      clearTimeout(clock);
      clearTimeout(end);
    }
  }
}

/** Why a piece of work has no answer, for people. */
export const whyLost = (error: unknown): string =>
  error instanceof Error && error.message ? error.message.replace(/\.$/, "") : "something went wrong in it";
