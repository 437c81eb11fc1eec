"use client";

import { useState } from "react";
import { verdictKey } from "@/core/verdict";
import { useActions, useShownTrial } from "./context";
import { VerdictTitle } from "./VerdictTitle";
import { VerdictView } from "./VerdictView";

/** All verdicts, the worst one open. */
export function VerdictList() {
  const { verdicts, trying } = useShownTrial();
  const { keepRemedy, dropRemedy } = useActions();
  const [opened, setOpened] = useState<string | null>(null);
  const open = verdicts.some((v) => verdictKey(v) === opened) ? opened : verdicts[0] && verdictKey(verdicts[0]);
  return (
    <div className="grid content-start gap-1">
      {trying && (
        <div className="bg-base-200 border-base-content grid gap-2 border-2 p-2" role="status">
          <p>
            You are trying: <strong>{trying.label}</strong>. Nothing is stored yet; the dotted line is the trial before.
          </p>
          <div className="flex gap-2">
            <button type="button" className="key key-strong" onClick={() => keepRemedy()}>
              Keep it
            </button>
            <button type="button" className="key bg-base-100" onClick={dropRemedy}>
              Drop it
            </button>
          </div>
        </div>
      )}
      {verdicts.map((verdict) => {
        const key = verdictKey(verdict);
        const isOpen = key === open;
        return (
          <section key={key} className="rule-line border-b pb-1 last:border-b-0" data-verdict={verdict.id}>
            <h3 className="text-base">
              <button
                type="button"
                className="flex min-h-11 w-full items-center text-left font-sans leading-tight"
                aria-expanded={isOpen}
                onClick={() => setOpened(isOpen ? "" : key)}
              >
                <VerdictTitle verdict={verdict} />
              </button>
            </h3>
            {isOpen && <VerdictView verdict={verdict} />}
          </section>
        );
      })}
    </div>
  );
}
