import { ArrowLeft } from "lucide-react";
import Link from "next/link";
import type { ReactNode } from "react";

/** Head of a room that is not the Shelf: the way back, its name, what can be done. */
export function RoomHead({ title, back = "/", children }: { title: string; back?: string; children?: ReactNode }) {
  return (
    <header className="border-base-content flex min-h-14 items-center gap-3 border-b-2 px-2 print:hidden">
      <Link
        href={back}
        className="key border-transparent px-0"
        aria-label={back === "/" ? "Back to the Shelf" : "Back to the bench"}
      >
        <ArrowLeft size={20} aria-hidden />
      </Link>
      <h1 className="grow text-xl">{title}</h1>
      {children}
    </header>
  );
}
