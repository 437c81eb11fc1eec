"use client";

import { BEEPS, OPEN, SILENT, type SaidTest } from "@/core/wiring";
import { plainKind, ReadingField } from "@/parts/fields";

const volts = plainKind("V", 1);
const ohms = plainKind("Ω", 0.1);

/** How a reading that is no number is pressed. */
const presses: Record<SaidTest["asks"], readonly { value: number; label: string }[]> = {
  joined: [
    { value: BEEPS, label: "It beeps" },
    { value: SILENT, label: "Silent" },
  ],
  apart: [
    { value: OPEN, label: "No reading" },
    { value: BEEPS, label: "It beeps" },
  ],
  ohms: [{ value: OPEN, label: "No reading" }],
  volts: [],
};

interface Props {
  test: SaidTest;
  number: number | null;
  read: number | undefined;
  next: boolean;
  disabled?: boolean;
  /** What to do first where its reading is wrong. */
  stop: string | null;
  onRead: (value: number | null) => void;
}

/** One test: between which points, what it has to show, what was read. */
export function TestRow({ test, number, read, next, disabled = false, stop, onRead }: Props) {
  const wrong = test.right === false;
  // Half an ohm of an earth is half an ohm, and no beep.
  const pressed = presses[test.asks].map((p) => p.value);
  const typed = read !== undefined && !pressed.includes(read);
  return (
    <li
      aria-current={next ? "step" : undefined}
      className={`rule-line grid gap-x-4 gap-y-2 border-b border-l-4 py-2 pl-3 sm:grid-cols-[minmax(0,1fr)_minmax(0,18rem)] ${wrong ? "border-l-error" : next ? "border-l-base-content bg-base-200" : "border-l-transparent"}`}
    >
      <span className="self-center">
        {number !== null && <strong>{number}. </strong>}
        {test.says} <span className="font-semibold whitespace-nowrap">→ {test.expected}</span>
        {test.right !== null && (
          <strong className={wrong ? "text-error" : ""}>{wrong ? " · wrong" : " · right"}</strong>
        )}
        {wrong && stop && <strong className="text-error block text-lg">{stop}</strong>}
      </span>
      <span className="grid gap-2">
        {presses[test.asks].length > 0 && (
          <span className="flex flex-wrap gap-2">
            {presses[test.asks].map(({ value, label }) => (
              <button
                key={label}
                type="button"
                disabled={disabled}
                className={`key ${read === value ? "key-strong" : ""}`}
                aria-pressed={read === value}
                onClick={() => onRead(read === value ? null : value)}
              >
                {label}
                <span className="sr-only">: {test.says}</span>
              </button>
            ))}
          </span>
        )}
        {test.asks !== "joined" && !disabled && (
          <ReadingField
            label={
              test.asks === "volts" ? "It reads" : test.asks === "ohms" ? "It reads, leads taken off" : "Or it reads"
            }
            of={test.says}
            name={`proof ${test.id}`}
            kind={test.asks === "volts" ? volts : ohms}
            value={typed ? read : null}
            onCommit={(value) => {
              const limit = test.asks === "volts" ? 1000 : 9e6;
              if (value !== null && value < 0) return { code: "tooLow", at: [], limit: 0 };
              if (value !== null && value > limit) return { code: "tooHigh", at: [], limit };
              // The number that stands for a beep is a number here.
              onRead(value !== null && pressed.includes(value) ? value + 1e-3 : value);
              return null;
            }}
          />
        )}
      </span>
    </li>
  );
}
