"use client";

import { storedValue, type Address, type Edit } from "@/core/model";
import { termOf } from "@/parts/common/glossary";
import { NumberField, type FieldKind } from "@/parts/fields";
import { useActions, useChamber } from "./context";

interface Props {
  at: Address;
  label: string;
  kind: FieldKind;
  value: number;
  hint?: string;
}

/** A number of the chamber: the field, the edit it makes, and the way back to its default. */
export function ValueField({ at, label, kind, value, hint }: Props) {
  const { record } = useChamber();
  const { apply } = useActions();
  const stored = storedValue(record, at);
  const between = (typed: number) =>
    `Typed as ${kind.exact(typed)}\u00a0${kind.unit}; the nearest that this unit takes is ${kind.exact(value)}\u00a0${kind.unit}.`;
  const commit = (next: number, merge?: string) => apply([{ ...at, value: next } as Edit], label.toLowerCase(), merge);
  return (
    <NumberField
      label={label}
      name={`${at.section}.${at.field}.${at.id ?? ""}.${at.stage ?? ""}`}
      kind={kind}
      value={value}
      hint={
        at.section === "settings" && stored && Math.abs(Number(stored.value) - value) > 1e-9
          ? between(Number(stored.value))
          : hint
      }
      estimate={!stored}
      term={termOf[`${at.section}.${at.field}`]}
      onCommit={commit}
      onReset={
        stored ? () => apply([{ ...at, value: undefined } as Edit], `${label.toLowerCase()} default`) : undefined
      }
    />
  );
}
