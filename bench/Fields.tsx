import type { ReactNode } from "react";

interface Props {
  title: string;
  note?: ReactNode;
  /** A button beside the heading. */
  action?: ReactNode;
  children: ReactNode;
}

/** A group of fields under one heading. */
export function Fields({ title, note, action, children }: Props) {
  return (
    <section className="grid gap-2">
      <div className="flex flex-wrap items-center justify-between gap-2">
        <h3 className="text-lg">{title}</h3>
        {action}
      </div>
      <div className="grid grid-cols-[repeat(auto-fill,minmax(min(13.5rem,100%),1fr))] gap-x-6 gap-y-2">{children}</div>
      {note && <p className="quiet max-w-prose">{note}</p>}
    </section>
  );
}
