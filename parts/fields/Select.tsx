"use client";

import { useId } from "react";
import type { Option } from "./Choice";

interface Props<T extends string> {
  label: string;
  options: readonly Option<T>[];
  value: T;
  onChoose: (value: T) => void;
  hint?: string;
}

/** One of many, folded: where a row of choices would push everything else away. */
export function Select<T extends string>({ label, options, value, onChoose, hint }: Props<T>) {
  const id = useId();
  return (
    <div className="grid content-start gap-1">
      <label htmlFor={id} className="min-h-6 leading-tight font-semibold">
        {label}
      </label>
      <select
        id={id}
        className="border-base-content/45 bg-base-100 h-11 w-full min-w-0 rounded border px-2"
        value={value}
        onChange={(e) => onChoose(e.target.value as T)}
      >
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.label}
          </option>
        ))}
      </select>
      {hint && <p className="quiet text-sm">{hint}</p>}
    </div>
  );
}
