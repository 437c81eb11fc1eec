"use client";

import { useState } from "react";
import type { ChamberRecord } from "@/core/model";
import { useDraft } from "@/parts/fields";
import { renameChamber } from "@/workshop";

/** The chamber's name, changed where it stands. */
export function ChamberName({ record }: { record: ChamberRecord }) {
  const { draft, set: setDraft } = useDraft("name");
  const [problem, setProblem] = useState<string | null>(null);
  const commit = () => {
    if (draft === null) return;
    const refused = draft === record.name ? null : renameChamber(record.id, draft);
    setProblem(refused);
    if (!refused) setDraft(null);
  };
  return (
    <div className="relative">
      <input
        className="font-title hover:bg-base-200 hand:h-11 hand:text-lg h-7 w-full truncate rounded bg-transparent px-1 font-semibold"
        aria-label="Name of the chamber"
        aria-invalid={problem ? true : undefined}
        value={draft ?? record.name}
        maxLength={80}
        onChange={(e) => setDraft(e.target.value)}
        onBlur={commit}
        onKeyDown={(e) => {
          if (e.key === "Enter") e.currentTarget.blur();
          if (e.key === "Escape") {
            setDraft(null);
            setProblem(null);
          }
        }}
      />
      {problem && (
        <p
          role="alert"
          className="bg-base-100 border-error text-error absolute top-full z-30 border-2 px-2 py-1 text-sm font-semibold"
        >
          {problem}
        </p>
      )}
    </div>
  );
}
