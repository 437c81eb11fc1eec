"use client";

import { useState } from "react";
import type { ChamberRecord } from "@/core/model";
import { download, Menu, menuItem } from "@/parts/common";
import { duplicateChamber, putBy } from "@/workshop";
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
  const [problem, setProblem] = useState<string | null>(null);
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
  const note = problem && (
    <p role="alert" className="text-error absolute right-0 z-10 w-64 text-sm font-semibold">
      {problem}
    </p>
  );
  return (
    <Menu label={`More about ${record.name}`} note={note}>
      <button type="button" className={menuItem} data-away onClick={onRename}>
        Rename it
      </button>
      <button type="button" className={menuItem} onClick={() => void duplicateChamber(record.id)}>
        Make a copy
      </button>
      <button type="button" className={menuItem} onClick={() => void toFile()}>
        Put it into a file
      </button>
      <button type="button" className={menuItem} onClick={() => putBy(record.id, true)}>
        Put it by, out of the way
      </button>
    </Menu>
  );
}
