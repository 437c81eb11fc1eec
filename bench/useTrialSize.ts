"use client";

import { useCallback, useEffect, useState } from "react";
import type { TrialSize } from "./trial/TrialBar";

/** Marks the step of the browser's history that closes the full trial again, and one that it has left over. */
const FULL = "fullTrial";
const SPARE = "spareStep";
const has = (mark: string): boolean => {
  const state: unknown = window.history.state;
  return typeof state === "object" && state !== null && mark in state;
};
const rest = (): Record<string, unknown> => {
  const { [FULL]: _full, [SPARE]: _spare, ...kept } = (window.history.state ?? {}) as Record<string, unknown>;
  return kept;
};

/** Goes to an address of the bench as a step of the history, in the place of one that is left over. */
export function stepTo(address: string): void {
  if (has(SPARE)) window.history.replaceState(null, "", address);
  else window.history.pushState(null, "", address);
}

/**
 * How large the trial is shown. The full one is a step of the history: Back closes it and stays at the station. Closed
 * otherwise, its step is left over for whatever comes next: going back by ourselves would cross with a quick hand.
 */
export function useTrialSize(): [TrialSize, (next: TrialSize) => void] {
  const [size, setSize] = useState<TrialSize>("open");
  useEffect(() => {
    const back = () => setSize((now) => (now === "full" && !has(FULL) ? "open" : now));
    window.addEventListener("popstate", back);
    return () => window.removeEventListener("popstate", back);
  }, []);
  const change = useCallback((next: TrialSize) => {
    const { history } = window;
    if (next === "full") {
      const state = { ...rest(), [FULL]: true };
      if (has(FULL) || has(SPARE)) history.replaceState(state, "");
      else history.pushState(state, "");
    } else if (has(FULL)) history.replaceState({ ...rest(), [SPARE]: true }, "");
    setSize(next);
  }, []);
  return [size, change];
}
