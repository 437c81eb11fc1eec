"use client";

import { useEffect, useState } from "react";
import type { SearchProgress } from "@/core/recommend";
import type { ChamberRecord } from "@/core/model";
import { shownOf, type Ensemble, type Shown, type Trial } from "@/core/trial";
import { pool } from "@/workers";
import type { LiveTrial } from "./useTrial";

/** What a trial's products may come to and when, once it has been worked out; how far that is meanwhile. */
export interface RangeHold {
  /** Of the trial on show; null until it is there, and where it cannot be worked out. */
  range: Ensemble | null;
  progress: SearchProgress | null;
  failed: boolean;
}

/** Pause in the edits after which it is worked out, ms: forty trials are nothing for a hand that is moving. */
const SETTLE = 900;
const NONE: RangeHold = { range: null, progress: null, failed: false };

/** It comes by itself after every pause: nobody wants a phone full of workers for it. */
const HANDS = 3;

/** The range of a trial, by some of the workers that are free. */
export async function rangeFor(
  record: ChamberRecord,
  shown: Shown,
  options: Parameters<typeof pool.run>[2],
): Promise<Ensemble> {
  const hands = await pool.hands(HANDS);
  // Nobody wants it any more: what was lent goes back.
  if (options?.signal?.aborted) for (const hand of hands) hand.close();
  return pool.run("range", { record, shown, hands }, { ...options, give: hands });
}

/** Works out the range of the trial on show beside it: the usual course is there at once. */
export function useRange({ answer, of, busy }: Pick<LiveTrial, "answer" | "of" | "busy">): RangeHold {
  const [held, setHeld] = useState<RangeHold & { trial: Trial | null }>({ ...NONE, trial: null });
  const trial = answer?.trial ?? null;
  useEffect(() => {
    if (!trial || !of || busy) return;
    const left = new AbortController();
    const timer = setTimeout(() => {
      const shown = shownOf(answer!.plan.chamber, trial);
      const tell = (progress: unknown) => setHeld({ ...NONE, progress: progress as SearchProgress, trial });
      rangeFor(of.record, shown, { signal: left.signal, progress: tell })
        .then((range) => setHeld({ ...NONE, range, trial }))
        .catch(() => {
          if (!left.signal.aborted) setHeld({ ...NONE, failed: true, trial });
        });
    }, SETTLE);
    return () => {
      left.abort();
      clearTimeout(timer);
    };
  }, [trial, answer, of, busy]);
  return held.trial === trial ? held : NONE;
}
