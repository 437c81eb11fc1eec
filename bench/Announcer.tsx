"use client";

import { useEffect, useState } from "react";
import type { Verdict } from "@/core/verdict";

const SETTLE = 1200;

/** Tells a screen reader the worst verdict, once it has settled. */
export function Announcer({ verdict }: { verdict: Verdict | undefined }) {
  const [said, setSaid] = useState("");
  const words = verdict ? `${verdict.title}. ${verdict.text}` : "";
  useEffect(() => {
    if (!words) return;
    const timer = setTimeout(() => setSaid(words), SETTLE);
    return () => clearTimeout(timer);
  }, [words]);
  return (
    <p className="sr-only" aria-live="polite">
      {said}
    </p>
  );
}
