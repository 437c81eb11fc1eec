"use client";

import { Download, Upload } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import type { ChamberRecord, WorkshopRecord } from "@/core/model";
import {
  bringIn,
  lastStep,
  noteBackup,
  undo,
  useWorkshop,
  whenStored,
  type BackupContents,
  type Step,
} from "@/workshop";
import { download } from "@/parts/common";
import { pool, whyLost } from "@/workers";
import { KeepingNote } from "./KeepingNote";

/** So many records that are left out are told one by one. */
const SHOWN = 100;

/** The whole workshop to one file, and back with a look at what it holds before anything is replaced. */
export function BackupDesk() {
  const { records } = useWorkshop();
  const [contents, setContents] = useState<(BackupContents & { file: File }) | null>(null);
  /** What is being done with a file, and how to end it. */
  const [busy, setBusy] = useState<{ what: string; left: AbortController } | null>(null);
  useEffect(() => () => busy?.left.abort(), [busy]);
  const [problem, setProblem] = useState<string | null>(null);
  const [exports, setExports] = useState(0);
  const failed = useWorkshop((s) => s.save === "failed");
  /** How many chambers were brought in last, and whether one transaction of the store has taken all of them. */
  const [brought, setBrought] = useState<{ count: number; stored: boolean; step: Step | null } | null>(null);
  const last = useWorkshop(lastStep);
  const input = useRef<HTMLInputElement>(null);
  const count = Object.values(records).filter((r) => r.kind === "chamber").length;

  /** Has something done with a file beside the page; undefined where it was stopped or has failed, which is said. */
  const withFile = async <R,>(what: string, failed: string, work: (signal: AbortSignal) => Promise<R>) => {
    const left = new AbortController();
    setProblem(null);
    setBusy({ what, left });
    try {
      return await work(left.signal);
    } catch (error) {
      if (!left.signal.aborted) setProblem(`${failed}: ${whyLost(error)}. Try it once more.`);
      return undefined;
    } finally {
      setBusy((b) => (b?.left === left ? null : b));
    }
  };
  const exportAll = async () => {
    const now = new Date().toISOString();
    const packed = await withFile("Packing the workshop", "The workshop could not be packed", (signal) =>
      pool.run("exportBackup", { records: Object.values(records), now }, { signal }),
    );
    if (!packed) return;
    download(`gentle-crock-${now.slice(0, 10)}.${packed.zip ? "zip" : "json"}`, packed.file);
    if (packed.without.length)
      setProblem(
        `The readings of a recorded room were not in this browser any more: ${packed.without.join(", ")} ${packed.without.length === 1 ? "is" : "are"} in the file without it.`,
      );
    void noteBackup(now).then(() => setExports((n) => n + 1));
  };
  const look = async (file: File | undefined) => {
    busy?.left.abort();
    setContents(null);
    setProblem(null);
    setBrought(null);
    if (!file) return;
    const found = await withFile(`Looking into ${file.name}`, `${file.name} could not be looked into`, (signal) =>
      pool.run("lookIntoBackup", { file }, { signal }),
    );
    if (found?.ok) setContents({ ...found.value, file });
    else if (found) setProblem(`${file.name}: ${found.problem}`);
  };
  const programs = contents?.others.filter((r) => r.kind === "program") ?? [];
  const restore = async (replaceAll: boolean) => {
    if (!contents) return;
    const placed = contents.chambers.some((c) => c.roomReadings ?? c.roomSeries)
      ? await withFile("Storing the readings", "The readings could not be stored", (signal) =>
          pool.run(
            "bringReadings",
            { file: contents.file, chambers: contents.chambers, now: new Date().toISOString() },
            { signal },
          ),
        )
      : ({ ok: true, value: contents.chambers } as const);
    if (placed?.ok) put(placed.value, replaceAll ? contents.others : programs, replaceAll);
    else if (placed) setProblem(`${placed.problem} Nothing was changed.`);
  };
  const put = (chambers: ChamberRecord[], others: WorkshopRecord[], replaceAll: boolean) => {
    const incoming = [...chambers, ...others];
    // As they are now: storing the readings may have taken a while.
    const gone = Object.values(useWorkshop.getState().records)
      .filter((r) => r.kind !== "preferences")
      .map((r) => r.id);
    const before = lastStep(useWorkshop.getState());
    bringIn(incoming, "backup brought in", replaceAll ? gone : []);
    const made = lastStep(useWorkshop.getState());
    const mine = { count: chambers.length, stored: false, step: made === before ? null : made };
    const ids = chambers.map((r) => r.id);
    setBrought(mine);
    void whenStored(incoming.map((r) => r.id)).then(() => {
      // One that another tab has changed meanwhile is asked about, and not back yet.
      const asked = useWorkshop.getState().conflicts.filter((c) => ids.includes(c.id)).length;
      setBrought((b) => (b === mine ? { ...mine, count: mine.count - asked, stored: true } : b));
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
        <a className="underline" href="/schema/workshop-4.json">
          JSON Schema
        </a>
        .
      </p>
      <KeepingNote records={records} exports={exports} />
      <div className="flex flex-wrap gap-2">
        <button type="button" className="key" onClick={() => void exportAll()}>
          <Download size={18} aria-hidden /> Export the workshop
        </button>
        <label className="key has-focus-visible:outline-3">
          <Upload size={18} aria-hidden /> Look into a backup
          <input
            ref={input}
            type="file"
            accept="application/json,.json,application/zip,.zip"
            className="sr-only"
            onChange={(e) => void look(e.target.files?.[0])}
          />
        </label>
      </div>
      {busy && (
        <p role="status" className="flex flex-wrap items-center gap-3">
          {busy.what} {"\u2026"}
          <button type="button" className="key" onClick={() => busy.left.abort()}>
            Stop
          </button>
        </p>
      )}
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
            {programs.map((p) => (
              <li key={p.id}>
                the program <strong>{p.kind === "program" && p.name}</strong>
              </li>
            ))}
            {contents.others.length > programs.length && <li>preferences</li>}
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
              onClick={() => void restore(false)}
              disabled={contents.chambers.length === 0 || busy !== null}
            >
              Bring the chambers in
            </button>
            {contents.chambers.length > 0 && (
              <button type="button" className="key" onClick={() => void restore(true)} disabled={busy !== null}>
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
          {/* Only while it is what was done last: it takes back this step and no other. */}
          {brought.step !== null && brought.step === last && (
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
          )}
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
