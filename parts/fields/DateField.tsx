"use client";

import { useId } from "react";

interface Props {
  label: string;
  /** "2026-03-14T18:00", without a zone; empty: none is said. */
  value: string;
  hint?: string;
  onCommit: (value: string) => void;
}

/** A date with its hour, as the browser lets it be typed or picked. */
export function DateField({ label, value, hint, onCommit }: Props) {
  const id = useId();
  return (
    <div className="grid content-start gap-1">
      <label htmlFor={id} className="min-h-6 leading-tight font-semibold">
        {label}
      </label>
      <input
        id={id}
        type="datetime-local"
        className="border-base-content/45 h-11 min-w-0 rounded border bg-transparent px-3"
        value={value}
        aria-describedby={hint ? `${id}-note` : undefined}
        // What is typed halfway is no date yet, and empty until it is one.
        onChange={(event) => {
          const next = event.target.value.slice(0, 16);
          if (next !== value && (next !== "" || event.target.validity.valid)) onCommit(next);
        }}
      />
      {hint && (
        <p id={`${id}-note`} className="quiet text-sm">
          {hint}
        </p>
      )}
    </div>
  );
}
