"use client";

import { Columns2, Plus, Search } from "lucide-react";
import Link from "next/link";
import { useMemo, useState, type ReactNode } from "react";
import { nextStation, stationInfo, VerdictTitle } from "@/bench";
import { boxes, describe } from "@/core/chamber";
import type { ChamberRecord, PreferencesRecord } from "@/core/model";
import { productLabels } from "@/core/product";
import { atFirst, celsius, printTemperature } from "@/core/quantity";
import { readyWords, type Ensemble } from "@/core/trial";
import { CabinetDrawing } from "@/parts/cabinet";
import { useWorkshop } from "@/workshop";
import type { TrialAnswer } from "@/workers";
import { backupWords, changedSince, useLastBackup } from "./KeepingNote";
import { ChamberMenu } from "./ChamberMenu";
import { PutBy } from "./PutBy";
import { RemoveChamber } from "./RemoveChamber";
import { ShelfName } from "./ShelfName";
import { isMeant, shelfOrder } from "./shelfOrder";
import { useRanges } from "@/bench/useRanges";
import { useVerdicts } from "@/bench/useVerdicts";

const heightOf = (record: ChamberRecord): number => {
  const { cabinet } = describe(record);
  return cabinet.height + cabinet.collar;
};

/** Pixels of one metre on the shelf: all drawings are to one scale. */
const METRE = 190;

/** From so many on one looks for a chamber by its words. */
const MANY = 9;

/** Every chamber as a drawing to scale, with its worst verdict and the next thing to do: what hurts most first. */
export function Chambers({ chambers: all }: { chambers: readonly ChamberRecord[] }) {
  const chambers = useMemo(() => all.filter((r) => !r.archived), [all]);
  const by = all.filter((r) => r.archived);
  const { records, preferences } = useWorkshop();
  const backup = useLastBackup();
  const changed = changedSince(records, backup?.at ?? null);
  const answers = useVerdicts(chambers, preferences, preferences.scale);
  const ranges = useRanges(chambers, answers);
  const [sought, setSought] = useState("");
  const found = chambers.filter((record) => isMeant(record, sought));
  // Nothing moves under a finger while the trials run: it takes its place once all of them are there.
  const known = chambers.every(({ id }) => answers[id] !== undefined);
  const [settled, setSettled] = useState(false);
  // From then on a chamber that joins them moves no other.
  if (known && !settled) setSettled(true);
  const ordered = shelfOrder(found, known || settled ? answers : {});
  const own = ordered.filter((r) => !r.demo);
  const demo = ordered.filter((r) => r.demo);
  const zone = Math.max(...chambers.map(heightOf), 1) * METRE + 28;
  const row = (of: readonly ChamberRecord[], name: string, more?: ReactNode) => (
    <ul
      className="mt-4 grid grid-cols-[repeat(auto-fill,minmax(min(100%,17.5rem),1fr))] items-stretch gap-y-10"
      aria-label={name}
    >
      {of.map((record) => (
        <li key={record.id} className="grid min-w-0 grid-cols-[minmax(0,1fr)] grid-rows-[auto_1fr]">
          <Chamber
            zone={zone}
            record={record}
            answer={answers[record.id]}
            range={ranges[record.id]}
            preferences={preferences}
          />
        </li>
      ))}
      {more}
    </ul>
  );
  const place = (
    <li className="grid grid-rows-[auto_1fr]">
      <Link
        href="/new"
        className="border-base-content group flex items-end border-b-[3px] pl-8 sm:h-(--zone)"
        style={{ "--zone": `${zone}px` } as React.CSSProperties}
        aria-label="New chamber: a place is free on the shelf"
      >
        <span className="rule-line group-hover:bg-base-200/60 group-hover:border-base-content mb-0 grid h-36 w-28 place-items-center rounded-t border-2 border-b-0 border-dashed">
          <Plus size={26} aria-hidden />
        </span>
      </Link>
      <p className="quiet pt-3 pl-8">
        A place is free: three questions, and the next chamber stands here. Or{" "}
        <Link href="/preferences#backup" className="underline underline-offset-4">
          bring one in from a file
        </Link>
        .
      </p>
    </li>
  );
  return (
    <>
      {chambers.length >= MANY && (
        <label className="mt-3 flex items-center gap-2 sm:max-w-96">
          <Search size={18} aria-hidden />
          <span className="sr-only">Look for a chamber</span>
          <input
            type="search"
            className="border-base-content min-h-11 w-full rounded border-2 bg-transparent px-3"
            placeholder="A name, a box, what is in it"
            value={sought}
            onChange={(event) => setSought(event.target.value)}
          />
        </label>
      )}
      {found.length === 0 && sought && (
        <p role="status" className="mt-6 text-lg">
          No chamber here is called or holds &ldquo;{sought}&rdquo;.
        </p>
      )}
      {(own.length > 0 || chambers.length === 0) && row(own, demo.length > 0 ? "Your chambers" : "Chambers", place)}
      {demo.length > 0 && (
        <>
          {own.length > 0 && <h2 className="mt-10 text-xl">Hollin Mill</h2>}
          {row(demo, own.length > 0 ? "Chambers of the demo" : "Chambers", own.length === 0 && place)}
          <p className="quiet mt-6">
            Hollin Mill is the demo: its chambers and their data are invented. Preferences take it away and bring it
            back.
          </p>
        </>
      )}
      {chambers.length > 1 && (
        <p className="mt-6">
          <Link href="/compare" className="key">
            <Columns2 size={18} aria-hidden /> Compare chambers
          </Link>
        </p>
      )}
      {by.length > 0 && <PutBy chambers={by} />}
      {changed > 0 && backup && (
        <p className="quiet mt-10">
          {backupWords(backup.at, changed)}{" "}
          <Link href="/preferences#backup" className="underline underline-offset-4">
            Put them into a file
          </Link>
        </p>
      )}
    </>
  );
}

