"use client";

import { useEffect, useState } from "react";
import type { ChamberRecord } from "@/core/model";
import type { Trace } from "@/core/trial";
import { isWhole, type View } from "@/parts/trace";
import { pool } from "@/workers";

/** Pause in zooming and panning after which a stretch is run again at its own detail, ms. */
const SETTLE = 120;
export const STRETCH_BINS = 600;

/** The trace of what is in sight at its own detail, once the hand rests; null until then and for the whole. */
export function useStretch(record: ChamberRecord | null, days: number, view: View | null): Trace | null {
  const [found, setFound] = useState<{ of: View; record: ChamberRecord; trace: Trace } | null>(null);
  const end = days * 86_400;
  const wanted = record && view && !isWhole(view, end) ? view : null;
  useEffect(() => {
    if (!record || !wanted) return;
    const left = new AbortController();
    const timer = setTimeout(async () => {
      const asked = { record, days, from: wanted.from, to: wanted.to, bins: STRETCH_BINS };
      const trace = await pool
        .run("stretch", asked, { lane: "screen", signal: left.signal })
        // The whole trial stays in sight, only coarser.
        .catch(() => null);
      if (!left.signal.aborted && trace) setFound({ of: wanted, record, trace });
    }, SETTLE);
    return () => {
      left.abort();
      clearTimeout(timer);
    };
  }, [record, days, wanted]);
  return found && found.of === wanted && found.record === record ? found.trace : null;
}
