"use client";

import { Download, Upload } from "lucide-react";
import { useRef, useState } from "react";
import {
  bringIn,
  noteBackup,
  readBackup,
  undo,
  useWorkshop,
  whenStored,
  writeBackup,
  type BackupContents,
} from "@/workshop";
import { download } from "@/parts/common";
import { KeepingNote } from "./KeepingNote";

/** So many records that are left out are told one by one. */
const SHOWN = 100;

/** The whole workshop to one file, and back with a look at what it holds before anything is replaced. */
export function BackupDesk() {
  const { records } = useWorkshop();
  const [contents, setContents] = useState<BackupContents | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [exports, setExports] = useState(0);
  const failed = useWorkshop((s) => s.save === "failed");
  /** How many chambers were brought in last, and whether one transaction of the store has taken all of them. */
  const [brought, setBrought] = useState<{ count: number; stored: boolean } | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const count = Object.values(records).filter((r) => r.kind === "chamber").length;

  const exportAll = () => {
    const now = new Date().toISOString();
    download(`gentle-crock-${now.slice(0, 10)}.json`, writeBackup(Object.values(records), now));
    void noteBackup(now).then(() => setExports((n) => n + 1));
  };
  const look = async (file: File | undefined) => {
    setContents(null);
    setProblem(null);
    setBrought(null);
    if (!file) return;
    const read = readBackup(await file.text());
    if (read.ok) setContents(read.value);
    else setProblem(`${file.name}: ${read.problem}`);
  };
  const restore = (replaceAll: boolean) => {
    if (!contents) return;
    const incoming = replaceAll ? [...contents.chambers, ...contents.others] : contents.chambers;
    const gone = Object.values(records)
      .filter((r) => r.kind === "chamber")
      .map((r) => r.id);
    bringIn(incoming, "backup brought in", replaceAll ? gone : []);
    const mine = { count: contents.chambers.length, stored: false };
    const ids = contents.chambers.map((r) => r.id);
    setBrought(mine);
    void whenStored(incoming.map((r) => r.id)).then(() => {
      // One that another tab has changed meanwhile is asked about, and not back yet.
      const asked = useWorkshop.getState().conflicts.filter((c) => ids.includes(c.id)).length;
      setBrought((b) => (b === mine ? { count: mine.count - asked, stored: true } : b));
    });
    setContents(null);
    if (input.current) input.current.value = "";
  };
  return (
    <section id="backup" className="grid gap-3">
      <h2 className="text-2xl">Backup</h2>
      <p>
        Everything is stored in this browser and nowhere else. A file keeps it safe and carries it to another device;
        its form is published as a{" "}
        <a className="underline" href="/schema/workshop-3.json">
          JSON Schema
        </a>
        .
      </p>
      <KeepingNote records={records} exports={exports} />
      <div className="flex flex-wrap gap-2">
        <button type="button" className="key" onClick={exportAll}>
          <Download size={18} aria-hidden /> Export the workshop
        </button>
        <label className="key has-focus-visible:outline-3">
          <Upload size={18} aria-hidden /> Look into a backup
          <input
            ref={input}
            type="file"
            accept="application/json,.json"
            className="sr-only"
            onChange={(e) => void look(e.target.files?.[0])}
          />
        </label>
      </div>
      {problem && (
        <p role="alert" className="text-error font-semibold">
          {problem}
        </p>
      )}
      {contents && (
        <div
          className="border-base-content grid gap-3 border-l-4 pl-4"
          role="region"
          aria-label="What the backup holds"
        >
          <p>
            Exported{" "}
            {contents.exportedAt ? contents.exportedAt.slice(0, 16).replace("T", " at ") : "at an unknown time"} (UTC).
            It holds:
          </p>
          <ul className="list-disc pl-5">
            {contents.chambers.map((c) => (
              <li key={c.id}>
                <strong>{c.name}</strong>
                {records[c.id] ? ", which replaces the one of the same origin here" : ", new here"}
              </li>
            ))}
            {contents.others.length > 0 && <li>preferences</li>}
            {contents.damaged.slice(0, SHOWN).map((d, i) => (
              <li key={`${d.name}${i}`} className="text-error">
                {d.name}: left out ({d.problem})
              </li>
            ))}
            {contents.damaged.length > SHOWN && (
              <li className="text-error">and {contents.damaged.length - SHOWN} more that are left out</li>
            )}
          </ul>
          <div className="flex flex-wrap gap-2">
            <button
              type="button"
              className="key key-strong"
              onClick={() => restore(false)}
              disabled={contents.chambers.length === 0}
            >
              Bring the chambers in
            </button>
            {contents.chambers.length > 0 && (
              <button type="button" className="key" onClick={() => restore(true)}>
                Replace the whole workshop{count > 0 ? ` (${count} ${count === 1 ? "chamber" : "chambers"} here)` : ""}
              </button>
            )}
            <button type="button" className="key border-transparent" onClick={() => setContents(null)}>
              Leave it
            </button>
          </div>
        </div>
      )}
      {brought !== null && (
        <p role="status" className="flex items-center gap-3">
          {backWords(brought.count, brought.stored, failed)}
          <button
            type="button"
            className="key"
            onClick={() => {
              undo();
              setBrought(null);
            }}
          >
            Undo
          </button>
        </p>
      )}
    </section>
  );
}

/** What is said of chambers that were brought in: that they are back only once the store has acknowledged all of them. */
function backWords(count: number, stored: boolean, failed: boolean): string {
  const them = count === 1 ? "One chamber" : `${count} chambers`;
  if (stored) return `${them} ${count === 1 ? "is" : "are"} back.`;
  if (!failed) return `Storing ${count === 1 ? "one chamber" : them} \u2026 keep this page open.`;
  return `${them} ${count === 1 ? "stands" : "stand"} on the shelf of this page, but could not be stored yet. It is tried again: keep this page open.`;
}
