"use client";

import Link from "next/link";
import { useMemo, useState, type ReactNode } from "react";
import { describe, differsFrom, newChamber, programOf, takeProgram } from "@/core/chamber";
import { fill, type ChamberRecord, type ProgramContents, type ProgramRecord, type Stage } from "@/core/model";
import { sayEnds, stageName } from "@/core/program";
import { productLabels } from "@/core/product";
import { printDuration, printTemperature } from "@/core/quantity";
import { Menu, menuItem } from "@/parts/common";
import { Select, TextField } from "@/parts/fields";
import { ProgramSketch } from "@/parts/trace";
import { changeChamber, changeProgram, keepProgram, removeRecords, useWorkshop } from "@/workshop";

/** A chamber that holds the program's product and nothing else, to say its stages with. */
function asChamber(contents: ProgramContents) {
  const fresh = newChamber("library", "Library", "2026-01-01T00:00:00.000Z");
  const kind = { value: contents.product, origin: "typed" as const };
  const record: ChamberRecord = { ...fresh, vessels: [{ ...fresh.vessels[0]!, product: { kind } }] };
  return describe(takeProgram(contents, { id: "library", revision: 0 })(record));
}

interface EntryProps {
  id: string;
  revision: number;
  contents: ProgramContents;
  chambers: readonly ChamberRecord[];
  children?: ReactNode;
}

/** A program: its picture, its stages in words, and the chamber that shall have it. */
function Entry({ id, revision, contents, chambers, children }: EntryProps) {
  const { scale } = useWorkshop((s) => s.preferences);
  const chamber = useMemo(() => asChamber(contents), [contents]);
  const { stages } = chamber;
  const of = { id, revision };
  const suited = chambers.find((c) => describe(c).vessels[0]!.product.kind === contents.product);
  const [chosen, setChosen] = useState<string | null>(null);
  const into = chambers.find((c) => c.id === chosen) ?? suited;
  const [said, setSaid] = useState<{ problem: string } | { done: ChamberRecord } | null>(null);
  const take = () => {
    if (!into) return;
    const why = changeChamber(into.id, takeProgram(contents, of), `program ${contents.name}`);
    setSaid(
      why
        ? { problem: why.code === "contradiction" || why.code === "noSuch" ? why.text : "It does not fit." }
        : { done: into },
    );
  };
  return (
    <li className="rule-line grid gap-x-8 gap-y-3 border-b py-5 lg:grid-cols-[260px_1fr_17rem]">
      <ProgramSketch
        scale={scale}
        stages={stages.map((s) => ({
          name: stageName(stages, s.id),
          low: s.low,
          high: s.high,
          ramped: s.rampBy > 0,
        }))}
      />
      <div className="grid content-start gap-1">
        <h3 className="text-xl">{contents.name}</h3>
        <p className="quiet">{productLabels[contents.product]}</p>
        {contents.note && <p className="max-w-prose">{contents.note}</p>}
        <ol className="grid gap-1">
          {stages.map((s, i) => (
            <li key={s.id}>
              <strong>
                {i + 1}. {stageName(stages, s.id)}
              </strong>
              , {printTemperature(s.low, scale)} to {printTemperature(s.high, scale)}, {sayEnds(s, chamber, scale)}
              {s.tasks.length > 0 && <span className="quiet"> · {saysTasks(s)}</span>}
            </li>
          ))}
        </ol>
      </div>
      <div className="grid content-start gap-2">
        {chambers.length > 0 ? (
          <>
            <Select
              label="Put a copy into"
              value={into?.id ?? ""}
              options={[
                ...(suited ? [] : [{ value: "", label: "Choose a chamber" }]),
                ...chambers.map((c) => ({ value: c.id, label: c.name })),
              ]}
              onChoose={(next) => {
                setChosen(next);
                setSaid(null);
              }}
            />
            <button type="button" className="key" disabled={!into} onClick={take}>
              Take it<span className="sr-only">: {contents.name}</span>
            </button>
          </>
        ) : (
          <Link href="/new" className="key">
            Make a chamber first
          </Link>
        )}
        {said && "problem" in said && (
          <p role="alert" className="text-error font-semibold">
            {said.problem} Nothing was changed.
          </p>
        )}
        {said && "done" in said && (
          <p role="status">
            {said.done.name} has it now.{" "}
            <Link href={`/bench?c=${said.done.id}&at=job`} className="underline underline-offset-4">
              Go there
            </Link>
          </p>
        )}
        {children}
      </div>
    </li>
  );
}

