"use client";

import { useCallback, useEffect, useRef, useState } from "react";
import type { ChamberRecord } from "@/core/model";
import type { Scale } from "@/core/quantity";
import { verdictKey, type Effect } from "@/core/verdict";
import { pool, whyLost, type TrialAnswer } from "@/workers";

interface Question {
  record: ChamberRecord;
  days: number;
  scale: Scale;
}

export interface LiveTrial {
  answer: TrialAnswer | null;
  /** The question that the answer answers. */
  of: Question | null;
  /** The answer is not yet that of the question now asked. */
  busy: boolean;
  /** Why there is no answer to the question now asked; null where there is one, or it is on its way. */
  failed: string | null;
  /** Answers so far. */
  count: number;
  /** From the question to its answer, on the page, ms. */
  round: number;
  /** Asks once more, after it has failed. */
  again: () => void;
}

export interface TrialHold extends LiveTrial {
  /** Asks for the trial of a record now, before the screen has taken it over: the worker need not wait for it. */
  ask: (record: ChamberRecord) => void;
}

/** The worker's trial of a chamber: runs again on every change, the latest only, with the last answer on show meanwhile. */
export function useTrial(record: ChamberRecord, days: number, scale: Scale): TrialHold {
  const [live, setLive] = useState<Omit<LiveTrial, "busy" | "again">>({
    answer: null,
    of: null,
    failed: null,
    count: 0,
    round: 0,
  });
  const next = useRef<Question | null>(null);
  const latest = useRef<Question | null>(null);
  const running = useRef(false);
  const alive = useRef(true);

  useEffect(() => {
    alive.current = true;
    return () => {
      alive.current = false;
    };
  }, []);

  const ask = useCallback(
    (asked: ChamberRecord) => {
      const { current } = latest;
      if (current && current.record === asked && current.days === days && current.scale === scale) return;
      latest.current = next.current = { record: asked, days, scale };
      const pump = async () => {
        if (running.current) return;
        running.current = true;
        // What failed was another question.
        setLive((l) => (l.failed === null ? l : { ...l, failed: null }));
        while (next.current) {
          const question = next.current;
          next.current = null;
          const asked = performance.now();
          try {
            const answer = await pool.run("trial", question, { lane: "screen" });
            const round = performance.now() - asked;
            if (alive.current) setLive((l) => ({ answer, of: question, failed: null, count: l.count + 1, round }));
          } catch (error) {
            if (alive.current) setLive((l) => ({ ...l, failed: whyLost(error) }));
          }
        }
        running.current = false;
      };
      void pump();
    },
    [days, scale],
  );
  useEffect(() => ask(record), [ask, record]);
  const again = useCallback(() => {
    latest.current = null;
    ask(record);
  }, [ask, record]);

  const { of } = live;
  const answered = of !== null && of.record === record && of.days === days && of.scale === scale;
  return { ...live, busy: !answered && live.failed === null, ask, again };
}

/** Pause in the edits after which remedies are weighed, ms: weighing must not slow a hand that is still moving. */
const SETTLE = 600;

/** Effects of the remedies of a trial's verdicts, weighed in a second worker once the edits have paused. */
export function useEffects(live: LiveTrial): Record<string, Effect[] | undefined> {
  const [effects, setEffects] = useState<{ of: TrialAnswer; by: Record<string, Effect[]> } | null>(null);
  const { answer, of, busy } = live;
  useEffect(() => {
    if (!answer || !of || busy) return;
    const left = new AbortController();
    const timer = setTimeout(async () => {
      for (const verdict of answer.verdicts) {
        if (verdict.remedies.length === 0) continue;
        const found = await pool
          .run("weigh", { ...of, verdict, all: answer.verdicts }, { signal: left.signal })
          // What cannot be weighed is not offered; the rest is.
          .catch(() => []);
        if (left.signal.aborted) return;
        setEffects((e) => ({ of: answer, by: { ...(e?.of === answer ? e.by : {}), [verdictKey(verdict)]: found } }));
      }
    }, SETTLE);
    return () => {
      left.abort();
      clearTimeout(timer);
    };
  }, [answer, of, busy]);
  return effects && effects.of === answer ? effects.by : {};
}
