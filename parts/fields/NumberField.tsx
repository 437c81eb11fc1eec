"use client";

import { Minus, Plus, RotateCcw } from "lucide-react";
import { useId, useState } from "react";
import { refusalOf, type Problem } from "@/core/model";
import type { Term } from "@/parts/common/glossary";
import { FOUND, useDraft } from "./drafts";
import { useHelp } from "./Help";
import type { FieldKind } from "./kinds";

interface Props {
  label: string;
  kind: FieldKind;
  value: number;
  /** Stores the value; what it returns says why that is impossible, and what was typed stays. */
  onCommit: (value: number, merge?: string) => string | Problem | null;
  hint?: string;
  /** Present where the value is the person's own: puts the default back. */
  onReset?: () => void;
  /** What the default would be, in words, for the button that puts it back. */
  defaultText?: string;
  /** The term of the trade that it is about: explained at its place when it is asked for. */
  term?: Term;
  /** Nobody typed it: shown at its resolution and not to the last decimal. */
  estimate?: boolean;
  /** What tells it from other fields of the same label; what is typed is found again by it. */
  name?: string;
}

/** The one number field: typed with any unit, stepped by buttons of touch size or arrow keys, told apart from its default. */
export function NumberField({
  label,
  kind,
  value,
  onCommit,
  hint,
  onReset,
  defaultText,
  estimate,
  term,
  name = label,
}: Props) {
  const id = useId();
  const help = useHelp(term);
  const { draft, set: setDraft, found } = useDraft(name);
  const [problem, setProblem] = useState<string | null>(null);
  const shown = estimate ? kind.print(value) : kind.exact(value);

  const withUnit = (limit: number) => [kind.exact(limit), kind.unit].join("\u00a0").trim();
  const commit = (next: number, merge?: string) => {
    const refused = onCommit(next, merge);
    setProblem(refusalOf(refused, withUnit));
    if (!refused) setDraft(null);
    return !refused;
  };
  const commitText = () => {
    if (draft === null) return;
    if (draft.trim() === shown) {
      setDraft(null);
      setProblem(null);
      return;
    }
    const read = kind.read(draft);
    if (read.ok) commit(read.value);
    else setProblem(read.problem);
  };
  const step = (steps: number) => {
    const read = draft === null ? null : kind.read(draft);
    const from = read?.ok ? read.value : value;
    if (!commit(kind.step(from, steps), `step:${id}`)) setDraft(kind.print(kind.step(from, steps)));
  };

  return (
    <div className="grid content-start gap-1">
      <div className="flex min-h-6 items-baseline justify-between gap-2">
        <span className="flex min-w-0 items-center">
          <label htmlFor={id} className="min-w-0 leading-tight font-semibold">
            {label}
          </label>
          {help.key}
        </span>
        {onReset && (
          <button
            type="button"
            onClick={onReset}
            className="quiet -my-3 inline-flex min-h-11 min-w-11 items-center justify-end gap-1 text-sm underline decoration-dotted underline-offset-4"
            aria-label={`${label}: back to default${defaultText ? `, ${defaultText}` : ""}`}
          >
            <RotateCcw size={13} aria-hidden /> {defaultText ?? "default"}
          </button>
        )}
      </div>
      {help.text}
      <div
        data-clips
        className={`box-content flex h-11 items-stretch overflow-hidden rounded-(--radius-field) border ${problem ? "border-error border-2" : "border-base-content/45"}`}
      >
        <button
          type="button"
          className="hover:bg-base-200 w-11 shrink-0"
          onClick={() => step(-1)}
          aria-label={`${label}: less`}
        >
          <Minus size={18} className="mx-auto" aria-hidden />
        </button>
        <div className="rule-line flex min-w-0 grow items-center border-x">
          <input
            id={id}
            className="min-w-0 grow self-stretch bg-transparent px-2 text-right text-lg font-semibold outline-offset-[-3px]"
            data-rest={draft === null}
            inputMode="decimal"
            autoComplete="off"
            value={draft ?? shown}
            aria-invalid={problem ? true : undefined}
            aria-describedby={`${id}-note`}
            onFocus={(e) => e.target.select()}
            onChange={(e) => setDraft(e.target.value)}
            onBlur={commitText}
            onKeyDown={(e) => {
              if (e.key === "Enter") {
                // Within a form, Enter takes the number over; it does not send the form half filled.
                e.preventDefault();
                commitText();
              } else if (e.key === "ArrowUp" || e.key === "ArrowDown") {
                e.preventDefault();
                step((e.key === "ArrowUp" ? 1 : -1) * (e.shiftKey ? 10 : 1));
              } else if (e.key === "Escape") {
                // First back to what is stored, then out of the field, where single keys work again.
                if (draft === null) e.currentTarget.blur();
                setDraft(null);
                setProblem(null);
              }
            }}
          />
          {kind.unit && <span className="quiet min-w-9 shrink-0 pr-2 text-left">{kind.unit}</span>}
        </div>
        <button
          type="button"
          className="hover:bg-base-200 w-11 shrink-0"
          onClick={() => step(1)}
          aria-label={`${label}: more`}
        >
          <Plus size={18} className="mx-auto" aria-hidden />
        </button>
      </div>
      <p
        id={`${id}-note`}
        className={problem ? "text-error text-sm font-semibold" : "quiet text-sm"}
        role={problem ? "alert" : undefined}
      >
        {problem ?? (found ? FOUND : hint)}
      </p>
    </div>
  );
}
