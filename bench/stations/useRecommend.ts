"use client";

import { useCallback, useEffect, useRef, useState } from "react";
import type { ChamberRecord } from "@/core/model";
import type { Recommendation, RecommendOptions, SearchProgress } from "@/core/recommend";
import { pool, whyLost } from "@/workers";

export interface SearchState {
  running: boolean;
  progress: SearchProgress | null;
  /** The answer with the record that it is for: an edit makes it old. */
  answer: { of: ChamberRecord; found: Recommendation } | null;
  /** Why there is no answer; null where there is one, or none was asked for. */
  failed: string | null;
}

/** The last answer of each chamber, stage and unit: going to another station and back loses nothing. */
const answers = new Map<string, SearchState["answer"]>();

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
    failed: null,
  });
  const running = useRef<AbortController | null>(null);
  useEffect(() => () => running.current?.abort(), []);
  const start = useCallback(
    async (options: RecommendOptions) => {
      running.current?.abort();
      const { signal } = (running.current = new AbortController());
      const say = (next: Partial<SearchState>) => {
        if (!signal.aborted) setState((s) => ({ ...s, ...next }));
      };
      say({ running: true, progress: null, failed: null });
      try {
        const progress = (told: unknown) => say({ progress: told as SearchProgress });
        const hands = await pool.hands();
        const found = await pool.run("recommend", { record, options, hands }, { progress, signal, give: hands });
        const answer = { of: record, found };
        answers.set(key, answer);
        say({ running: false, progress: null, answer });
      } catch (error) {
        say({ running: false, progress: null, failed: whyLost(error) });
      }
    },
    [record, key],
  );
  const cancel = useCallback(() => {
    running.current?.abort();
    setState((s) => ({ ...s, running: false, progress: null }));
  }, []);
  return { ...state, start, cancel };
}
