"use client";

import { useCallback, useEffect, useState } from "react";
import type { TrialSize } from "./trial/TrialBar";

/** Marks the step of the browser's history that closes the full trial again. */
const FULL = "fullTrial";
const isFull = (state: unknown): boolean => typeof state === "object" && state !== null && FULL in state;

/** How large the trial is shown. The full one is a step of the history: Back closes it and stays at the station. */
export function useTrialSize(): [TrialSize, (next: TrialSize) => void] {
  const [size, setSize] = useState<TrialSize>("open");
  useEffect(() => {
    const back = () => setSize((now) => (now === "full" && !isFull(window.history.state) ? "open" : now));
    window.addEventListener("popstate", back);
    return () => window.removeEventListener("popstate", back);
  }, []);
  const change = useCallback((next: TrialSize) => {
    const open = isFull(window.history.state);
    if (next === "full" && !open) window.history.pushState({ ...window.history.state, [FULL]: true }, "");
    setSize(next);
    if (next !== "full" && open) window.history.back();
  }, []);
  return [size, change];
}
