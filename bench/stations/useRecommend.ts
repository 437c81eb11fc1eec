"use client";

import { proxy } from "comlink";
import { useCallback, useEffect, useRef, useState } from "react";
import type { ChamberRecord } from "@/core/model";
import type { Progress, Recommendation, RecommendOptions } from "@/core/recommend";
import { searchBench } from "@/workers";

export interface SearchState {
  running: boolean;
  progress: Progress | null;
  /** The answer with the record that it is for: an edit makes it old. */
  answer: { of: ChamberRecord; found: Recommendation } | null;
  failed: boolean;
}

/** A search for the best settings in a worker of its own, with progress and cancel. */
export function useRecommend(record: ChamberRecord) {
  const [state, setState] = useState<SearchState>({ running: false, progress: null, answer: null, failed: false });
  const alive = useRef(true);
  useEffect(() => {
    alive.current = true;
    return () => {
      alive.current = false;
      void searchBench().cancelRecommend();
    };
  }, []);
  const start = useCallback(
    async (options: RecommendOptions) => {
      setState((s) => ({ ...s, running: true, progress: null, failed: false }));
      try {
        const found = await searchBench().recommend(
          record,
          options,
          proxy((progress: Progress) => alive.current && setState((s) => ({ ...s, progress }))),
        );
        if (!alive.current) return;
        setState((s) => ({ ...s, running: false, progress: null, answer: found ? { of: record, found } : s.answer }));
      } catch {
        if (alive.current) setState((s) => ({ ...s, running: false, progress: null, failed: true }));
      }
    },
    [record],
  );
  const cancel = useCallback(() => {
    void searchBench().cancelRecommend();
    setState((s) => ({ ...s, running: false, progress: null }));
  }, []);
  return { ...state, start, cancel };
}
