"use client";

import { NumberField, type FieldKind } from "@/parts/fields";

interface Props {
  label: string;
  kind: FieldKind;
  value: number;
  onValue: (value: number) => void;
  hint?: string;
  /** What it may be, both ends included, and how the field says them. */
  within: readonly [low: number, high: number];
}

/** A number of a sum that is not stored: outside of what can be it is refused, with what was typed. */
export function SumField({ label, kind, value, onValue, hint, within: [low, high] }: Props) {
  return (
    <NumberField
      label={label}
      kind={kind}
      value={value}
      hint={hint}
      onCommit={(next) => {
        if (next < low) return { code: "tooLow", at: [], limit: low };
        if (next > high) return { code: "tooHigh", at: [], limit: high };
        onValue(next);
        return null;
      }}
    />
  );
}
