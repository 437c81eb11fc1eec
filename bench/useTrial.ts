"use client";

import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { ChamberRecord } from "@/core/model";
import type { Scale } from "@/core/quantity";
import type { Plan } from "@/core/trial";
import { verdictKey, type Effect } from "@/core/verdict";
import { pool, whyLost, type FirstAnswer, type TrialAnswer } from "@/workers";

interface Question {
  record: ChamberRecord;
  days: number;
  scale: Scale;
}

export interface LiveTrial {
  /** Its trial may be a moment ahead of its verdicts: it is shown as soon as it is there. */
  answer: TrialAnswer | null;
  /** The question that its trial answers. */
  of: Question | null;
  /** What was worked out last, before a trial that could not be run; null where nothing ever was. */
  known: { record: ChamberRecord; plan: Plan } | null;
  /** The answer, or the verdicts in it, are not yet those of the question now asked. */
  busy: boolean;
  /** Why there is no answer to the question now asked; null where there is one, or it is on its way. */
  failed: string | null;
  /** Answers so far. */
  count: number;
  /** From the question to its trial, on the page, ms. */
  round: number;
  /** Asks once more, after it has failed. */
  again: () => void;
}

export interface TrialHold extends LiveTrial {
  /** Asks for the trial of a record now, before the screen has taken it over: the worker need not wait for it. */
  ask: (record: ChamberRecord) => void;
}

type Live = Omit<LiveTrial, "busy" | "again" | "known"> & {
  /** The verdicts are those of the trial. */
  judged: boolean;
};

/** What is on show once an answer has come, whole or only its trial: until they come, the verdicts are the last ones. */
function shownWith(last: Live, answer: TrialAnswer | FirstAnswer, of: Question, round: number): Live {
  const whole = "verdicts" in answer;
  if (last.answer && last.of === of)
    // The trial that is on show already stays the same one, so that nothing is drawn again.
    return whole
      ? { ...last, answer: { ...answer, plan: last.answer.plan, trial: last.answer.trial }, judged: true }
      : last;
  const shown = { of, round, failed: null, count: last.count + 1, judged: whole };
  if (whole) return { answer, ...shown };
  // The first answer of all comes whole.
  if (!last.answer) return last;
  const { verdicts, calm } = last.answer;
  return { answer: { ...answer, verdicts, calm, took: { ...answer.took, verdicts: 0 } }, ...shown };
}

const trialKeys = new WeakMap<ChamberRecord, string>();
/** A record as a trial sees it: what was read off a meter, ticked, bought or settled changes nothing of it. */
function trialKey(record: ChamberRecord): string {
  const { work: _work, parts: _parts, settled: _settled, revision: _revision, updatedAt: _at, ...seen } = record;
  const key = trialKeys.get(record) ?? JSON.stringify(seen);
  trialKeys.set(record, key);
  return key;
}
const sameTrial = (a: ChamberRecord, b: ChamberRecord): boolean => a === b || trialKey(a) === trialKey(b);

/** The worker's trial of a chamber: runs again on every change, the latest only, with the last answer on show meanwhile. */
export function useTrial(record: ChamberRecord, days: number, scale: Scale): TrialHold {
  const [live, setLive] = useState<Live>({
    answer: null,
    judged: false,
    of: null,
    failed: null,
    count: 0,
    round: 0,
  });
  const next = useRef<Question | null>(null);
  const latest = useRef<Question | null>(null);
  const running = useRef(false);
  /** Ends the judging of a trial that is on show already; null where there is none. */
  const judging = useRef<AbortController | null>(null);
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
      if (current && sameTrial(current.record, asked) && current.days === days && current.scale === scale) return;
      latest.current = next.current = { record: asked, days, scale };
      judging.current?.abort();
      const pump = async () => {
        if (running.current) return;
        running.current = true;
        // What failed was another question.
        setLive((l) => (l.failed === null ? l : { ...l, failed: null }));
        while (next.current) {
          const question = next.current;
          next.current = null;
          const asked = performance.now();
          const left = new AbortController();
          const show = (answer: TrialAnswer | FirstAnswer) => {
            const round = performance.now() - asked;
            if (alive.current) setLive((l) => shownWith(l, answer, question, round));
          };
          const progress = (told: unknown) => {
            // A newer question need not wait for the verdicts of this one.
            judging.current = left;
            show(told as FirstAnswer);
          };
          try {
            show(await pool.run("trial", question, { lane: "screen", signal: left.signal, progress }));
          } catch (error) {
            if (alive.current && !left.signal.aborted) setLive((l) => ({ ...l, failed: whyLost(error) }));
          }
          judging.current = null;
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

  const { of, judged, ...rest } = live;
  const done = judged && of !== null && sameTrial(of.record, record) && of.days === days && of.scale === scale;
  const { answer } = rest;
  const known = useMemo(() => (of && answer ? { record: of.record, plan: answer.plan } : null), [of, answer]);
  // Nothing of another chamber's trial stands where this one's could not be run.
  if (live.failed !== null) return { ...rest, answer: null, of: null, known, busy: false, ask, again };
  return { ...rest, of, known, busy: !done, ask, again };
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
