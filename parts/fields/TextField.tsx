"use client";

import { useId, useState } from "react";
import { refusalOf, type Problem } from "@/core/model";
import { useDraft } from "./drafts";
import { FieldNote } from "./FieldNote";

interface Props {
  label: string;
  value: string;
  /** Most letters. */
  most: number;
  onCommit: (value: string) => string | Problem | null;
  hint?: string;
}

/** A line of text, stored when it is left or with Enter; Escape brings back what is stored. */
export function TextField({ label, value, most, onCommit, hint }: Props) {
  const id = useId();
  const { draft, set: setDraft, found } = useDraft(label);
  const [problem, setProblem] = useState<string | null>(null);
  const commit = () => {
    if (draft === null) return;
    const text = draft.trim();
    const tooLong: Problem | null = text.length > most ? { code: "tooLong", at: [], limit: most } : null;
    const refused = text === value ? null : (tooLong ?? onCommit(text));
    setProblem(refusalOf(refused));
    if (!refused) setDraft(null);
  };
  return (
    <div className="grid content-start gap-1">
      <label htmlFor={id} className="min-h-6 leading-tight font-semibold">
        {label}
      </label>
      <input
        id={id}
        className={`h-11 min-w-0 rounded border bg-transparent px-3 ${problem ? "border-error border-2" : "border-base-content/45"}`}
        value={draft ?? value}
        autoComplete="off"
        aria-invalid={problem ? true : undefined}
        aria-describedby={`${id}-note`}
        onChange={(e) => setDraft(e.target.value)}
        onBlur={commit}
        onKeyDown={(e) => {
          if (e.key === "Enter") {
            e.preventDefault();
            commit();
          } else if (e.key === "Escape") {
            if (draft === null) e.currentTarget.blur();
            setDraft(null);
            setProblem(null);
          }
        }}
      />
      <FieldNote id={`${id}-note`} {...{ problem, found, hint }} />
    </div>
  );
}
