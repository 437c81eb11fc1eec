"use client";

import { CircleHelp } from "lucide-react";
import { lazy, Suspense, useId, useState } from "react";
import { glossary, type Term } from "@/parts/common/glossary";

/** Drawn when it is asked for: no page carries it before. */
const TermPicture = lazy(() => import("@/parts/common/TermPicture").then((m) => ({ default: m.TermPicture })));

/** A key beside a term that unfolds what it means, at its place. */
export function useHelp(term: Term | undefined) {
  const [open, setOpen] = useState(false);
  const id = useId();
  if (!term) return { key: null, text: null };
  const [word, meaning] = glossary[term];
  return {
    key: (
      <button
        type="button"
        className="quiet -my-3 inline-flex min-h-11 min-w-11 items-center justify-center"
        aria-expanded={open}
        aria-controls={id}
        aria-label={`What is meant by \u201c${word}\u201d`}
        onClick={() => setOpen(!open)}
      >
        <CircleHelp size={16} aria-hidden />
      </button>
    ),
    text: (
      <div id={id} hidden={!open} className="border-base-content bg-base-200 border-l-4 px-2 py-1 text-sm">
        <p>
          <strong>{word}:</strong> {meaning}
        </p>
        {open && (
          <Suspense>
            <TermPicture term={term} />
          </Suspense>
        )}
      </div>
    ),
  };
}
