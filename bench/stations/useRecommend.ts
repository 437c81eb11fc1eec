"use client";

import { proxy } from "comlink";
import { useCallback, useEffect, useRef, useState } from "react";
import type { ChamberRecord } from "@/core/model";
import type { Recommendation, RecommendOptions, SearchProgress } from "@/core/recommend";
import { searchBench } from "@/workers";

export interface SearchState {
  running: boolean;
  progress: SearchProgress | null;
  /** The answer with the record that it is for: an edit makes it old. */
  answer: { of: ChamberRecord; found: Recommendation } | null;
  failed: boolean;
}

/** The last answer of each chamber, stage and unit: going to another station and back loses nothing. */
const answers = new Map<string, SearchState["answer"]>();

let searches = 0;
/** The search that is running ends before its next trial. */
const stop = () => void searchBench.ask((b) => b.cancelRecommend()).catch(() => undefined);

/**
 * A search for the best settings in a worker of its own, with progress and cancel.
 * @param about the stage and the unit that it is for
 */
export function useRecommend(record: ChamberRecord, about: string) {
  const key = `${record.id} ${about}`;
  const [state, setState] = useState<SearchState>({
    running: false,
    progress: null,
    answer: answers.get(key) ?? null,
    failed: false,
  });
  /** Number of the search that is running, 0 for none: what an ended one still has to say is not listened to. */
  const running = useRef(0);
  useEffect(
    () => () => {
      if (running.current) stop();
      running.current = 0;
    },
    [],
  );
  const start = useCallback(
    async (options: RecommendOptions) => {
      const mine = (running.current = ++searches);
      const still = () => running.current === mine;
      setState((s) => ({ ...s, running: true, progress: null, failed: false }));
      try {
        const found = await searchBench.ask((b, alive) =>
          b.recommend(
            record,
            options,
            proxy((progress: SearchProgress) => {
              alive();
              if (still()) setState((s) => ({ ...s, progress }));
            }),
          ),
        );
        if (!still() || !found) return;
        const answer = { of: record, found };
        answers.set(key, answer);
        running.current = 0;
        setState({ running: false, progress: null, answer, failed: false });
      } catch {
        if (still()) setState((s) => ({ ...s, running: false, progress: null, failed: true }));
      }
    },
    [record, key],
  );
  const cancel = useCallback(() => {
    running.current = 0;
    stop();
    setState((s) => ({ ...s, running: false, progress: null }));
  }, []);
  return { ...state, start, cancel };
}
