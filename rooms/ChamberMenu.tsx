"use client";

import { Ellipsis } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import type { ChamberRecord } from "@/core/model";
import { download } from "@/parts/common";
import { duplicateChamber } from "@/workshop";
import { pool, whyLost } from "@/workers";

/** A name as part of a file's: plain letters, whatever it is written in. */
const fileName = (name: string): string =>
  name
    .normalize("NFKD")
    .replace(/[^A-Za-z0-9]+/g, "-")
    .replace(/^-|-$/g, "")
    .toLowerCase() || "chamber";

/** What else can be done with a chamber on the Shelf. */
export function ChamberMenu({ record, onRename }: { record: ChamberRecord; onRename: () => void }) {
  const menu = useRef<HTMLDetailsElement>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const close = (back: boolean) => {
    if (!menu.current?.open) return;
    menu.current.open = false;
    if (back) menu.current.querySelector("summary")?.focus();
  };
  useEffect(() => {
    const outside = (event: Event) => {
      if (!menu.current?.contains(event.target as Node)) close(false);
    };
    document.addEventListener("pointerdown", outside);
    document.addEventListener("focusin", outside);
    return () => {
      document.removeEventListener("pointerdown", outside);
      document.removeEventListener("focusin", outside);
    };
  }, []);
  const toFile = async () => {
    setProblem(null);
    const now = new Date().toISOString();
    try {
      const packed = await pool.run("exportBackup", { records: [record], now });
      download(`${fileName(record.name)}-${now.slice(0, 10)}.${packed.zip ? "zip" : "json"}`, packed.file);
      if (packed.without.length)
        setProblem("The readings of its recorded room were not in this browser any more: the file is without them.");
    } catch (error) {
      setProblem(`It could not be put into a file: ${whyLost(error)}.`);
    }
  };
  const item = (label: string, act: () => void, back = true) => (
    <button
      type="button"
      className="hover:bg-base-200 min-h-11 px-4 text-left"
      onClick={() => {
        close(back);
        act();
      }}
    >
      {label}
    </button>
  );
  return (
    <details
      ref={menu}
      className="relative"
      onKeyDown={(event) => {
        if (event.key !== "Escape") return;
        event.preventDefault();
        close(true);
      }}
    >
      <summary className="key list-none border-transparent px-0" aria-label={`More about ${record.name}`}>
        <Ellipsis size={18} aria-hidden />
      </summary>
      <div className="bg-base-100 border-base-content absolute right-0 z-20 grid w-48 border-2 py-1">
        {item("Rename it", onRename, false)}
        {item("Make a copy", () => void duplicateChamber(record.id))}
        {item("Put it into a file", () => void toFile())}
      </div>
      {problem && (
        <p role="alert" className="text-error absolute right-0 z-10 w-64 text-sm font-semibold">
          {problem}
        </p>
      )}
    </details>
  );
}
