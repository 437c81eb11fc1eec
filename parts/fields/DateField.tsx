"use client";

import { useId, useState } from "react";
import { refusalOf, type Problem } from "@/core/model";
import { useDraft } from "./drafts";
import { FieldNote } from "./FieldNote";

interface Props {
  label: string;
  /** "2026-03-14T18:00", without a zone; empty: none is said. */
  value: string;
  hint?: string;
  /** Why it could not be stored; null where it was. */
  onCommit: (value: string) => string | Problem | null;
}

/** A date with its hour, as the browser lets it be typed or picked; what is refused stays, with the reason. */
export function DateField({ label, value, hint, onCommit }: Props) {
  const id = useId();
  const { draft, set: setDraft, found } = useDraft(label);
  const [problem, setProblem] = useState<string | null>(null);
  const commit = (next: string) => {
    const refused = next === value ? null : refusalOf(onCommit(next));
    setProblem(refused);
    setDraft(refused ? next : null);
  };
  return (
    <div className="grid content-start gap-1">
      <label htmlFor={id} className="min-h-6 leading-tight font-semibold">
        {label}
      </label>
      <input
        id={id}
        type="datetime-local"
        className={`h-11 min-w-0 rounded border bg-transparent px-3 ${problem ? "border-error border-2" : "border-base-content/45"}`}
        value={draft ?? value}
        aria-invalid={problem ? true : undefined}
        aria-describedby={`${id}-note`}
        // What is typed halfway is no date yet, and empty until it is one.
        onChange={(e) => {
          const next = e.target.value.slice(0, 16);
          if (next === (draft ?? value) || (next === "" && !e.target.validity.valid)) return;
          commit(next);
        }}
        // What was refused may have become possible meanwhile.
        onBlur={() => draft !== null && commit(draft)}
        onKeyDown={(e) => {
          if (e.key === "Enter" && draft !== null) commit(draft);
          if (e.key !== "Escape") return;
          setDraft(null);
          setProblem(null);
        }}
      />
      <FieldNote id={`${id}-note`} {...{ problem, found, hint }} />
    </div>
  );
}
