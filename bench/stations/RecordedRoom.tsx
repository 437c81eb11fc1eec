"use client";

import { FileDown, X } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { refusalOf } from "@/core/model";
import { setRecorded } from "@/core/chamber";
import type { TimeUnit } from "@/core/formats";
import { celsius, printDuration, printTemperature, type Scale } from "@/core/quantity";
import { FileKey } from "@/parts/common";
import { pool, whyLost, type ReadProgress } from "@/workers";
import { useActions, useChamber, usePreferences } from "../context";
import { RecordedSpan } from "./RecordedSpan";

/** So much of a table is looked at on the page itself, to show at once what is understood of it, bytes. */
const GLANCE = 64 * 1024;
/** So many readings are shown before the rest is read. */
const SHOWN = 5;

interface Reading {
  name: string;
  /** The first readings as they are understood; null until they have been looked at, or where they cannot be understood. */
  glance: { seconds: number; temperature: number }[] | null;
  progress: ReadProgress | null;
}

const units: readonly (readonly [TimeUnit, string])[] = [
  ["h", "They are hours"],
  ["min", "They are minutes"],
  ["s", "They are seconds"],
];

/** What the first lines of a table are understood as: the last of them may be cut in two, and is left out. */
async function glanceAt(file: File, scale: Scale, unit?: TimeUnit): Promise<Reading["glance"]> {
  // The package that reads it comes with its first use.
  const { readRoomCsv } = await import("@/core/formats");
  const text = await file.slice(0, GLANCE).text();
  const cut = file.size > GLANCE ? text.slice(0, text.lastIndexOf("\n") + 1) : text;
  const lines = cut.split("\n").slice(0, SHOWN + 2);
  const found = readRoomCsv(lines.join("\n"), file.name, scale, unit);
  // The reading itself says what is wrong, and in which line.
  if (!found.ok) return null;
  const { seconds, temperatures } = found.value;
  return seconds.slice(0, SHOWN).map((s, i) => ({ seconds: s, temperature: temperatures[i]! }));
}

/** A recorded room in the place of the daily swing: read from a table beside the page, with a look at it meanwhile. */
export function RecordedRoom() {
  const { recorded } = useChamber().chamber;
  const { change } = useActions();
  const { scale } = usePreferences();
  const running = useRef<AbortController | null>(null);
  const [reading, setReading] = useState<Reading | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  /** A table of which nothing says what its times count. */
  const [asked, setAsked] = useState<File | null>(null);
  /** What was read last: its first and its last moment as they stand in it. */
  const [ends, setEnds] = useState<readonly [string, string] | null>(null);
  useEffect(() => () => running.current?.abort(), []);

  const take = async (chosen: File, unit?: TimeUnit) => {
    running.current?.abort();
    const { signal } = (running.current = new AbortController());
    const say = (next: Partial<Reading>) => {
      if (!signal.aborted) setReading((r) => r && { ...r, ...next });
    };
    setProblem(null);
    setAsked(null);
    setEnds(null);
    setReading({ name: chosen.name, glance: null, progress: null });
    void glanceAt(chosen, scale, unit)
      .then((glance) => say({ glance }))
      // It cannot be read at all: the reading itself says why.
      .catch(() => undefined);
    try {
      const progress = (told: unknown) => say({ progress: told as ReadProgress });
      const found = await pool.run("readRoom", { file: chosen, scale, unit }, { signal, progress });
      if (found.ok) {
        const why = refusalOf(change(setRecorded(found.value.readings), "recorded room"));
        setProblem(why);
        if (!why) setEnds(found.value.ends);
      } else {
        const { ASK_UNIT } = await import("@/core/formats");
        setProblem(found.problem);
        if (found.problem === ASK_UNIT) setAsked(chosen);
      }
    } catch (error) {
      if (signal.aborted) return;
      setProblem(`${chosen.name} could not be read: ${whyLost(error)}. Choose it once more.`);
    }
    setReading(null);
  };
  const stop = () => {
    running.current?.abort();
    setReading(null);
  };

  return (
    <div className="grid gap-2">
      {recorded && !reading && <RecordedSpan recorded={recorded} scale={scale} />}
      <div className="flex flex-wrap gap-2">
        {recorded && !reading && (
          <button type="button" className="key px-2" onClick={() => change(setRecorded(null), "recorded room")}>
            <X size={16} aria-hidden /> Back to the daily swing
          </button>
        )}
        {!recorded && !reading && (
          <FileKey
            label="Table with times and temperatures"
            accept=".csv,.txt,.tsv,text/csv"
            onFile={(file) => void take(file)}
          >
            <FileDown size={18} aria-hidden /> Use a recorded room (CSV)
          </FileKey>
        )}
      </div>
      {reading && (
        <section aria-label="Reading the table" className="border-base-content grid gap-2 border-l-4 pl-4">
          <p role="status">
            Reading <strong>{reading.name}</strong>
            {reading.progress
              ? `: ${reading.progress.rows.toLocaleString("en")} readings, ${Math.round(reading.progress.share * 100)} % of the file`
              : " \u2026"}
          </p>
          <progress
            className="progress h-2 w-full max-w-md"
            aria-label="Share of the table that has been read"
            value={reading.progress?.share ?? 0}
            max={1}
          />
          {reading.glance && (
            <p className="quiet text-sm">
              It begins:{" "}
              {reading.glance
                .map((g) => `${printDuration(g.seconds)} ${printTemperature(celsius(g.temperature), scale)}`)
                .join(", ")}
            </p>
          )}
          <button type="button" className="key justify-self-start" onClick={stop}>
            Stop
          </button>
        </section>
      )}
      {problem && (
        <p role="alert" className="text-error font-semibold">
          {problem}
        </p>
      )}
      {asked && (
        <div className="flex flex-wrap gap-2" role="group" aria-label="What its times count">
          {units.map(([unit, says]) => (
            <button key={unit} type="button" className="key" onClick={() => void take(asked, unit)}>
              {says}
            </button>
          ))}
        </div>
      )}
      {recorded && ends && (
        <p role="status" className="text-sm">
          Read from <strong>{ends[0]}</strong> to <strong>{ends[1]}</strong>, as it stands in the table. If that is not
          what you mean, go back to the daily swing and mend the table.
        </p>
      )}
      {!recorded && !reading && (
        <p className="quiet text-sm">A column of times (hours or dates) and one of temperatures.</p>
      )}
    </div>
  );
}
