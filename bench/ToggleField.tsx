"use client";

import type { Address, Edit } from "@/core/model";
import { Toggle } from "@/parts/fields";
import { useActions } from "./context";

interface Props {
  at: Address;
  label: string;
  value: boolean;
  hint?: string;
}

/** A yes or no of the chamber. */
export function ToggleField({ at, label, value, hint }: Props) {
  const { apply } = useActions();
  return (
    <Toggle
      label={label}
      value={value}
      hint={hint}
      onChange={(next) => apply([{ ...at, value: next } as Edit], label.toLowerCase())}
    />
  );
}
