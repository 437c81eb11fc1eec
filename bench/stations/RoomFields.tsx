"use client";

import { FileDown, X } from "lucide-react";
import { useRef, useState } from "react";
import { setSeries } from "@/core/chamber";
import { readRoomCsv } from "@/core/formats";
import { celsius, printDuration, printTemperature } from "@/core/quantity";
import { clockKind, differenceKind, temperatureKind } from "@/parts/fields";
import { useBench } from "../context";
import { Fields } from "../Fields";
import { ValueField } from "../ValueField";

/** The room: a daily swing with its season, or a recorded one from a table. */
export function RoomFields() {
  const { chamber, preferences, change } = useBench();
  const { scale } = preferences;
  const { room, roomSeries } = chamber;
  const temperature = temperatureKind(scale, 0.1, 0.5);
  const file = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const take = async (chosen: File | undefined) => {
    if (!chosen) return;
    const series = readRoomCsv(await chosen.text(), chosen.name, scale);
    setProblem(series.ok ? change(setSeries(series.value), "recorded room") : series.problem);
  };
  const show = (t: number) => printTemperature(celsius(t), scale);
  return (
    <>
      <Fields
        title="The room around it"
        note={
          roomSeries
            ? "While a recorded room is in force, the coldest and warmest here are only used for sizing heater and cooling."
            : "Cold snaps and heat waves are placed on the trial\u2019s time line."
        }
      >
        <ValueField
          at={{ section: "room", field: "low" }}
          label="Coldest"
          kind={temperature}
          value={room.low}
          hint="The coldest night of the run."
        />
        <ValueField
          at={{ section: "room", field: "high" }}
          label="Warmest"
          kind={temperature}
          value={room.high}
          hint="The hottest afternoon."
        />
        <ValueField
          at={{ section: "room", field: "warmestHour" }}
          label="Warmest at"
          kind={clockKind}
          value={room.warmestHour}
        />
        <ValueField
          at={{ section: "room", field: "monthly" }}
          label="Season, a month"
          kind={differenceKind(scale, 0.5, true)}
          value={room.monthly}
          hint="How the daily mean moves in 30 days; negative into autumn."
        />
      </Fields>
      <div className="grid gap-2">
        {roomSeries ? (
          <p className="flex flex-wrap items-center gap-3">
            <span>
              Recorded room <strong>{roomSeries.name}</strong>: {roomSeries.seconds.length} readings over{" "}
              {printDuration(roomSeries.seconds.at(-1)!)}, {show(Math.min(...roomSeries.temperatures))} to{" "}
              {show(Math.max(...roomSeries.temperatures))}.
            </span>
            <button type="button" className="key px-2" onClick={() => change(setSeries(null), "recorded room")}>
              <X size={16} aria-hidden /> Back to the daily swing
            </button>
          </p>
        ) : (
          <button type="button" className="key justify-self-start" onClick={() => file.current?.click()}>
            <FileDown size={18} aria-hidden /> Use a recorded room (CSV)
          </button>
        )}
        <input
          ref={file}
          type="file"
          accept=".csv,.txt,.tsv,text/csv"
          className="hidden"
          aria-label="Table with times and temperatures"
          onChange={(e) => {
            void take(e.target.files?.[0]);
            e.target.value = "";
          }}
        />
        {problem && (
          <p role="alert" className="text-error font-semibold">
            {problem}
          </p>
        )}
        {!roomSeries && <p className="quiet text-sm">A column of times (hours or dates) and one of temperatures.</p>}
      </div>
    </>
  );
}
