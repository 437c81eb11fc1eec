import type { ReactNode } from "react";

/** One sum: its fields, and below them what comes out, said as a sentence. */
export function Sum({ title, children, says }: { title: string; children?: ReactNode; says: ReactNode }) {
  return (
    <section className="rule-line grid gap-2 border-b pb-4" aria-label={title}>
      <h4 className="text-lg">{title}</h4>
      {children && (
        <div className="grid grid-cols-[repeat(auto-fill,minmax(min(12rem,100%),1fr))] gap-x-6 gap-y-2">{children}</div>
      )}
      <p className="max-w-prose text-lg" aria-live="polite">
        {says}
      </p>
    </section>
  );
}