const saysTasks = ({ tasks }: Pick<Stage, "tasks">): string =>
  tasks.map((t) => `${t.name}${t.every > 0 ? ` every ${printDuration(t.every)}` : ""}`).join("; ");

interface UsualProps {
  id: string;
  contents: ProgramContents;
  chambers: readonly ChamberRecord[];
}

export function UsualProgram({ id, contents, chambers }: UsualProps) {
  return (
    <Entry id={id} revision={0} contents={contents} chambers={chambers}>
      <button
        type="button"
        className="key border-transparent"
        onClick={() => keepProgram({ ...contents, name: productLabels[contents.product] })}
      >
        Copy it into yours<span className="sr-only">: {contents.name}</span>
      </button>
    </Entry>
  );
}

interface OwnProps {
  program: ProgramRecord;
  chambers: readonly ChamberRecord[];
  onFile: (programs: readonly ProgramContents[], name: string) => void;
}

export function OwnProgram({ program, chambers, onFile }: OwnProps) {
  const { id, name, product, note, stages, revision } = program;
  const contents: ProgramContents = useMemo(() => ({ name, product, note, stages }), [name, product, note, stages]);
  const [naming, setNaming] = useState(false);
  const copies = chambers.filter((c) => fill({ copyOf: "" }, c.program).copyOf === id);
  return (
    <Entry id={id} revision={revision} contents={contents} chambers={chambers}>
      {naming && (
        <TextField
          label="Its name"
          value={name}
          most={60}
          onCommit={(next) => {
            if (!next.trim()) return "Give it a name.";
            changeProgram(id, { name: next.trim() }, "name of the program");
            setNaming(false);
            return null;
          }}
        />
      )}
      {naming && (
        <TextField
          label="A note"
          value={note}
          most={400}
          onCommit={(next) => {
            changeProgram(id, { note: next }, "note of the program");
            return null;
          }}
        />
      )}
      <div className="flex flex-wrap gap-2">
        <Menu label={`More about ${name}`}>
          <button type="button" className={menuItem} data-away onClick={() => setNaming(!naming)}>
            {naming ? "Leave its name" : "Name and note"}
          </button>
          <button
            type="button"
            className={menuItem}
            onClick={() => keepProgram({ ...contents, name: `${name.slice(0, 54)}, copy` })}
          >
            Make a copy
          </button>
          <button type="button" className={menuItem} onClick={() => onFile([contents], "program")}>
            Put it into a file
          </button>
          <button type="button" className={menuItem} onClick={() => removeRecords([id], `program ${name} out`)}>
            Take it out of the library
          </button>
        </Menu>
      </div>
      {copies.map((chamber) => (
        <CopyNote key={chamber.id} chamber={chamber} program={program} contents={contents} />
      ))}
    </Entry>
  );
}

/** What a copy lacks of the program as it is now, and the other way round. */
function CopyNote({
  chamber,
  program,
  contents,
}: {
  chamber: ChamberRecord;
  program: ProgramRecord;
  contents: ProgramContents;
}) {
  const now = useMemo(() => describe(chamber), [chamber]);
  const older = now.program.copyOfRevision < program.revision;
  const differs = useMemo(() => differsFrom(now, contents), [now, contents]);
  if (differs.length === 0) return <p className="quiet">{chamber.name} has it as it is here.</p>;
  return (
    <div className="grid gap-1">
      <p className="quiet">
        {chamber.name} has {older ? "a copy of an earlier state, which differs" : "a copy that was changed there"}:{" "}
        {differs.join(", ")}.
      </p>
      {older && (
        <button
          type="button"
          className="key"
          onClick={() => changeChamber(chamber.id, takeProgram(contents, program), `program ${program.name}`)}
        >
          Give it the present stages<span className="sr-only">: {chamber.name}</span>
        </button>
      )}
      <button
        type="button"
        className="key"
        onClick={() =>
          changeProgram(program.id, { stages: programOf(now, program.name).stages }, `stages of ${program.name}`)
        }
      >
        Take its stages into the library
      </button>
    </div>
  );
}
