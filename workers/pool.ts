import { proxy, transfer, type Remote } from "comlink";
import type { Desk } from "./desk";
import type { Input, JobName, Output } from "./jobs";
import type { Post } from "./post";

/** What is on screen has a worker of its own, that nothing else makes wait. */
export type Lane = "screen" | "rest";

export interface RunOptions {
  /** Hears how far it is. */
  progress?: (progress: unknown) => void;
  /** Ends it. */
  signal?: AbortSignal;
  lane?: Lane;
  /** What in the input is handed over and not copied. */
  give?: Transferable[];
}

/** Longest that a job may take, ms: far above what the slowest phone needs. */
const LONGEST: Record<JobName, number> = {
  trial: 60_000,
  stretch: 60_000,
  weigh: 120_000,
  grace: 120_000,
  planBack: 300_000,
  range: 120_000,
  gentlest: 300_000,
  recommend: 600_000,
  readRoom: 600_000,
  drawSeries: 60_000,
  exportBackup: 600_000,
  lookIntoBackup: 600_000,
  bringReadings: 600_000,
  wiringProof: 60_000,
  wiringFaults: 60_000,
  warm: 60_000,
};

type Place = Pick<Post<Remote<Desk>>, "ask">;

/** The workers of a page, and the one way to have work done by them. */
export class Pool {
  private count = 0;
  private readonly load = new Map<Place, number>();

  /**
   * @param screen for what is on screen
   * @param rest for everything else
   * @param alone there is one core: shared work is only slower
   */
  constructor(
    private readonly screen: Place,
    private readonly rest: readonly Place[],
    private readonly alone = false,
  ) {}

  /**
   * Has a job done.
   * @throws WorkLost where its worker died, hung or could not be loaded: the next job gets another; the reason of the
   * signal; what the work itself throws
   */
  async run<J extends JobName>(job: J, input: Input<J>, options: RunOptions = {}): Promise<Output<J>> {
    const { progress, signal, lane = "rest", give } = options;
    signal?.throwIfAborted();
    const place = lane === "screen" ? this.screen : this.leastBusy();
    const id = ++this.count;
    this.load.set(place, (this.load.get(place) ?? 0) + 1);
    let leave: (() => void) | undefined;
    const left = new Promise<never>((_, reject) => {
      leave = () => {
        reject(signal?.reason as Error);
        // It ends between two of its steps; a worker that is gone has ended it already.
        void place.ask((desk) => desk.stop(id)).catch(() => undefined);
      };
      signal?.addEventListener("abort", leave);
    });
    left.catch(() => undefined);
    const asked = place.ask(
      (desk, alive) =>
        desk.run(
          id,
          job,
          (give ? transfer(input as object, give) : input) as never,
          progress &&
            (proxy((told: unknown) => {
              alive();
              if (told !== null && !signal?.aborted) progress(told);
            }) as never),
        ) as Promise<Output<J>>,
      LONGEST[job],
    );
    try {
      return await Promise.race([asked, left]);
    } finally {
      asked.catch(() => undefined);
      if (leave) signal?.removeEventListener("abort", leave);
      this.load.set(place, this.load.get(place)! - 1);
    }
  }

  private leastBusy(): Place {
    return this.rest.reduce((best, p) => ((this.load.get(p) ?? 0) < (this.load.get(best) ?? 0) ? p : best));
  }

  /**
   * Lines to the workers that have nothing to do, for a job that can share its work; they have to be given. That of the
   * screen lends a hand too: what it is asked for itself comes first (desk.ts).
   * @param most so many at the most: each worker that is started takes memory
   */
  async hands(most = Infinity): Promise<MessagePort[]> {
    const lead = this.leastBusy();
    const idle = (this.alone ? [] : [this.screen, ...this.rest])
      .filter((p) => p !== lead && (this.load.get(p) ?? 0) === 0)
      .slice(0, most);
    const lent = await Promise.all(idle.map((p) => p.ask((desk) => desk.lend()).catch(() => null)));
    return lent.filter((port) => port !== null);
  }

  /** Has the worker of the screen started, and quick, before the first edit. */
  warm(): void {
    void this.screen.ask((desk) => desk.warm()).catch(() => undefined);
  }
}
