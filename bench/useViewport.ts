"use client";

import { useEffect, useState, useSyncExternalStore } from "react";

/** The same as the variant "hand" of globals.css. */
const NARROW = "not ((min-width: 48rem) and (min-height: 34rem))";

/** No desk: a phone, upright or on its side, or zoomed in far. The ruler lies flat and the trial is a line. */
export const useNarrow = (): boolean =>
  useSyncExternalStore(
    (changed) => {
      const query = window.matchMedia(NARROW);
      query.addEventListener("change", changed);
      return () => query.removeEventListener("change", changed);
    },
    () => window.matchMedia(NARROW).matches,
    () => false,
  );

const KEYBOARD = 0.75;

/** The keyboard on the screen is up: path and trial step aside. */
export function useTyping(): boolean {
  const [typing, setTyping] = useState(false);
  useEffect(() => {
    const view = window.visualViewport;
    if (!view) return;
    const look = () => setTyping(view.height < window.innerHeight * KEYBOARD);
    view.addEventListener("resize", look);
    return () => view.removeEventListener("resize", look);
  }, []);
  return typing;
}
