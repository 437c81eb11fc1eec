"use client";

import { ArrowLeft, ChevronLeft, ChevronRight, Keyboard, Printer, Redo2, Undo2 } from "lucide-react";
import Link from "next/link";
import { stations, type Station } from "@/core/model";
import { showShortcuts } from "@/parts/common";
import { labelsOf, redo, setPreferences, undo, useWorkshop } from "@/workshop";
import { Drafts } from "@/parts/fields";
import { ChamberName } from "./ChamberName";
import { useChamber, usePreferences, useShownTrial } from "./context";
import { Stored } from "./Stored";
import { stateOf, stateWords, stationInfo, type StationState } from "./stations";

interface Props {
  station: Station;
  onStation: (station: Station) => void;
}

const glyphs: Record<StationState, string> = { settled: "\u2713", warning: "!", untouched: "" };

/** Name, path of stations, undo, units: the one bar of the bench. */
export function BenchBar({ station, onStation }: Props) {
  const { record } = useChamber();
  const { verdicts } = useShownTrial();
  const preferences = usePreferences();
  const past = useWorkshop((s) => labelsOf(s).undo);
  const future = useWorkshop((s) => labelsOf(s).redo);
  const index = stations.indexOf(station);
  const { number, name } = stationInfo[station];
  return (
    <header className="border-base-content flex h-14 items-center gap-1 border-b-2 px-1 md:gap-2 md:px-2">
      <Link href="/" className="key border-transparent px-0" aria-label="Back to the Shelf">
        <ArrowLeft size={20} aria-hidden />
      </Link>
      <div className="hidden w-64 min-w-0 shrink lg:block">
        <Drafts of={record.id}>
          <ChamberName record={record} />
        </Drafts>
        <p className="-mt-0.5 text-xs">
          <Stored id={record.id} />
        </p>
      </div>
      <nav aria-label="Stations" className="hidden h-full grow items-stretch justify-center md:flex">
        {stations.map((s) => {
          const state = stateOf(s, record, verdicts);
          const here = s === station;
          return (
            <button
              key={s}
              type="button"
              aria-current={here ? "step" : undefined}
              onClick={() => onStation(s)}
              className={`relative flex items-center gap-2 px-3 max-lg:gap-1 max-lg:px-2 ${here ? "font-bold" : "hover:bg-base-200"}`}
              title={`${stationInfo[s].name}: ${stateWords[state]}`}
            >
              <span
                className={`grid h-6 w-6 place-items-center rounded-full border text-sm leading-none font-bold ${state === "warning" ? "border-error text-error border-2" : state === "settled" ? "border-base-content bg-base-content text-base-100" : "border-base-content/50"}`}
              >
                {glyphs[state] || stationInfo[s].number}
              </span>
              <span className="whitespace-nowrap">{stationInfo[s].name}</span>
              <span className="sr-only">, {stateWords[state]}</span>
              {here && <span className="bg-base-content absolute inset-x-2 bottom-0 h-1" aria-hidden />}
            </button>
          );
        })}
      </nav>
      <nav aria-label="Stations" className="flex min-w-0 grow items-center justify-center md:hidden">
        <button
          type="button"
          className="key border-transparent px-0"
          disabled={index === 0}
          onClick={() => onStation(stations[index - 1]!)}
          aria-label="Station before"
        >
          <ChevronLeft size={22} aria-hidden />
        </button>
        <span className="min-w-0 text-center leading-tight">
          <span className="block truncate font-semibold">
            {number} of 8 · {name}
          </span>
          <span className="block truncate text-xs">
            <Stored id={record.id} />
          </span>
        </span>
        <button
          type="button"
          className="key border-transparent px-0"
          disabled={index === stations.length - 1}
          onClick={() => onStation(stations[index + 1]!)}
          aria-label="Next station"
        >
          <ChevronRight size={22} aria-hidden />
        </button>
      </nav>
      <button
        type="button"
        className="key border-transparent px-0 max-md:hidden"
        onClick={() => showShortcuts(true)}
        aria-label="List of shortcuts"
        title="List of shortcuts (?)"
      >
        <Keyboard size={20} aria-hidden />
      </button>
      <button
        type="button"
        className="key border-transparent px-0"
        disabled={!past}
        onClick={() => undo()}
        aria-label={past ? `Undo: ${past}` : "Nothing to undo"}
        title={past ? `Undo: ${past}` : "Nothing to undo"}
      >
        <Undo2 size={20} aria-hidden />
      </button>
      <button
        type="button"
        className={`key border-transparent px-0 ${future ? "" : "max-md:hidden"}`}
        disabled={!future}
        onClick={() => redo()}
        aria-label={future ? `Redo: ${future}` : "Nothing to redo"}
        title={future ? `Redo: ${future}` : "Nothing to redo"}
      >
        <Redo2 size={20} aria-hidden />
      </button>
      <button
        type="button"
        className="key border-transparent px-1"
        onClick={() => setPreferences({ scale: preferences.scale === "C" ? "F" : "C" })}
        aria-label={`Temperatures in ${preferences.scale === "C" ? "°C; change to °F" : "°F; change to °C"}`}
      >
        {preferences.scale === "C" ? "°C" : "°F"}
      </button>
      <Link href={`/card?c=${record.id}`} className="key px-3 max-md:hidden">
        <Printer size={18} aria-hidden /> Card
      </Link>
    </header>
  );
}
