import { ArrowLeft } from "lucide-react";
import Link from "next/link";
import type { ReactNode } from "react";
import { Stored } from "@/bench";

interface Props {
  title: string;
  back?: string;
  /** The record that the room is about; without one, it is about all. */
  of?: string;
  children?: ReactNode;
}

/** Head of a room that is not the Shelf: the way back, its name, what can be done. */
export function RoomHead({ title, back = "/", of, children }: Props) {
  return (
    <header className="border-base-content flex min-h-14 flex-wrap items-center gap-3 py-1 border-b-2 px-2 print:hidden">
      <Link
        href={back}
        className="key border-transparent px-0"
        aria-label={back === "/" ? "Back to the Shelf" : "Back to the bench"}
      >
        <ArrowLeft size={20} aria-hidden />
      </Link>
      <div className="min-w-0 grow leading-tight">
        <h1 className="text-xl">{title}</h1>
        <p className="text-xs">
          <Stored id={of} />
        </p>
      </div>
      {children}
    </header>
  );
}
