"use client";

import { Download, Upload } from "lucide-react";
import { useMemo, useState } from "react";
import { usualPrograms } from "@/core/chamber";
import type { ChamberRecord, ProgramContents } from "@/core/model";
import { download, FileKey } from "@/parts/common";
import { keepPrograms, programsIn, useWorkshop } from "@/workshop";
import { OwnProgram, UsualProgram } from "./ProgramEntry";
import { RoomHead } from "./RoomHead";
import { UndoKey } from "./UndoKey";

/** So many refusals are told one by one. */
const SHOWN = 20;

/** The library: programs of one's own, and the usual ones; a chamber takes a copy. */
export function Programs() {
  const { status, records } = useWorkshop();
  const usual = useMemo(() => usualPrograms(), []);
  const own = useMemo(() => programsIn(records), [records]);
  const chambers = useMemo(
    () =>
      Object.values(records)
        .filter((r): r is ChamberRecord => r.kind === "chamber" && !r.archived)
        .sort((a, b) => Number(a.demo) - Number(b.demo) || a.name.localeCompare(b.name)),
    [records],
  );
  const [said, setSaid] = useState<{ text: string; refused: string[] } | null>(null);
  if (status !== "open") return null;
  // The package that reads and writes them comes with its first use.
  const toFile = (programs: readonly ProgramContents[], name: string) =>
    void import("@/core/formats").then(({ writePrograms }) =>
      download(`${name}.json`, writePrograms(programs), "application/json"),
    );
  const bring = async (file: File) => {
    const { readPrograms } = await import("@/core/formats");
    const read = readPrograms(await file.text());
    if (!read.ok) {
      setSaid({ text: `${file.name}: ${read.problem}`, refused: [] });
      return;
    }
    const { programs, refused } = read.value;
    if (programs.length) keepPrograms(programs);
    const them = programs.length === 1 ? "One program stands" : `${programs.length} programs stand`;
    setSaid({ text: programs.length ? `${them} in your library now.` : "No program in this file is whole.", refused });
  };
  return (
    <>
      <RoomHead title="Programs">
        <FileKey label="A file of programs" accept="application/json,.json" onFile={(file) => void bring(file)}>
          <Upload size={18} aria-hidden /> Bring in a file
        </FileKey>
        {own.length > 0 && (
          <button
            type="button"
            className="key"
            onClick={() =>
              toFile(
                own.map(({ name, product, note, stages }) => ({ name, product, note, stages })),
                "programs",
              )
            }
          >
            <Download size={18} aria-hidden /> Yours into a file
          </button>
        )}
      </RoomHead>
      <main className="mx-auto grid max-w-5xl gap-6 px-4 py-6">
        <UndoKey />
        <p className="max-w-prose">
          A program is what a product goes through: stage after stage, each with its band and what ends it. A chamber
          takes a copy, which is its own from then on: what you change here changes no chamber.
        </p>
        {said && (
          <div role="status" className="border-base-content border-l-4 pl-4">
            <p>{said.text}</p>
            {said.refused.length > 0 && (
              <ul className="text-error list-disc pl-5">
                {said.refused.slice(0, SHOWN).map((r) => (
                  <li key={r}>{r}</li>
                ))}
              </ul>
            )}
          </div>
        )}
        <section className="grid gap-2" aria-label="Your programs">
          <h2 className="text-2xl">Yours</h2>
          {own.length === 0 && (
            <p className="quiet max-w-prose">
              None yet. Copy one of the usual ones below, keep the stages of a chamber from its Job station, or bring in
              a file; its form is published as a{" "}
              <a className="underline underline-offset-4" href="/schema/programs-1.json">
                JSON Schema
              </a>
              .
            </p>
          )}
          <ul className="grid">
            {own.map((program) => (
              <OwnProgram key={program.id} program={program} chambers={chambers} onFile={toFile} />
            ))}
          </ul>
        </section>
        <section className="grid gap-2" aria-label="The usual programs">
          <h2 className="text-2xl">As is usual</h2>
          <p className="quiet max-w-prose">
            Common practice, no source, but for what the reference room names. Your packet, your culture and your own
            nose stand before them.
          </p>
          <ul className="grid">
            {usual.map(({ id, contents }) => (
              <UsualProgram key={id} id={id} contents={contents} chambers={chambers} />
            ))}
          </ul>
        </section>
      </main>
    </>
  );
}
