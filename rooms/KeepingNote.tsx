"use client";

import { intlFormatDistance } from "date-fns";
import { useEffect, useState } from "react";
import type { WorkshopRecord } from "@/core/model";
import { askToKeep, keeping, lastBackup, type Keeping } from "@/workshop";

const words: Record<Keeping, string> = {
  kept: "This browser has promised to keep what is stored until you clear its data.",
  loose: "This browser may clear what is stored when the device runs out of space.",
  unknown: "This browser does not say whether it keeps what is stored.",
};

/** Chambers of one's own that have been changed since a moment, or all where there was none. */
export const changedSince = (records: Readonly<Record<string, WorkshopRecord>>, since: string | null): number =>
  Object.values(records).filter((r) => r.kind === "chamber" && !r.demo && (since === null || r.updatedAt > since))
    .length;

/** When the last backup was; null until it is known. */
export function useLastBackup(count = 0): { at: string | null } | null {
  const [last, setLast] = useState<{ at: string | null } | null>(null);
  useEffect(() => {
    let gone = false;
    void lastBackup().then((at) => {
      if (!gone) setLast({ at });
    });
    return () => {
      gone = true;
    };
  }, [count]);
  return last;
}

/** What is said of the last backup. */
export function backupWords(at: string | null, changed: number): string {
  const chambers = changed === 1 ? "one chamber" : `${changed} chambers`;
  if (at === null)
    return changed === 0 ? "There has been no backup yet." : `There has been no backup yet of ${chambers}.`;
  const ago = intlFormatDistance(new Date(at), new Date(), { locale: "en" });
  return `The last backup was ${ago}; ${changed === 0 ? "nothing has been changed since" : `${chambers} changed since`}.`;
}

/** How safe the data are: what the browser has promised, and when they were last put into a file. */
export function KeepingNote({
  records,
  exports,
}: {
  records: Readonly<Record<string, WorkshopRecord>>;
  exports: number;
}) {
  const [kept, setKept] = useState<Keeping | null>(null);
  const [asked, setAsked] = useState(false);
  const last = useLastBackup(exports);
  useEffect(() => {
    let gone = false;
    void keeping().then((now) => {
      if (!gone) setKept(now);
    });
    return () => {
      gone = true;
    };
  }, []);
  const ask = async () => {
    setKept(await askToKeep());
    setAsked(true);
  };
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
      {last && <p>{backupWords(last.at, changedSince(records, last.at))}</p>}
      {kept && <p role="status">{words[kept]}</p>}
      {kept === "loose" &&
        (asked ? (
          <p>It has not promised more: keep a file of your own.</p>
        ) : (
          <button type="button" className="key" onClick={() => void ask()}>
            Ask it to keep everything
          </button>
        ))}
    </div>
  );
}
