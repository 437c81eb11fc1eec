"use client";

import { useId, useState } from "react";
import { refusalOf, type Problem } from "@/core/model";
import { useDraft } from "./drafts";
import type { FieldKind } from "./kinds";

interface Props {
  label: string;
  /** What it is the reading of, for those who do not see the row. */
  of: string;
  kind: FieldKind;
  /** Null: nothing has been read yet. */
  value: number | null;
  /** What tells it from other fields of the same label; what is typed is found again by it. */
  name: string;
  /** Null takes a reading back. What it returns says why the number cannot be. */
  onCommit: (value: number | null) => string | Problem | null;
}

/** A number that somebody reads off: empty until it was read, and 0 is a reading. */
export function ReadingField({ label, of, kind, value, name, onCommit }: Props) {
  const id = useId();
  const { draft, set: setDraft } = useDraft(name);
  const [problem, setProblem] = useState<string | null>(null);
  const shown = value === null ? "" : kind.print(value);
  const commit = () => {
    if (draft === null) return;
    const text = draft.trim();
    if (text === shown) return setDraft(null);
    const read = text === "" ? null : kind.read(text);
    if (read && !read.ok) return setProblem(read.problem);
    const refused = onCommit(read ? read.value : null);
    setProblem(refusalOf(refused, (limit) => `${kind.exact(limit)}\u00a0${kind.unit}`));
    if (!refused) setDraft(null);
  };
  return (
    <span className="grid gap-1">
      <span className="flex flex-wrap items-center gap-2">
        <label htmlFor={id} className="leading-tight">
          {label}
          <span className="sr-only">: {of}</span>
        </label>
        <span
          className={`flex h-11 items-center rounded-(--radius-field) border ${problem ? "border-error border-2" : "border-base-content/45"}`}
        >
          <input
            id={id}
            className="w-24 self-stretch bg-transparent px-2 text-right text-lg font-semibold outline-offset-[-3px]"
            inputMode="decimal"
            autoComplete="off"
            value={draft ?? shown}
            aria-invalid={problem ? true : undefined}
            aria-describedby={problem ? `${id}-note` : undefined}
            onFocus={(e) => e.target.select()}
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
          <span className="quiet pr-3">{kind.unit}</span>
        </span>
      </span>
      {problem && (
        <span id={`${id}-note`} role="alert" className="text-error">
          {problem}
        </span>
      )}
    </span>
  );
}
