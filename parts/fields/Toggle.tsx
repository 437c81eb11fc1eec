"use client";

import { useId } from "react";

interface Props {
  label: string;
  value: boolean;
  onChange: (value: boolean) => void;
  hint?: string;
}

/** Yes or no, of touch size, with its reason beside it. */
export function Toggle({ label, value, onChange, hint }: Props) {
  const id = useId();
  return (
    <div className="flex min-h-11 items-start gap-3 py-1.5">
      <input
        id={id}
        type="checkbox"
        className="accent-base-content mt-0.5 h-6 w-6 shrink-0"
        checked={value}
        onChange={(e) => onChange(e.target.checked)}
        aria-describedby={hint ? `${id}-hint` : undefined}
      />
      <label htmlFor={id} className="leading-snug">
        <span className="font-semibold">{label}</span>
        {hint && (
          <span id={`${id}-hint`} className="quiet block text-sm">
            {hint}
          </span>
        )}
      </label>
    </div>
  );
}
