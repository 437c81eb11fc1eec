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
function useAsked<T>(key: string, ask: (signal: AbortSignal) => Promise<T>): Asked<T> {
  const [state, setState] = useState<{ key: string; answer: T | null; failed: string | null }>({
    key: "",
    answer: null,
    failed: null,
  });
  useEffect(() => {
    const left = new AbortController();
    ask(left.signal).then(
      (answer) => setState({ key, answer, failed: null }),
      (error: unknown) => {
        if (!left.signal.aborted) setState((s) => ({ ...s, key, failed: whyLost(error) }));
      },
    );
    return () => left.abort();
    // The key says all that the question depends on.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  return { answer: state.answer, current: state.key === key, failed: state.key === key ? state.failed : null };
}

/** The proof of a plan by meter, with what was read. */
export const useProof = (plan: WiringPlan, readings: Record<string, number>): Asked<ProofAnswer> =>
  useAsked(JSON.stringify([plan, readings]), (signal) => pool.run("wiringProof", { plan, readings }, { signal }));

/** What each single fault of a plan would do. */
export const useWiringFaults = (plan: WiringPlan): Asked<SaidConsequence[]> =>
  useAsked(JSON.stringify(plan), (signal) => pool.run("wiringFaults", { plan }, { signal }));
