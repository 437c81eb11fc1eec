"use client";

import { ArrowLeft, ChevronLeft, ChevronRight, Keyboard, Printer, Redo2, Undo2 } from "lucide-react";
import dynamic from "next/dynamic";
import Link from "next/link";
import { stations, type Station } from "@/core/model";
import { showShortcuts } from "@/parts/common";
import { labelsOf, redo, setPreferences, undo, useWorkshop } from "@/workshop";
import { Drafts } from "@/parts/fields";
import { ChamberName } from "./ChamberName";
import { useChamber, usePreferences, useShownTrial } from "./context";
import { Stored } from "./Stored";
import { stateOf, stateWords, stationInfo, type StationState } from "./stations";

/** On a phone what has no room in the bar; it comes with the page behind it. */
const HandMenu = dynamic(() => import("./HandMenu").then((m) => m.HandMenu), {
  ssr: false,
  loading: () => <span className="w-11 shrink-0" />,
});

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
    <header
      data-clips
      className="border-base-content desk:gap-2 desk:px-2 desk:h-14 low:min-h-11 @container flex min-h-14 items-center gap-1 border-b-2 px-1"
    >
      <a
        href="#station"
        className="key bg-base-100 fixed top-1 left-1 z-50 not-focus:-translate-y-[200%]"
        onClick={(event) => {
          event.preventDefault();
          document.getElementById("station")?.focus();
        }}
      >
        Past path and ruler, to the station
      </a>
      <Link href="/" className="key border-transparent px-0" aria-label="Back to the Shelf">
        <ArrowLeft size={20} aria-hidden />
      </Link>
      <div className="desk:block hidden w-64 min-w-40 shrink">
        <Drafts of={record.id}>
          <ChamberName record={record} />
        </Drafts>
        <p className="-mt-0.5 text-xs">
          <Stored id={record.id} />
        </p>
      </div>
      <nav aria-label="Stations" className="desk:flex hidden h-full min-w-0 grow items-stretch justify-center">
        {stations.map((s) => {
          const state = stateOf(s, record, verdicts);
          const here = s === station;
          return (
            <button
              key={s}
              type="button"
              aria-current={here ? "step" : undefined}
              onClick={() => onStation(s)}
              className={`relative flex items-center gap-2 px-2 @min-[76rem]:px-3 ${here ? "font-bold" : "hover:bg-base-200"}`}
              title={`${stationInfo[s].name}: ${stateWords[state]}`}
            >
              <span
                className={`grid h-6 w-6 place-items-center rounded-full border text-sm leading-none font-bold ${state === "warning" ? "border-error text-error border-2" : state === "settled" ? "border-base-content bg-base-content text-base-100" : "border-base-content/50"}`}
              >
                {glyphs[state] || stationInfo[s].number}
              </span>
              <span className={`whitespace-nowrap ${here ? "@max-[44rem]:sr-only" : "@max-[66rem]:sr-only"}`}>
                {stationInfo[s].name}
              </span>
              <span className="sr-only">, {stateWords[state]}</span>
              {here && <span className="bg-base-content absolute inset-x-2 bottom-0 h-1" aria-hidden />}
            </button>
          );
        })}
      </nav>
      <nav aria-label="Stations" className="desk:hidden flex min-w-0 grow items-center justify-center">
        <button
          type="button"
          className="key border-transparent px-0"
          disabled={index === 0}
          onClick={() => onStation(stations[index - 1]!)}
          aria-label="Station before"
        >
          <ChevronLeft size={22} aria-hidden />
        </button>
        <span className="low:flex low:flex-wrap low:justify-center low:gap-x-3 min-w-0 text-center leading-tight">
          <span className="block font-semibold">
            {number} of 8 · {name}
          </span>
          <span className="block text-xs">
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
        className="key hand:hidden border-transparent px-0"
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
        className="key hand:hidden border-transparent px-0"
        disabled={!future}
        onClick={() => redo()}
        aria-label={future ? `Redo: ${future}` : "Nothing to redo"}
        title={future ? `Redo: ${future}` : "Nothing to redo"}
      >
        <Redo2 size={20} aria-hidden />
      </button>
      <button
        type="button"
        className="key hand:hidden border-transparent px-1"
        onClick={() => setPreferences({ scale: preferences.scale === "C" ? "F" : "C" })}
        aria-label={`Temperatures in ${preferences.scale === "C" ? "°C; change to °F" : "°F; change to °C"}`}
      >
        {preferences.scale === "C" ? "°C" : "°F"}
      </button>
      <Link href={`/card?c=${record.id}`} className="key hand:hidden px-3">
        <Printer size={18} aria-hidden /> Card
      </Link>
      <div className="desk:hidden">
        <HandMenu id={record.id} />
      </div>
    </header>
  );
}
