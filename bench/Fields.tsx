import type { ReactNode } from "react";

/** A group of fields under one heading. */
export function Fields({ title, note, children }: { title: string; note?: ReactNode; children: ReactNode }) {
  return (
    <section className="grid gap-2">
      <h3 className="text-lg">{title}</h3>
      <div className="grid grid-cols-[repeat(auto-fill,minmax(13.5rem,1fr))] gap-x-6 gap-y-2">{children}</div>
      {note && <p className="quiet max-w-prose">{note}</p>}
    </section>
  );
}
