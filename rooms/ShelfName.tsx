"use client";

import { useEffect, useRef, useState } from "react";
import type { ChamberRecord } from "@/core/model";
import { renameChamber } from "@/workshop";

/** A chamber's name on the Shelf, changed where it stands: Enter keeps it, Escape leaves it as it was. */
export function ShelfName({ record, onDone }: { record: ChamberRecord; onDone: () => void }) {
  const [name, setName] = useState(record.name);
  const [problem, setProblem] = useState<string | null>(null);
  const field = useRef<HTMLInputElement>(null);
  /** It is over: losing the focus after that keeps nothing more. */
  const left = useRef(false);
  useEffect(() => field.current?.select(), []);
  /** By a key the focus goes back to where the menu was opened; by another place that was pressed it stays there. */
  const done = (byKey: boolean) => {
    left.current = true;
    const menu = field.current?.closest("li")?.querySelector("summary");
    onDone();
    if (byKey) menu?.focus();
  };
  const keep = (byKey: boolean) => {
    if (left.current) return;
    const refused = name === record.name ? null : renameChamber(record.id, name);
    setProblem(refused);
    if (!refused) done(byKey);
  };
  return (
    <span className="grid grow gap-1">
      <input
        ref={field}
        className="border-base-content min-h-11 w-full rounded border-2 bg-transparent px-2 text-xl"
        aria-label={`Name of ${record.name}`}
        aria-invalid={problem ? true : undefined}
        value={name}
        maxLength={80}
        onChange={(event) => setName(event.target.value)}
        onBlur={() => keep(false)}
        onKeyDown={(event) => {
          if (event.key !== "Enter" && event.key !== "Escape") return;
          // The key must not go on to press what gets the focus.
          event.preventDefault();
          if (event.key === "Enter") keep(true);
          else done(true);
        }}
      />
      {problem && (
        <span role="alert" className="text-error text-sm font-semibold">
          {problem}
        </span>
      )}
    </span>
  );
}
