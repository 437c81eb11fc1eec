/** What can be wrong with the browser's database, told apart by what the person can do about it. */
export type TroubleKind =
  /** There is none: a private window, or settings that forbid it. */
  | "none"
  /** It is there and does not open. */
  | "unopenable"
  /** Another tab holds an older state of it open. */
  | "blocked"
  /** It does not answer. */
  | "silent"
  | "full"
  | "failed";

export class StoreTrouble extends Error {
  constructor(
    readonly kind: TroubleKind,
    cause?: unknown,
  ) {
    super(troubleWords[kind].title, { cause });
  }
}

/** What went wrong, as one of the kinds. */
export function troubleOf(error: unknown, otherwise: TroubleKind = "failed"): StoreTrouble {
  if (error instanceof StoreTrouble) return error;
  const name = (error as { name?: unknown } | null)?.name;
  if (name === "QuotaExceededError") return new StoreTrouble("full", error);
  if (name === "SecurityError") return new StoreTrouble("none", error);
  return new StoreTrouble(otherwise, error);
}

/** Longest that the database may take over one thing, ms: a thousand chambers take a second on a slow phone. */
export const PATIENCE = 15_000;

/** Ends the wait for an answer that does not come. */
export function within<T>(work: Promise<T>, most = PATIENCE): Promise<T> {
  let clock: ReturnType<typeof setTimeout> | undefined;
  const silent = new Promise<never>((_, reject) => {
    clock = setTimeout(() => reject(new StoreTrouble("silent")), most);
  });
  return Promise.race([work, silent]).finally(() => clearTimeout(clock));
}

/** What is wrong and what to do about it, for people; `doing` is what did not work. */
export const troubleWords: Record<TroubleKind, { title: string; mend: string }> = {
  none: {
    title: "This browser gives the page no storage",
    mend: "Private windows and strict settings do that: open it in an ordinary window, or allow this site to store data.",
  },
  unopenable: {
    title: "The store of this browser does not open",
    mend: "What is in it has not been touched. Close other windows of this browser and try again; if that does not help, start the browser anew.",
  },
  blocked: {
    title: "Another tab holds the store in an older state",
    mend: "Close the other tabs with Gentle Crock, then try again. Nothing in it has been touched.",
  },
  silent: {
    title: "The store of this browser does not answer",
    mend: "What is in it has not been touched. Try again; if it stays silent, start the browser anew.",
  },
  full: {
    title: "The store of this browser is full",
    mend: "Make room on the device or in the browser\u2019s data of other sites. Until then keep this page open.",
  },
  failed: {
    title: "The store of this browser has refused a change",
    mend: "It is tried again every other second: keep this page open.",
  },
};
