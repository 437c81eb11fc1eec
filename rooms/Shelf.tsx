"use client";

import { ListTree, Plus, Settings2 } from "lucide-react";
import dynamic from "next/dynamic";
import Link from "next/link";
import { useEffect, useMemo } from "react";
import { Stored } from "@/bench";
import type { ChamberRecord } from "@/core/model";
import { useWorkshop } from "@/workshop";

/** With all that draws a chamber: loaded beside the workshop itself, while the page stands. */
const load = () => import("./Chambers");
const Chambers = dynamic(() => load().then((m) => m.Chambers), { ssr: false });

const UndoKey = dynamic(() => import("./UndoKey").then((m) => m.UndoKey), { ssr: false });

/** The chambers; or what belongs here while there is none. */
export function Shelf() {
  const { status, records } = useWorkshop();
  const chambers = useMemo(
    () => Object.values(records).filter((r): r is ChamberRecord => r.kind === "chamber"),
    [records],
  );
  // Not only once there is a chamber to draw: it comes while the store is read.
  useEffect(() => void load(), []);
  return (
    <>
      <header className="flex flex-wrap items-center gap-3 px-4 pt-5 md:px-10">
        <div className="grow">
          <h1 className="text-3xl md:text-4xl">Gentle Crock</h1>
          {chambers.length > 0 && (
            <p className="text-sm">
              <Stored />
            </p>
          )}
        </div>
        <Link href="/programs" className="key border-transparent">
          <ListTree size={18} aria-hidden /> Programs
        </Link>
        <Link href="/preferences" className="key border-transparent">
          <Settings2 size={18} aria-hidden /> Preferences
        </Link>
        {chambers.length > 0 && (
          <Link href="/new" className="key key-strong">
            <Plus size={18} aria-hidden /> New chamber
          </Link>
        )}
      </header>
      <main className="px-4 pb-12 md:px-10">
        {status === "open" && <UndoKey />}
        {status === "open" && chambers.length === 0 && <EmptyShelf />}
        {chambers.length > 0 && <Chambers chambers={chambers} />}
      </main>
    </>
  );
}

function EmptyShelf() {
  return (
    <section className="mx-auto mt-10 grid max-w-2xl gap-4">
      <div className="border-base-content h-24 border-b-[3px]" aria-hidden />
      <h2 className="text-2xl">The shelf is empty</h2>
      <p className="text-lg">
        Here stand your chambers: a box that you heat and cool, with its probe and controller. Answer three questions
        and you see what it will do over seven days, before you buy or spoil anything.
      </p>
      <p className="flex flex-wrap gap-2">
        <Link href="/new" className="key key-strong">
          <Plus size={18} aria-hidden /> New chamber
        </Link>
        <button
          type="button"
          className="key"
          onClick={() => void import("@/demo").then((demo) => demo.bringDemoBack())}
        >
          Look at the demo first
        </button>
        <Link href="/preferences#backup" className="key">
          Bring back a backup
        </Link>
      </p>
    </section>
  );
}
