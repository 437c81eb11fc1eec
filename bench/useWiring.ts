"use client";

import { useEffect, useState } from "react";
import type { ProofAnswer, SaidConsequence, WiringPlan } from "@/core/wiring";
import { pool, whyLost } from "@/workers";

interface Asked<T> {
  /** The last answer; null: there is none yet. */
  answer: T | null;
  /** It is the answer to what is asked now. */
  current: boolean;
  failed: string | null;
}

/** Asks a worker anew whenever the question changes; the last answer stays until the next is there. */
function useAsked<Q, T>(question: Q, ask: (question: Q, signal: AbortSignal) => Promise<T>): Asked<T> {
  const key = JSON.stringify(question);
  const [state, setState] = useState<{ key: string; answer: T | null; failed: string | null }>({
    key: "",
    answer: null,
    failed: null,
  });
  useEffect(() => {
    const left = new AbortController();
    ask(JSON.parse(key) as Q, left.signal).then(
      (answer) => setState({ key, answer, failed: null }),
      (error: unknown) => {
        if (!left.signal.aborted) setState((s) => ({ ...s, key, failed: whyLost(error) }));
      },
    );
    return () => left.abort();
  }, [key, ask]);
  const failed = state.key === key ? state.failed : null;
  // After a failure the last answer is one to another question.
  return { answer: state.answer, current: state.key === key && failed === null, failed };
}

interface ProofQuestion {
  plan: WiringPlan;
  readings: Record<string, number>;
}

const askProof = (asked: ProofQuestion, signal: AbortSignal) => pool.run("wiringProof", asked, { signal });
const askFaults = (plan: WiringPlan, signal: AbortSignal) => pool.run("wiringFaults", { plan }, { signal });

/** The proof of a plan by meter, with what was read. */
export const useProof = (plan: WiringPlan, readings: Record<string, number>): Asked<ProofAnswer> =>
  useAsked({ plan, readings }, askProof);

/** What each single fault of a plan would do. */
export const useWiringFaults = (plan: WiringPlan): Asked<SaidConsequence[]> => useAsked(plan, askFaults);
