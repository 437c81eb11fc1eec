"use client";

import { useId } from "react";

export interface Option<T extends string> {
  value: T;
  label: string;
  note?: string;
}

interface Props<T extends string> {
  label: string;
  options: readonly Option<T>[];
  value: T;
  onChoose: (value: T) => void;
  /** Notes under each label, in one column; or in columns of one width, where there are many. */
  layout?: "row" | "column" | "grid";
}

const layouts = {
  row: "flex flex-wrap gap-1.5",
  column: "grid gap-1.5",
  grid: "grid grid-cols-[repeat(auto-fill,minmax(min(15rem,100%),1fr))] gap-1.5",
} as const;

/** One of several, all in view, each of touch size; radio buttons to the keyboard and to a screen reader. */
export function Choice<T extends string>({ label, options, value, onChoose, layout = "row" }: Props<T>) {
  const name = useId();
  return (
    <fieldset>
      <legend className="mb-1 font-semibold">{label}</legend>
      <div className={layouts[layout]}>
        {options.map((option) => {
          const chosen = option.value === value;
          return (
            <label
              key={option.value}
              className={`has-focus-visible:outline-base-content flex min-h-11 items-center gap-3 rounded-(--radius-field) border px-3 py-1.5 has-focus-visible:outline-3 has-focus-visible:outline-offset-2 ${chosen ? "border-base-content bg-base-200" : "rule-line hover:bg-base-200/60"}`}
            >
              <input
                type="radio"
                name={name}
                className="accent-base-content h-4 w-4 shrink-0 outline-none"
                checked={chosen}
                onChange={() => onChoose(option.value)}
              />
              <span>
                <span className="font-semibold">{option.label}</span>
                {option.note && <span className="quiet block text-sm">{option.note}</span>}
              </span>
            </label>
          );
        })}
      </div>
    </fieldset>
  );
}
