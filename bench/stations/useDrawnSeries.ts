"use client";

import { useEffect, useState } from "react";
import type { Envelope } from "@/core/series";
import { pool, whyLost } from "@/workers";

/** What is drawn of a series, or why it cannot be. */
export type Drawn = { envelope: Envelope } | { problem: string };

/** A stretch of a recorded room, read in a worker; null until it has come. */
export function useDrawnSeries(series: string, from: number, to: number, bins: number): Drawn | null {
  const asked = `${series} ${from} ${to} ${bins}`;
  const [found, setFound] = useState<{ of: string; drawn: Drawn } | null>(null);
  useEffect(() => {
    const left = new AbortController();
    const put = (drawn: Drawn) => {
      if (!left.signal.aborted) setFound({ of: asked, drawn });
    };
    pool.run("drawSeries", { series, from, to, bins }, { lane: "screen", signal: left.signal }).then(
      (envelope) => put(envelope ? { envelope } : { problem: "Its readings are not in this browser" }),
      (error: unknown) => put({ problem: `Its readings could not be drawn: ${whyLost(error)}` }),
    );
    return () => left.abort();
  }, [asked, series, from, to, bins]);
  return found?.of === asked ? found.drawn : null;
}
