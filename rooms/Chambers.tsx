"use client";

import { Plus } from "lucide-react";
import Link from "next/link";
import { useMemo } from "react";
import { nextStation, stationInfo, VerdictTitle } from "@/bench";
import { boxes, describe } from "@/core/chamber";
import type { ChamberRecord, PreferencesRecord } from "@/core/model";
import { productLabels } from "@/core/product";
import { celsius, printTemperature } from "@/core/quantity";
import { CabinetDrawing } from "@/parts/cabinet";
import { useWorkshop } from "@/workshop";
import type { TrialAnswer } from "@/workers";
import { backupWords, changedSince, useLastBackup } from "./KeepingNote";
import { RemoveChamber } from "./RemoveChamber";
import { useVerdicts } from "./useVerdicts";

const heightOf = (record: ChamberRecord): number => {
  const { cabinet } = describe(record);
  return cabinet.height + cabinet.collar;
};

/** Pixels of one metre on the shelf: all drawings are to one scale. */
const METRE = 190;

/** Every chamber as a drawing to scale, with its worst verdict and the next thing to do. */
export function Chambers({ chambers }: { chambers: readonly ChamberRecord[] }) {
  const { records, preferences } = useWorkshop();
  const zone = Math.max(...chambers.map(heightOf), 1) * METRE + 28;
  const last = useLastBackup();
  const changed = changedSince(records, last?.at ?? null);
  const answers = useVerdicts(chambers, preferences, preferences.scale);
  return (
    <>
      <ul className="mt-4 flex flex-wrap items-stretch gap-y-10" aria-label="Chambers">
        {chambers.map((record) => (
          <li key={record.id} className="grid w-full grid-rows-[auto_1fr] sm:w-84">
            <Chamber zone={zone} record={record} answer={answers[record.id]} preferences={preferences} />
          </li>
        ))}
        <li className="grid min-w-64 grow grid-rows-[auto_1fr]">
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
          <p className="quiet pt-3 pl-8">A place is free: three questions, and the next chamber stands here.</p>
        </li>
      </ul>
      {changed > 0 && last && (
        <p className="quiet mt-10">
          {backupWords(last.at, changed)}{" "}
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
  preferences,
}: {
  zone: number;
  record: ChamberRecord;
  /** In its place why there is none. */
  answer?: TrialAnswer | string;
  preferences: PreferencesRecord;
}) {
  const chamber = useMemo(() => describe(record), [record]);
  const { scale, system } = preferences;
  const answer = typeof said === "string" ? undefined : said;
  const next = answer ? nextStation(record, answer.verdicts) : null;
  const worst = answer?.verdicts[0];
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
      <div className="grid content-start gap-1 pt-3 pr-8">
        <div className="flex items-baseline gap-2">
          <h2 className="grow text-xl">{record.name}</h2>
          <RemoveChamber record={record} />
        </div>
        <p className="quiet">
          {named.length === 0 ? boxes[chamber.cabinet.kind].label : named.join(" and ")},{" "}
          {printTemperature(celsius(low), scale)} to {printTemperature(celsius(high), scale)}
          {stages.length > 1 && ` in ${stages.length} stages`}
          {vessels.length > 1 && `, ${vessels.length} kinds of vessel`}
          {record.demo && ". Part of the demo, with invented data"}
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
        {answer && (
          <Link className="key justify-self-start" href={`/bench?c=${record.id}&at=${next ?? "settings"}`}>
            {next ? `Next: ${stationInfo[next].name}` : "All stations are settled"}
          </Link>
        )}
      </div>
    </>
  );
}
