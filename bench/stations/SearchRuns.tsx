"use client";

import { X } from "lucide-react";
import type { SearchProgress } from "@/core/recommend";

/** A search on its way: how far it is, and the way to end it. */
export function SearchRuns({ progress, onStop }: { progress: SearchProgress | null; onStop: () => void }) {
  return (
    <div className="flex flex-wrap items-center gap-3">
      <button type="button" className="key" onClick={onStop}>
        <X size={18} aria-hidden /> Stop
      </button>
      <progress
        className="progress h-3 w-48"
        max={progress?.of ?? 1}
        value={progress?.done ?? 0}
        aria-label="Progress of the search"
      />
    </div>
  );
}
