import { TriangleAlert } from "lucide-react";
import type { Caution as CautionData, StopRule } from "@/core/safety";

/** Cautions where a decision is made: plain sentences, always open. */
export function Cautions({ cautions }: { cautions: readonly (CautionData | StopRule)[] }) {
  if (cautions.length === 0) return null;
  return (
    <aside className="border-base-content/60 border-l-4 py-1 pl-4" aria-label="Cautions">
      <ul className="grid gap-2">
        {cautions.map((caution) => (
          <li key={caution.id} className="flex gap-2">
            <TriangleAlert size={18} className="mt-0.5 shrink-0" aria-hidden />
            <p>
              <strong>{caution.title}.</strong> {caution.text}
              {"source" in caution && !caution.source.startsWith("common practice") && (
                <span className="quiet"> ({caution.source})</span>
              )}
            </p>
          </li>
        ))}
      </ul>
    </aside>
  );
}