function Chamber({
  zone,
  record,
  answer: said,
  range,
  preferences,
}: {
  zone: number;
  record: ChamberRecord;
  /** In its place why there is none. */
  answer?: TrialAnswer | string;
  range?: Ensemble;
  preferences: PreferencesRecord;
}) {
  const chamber = useMemo(() => describe(record), [record]);
  const { scale, system } = preferences;
  const [naming, setNaming] = useState(false);
  const answer = typeof said === "string" ? undefined : said;
  const next = answer ? nextStation(record, answer.verdicts) : null;
  const worst = answer?.verdicts[0];
  const ready = range && readyWords(range);
  const { stages, vessels } = chamber;
  const low = Math.min(...stages.map((s) => s.low));
  const high = Math.max(...stages.map((s) => s.high));
  const products = [...new Set(vessels.map((v) => v.product.kind))];
  const named = products.filter((kind) => kind !== "hold").map((kind) => productLabels[kind]);
  return (
    <>
      <Link
        href={`/bench?c=${record.id}&at=${next ?? "settings"}`}
        className="border-base-content hover:bg-base-200/60 flex items-end justify-center border-b-[3px] pt-6 sm:h-(--zone)"
        style={{ "--zone": `${zone}px` } as React.CSSProperties}
        aria-label={`Open ${record.name}`}
      >
        <CabinetDrawing chamber={chamber} metre={METRE} system={system} />
      </Link>
      <div className="grid grid-cols-[minmax(0,1fr)] content-start gap-1 pt-3 pr-8">
        <div className="flex flex-wrap items-baseline justify-end gap-x-2">
          {naming ? (
            <ShelfName record={record} onDone={() => setNaming(false)} />
          ) : (
            <h2 className="min-w-0 grow basis-40 text-xl wrap-anywhere">{record.name}</h2>
          )}
          <ChamberMenu record={record} onRename={() => setNaming(true)} />
          <RemoveChamber record={record} />
        </div>
        <p className="quiet">
          {named.length === 0 ? boxes[chamber.cabinet.kind].label : named.join(" and ")},{" "}
          {printTemperature(celsius(low), scale)} to {printTemperature(celsius(high), scale)}
          {stages.length > 1 && ` in ${stages.length} stages`}
          {vessels.length > 1 && `, ${vessels.length} kinds of vessel`}
        </p>
        <p className="min-h-6">
          {worst ? (
            <VerdictTitle verdict={worst} />
          ) : (
            <span className="quiet">
              {said === undefined ? "Running its trial …" : `Its trial could not be run: ${said as string}.`}
            </span>
          )}
        </p>
        {ready && <p>{atFirst(ready)}.</p>}
        {answer && (
          <Link className="key justify-self-start" href={`/bench?c=${record.id}&at=${next ?? "settings"}`}>
            {next ? `Next: ${stationInfo[next].name}` : "All stations are settled"}
          </Link>
        )}
      </div>
    </>
  );
}
