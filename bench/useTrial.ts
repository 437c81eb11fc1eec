"use client";

import { useEffect, useRef, useState } from "react";
import type { ChamberRecord } from "@/core/model";
import type { Scale } from "@/core/quantity";
import type { Effect } from "@/core/verdict";
import { trialBench, weighBench, type TrialAnswer } from "@/workers";

interface Question {
  record: ChamberRecord;
  days: number;
  scale: Scale;
}

export interface LiveTrial {
  answer: TrialAnswer | null;
  /** The question that the answer answers. */
  of: Question | null;
  busy: boolean;
  failed: boolean;
}

/** The worker's trial of a chamber: runs again on every change, the latest only, with the last answer on show meanwhile. */
export function useTrial(record: ChamberRecord, days: number, scale: Scale): LiveTrial {
  const [live, setLive] = useState<LiveTrial>({ answer: null, of: null, busy: true, failed: false });
  const next = useRef<Question | null>(null);
  const running = useRef(false);
  const alive = useRef(true);

  useEffect(() => {
    alive.current = true;
    return () => {
      alive.current = false;
    };
  }, []);

  useEffect(() => {
    next.current = { record, days, scale };
    const pump = async () => {
      if (running.current) return;
      running.current = true;
      while (next.current) {
        const question = next.current;
        next.current = null;
        try {
          const answer = await trialBench().trial(question.record, question.days, question.scale);
          if (alive.current) setLive({ answer, of: question, busy: next.current !== null, failed: false });
        } catch {
          if (alive.current) setLive((l) => ({ ...l, busy: false, failed: true }));
        }
      }
      running.current = false;
    };
    void pump();
  }, [record, days, scale]);

  return live;
}

const SETTLE = 250;

/** Effects of the remedies of a trial's verdicts, weighed in a second worker once the edits have paused. */
export function useEffects(live: LiveTrial): Record<string, Effect[] | undefined> {
  const [effects, setEffects] = useState<{ of: TrialAnswer; by: Record<string, Effect[]> } | null>(null);
  const { answer, of, busy } = live;
  useEffect(() => {
    if (!answer || !of || busy) return;
    let gone = false;
    const timer = setTimeout(async () => {
      for (const verdict of answer.verdicts) {
        if (gone || verdict.remedies.length === 0) continue;
        const found = await weighBench().weigh(of.record, verdict, answer.verdicts, of.days, of.scale);
        if (gone) return;
        setEffects((e) => ({ of: answer, by: { ...(e?.of === answer ? e.by : {}), [verdict.id]: found } }));
      }
    }, SETTLE);
    return () => {
      gone = true;
      clearTimeout(timer);
    };
  }, [answer, of, busy]);
  return effects && effects.of === answer ? effects.by : {};
}
